import { applied, kindsOf, unionOf, type FamilyOf } from "../kernel/index.ts";
import * as addDay from "./change/add-day.ts";
import * as addExercise from "./change/add-exercise.ts";
import * as addWeek from "./change/add-week.ts";
import * as aim from "./change/aim.ts";
import * as day from "./change/day.ts";
import * as endRotation from "./change/end-rotation.ts";
import * as keep from "./change/keep.ts";
import * as placing from "./change/placing.ts";
import * as removeDay from "./change/remove-day.ts";
import * as removeWeek from "./change/remove-week.ts";
import * as rotation from "./change/rotation.ts";
import * as spans from "./change/spans.ts";
import * as start from "./change/start.ts";
import * as statedTarget from "./change/stated-target.ts";
import * as week from "./change/week.ts";
import type { Phase } from "./phase.ts";

/** How a phase is changed after it was made; the only list of them. Replanning is made of the same edits. */
export const PHASE_EDITS = {
  aim,
  start,
  week,
  addWeek,
  removeWeek,
  addDay,
  day,
  removeDay,
  placing,
  spans,
  addExercise,
  rotation,
  endRotation,
  keep,
  statedTarget,
} as const;
export type PhaseEdit = FamilyOf<typeof PHASE_EDITS>;
export const PHASE_EDIT_KINDS = kindsOf(PHASE_EDITS);
export const phaseEditField = unionOf(PHASE_EDITS);

/** A phase with an edit made; one that asks for what cannot be leaves it as it is. */
export function withEdit(phase: Phase, edit: PhaseEdit): Phase {
  return applied(PHASE_EDITS, "apply", edit, phase);
}

/** Where a week of a phase is after edits, from 1; null where it is gone. */
export function weekAfter(edits: readonly PhaseEdit[], week: number): number | null {
  return edits.reduce<number | null>(
    (now, edit) => now && applied(PHASE_EDITS, "weekAfter", edit, now),
    week,
  );
}
