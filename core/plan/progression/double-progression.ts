import { z } from "zod";
import { kind, type ValueOf } from "../../kernel/index.ts";

/**
 * Repetitions to the top of the range, then the next load. The weakest set decides for all of the line, or each set
 * moves on by itself.
 */
export const definition = kind("doubleProgression", {
  decides: z.enum(["weakest", "eachSet"]).default("weakest"),
});
type DoubleProgression = ValueOf<{ definition: typeof definition }>;

export const begin = (): DoubleProgression => ({ kind: "doubleProgression", decides: "weakest" });
