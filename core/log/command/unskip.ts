import { idField, kind, type ValueOf } from "../../kernel/index.ts";

/** An exercise that was left out is trained after all. */
export const definition = kind("unskip", { slotId: idField("slot") });
type Said = ValueOf<{ definition: typeof definition }>;

export const subject = ({ slotId }: Said) => `skip:${slotId}`;
