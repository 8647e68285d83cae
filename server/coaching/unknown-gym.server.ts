import { SHIPPED_MOVEMENTS } from "~/core/movement/catalogue/index.ts";
import { kg } from "~/core/kernel/index.ts";
import type { Loading } from "~/core/gym/index.ts";
import type { StationContent } from "../db/gyms.server.ts";

const plates = [20, 15, 10, 5, 2.5, 1.25].map((size) => ({ size: kg(size), count: 6 }));

/** A station of a gym that nobody has seen yet: masses unknown where they differ most. */
function unknown(name: string, loading: Loading, slugs: readonly string[]): StationContent {
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
  };
}

const STACK: Loading = {
  kind: "stack",
  unit: "kg",
  pins: Array.from({ length: 20 }, (_, i) => kg(5 + 5 * i)),
  addOns: [],
  pulleyRatio: 1,
};
const SLED: Loading = { kind: "plateMachine", unit: "kg", carriage: null, points: 2, plates };

/**
 * What most gyms have, for a journey: carriages unknown, so that shares are of the hung plates and said to
 * be; the usual steps of stacks and dumbbells, to be corrected on the spot.
 */
export const UNKNOWN_GYM: readonly StationContent[] = [
  unknown("Rack", { kind: "bar", unit: "kg", bar: kg(20), plates }, []),
  unknown("Leg press, sled unknown", SLED, [
    "leg-press",
    "single-leg-press",
    "leg-press-calf-raise",
    "single-leg-press-calf-raise",
  ]),
  unknown("Extension", STACK, ["leg-extension", "single-leg-extension", "knee-extension-hold"]),
  unknown("Curl", STACK, ["lying-leg-curl", "seated-leg-curl", "single-leg-lying-curl"]),
  unknown("Cable", STACK, [
    "cable-pull-through",
    "cable-kickback",
    "cable-hip-abduction",
    "cable-hip-adduction",
    "cable-leg-curl",
    "cable-crunch",
    "cable-knee-drive",
  ]),
  unknown(
    "Dumbbells",
    {
      kind: "dumbbells",
      unit: "kg",
      present: Array.from({ length: 16 }, (_, i) => kg(2.5 + 2.5 * i)),
      counted: "each",
    },
    [],
  ),
  unknown("Body weight", { kind: "bodyweight", unit: "kg", movedShare: 0.85, added: [] }, []),
  unknown("Floor", { kind: "unloaded", unit: "kg" }, []),
];
