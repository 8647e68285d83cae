import { z } from "zod";
import { idField, kind, type ValueOf } from "../../kernel/index.ts";
import { slotField } from "../../plan/index.ts";

/** Another exercise instead of one, for what is still to be done of it: this once, or for good. */
export const definition = kind("swap", {
  slotId: idField("slot"),
  /** With ids of its own, made on the device. */
  slot: slotField,
  forGood: z.boolean(),
});
type Said = ValueOf<{ definition: typeof definition }>;

export const subject = ({ slotId }: Said) => `swap:${slotId}`;
