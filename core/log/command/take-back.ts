import { z } from "zod";
import { kind, type ValueOf } from "../../kernel/index.ts";

/** A swap, or what was added, is taken back; what was logged of it stays. */
export const definition = kind("takeBack", {
  change: z.enum(["swap", "addExercise", "addSet"]),
  /** Of the exercise that was swapped, the block or the set that was added. */
  id: z.uuid(),
});
type Said = ValueOf<{ definition: typeof definition }>;

export const subject = ({ change, id }: Said) => `${change}:${id}`;
