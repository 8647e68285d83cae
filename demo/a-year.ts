import type { Exercise, Trainee } from "./trainee.ts";

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

/** A client with a year of history: progress, a plateau, a flare-up, travel, a missed fortnight, a rotation and more. */
export const A_YEAR_OF: Trainee = {
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
};
