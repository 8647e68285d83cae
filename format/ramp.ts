import type { RampReasons } from "~/core/coach/index.ts";
import { formatSets, plural } from "./numbers.ts";

/** "Add 3 warm-up sets", "Remove the warm-up sets" where the rule has none. */
export function formatRamp(sets: number): string {
  return sets === 0 ? "Remove the warm-up sets" : `Add ${plural(sets, "warm-up set")}`;
}

/** "compound lift, at least 8 reps, 3.9 times the lightest load, 2 hard sets for these regions before". */
export function formatRampReasons(reasons: RampReasons): string {
  return [
    reasons.isIsolation ? "isolation" : "compound lift",
    reasons.reps === null ? "" : `at least ${reasons.reps} reps`,
    reasons.distance === null ? "" : `${reasons.distance.toFixed(1)} times the lightest load`,
    `${formatSets(reasons.setsBefore)} hard sets for these regions before`,
    reasons.preFatigued ? "after a light pre-fatigue" : "",
  ]
    .filter((part) => part !== "")
    .join(", ");
}
