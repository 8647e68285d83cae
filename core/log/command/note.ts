import { COMMAND_BOUNDS } from "../command-fields.ts";
import { idField, kind, textWithin, type ValueOf } from "../../kernel/index.ts";

/** A note on an exercise, or on the session. */
export const definition = kind("note", {
  slotId: idField("slot").nullable(),
  text: textWithin(COMMAND_BOUNDS.note),
});
type Said = ValueOf<{ definition: typeof definition }>;

export const subject = ({ slotId }: Said) => `note:${slotId ?? "session"}`;
