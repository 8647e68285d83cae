import type { MovementRef } from "~/core/kernel/index.ts";
import type { ApproachRef, Goal } from "~/core/person/index.ts";
import type { NewPerson } from "../server/db/people.server.ts";
import type { StationKey } from "./studio.ts";
import type { Exercise } from "./trainee.ts";

/** A client whose sessions all belong to one running phase. */
export interface PhasedTrainee {
  readonly person: NewPerson;
  readonly seed: number;
  readonly startTime: string;
  /** Null where the client's own is followed. */
  readonly approach: ApproachRef | null;
  readonly phase: {
    readonly name: string;
    readonly goal: Goal;
    readonly success: string;
    readonly weeks: number;
    /** Days before today on which it began: a whole number of weeks, so that today is a day of training. */
    readonly beganDaysAgo: number;
    readonly lighterEvery: number;
  };
  /** The days of a week of the phase, counted from its first, each with its session. */
  readonly days: readonly {
    readonly after: number;
    readonly title: string;
    readonly routine: readonly Exercise[];
  }[];
  /** Days before today on which a planned session was missed. */
  readonly missed: readonly number[];
  /** What the first exercise of the first day is to come to by the last week; null for nothing. */
  readonly target: { readonly kg: number; readonly reps: number } | null;
  /** The phase that it was rolled over into, after its last week; null where it still runs. */
  readonly next: { readonly name: string } | null;
  /** Days before today from which, and for how many, the client was ill, so that the rest was replanned; null for never. */
  readonly ill: { readonly daysAgo: number; readonly days: number } | null;
}

/** An exercise of a routine: sets and reps, where its load begins and ends, how long it rests. */
export const exercise = (
  movement: MovementRef,
  station: StationKey,
  [sets, low, high, effort]: readonly [number, number, number, 1 | 2 | 3],
  [start, best, weeklyGain]: readonly [number, number, number],
  rest: number,
  purpose: string,
): Exercise => ({
  movement,
  station,
  sets,
  reps: [low, high],
  effort,
  rest,
  start,
  best,
  weeklyGain,
  purpose,
});

/** Ten weeks towards a meet of the studio, six of them done, the second day of one week missed; and a season towards a show. */
export const IN_A_PHASE: readonly PhasedTrainee[] = [
  {
    person: {
      name: "Corvin Hale",
      goal: "A stronger squat by the studio's meet",
      level: "trained",
      unit: "kg",
      notes: "Counts out loud; ask how the last rep felt before asking how many were left.",
    },
    seed: 77,
    startTime: "18:30",
    approach: null,
    phase: {
      name: "Squat before the meet",
      goal: "strength",
      success: "120 kg for five, clean",
      weeks: 10,
      beganDaysAgo: 42,
      lighterEvery: 4,
    },
    days: [
      {
        after: 0,
        title: "Legs A, squat",
        routine: [
          exercise(
            "shipped:back-squat",
            "rack",
            [4, 4, 6, 1],
            [100, 138, 0.011],
            180,
            "Squat, heavy",
          ),
          exercise(
            "shipped:leg-press",
            "press",
            [3, 8, 12, 2],
            [140, 222, 0.01],
            150,
            "Quads, supported",
          ),
          exercise(
            "shipped:lying-leg-curl",
            "curl",
            [3, 8, 12, 1],
            [40, 64, 0.009],
            90,
            "Hamstrings, knee flexion",
          ),
          exercise(
            "shipped:standing-calf-raise",
            "calf",
            [3, 8, 12, 1],
            [85, 132, 0.007],
            60,
            "Calves, straight knee",
          ),
        ],
      },
      {
        after: 3,
        title: "Legs B, hinge",
        routine: [
          exercise(
            "shipped:romanian-deadlift",
            "rack",
            [3, 6, 8, 2],
            [95, 138, 0.01],
            150,
            "Hamstrings and glutes, stretched",
          ),
          exercise(
            "shipped:front-squat",
            "rack",
            [3, 6, 8, 2],
            [70, 98, 0.009],
            150,
            "Quads, upright",
          ),
          exercise(
            "shipped:leg-extension",
            "extension",
            [3, 10, 15, 1],
            [110, 182, 0.01],
            75,
            "Quads, middle head, shortened",
          ),
        ],
      },
    ],
    missed: [11],
    target: { kg: 110, reps: 5 },
    next: null,
    ill: null,
  },
  {
    person: {
      name: "Wren Castellan",
      goal: "Lean legs for the spring show, strength held",
      level: "trained",
      unit: "kg",
      notes: "Films the last set of every exercise from the side.",
    },
    seed: 78,
    startTime: "17:00",
    approach: null,
    phase: {
      name: "Definition 1",
      goal: "definition",
      success: "every load held at 2 kg less body weight",
      weeks: 4,
      beganDaysAgo: 49,
      lighterEvery: 4,
    },
    days: [
      {
        after: 0,
        title: "Legs, short rests",
        routine: [
          exercise(
            "shipped:leg-press",
            "press",
            [3, 10, 12, 2],
            [140, 226, 0.004],
            90,
            "Quads, supported",
          ),
          exercise(
            "shipped:lying-leg-curl",
            "curl",
            [3, 10, 12, 1],
            [40, 66, 0.004],
            75,
            "Hamstrings, knee flexion",
          ),
          exercise(
            "shipped:leg-extension",
            "extension",
            [3, 12, 15, 1],
            [110, 182, 0.004],
            60,
            "Quads, middle head, shortened",
          ),
          exercise(
            "shipped:standing-calf-raise",
            "calf",
            [3, 10, 15, 1],
            [85, 134, 0.004],
            60,
            "Calves, straight knee",
          ),
        ],
      },
    ],
    missed: [],
    target: null,
    next: { name: "Definition 2" },
    ill: { daysAgo: 8, days: 6 },
  },
];

/** What the studio's calendar holds, in days from today. */
export const SEASON_EVENTS: readonly {
  /** Null for everybody. */
  readonly who: string | null;
  readonly kind: "show" | "test" | "holiday" | "travel";
  readonly name: string;
  readonly inDays: number;
  readonly days: number;
}[] = [
  { who: "Corvin Hale", kind: "test", name: "Studio meet", inDays: 27, days: 1 },
  { who: "Wren Castellan", kind: "show", name: "Spring show", inDays: 96, days: 2 },
  { who: "Tamsin Kroll", kind: "travel", name: "Survey at the coast", inDays: 40, days: 12 },
  { who: null, kind: "holiday", name: "Studio closed", inDays: 22, days: 6 },
];
