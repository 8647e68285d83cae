import { type MovementRef, kg, lb, type Mass } from "~/core/kernel/index.ts";
import type { PlateStock } from "~/core/gym/index.ts";
import type { StationContent } from "~/server/db/gyms.server.ts";
import type { PersonForm } from "~/codec/person.ts";

/** The invented studio: its name, its gym and what stands there. */
export const STUDIO = {
  studioName: "Hollin Quay Training Room",
  displayName: "Wanda Ferrick",
  email: "coach@kravo.example",
  password: "leg day demo",
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
  },
} as const satisfies Record<string, StationContent>;

export type StationKey = keyof typeof STATIONS;

/** One exercise of a routine, with what the person can do: the load of one repetition, as read there. */
export interface Exercise {
  readonly movement: MovementRef;
  readonly station: StationKey;
  readonly sets: number;
  readonly reps: readonly [number, number];
  readonly effort: 1 | 2 | 3;
  readonly rest: number;
  /** Null where the load is still to be found. */
  readonly start: number | null;
  readonly best: number;
  readonly weeklyGain: number;
  /** Weeks in which nothing is gained, from and to; where it is not said half is gained from the fifth on. */
  readonly plateau?: readonly [number, number];
  readonly drop?: number;
  readonly slow?: boolean;
  readonly purpose: string;
}

/** What happens to somebody in a given session of their history, by its number from 0. */
export interface Incident {
  readonly session: number;
  readonly kind:
    "flatDay" | "miscounted" | "kneePain" | "stationTaken" | "setUpChanged" | "overruled";
}

/** Other exercises from a session on: a rotation, or weeks in a gym with other equipment. */
export interface Change {
  readonly session: number;
  readonly routine: readonly Exercise[];
}

export interface Trainee {
  readonly person: PersonForm;
  readonly seed: number;
  readonly title: string;
  readonly startTime: string;
  /** Days before today on which they trained, oldest first; a gap is a week away. */
  readonly daysAgo: readonly number[];
  readonly routine: readonly Exercise[];
  readonly incidents: readonly Incident[];
  readonly changes?: readonly Change[];
  readonly now: "plannedToday" | "runningNow" | "undecided" | "firstSessionTomorrow";
}

/** Once a week for a year, but for a missed fortnight. */
const A_YEAR = Array.from({ length: 52 }, (_, week) => 361 - 7 * week).filter(
  (_, week) => week !== 17 && week !== 18,
);

const squat: Exercise = {
  movement: "shipped:back-squat",
  station: "rack",
  sets: 3,
  reps: [5, 7],
  effort: 2,
  rest: 180,
  start: 70,
  best: 96,
  weeklyGain: 0.006,
  plateau: [20, 31],
  purpose: "The lift of the year",
};
const press: Exercise = {
  movement: "shipped:leg-press",
  station: "press",
  sets: 3,
  reps: [8, 12],
  effort: 2,
  rest: 150,
  start: 110,
  best: 172,
  weeklyGain: 0.005,
  plateau: [52, 52],
  purpose: "Quads, supported",
};
const extension: Exercise = {
  movement: "shipped:leg-extension",
  station: "extension",
  sets: 2,
  reps: [10, 15],
  effort: 1,
  rest: 75,
  start: 75,
  best: 128,
  weeklyGain: 0.005,
  plateau: [22, 25],
  purpose: "Quads at full squeeze",
};
const lyingCurl: Exercise = {
  movement: "shipped:lying-leg-curl",
  station: "curl",
  sets: 3,
  reps: [8, 12],
  effort: 1,
  rest: 90,
  start: 26,
  best: 43,
  weeklyGain: 0.004,
  plateau: [52, 52],
  purpose: "Hamstrings, knee flexion",
};
const seatedCurl: Exercise = {
  ...lyingCurl,
  movement: "shipped:seated-leg-curl",
  start: 33,
  purpose: "Hamstrings at length",
};
const splitSquat: Exercise = {
  movement: "shipped:dumbbell-split-squat",
  station: "dumbbells",
  sets: 3,
  reps: [8, 12],
  effort: 2,
  rest: 90,
  start: 12.5,
  best: 21,
  weeklyGain: 0.002,
  purpose: "Travelling: what a hotel gym has",
};
const dumbbellHinge: Exercise = {
  ...splitSquat,
  movement: "shipped:dumbbell-romanian-deadlift",
  start: 20,
  best: 34,
};

export const TRAINEES: readonly Trainee[] = [
  {
    person: {
      name: "Odra Velling",
      goal: "Size of the quads before the spring show",
      level: "advanced",
      unit: "kg",
      notes: "Presses before squats. Sets her own safeties; say the last rep out loud.",
    },
    seed: 11,
    title: "Leg day, quads first",
    startTime: "17:30",
    daysAgo: [42, 38, 35, 31, 28, 24, 21, 14, 10, 7, 3],
    routine: [
      {
        movement: "shipped:leg-press",
        station: "press",
        sets: 3,
        reps: [8, 12],
        effort: 1,
        rest: 150,
        start: 160,
        best: 252,
        weeklyGain: 0.011,
        drop: 0.8,
        purpose: "Quads, heavy and supported",
      },
      {
        movement: "shipped:back-squat",
        station: "rack",
        sets: 3,
        reps: [6, 8],
        effort: 2,
        rest: 180,
        start: 90,
        best: 124,
        weeklyGain: 0.008,
        slow: true,
        purpose: "Quads and glutes, free",
      },
      {
        movement: "shipped:leg-extension",
        station: "extension",
        sets: 3,
        reps: [10, 15],
        effort: 1,
        rest: 75,
        start: 125,
        best: 196,
        weeklyGain: 0.01,
        drop: 0.7,
        purpose: "Rectus femoris, shortened",
      },
      {
        movement: "shipped:lying-leg-curl",
        station: "curl",
        sets: 3,
        reps: [8, 12],
        effort: 1,
        rest: 90,
        start: 40,
        best: 61,
        weeklyGain: 0.009,
        purpose: "Hamstrings, knee flexion",
      },
      {
        movement: "shipped:standing-calf-raise",
        station: "calf",
        sets: 3,
        reps: [8, 12],
        effort: 1,
        rest: 60,
        start: 85,
        best: 128,
        weeklyGain: 0.006,
        slow: true,
        purpose: "Calves in the stretch",
      },
    ],
    incidents: [
      { session: 4, kind: "miscounted" },
      { session: 6, kind: "flatDay" },
      { session: 8, kind: "overruled" },
    ],
    now: "runningNow",
  },
  {
    person: {
      name: "Bevan Istrate",
      goal: "First year of training, two legs days a week",
      level: "beginner",
      unit: "kg",
      notes: "Office all day, stiff ankles. Wants to know why before what.",
    },
    seed: 23,
    title: "Leg day, basics",
    startTime: "18:15",
    daysAgo: [41, 37, 34, 30, 27, 20, 16, 13, 9, 6, 1],
    routine: [
      {
        movement: "shipped:leg-press",
        station: "press",
        sets: 3,
        reps: [10, 12],
        effort: 3,
        rest: 120,
        start: 60,
        best: 121,
        weeklyGain: 0.022,
        purpose: "Learn to press with still hips",
      },
      {
        movement: "shipped:dumbbell-romanian-deadlift",
        station: "dumbbells",
        sets: 3,
        reps: [8, 10],
        effort: 3,
        rest: 120,
        start: 12.5,
        best: 25,
        weeklyGain: 0.02,
        purpose: "Learn the hinge",
      },
      {
        movement: "shipped:seated-leg-curl",
        station: "curl",
        sets: 2,
        reps: [10, 12],
        effort: 2,
        rest: 90,
        start: 19,
        best: 35,
        weeklyGain: 0.015,
        purpose: "Hamstrings at length",
      },
      {
        movement: "shipped:standing-calf-raise",
        station: "calf",
        sets: 2,
        reps: [10, 12],
        effort: 2,
        rest: 60,
        start: 40,
        best: 66,
        weeklyGain: 0.012,
        purpose: "Calves",
      },
    ],
    incidents: [
      { session: 5, kind: "stationTaken" },
      { session: 7, kind: "miscounted" },
    ],
    now: "undecided",
  },
  {
    person: {
      name: "Ilka Marrow",
      goal: "Back to squatting after a sore knee",
      level: "trained",
      unit: "kg",
      notes:
        "Left kneecap complains of full bend at the extension. Up to 3 of 10 and gone the next day is the agreed limit; cleared by her physiotherapist in September.",
    },
    seed: 37,
    title: "Leg day, knee in mind",
    startTime: "07:30",
    daysAgo: [40, 33, 26, 12, 5, 2],
    routine: [
      {
        movement: "shipped:lying-leg-curl",
        station: "curl",
        sets: 3,
        reps: [8, 12],
        effort: 2,
        rest: 90,
        start: 26,
        best: 45,
        weeklyGain: 0.012,
        purpose: "Ready the knees",
      },
      {
        movement: "shipped:single-leg-press",
        station: "press",
        sets: 3,
        reps: [8, 12],
        effort: 2,
        rest: 90,
        start: 20,
        best: 52,
        weeklyGain: 0.012,
        slow: true,
        purpose: "Each leg by itself",
      },
      {
        movement: "shipped:leg-extension",
        station: "extension",
        sets: 2,
        reps: [12, 15],
        effort: 3,
        rest: 75,
        start: 50,
        best: 96,
        weeklyGain: 0.01,
        slow: true,
        purpose: "Quads, limited bend",
      },
      {
        movement: "shipped:leg-press-calf-raise",
        station: "sled",
        sets: 3,
        reps: [10, 15],
        effort: 2,
        rest: 60,
        start: 180,
        best: 282,
        weeklyGain: 0.008,
        purpose: "Calves without load on the back",
      },
    ],
    incidents: [
      { session: 3, kind: "setUpChanged" },
      { session: 5, kind: "kneePain" },
    ],
    now: "undecided",
  },
  {
    person: {
      name: "Tamsin Kroll",
      goal: "Strength of the squat, one leg day a week",
      level: "trained",
      unit: "lb",
      notes: "Travels every sixth week. Counts in pounds at home, in kilograms here.",
    },
    seed: 53,
    title: "Leg day, squat first",
    startTime: "19:00",
    daysAgo: [42, 35, 28, 21, 7],
    routine: [
      {
        movement: "shipped:back-squat",
        station: "rack",
        sets: 4,
        reps: [5, 7],
        effort: 2,
        rest: 210,
        start: 75,
        best: 99,
        weeklyGain: 0.01,
        purpose: "The lift of the phase",
      },
      {
        movement: "shipped:romanian-deadlift",
        station: "rack",
        sets: 3,
        reps: [6, 8],
        effort: 2,
        rest: 180,
        start: 70,
        best: 98,
        weeklyGain: 0.008,
        purpose: "Hamstrings in the stretch",
      },
      {
        movement: "shipped:dumbbell-split-squat",
        station: "dumbbells",
        sets: 2,
        reps: [8, 10],
        effort: 2,
        rest: 90,
        start: 15,
        best: 25,
        weeklyGain: 0.012,
        purpose: "Left and right alike",
      },
    ],
    incidents: [{ session: 3, kind: "flatDay" }],
    now: "plannedToday",
  },
  {
    person: {
      name: "Perrin Auld",
      goal: "First steps after ten years off",
      level: "beginner",
      unit: "kg",
      notes: "No loads known yet: find them, far from the limit.",
    },
    seed: 71,
    title: "First session",
    startTime: "10:00",
    daysAgo: [],
    routine: [
      {
        movement: "shipped:leg-press",
        station: "press",
        sets: 2,
        reps: [10, 12],
        effort: 3,
        rest: 120,
        start: null,
        best: 90,
        weeklyGain: 0,
        purpose: "Find the first load",
      },
      {
        movement: "shipped:seated-leg-curl",
        station: "curl",
        sets: 2,
        reps: [10, 12],
        effort: 3,
        rest: 90,
        start: null,
        best: 30,
        weeklyGain: 0,
        purpose: "Find the first load",
      },
    ],
    incidents: [],
    now: "firstSessionTomorrow",
  },
  {
    person: {
      name: "Sorrel Tavish",
      goal: "Squat 140 for five by next summer",
      level: "trained",
      unit: "kg",
      notes: "One leg day a week. Feet higher on the press since the autumn, for the knee.",
    },
    seed: 97,
    title: "Leg day, squat and press",
    startTime: "12:15",
    daysAgo: A_YEAR,
    routine: [squat, press, extension, lyingCurl],
    incidents: [
      { session: 7, kind: "flatDay" },
      { session: 13, kind: "overruled" },
      { session: 21, kind: "kneePain" },
      { session: 22, kind: "kneePain" },
      { session: 26, kind: "overruled" },
      { session: 30, kind: "miscounted" },
      ...Array.from({ length: 10 }, (_, i) => ({ session: 40 + i, kind: "setUpChanged" as const })),
    ],
    changes: [
      // Another curl, and two weeks away; what returns begins where it was left, or a little below.
      {
        session: 25,
        routine: [
          { ...squat, start: 82.5 },
          { ...press, start: 125 },
          { ...extension, start: 90 },
          seatedCurl,
        ],
      },
      { session: 32, routine: [splitSquat, dumbbellHinge] },
      {
        session: 34,
        routine: [
          { ...squat, start: 85 },
          { ...press, start: 130 },
          { ...extension, start: 90 },
          seatedCurl,
        ],
      },
    ],
    now: "undecided",
  },
];
