import { SHIPPED_MOVEMENTS } from "~/core/movement/catalogue/index.ts";
import { kg, lb } from "~/core/kernel/index.ts";
import type { Loading } from "~/core/gym/index.ts";
import type { StationContent } from "~/server/db/gyms.server.ts";

/** A station that serves the named movements, or whatever its loading allows where none is named. */
function station(
  name: string,
  loading: Loading,
  slugs: readonly string[] = [],
  over: Partial<StationContent> = {},
): StationContent {
  const wanted = slugs.map((slug) => `shipped:${slug}`);
  return {
    name,
    loading,
    serves: SHIPPED_MOVEMENTS.filter(
      (m) => m.loadings.includes(loading.kind) && (slugs.length === 0 || wanted.includes(m.ref)),
    ).map((m) => m.ref),
    profile: null,
    usuallyBusy: false,
    room: "",
    ...over,
  };
}

/** What else stands in the gym, beside the stations that the routines use. */
export const MORE_STATIONS: readonly StationContent[] = [
  station(
    "Hack squat",
    {
      kind: "plateMachine",
      unit: "kg",
      carriage: kg(52),
      points: 2,
      plates: [20, 10, 5, 2.5].map((size) => ({ size: kg(size), count: 6 })),
    },
    ["hack-squat", "single-leg-hack-squat", "reverse-hack-squat"],
    { usuallyBusy: true },
  ),
  station(
    "Cable tower",
    {
      kind: "stack",
      unit: "kg",
      pins: [2.5, 5, 7.5, 10, 12.5, 15, 20, 25, 30, 35, 40, 45, 50].map(kg),
      addOns: [],
      pulleyRatio: 0.5,
    },
    [
      "cable-pull-through",
      "cable-kickback",
      "cable-leg-curl",
      "cable-hip-abduction",
      "cable-hip-adduction",
      "cable-knee-drive",
      "cross-leg-cable-lift",
      "cable-crunch",
      "anti-rotation-press",
    ],
  ),
  station(
    "Thigh machine, in and out",
    {
      kind: "stack",
      unit: "lb",
      pins: [15, 30, 45, 60, 80, 100, 120, 145, 170].map(lb),
      addOns: [],
      pulleyRatio: 1,
    },
    ["abduction-machine", "adduction-machine"],
    { profile: "middle" },
  ),
  station("Kettlebells", {
    kind: "freeObject",
    unit: "kg",
    present: [8, 12, 16, 20, 24].map(kg),
    held: 1,
  }),
  station("Open floor", {
    kind: "bodyweight",
    unit: "kg",
    movedShare: 0.85,
    added: [5, 10].map(kg),
  }),
  station("Bands", {
    kind: "band",
    unit: "kg",
    bands: [
      { name: "thin", tension: kg(7) },
      { name: "middle", tension: kg(14) },
      { name: "wide", tension: kg(23) },
    ],
  }),
  station(
    "Counterweight frame",
    {
      kind: "assisted",
      unit: "kg",
      movedShare: 1,
      pins: [10, 20, 30, 40, 50].map(kg),
    },
    ["nordic-curl"],
  ),
  station("Mats, bikes and steps", { kind: "unloaded", unit: "kg" }),
];
