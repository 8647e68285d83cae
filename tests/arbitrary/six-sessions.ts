import { minutes } from "../../core/kernel/index.ts";
import type { Judging } from "~/core/coach/index.ts";
import { approachOf, exercise, judging, sessionOf } from "./session.ts";

/** Six sessions of our own, one for each of six approaches, for somebody whom it suits. */
export const SIX_SESSIONS: readonly { readonly name: string; readonly judging: Judging }[] = [
  {
    name: "Even Ground, first of two days, nothing special about the person",
    judging: judging(
      sessionOf(
        exercise("back-squat", 3, { effort: 2 }),
        exercise("romanian-deadlift", 3, { effort: 2 }),
        exercise("dumbbell-split-squat", 2, { effort: 2 }),
        exercise("seated-leg-curl", 2, { effort: 1 }),
        exercise("standing-calf-raise", 3, { effort: 1 }),
      ),
      { brief: { daysPerWeek: 2 } },
    ),
  },
  {
    name: "First Steps, a beginner alone with stiff ankles, once a week",
    judging: judging(
      sessionOf(
        exercise("goblet-squat", 2, { effort: 3 }, { Heels: "flat" }),
        exercise("leg-press", 2, { effort: 3 }),
        exercise("lying-leg-curl", 2, { effort: 3 }),
        exercise("flat-floor-calf-raise", 2, { effort: 3 }),
      ),
      {
        approach: approachOf("first-steps"),
        brief: {
          level: "beginner",
          goal: "firstSteps",
          helper: "alone",
          tight: ["ankle"],
          daysPerWeek: 1,
        },
      },
    ),
  },
  {
    name: "Heavy Iron, a squat day with a spotter, twice a week",
    judging: judging(
      sessionOf(
        exercise("back-squat", 5, { effort: 1 }),
        exercise("conventional-deadlift", 3, { effort: 2 }),
        exercise("leg-press", 3, { effort: 1 }),
        exercise("plank", 2, { effort: 2 }),
      ),
      { approach: approachOf("heavy-iron"), brief: { daysPerWeek: 2, helper: "spotter" } },
    ),
  },
  {
    name: "Long Muscle, quads as the priority, a partner, sixty minutes",
    judging: judging(
      sessionOf(
        exercise("seated-leg-curl", 3, { effort: 0 }),
        exercise("hack-squat", 4, { effort: 2 }),
        exercise("leg-extension", 3, { effort: 0 }, { "Seat back": "upright" }),
        exercise("single-leg-calf-raise", 3, { effort: 1 }),
      ),
      {
        approach: approachOf("long-muscle"),
        brief: {
          daysPerWeek: 2,
          priorities: ["vastusLateralis"],
          minutesCap: minutes(60),
          helper: "partner",
        },
      },
    ),
  },
  {
    name: "Brief and Hard, once a week, to the limit, a sore low back",
    judging: judging(
      sessionOf(
        exercise("leg-extension", 2, { effort: 0 }),
        exercise("leg-press", 2, { effort: 0 }),
        exercise("lying-leg-curl", 2, { effort: 0 }),
        exercise("romanian-deadlift", 1, { effort: 0 }),
        exercise("standing-calf-raise", 2, { effort: 0 }),
      ),
      {
        approach: approachOf("brief-and-hard"),
        brief: {
          daysPerWeek: 1,
          helper: "alone",
          limits: [
            { joint: "lowBack", provokedBy: "loadOnSpine", since: null, severity: 4, allowed: 2 },
          ],
        },
      },
    ),
  },
  {
    name: "Dense Work, high volume, thirty-five minutes",
    judging: judging(
      sessionOf(
        exercise("lying-leg-curl", 4, { effort: 0 }),
        exercise("leg-extension", 4, { effort: 0 }),
        exercise("leg-press", 4, { effort: 2 }),
        exercise("leg-extension", 3, { effort: 0 }),
        exercise("leg-press-calf-raise", 4, { effort: 0 }),
      ),
      { approach: approachOf("dense-work"), brief: { daysPerWeek: 2, minutesCap: minutes(35) } },
    ),
  },
];
