import type { ApproachRef, Goal, Level } from "~/core/person/index.ts";
import { exercise, type PhasedTrainee } from "./in-a-phase.ts";

/** Four weeks of a client by one approach, some of them done. */
function running(
  approach: ApproachRef,
  [name, goal, level, aim]: readonly [string, Goal, Level, string],
  phase: string,
  [beganDaysAgo, seed]: readonly [number, number],
  days: PhasedTrainee["days"],
): PhasedTrainee {
  return {
    person: { name, goal: aim, level, unit: "kg", notes: "" },
    seed,
    startTime: "10:00",
    approach,
    phase: { name: phase, goal, success: aim, weeks: 4, beganDaysAgo, lighterEvery: 4 },
    days,
    missed: [],
    target: null,
    next: null,
    ill: null,
  };
}

/** A running phase of every shipped approach that nobody else's phase follows. */
export const OF_EACH_APPROACH: readonly PhasedTrainee[] = [
  running(
    "shipped:first-steps",
    ["Nessa Quill", "firstSteps", "beginner", "Three exercises without being told"],
    "First steps",
    [10, 91],
    [
      {
        after: 0,
        title: "Legs, machines",
        routine: [
          exercise("shipped:leg-press", "press", [2, 10, 12, 3], [60, 110, 0.02], 90, "Quads"),
          exercise(
            "shipped:lying-leg-curl",
            "curl",
            [2, 10, 12, 3],
            [19, 36, 0.02],
            75,
            "Hamstrings",
          ),
          exercise(
            "shipped:standing-calf-raise",
            "calf",
            [2, 10, 15, 3],
            [40, 70, 0.015],
            60,
            "Calves",
          ),
        ],
      },
    ],
  ),
  running(
    "shipped:long-muscle",
    ["Aldis Venn", "size", "trained", "Longer hamstrings, a load more in each"],
    "Stretch, block 1",
    [16, 92],
    [
      {
        after: 0,
        title: "Legs, stretched",
        routine: [
          exercise(
            "shipped:romanian-deadlift",
            "rack",
            [3, 8, 10, 2],
            [70, 104, 0.01],
            150,
            "Hamstrings, stretched",
          ),
          exercise(
            "shipped:dumbbell-split-squat",
            "dumbbells",
            [3, 8, 12, 2],
            [12.5, 24, 0.012],
            90,
            "Glutes and quads, long range",
          ),
        ],
      },
      {
        after: 4,
        title: "Legs, stretched B",
        routine: [
          exercise("shipped:leg-press", "press", [3, 10, 12, 2], [110, 178, 0.01], 120, "Quads"),
          exercise("shipped:lying-leg-curl", "curl", [3, 8, 12, 1], [33, 54, 0.01], 90, "Curl"),
        ],
      },
    ],
  ),
  running(
    "shipped:brief-and-hard",
    ["Jorun Tace", "size", "trained", "One set each, to failure, and more of it"],
    "One hard set",
    [19, 93],
    [
      {
        after: 0,
        title: "Legs, one set each",
        routine: [
          exercise("shipped:leg-press", "press", [1, 8, 12, 1], [150, 224, 0.012], 180, "Quads"),
          exercise("shipped:lying-leg-curl", "curl", [1, 8, 12, 1], [40, 62, 0.011], 150, "Curl"),
          exercise(
            "shipped:leg-extension",
            "extension",
            [1, 10, 15, 1],
            [105, 160, 0.01],
            120,
            "Quads, middle head",
          ),
        ],
      },
    ],
  ),
  running(
    "shipped:dense-work",
    ["Pella Rudd", "definition", "trained", "The same work in ten minutes less"],
    "Dense, block 1",
    [12, 94],
    [
      {
        after: 0,
        title: "Legs, short rests",
        routine: [
          exercise("shipped:leg-press", "press", [4, 12, 15, 2], [90, 150, 0.006], 45, "Quads"),
          exercise(
            "shipped:leg-extension",
            "extension",
            [3, 12, 15, 2],
            [65, 110, 0.006],
            40,
            "Quads, middle head",
          ),
          exercise("shipped:standing-calf-raise", "calf", [3, 12, 15, 2], [60, 98, 0.006], 40, ""),
        ],
      },
    ],
  ),
  running(
    "shipped:two-halves",
    ["Osk Marrin", "size", "trained", "Front on Mondays, back later in the week"],
    "Front and back",
    [18, 95],
    [
      {
        after: 0,
        title: "Front of the legs",
        routine: [
          exercise("shipped:front-squat", "rack", [3, 6, 8, 2], [60, 92, 0.01], 150, "Quads"),
          exercise(
            "shipped:leg-extension",
            "extension",
            [3, 10, 15, 1],
            [90, 146, 0.01],
            75,
            "Quads, middle head",
          ),
        ],
      },
      {
        after: 3,
        title: "Back of the legs",
        routine: [
          exercise("shipped:romanian-deadlift", "rack", [3, 6, 8, 2], [80, 116, 0.01], 150, "Hips"),
          exercise("shipped:lying-leg-curl", "curl", [3, 8, 12, 1], [33, 54, 0.01], 90, "Curl"),
        ],
      },
    ],
  ),
];
