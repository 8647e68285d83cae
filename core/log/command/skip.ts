import { idField, kind, type ValueOf } from "../../kernel/index.ts";
import { why } from "../command-fields.ts";

/** An exercise that is left out, and why. */
export const definition = kind("skip", { slotId: idField("slot"), reason: why });
type Said = ValueOf<{ definition: typeof definition }>;

export const subject = ({ slotId }: Said) => `skip:${slotId}`;
