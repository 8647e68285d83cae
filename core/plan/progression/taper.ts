import { count, rangeKind, share, type ValueOf } from "../../kernel/index.ts";
import type { RuleBeginning } from "../progression-beginning.ts";
import { amount, dropPercent, gain, steps } from "../fields.ts";

/** Fewer repetitions with more load from session to session, to a test, and then a lighter session. */
export const definition = rangeKind("taper", {
  /** Repetitions of the last session before the test, and of the first. */
  min: amount,
  max: amount,
  /** How many fewer each session. */
  by: gain,
  /** Steps up each session. */
  steps,
  /** What the session after the test is done with, as a share of the test. */
  lighter: dropPercent,
});
type Taper = ValueOf<{ definition: typeof definition }>;

export const begin = ({ most }: RuleBeginning): Taper => ({
  kind: "taper",
  min: count(Math.max(1, Math.min(most - 2, 3))),
  max: count(Math.max(1, Math.min(most, 30))),
  by: count(2),
  steps: count(1),
  lighter: share(0.8),
});
