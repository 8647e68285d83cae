import { z } from "zod";
import { FAULTS, kind, type Count, type ValueOf } from "../../kernel/index.ts";
import { amount } from "../fields.ts";
import { exactly, type Asked } from "../target-asked.ts";

/** Until form breaks in the named way. */
export const definition = kind("untilForm", { criterion: z.enum(FAULTS), likely: amount });
type UntilForm = ValueOf<{ definition: typeof definition }>;

export const begin = (reps: Count): UntilForm => ({
  kind: "untilForm",
  criterion: "depthCut",
  likely: reps,
});
export const asked = ({ likely }: UntilForm): Asked => exactly("reps", likely);
export { demanded, repeated } from "../target-asked.ts";
