import { rangeKind, type Count, type ValueOf } from "../../kernel/index.ts";
import { amount } from "../fields.ts";
import type { Asked, Demand } from "../target-asked.ts";

/** Repetitions, from and to; per side wherever a side is named. */
export const definition = rangeKind("reps", { min: amount, max: amount });
type Reps = ValueOf<{ definition: typeof definition }>;

export const begin = (reps: Count): Reps => ({ kind: "reps", min: reps, max: reps });
export const asked = ({ min, max }: Reps): Asked => ({ measure: "reps", min, max });
export const demanded = ({ min, max }: Reps): Demand => ({ least: min, most: max });
export { repeated } from "../target-asked.ts";
