import { z } from "zod";
import { FAULTS, rangeKind, type Count, type ValueOf } from "../../kernel/index.ts";
import { amount } from "../fields.ts";
import type { Asked, Demand } from "../target-asked.ts";

/** A range of repetitions, and a stop before it where form breaks in the named way. */
export const definition = rangeKind("repsUntil", {
  min: amount,
  max: amount,
  criterion: z.enum(FAULTS),
});
type RepsUntil = ValueOf<{ definition: typeof definition }>;

export const begin = (reps: Count): RepsUntil => ({
  kind: "repsUntil",
  min: reps,
  max: reps,
  criterion: "depthCut",
});
export const asked = ({ min, max }: RepsUntil): Asked => ({ measure: "reps", min, max });
export const demanded = ({ min, max }: RepsUntil): Demand => ({ least: min, most: max });
export { repeated } from "../target-asked.ts";
