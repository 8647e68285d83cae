import { kindsOf, unionOf, type FamilyOf } from "../kernel/index.ts";
import type { RuleBeginning } from "./progression-beginning.ts";
import * as addSets from "./progression/add-sets.ts";
import * as beatLast from "./progression/beat-last.ts";
import * as byHand from "./progression/by-hand.ts";
import * as constraintFirst from "./progression/constraint-first.ts";
import * as density from "./progression/density.ts";
import * as doubleProgression from "./progression/double-progression.ts";
import * as effortAnchored from "./progression/effort-anchored.ts";
import * as fixedIncrement from "./progression/fixed-increment.ts";
import * as hardSets from "./progression/hard-sets.ts";
import * as keepLoad from "./progression/keep-load.ts";
import * as limitSets from "./progression/limit-sets.ts";
import * as smallestStep from "./progression/smallest-step.ts";
import * as taper from "./progression/taper.ts";
import * as techniqueFirst from "./progression/technique-first.ts";
import * as totalReps from "./progression/total-reps.ts";

export { CONSTRAINTS, type Constraint } from "./progression/constraint-first.ts";

/** The ways in which a line moves on; the only list of them, in the order in which they are offered. */
export const PROGRESSIONS = {
  doubleProgression,
  smallestStep,
  fixedIncrement,
  totalReps,
  beatLast,
  effortAnchored,
  addSets,
  density,
  constraintFirst,
  techniqueFirst,
  taper,
  limitSets,
  hardSets,
  keepLoad,
  byHand,
} as const;

/** How a line of an exercise moves on from session to session. */
export type ProgressionRule = FamilyOf<typeof PROGRESSIONS>;
export type ProgressionKind = ProgressionRule["kind"];
export const PROGRESSION_KINDS = kindsOf(PROGRESSIONS);
export const progressionField = unionOf(PROGRESSIONS);

/** A rule of another kind as coaches usually begin with it. */
export function ruleOfKind(kind: ProgressionKind, from: RuleBeginning): ProgressionRule {
  return PROGRESSIONS[kind].begin(from);
}

/** Where nobody chose: repetitions to the top of the range in every set, then the next load. */
export const USUAL_PROGRESSION: ProgressionRule = doubleProgression.begin();
