import { COMMAND_BOUNDS } from "../command-fields.ts";
import { z } from "zod";
import { idField, JOINTS, kind, textWithin, type ValueOf } from "../../kernel/index.ts";
import { stepKeyField, sideField } from "../logged-set.ts";

/** A pain, with its joint and its score from 0 (gone) to 10. */
export const definition = kind("pain", {
  id: idField("pain"),
  slotId: idField("slot"),
  key: stepKeyField.nullable(),
  joint: z.enum(JOINTS),
  side: sideField,
  score: z.number().int().min(0).max(10),
  note: textWithin(COMMAND_BOUNDS.setNote),
});
type Said = ValueOf<{ definition: typeof definition }>;

export const subject = ({ id }: Said) => `pain:${id}`;
