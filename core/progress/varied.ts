import { assertNever } from "../kernel/index.ts";
import type { Difference, Exposure } from "../log/index.ts";
import type { Constraint, ProgressionRule } from "../plan/index.ts";

/** What a rule itself changes from session to session besides load and repetitions; null where nothing. */
export function variedBy(rule: ProgressionRule): "rest" | "sets" | Constraint | null {
  if (rule.kind === "density") return "rest";
  if (rule.kind === "addSets" || rule.kind === "hardSets") return "sets";
  return rule.kind === "constraintFirst" ? rule.what : null;
}

/** True for a difference to the session before that the rule made itself, so that it is no doubt about the result. */
export function isByRule(rule: ProgressionRule, difference: Difference): boolean {
  const varied = variedBy(rule);
  switch (varied) {
    case "rest":
      return difference.aspect === "rest";
    case "lower":
    case "stretch":
    case "squeeze":
      return difference.aspect === "tempo" || difference.aspect === "held";
    case "hold":
      return difference.aspect === "held";
    case "range":
      return difference.aspect === "range";
    case "setUp":
      return difference.aspect === "setUp" && difference.direction !== "other";
    case "sets":
    case null:
      return false;
    default:
      return assertNever(varied);
  }
}

/** True where a session was asked for as much of what the rule varies as the last one, so that both show one trend. */
export function asksAlike(rule: ProgressionRule, earlier: Exposure, last: Exposure): boolean {
  const varied = variedBy(rule);
  if (varied === "rest") return earlier.context.restSeconds === last.context.restSeconds;
  return varied !== "sets" || earlier.planned.length === last.planned.length;
}
