import type { ProgressionKind, ProgressionRule } from "../plan/index.ts";
import type { Facts } from "./judged-line.ts";
import type { Proposal } from "./proposal.ts";
import * as addSets from "./rules/add-sets.ts";
import * as beatLast from "./rules/beat-last.ts";
import * as byHand from "./rules/by-hand.ts";
import * as constraintFirst from "./rules/constraint-first.ts";
import * as density from "./rules/density.ts";
import * as doubleProgression from "./rules/double-progression.ts";
import * as effortAnchored from "./rules/effort-anchored.ts";
import * as fixedIncrement from "./rules/fixed-increment.ts";
import * as hardSets from "./rules/hard-sets.ts";
import * as keepLoad from "./rules/keep-load.ts";
import * as limitSets from "./rules/limit-sets.ts";
import type { Rule } from "./rules/rule.ts";
import * as smallestStep from "./rules/smallest-step.ts";
import * as taper from "./rules/taper.ts";
import * as techniqueFirst from "./rules/technique-first.ts";
import * as totalReps from "./rules/total-reps.ts";

/** What each rule makes of a line that was trained. */
const RULES: { readonly [K in ProgressionKind]: { readonly next: Rule<K> } } = {
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
};

/** What a rule makes of the facts of a line. */
export function nextBy(rule: ProgressionRule, facts: Facts): Proposal {
  const { next } = RULES[rule.kind] as {
    readonly next: (facts: Facts, rule: ProgressionRule) => Proposal;
  };
  return next(facts, rule);
}
