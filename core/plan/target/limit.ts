import { kind, type Count, type ValueOf } from "../../kernel/index.ts";
import { amount } from "../fields.ts";
import type { Asked, Demand } from "../target-asked.ts";

/** As many as come, at least so many where a minimum is set. */
export const definition = kind("limit", { atLeast: amount.nullable(), likely: amount });
type Limit = ValueOf<{ definition: typeof definition }>;

export const begin = (reps: Count): Limit => ({ kind: "limit", atLeast: null, likely: reps });
export const asked = ({ atLeast, likely }: Limit): Asked => ({
  measure: "reps",
  min: atLeast ?? likely,
  max: Math.max(atLeast ?? 0, likely),
});
export const demanded = ({ atLeast }: Limit): Demand => ({ least: atLeast, most: atLeast });
export { repeated } from "../target-asked.ts";
