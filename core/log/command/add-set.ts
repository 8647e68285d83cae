import { idField, kind, type ValueOf } from "../../kernel/index.ts";
import { plannedSetField } from "../../plan/index.ts";

/** One more set at the end of an exercise. */
export const definition = kind("addSet", { slotId: idField("slot"), set: plannedSetField });
type Said = ValueOf<{ definition: typeof definition }>;

export const subject = ({ set }: Said) => `addSet:${set.id}`;
