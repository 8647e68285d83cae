import { applied, kindsOf, unionOf, type FamilyOf, type Mass } from "../kernel/index.ts";
import type { LoadBeginning } from "./load-beginning.ts";
import type { Follows, SetCopies, SetReference } from "./reference.ts";
import * as absolute from "./load/absolute.ts";
import * as bodyWeight from "./load/body-weight.ts";
import * as byEffort from "./load/by-effort.ts";
import * as fallback from "./load/fallback.ts";
import * as fromLast from "./load/from-last.ts";
import * as massFrom from "./load/mass-from.ts";
import * as open from "./load/open.ts";
import * as platesFrom from "./load/plates-from.ts";
import * as sameAsSet from "./load/same-as-set.ts";
import * as shareOfMaximum from "./load/share-of-maximum.ts";
import * as shareOfMovement from "./load/share-of-movement.ts";
import * as shareOfPlates from "./load/share-of-plates.ts";
import * as shareOfSet from "./load/share-of-set.ts";
import * as shareOfUsual from "./load/share-of-usual.ts";
import * as stepsFromSet from "./load/increments-from-set.ts";
import * as trial from "./load/trial.ts";

/** The kinds of load rules; the only list of them. */
export const LOAD_RULES = {
  absolute,
  open,
  sameAsSet,
  shareOfSet,
  shareOfPlates,
  stepsFromSet,
  massFrom,
  platesFrom,
  shareOfMaximum,
  shareOfUsual,
  shareOfMovement,
  fromLast,
  byEffort,
  bodyWeight,
  trial,
  fallback,
} as const;

/** How a set's load is found. */
export type LoadRule = FamilyOf<typeof LOAD_RULES>;
export const LOAD_KINDS = kindsOf(LOAD_RULES);
export const loadRuleField = unionOf(LOAD_RULES);

/** A load rule of another kind as coaches usually begin with it; null where there is nothing to begin from. */
export function loadOfKind(kind: LoadRule["kind"], from: LoadBeginning): LoadRule | null {
  return LOAD_RULES[kind].begin(from);
}

/** A load rule that follows from a copied set or extension, led to the copy. */
export function leadTo(rule: LoadRule, copies: SetCopies): LoadRule {
  return applied(LOAD_RULES, "lead", rule, copies);
}

/** Whether a load is decided by itself, follows from another set, or is worked out on the day. */
export function followsOf(rule: LoadRule): Follows {
  return applied(LOAD_RULES, "follows", rule);
}

/** The set, or extension of one, that a load goes from; null where it goes from none. */
export function referenceOf(rule: LoadRule): SetReference | null {
  const from = "basis" in rule ? rule.basis : rule;
  return "set" in from ? { set: from.set, part: "part" in from ? from.part : null } : null;
}

/** The reading that a rule names outright, or null where it follows from something else. */
export function readingOf(rule: LoadRule): Mass | null {
  return rule.kind === "absolute" || rule.kind === "fallback" ? rule.reading : null;
}

/** The rule with another reading where it names one or is open; otherwise the rule itself. */
export function withReading(rule: LoadRule, reading: Mass): LoadRule {
  if (rule.kind === "fallback") return { ...rule, reading };
  return rule.kind === "absolute" || rule.kind === "open" ? { kind: "absolute", reading } : rule;
}

/** The rule with every load that it names made another; one that follows from something else stays. */
export function mapReadings(rule: LoadRule, to: (reading: Mass) => Mass): LoadRule {
  if (rule.kind === "absolute") return { ...rule, reading: to(rule.reading) };
  if (rule.kind === "fallback")
    return { ...rule, reading: to(rule.reading), then: rule.then.map(to) };
  return rule.kind === "trial" ? { ...rule, from: to(rule.from) } : rule;
}
