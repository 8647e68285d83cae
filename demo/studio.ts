import { kg, lb, type Mass } from "~/core/kernel/index.ts";
import type { PlateStock } from "~/core/gym/index.ts";
import type { StationContent } from "~/server/db/gyms.server.ts";

/** The invented studio: its name, its gym and what stands there. */
export const STUDIO = {
  studioName: "Hollin Quay Training Room",
  displayName: "Wanda Ferrick",
  email: "coach@kravo.example",
  password: "leg day demo",
} as const;

/** Another coach of the studio, with the same password and these clients; all others are the first coach's. */
export const SECOND_COACH = {
  displayName: "Ilse Tarnow",
  email: "second@kravo.example",
  clients: ["Bevan Istrate", "Perrin Auld", "Wren Castellan"],
} as const;

export const GYM = {
  name: "Hollin Quay, ground floor",
  timeZone: "Europe/Vienna",
  houseRules:
    "Chalk in the rack only. Plates back to the tree. No dropping after eight in the evening.",
} as const;

const plates = (
  unit: (n: number) => Mass,
  ...stock: readonly (readonly [number, number])[]
): PlateStock[] => stock.map(([size, count]) => ({ size: unit(size), count }));

/** A gym for weeks away, of which nothing is known but what most have. */
export const AWAY_GYM = {
  name: "Brindle Moor, on tour",
  timeZone: "Europe/Vienna",
  houseRules: "",
} as const;

/** Stations by a short key that the routines below use. */
export const STATIONS = {
  rack: {
    name: "Rack by the door",
    loading: {
      kind: "bar",
      unit: "kg",
      bar: kg(20),
      plates: plates(kg, [25, 4], [20, 4], [15, 2], [10, 4], [5, 4], [2.5, 4], [1.25, 4]),
    },
    serves: [
      "shipped:back-squat",
      "shipped:front-squat",
      "shipped:romanian-deadlift",
      "shipped:barbell-hip-thrust",
    ],
    profile: null,
    usuallyBusy: false,
    room: "",
  },
  press: {
    name: "Leg press",
    loading: {
      kind: "plateMachine",
      unit: "kg",
      carriage: kg(47),
      points: 2,
      plates: plates(kg, [25, 6], [20, 8], [10, 4], [5, 4], [2.5, 2]),
    },
    serves: ["shipped:leg-press", "shipped:single-leg-press"],
    profile: null,
    usuallyBusy: false,
    room: "",
  },
  sled: {
    name: "Back-room sled",
    loading: {
      kind: "plateMachine",
      unit: "lb",
      carriage: null,
      points: 2,
      plates: plates(lb, [45, 8], [25, 4], [10, 4], [5, 2]),
    },
    serves: ["shipped:leg-press-calf-raise", "shipped:leg-press"],
    profile: null,
    usuallyBusy: false,
    room: "",
  },
  extension: {
    name: "Extension stack",
    loading: {
      kind: "stack",
      unit: "lb",
      pins: [10, 20, 35, 50, 65, 75, 90, 105, 125, 140, 160, 180, 200, 220].map(lb),
      addOns: [lb(5)],
      pulleyRatio: 1,
    },
    serves: ["shipped:leg-extension"],
    profile: null,
    usuallyBusy: false,
    room: "",
  },
  curl: {
    name: "Curl stack",
    loading: {
      kind: "stack",
      unit: "kg",
      pins: [5, 12, 19, 26, 33, 40, 47, 54, 61, 68, 75].map(kg),
      addOns: [kg(2.3)],
      pulleyRatio: 1,
    },
    serves: ["shipped:lying-leg-curl", "shipped:seated-leg-curl"],
    profile: null,
    usuallyBusy: false,
    room: "",
  },
  calf: {
    name: "Calf machine",
    loading: {
      kind: "stack",
      unit: "kg",
      pins: [10, 20, 30, 40, 50, 60, 70, 85, 100, 115, 130].map(kg),
      addOns: [kg(5)],
      pulleyRatio: 1,
    },
    serves: ["shipped:standing-calf-raise"],
    profile: null,
    usuallyBusy: false,
    room: "",
  },
  dumbbells: {
    name: "Dumbbell rack",
    loading: {
      kind: "dumbbells",
      unit: "kg",
      present: [5, 7.5, 10, 12.5, 15, 17.5, 20, 22.5, 25, 27.5, 30, 34, 38].map(kg),
      counted: "each",
    },
    serves: [
      "shipped:dumbbell-split-squat",
      "shipped:dumbbell-romanian-deadlift",
      "shipped:seated-calf-raise",
    ],
    profile: null,
    usuallyBusy: false,
    room: "",
  },
} as const satisfies Record<string, StationContent>;

export type StationKey = keyof typeof STATIONS;
