import { z } from "zod";
import { rangeKind, seconds, type ValueOf } from "../../kernel/index.ts";
import { accentTime, secondsMore } from "../fields.ts";

/** What can be made harder at the same load: a phase of the tempo, the hold at the end, the range, the set-up. */
export const CONSTRAINTS = ["lower", "stretch", "squeeze", "hold", "range", "setUp"] as const;
export type Constraint = (typeof CONSTRAINTS)[number];

/** Stricter first: slower, held longer, over the whole range, deeper or with a longer lever; then the next load. */
export const definition = rangeKind("constraintFirst", {
  what: z.enum(CONSTRAINTS),
  /** Seconds after a step up, and before one; range and set-up have no seconds. */
  min: accentTime,
  max: accentTime,
  by: secondsMore,
});
type ConstraintFirst = ValueOf<{ definition: typeof definition }>;

export const begin = (): ConstraintFirst => ({
  kind: "constraintFirst",
  what: "lower",
  min: seconds(2),
  max: seconds(4),
  by: seconds(1),
});
