import type { MovementRef } from "~/core/kernel/index.ts";
import type { PersonForm } from "~/codec/person.ts";
import type { StationKey } from "./studio.ts";
import type { Exercise } from "./trainee.ts";

/** A client whose sessions all belong to one running phase. */
export interface PhasedTrainee {
  readonly person: PersonForm;
  readonly seed: number;
  readonly startTime: string;
  readonly phase: {
    readonly name: string;
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
}

const exercise = (
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

/** Eight weeks towards a meet of the studio, five of them done; the second day of one week was missed. */
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
    phase: {
      name: "Squat before the meet",
      success: "120 kg for five, clean",
      weeks: 8,
      beganDaysAgo: 28,
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
            "Rectus femoris, shortened",
          ),
        ],
      },
    ],
    missed: [11],
  },
];
