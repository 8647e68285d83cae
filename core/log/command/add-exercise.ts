import { idField, kind, type ValueOf } from "../../kernel/index.ts";
import { exerciseBlockField } from "../../plan/index.ts";

/** An exercise that the plan does not hold, behind a block of the session, or at its end. */
export const definition = kind("addExercise", {
  block: exerciseBlockField,
  after: idField("block").nullable(),
});
type Said = ValueOf<{ definition: typeof definition }>;

export const subject = ({ block }: Said) => `addExercise:${block.id}`;
