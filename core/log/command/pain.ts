import { COMMAND_BOUNDS } from "../command-fields.ts";
import { z } from "zod";
import { idField, JOINTS, kind, textWithin, type ValueOf } from "../../kernel/index.ts";
import { partKeyField, partSideField } from "../part.ts";

/** A pain, with its joint and its score from 0 (gone) to 10. */
export const definition = kind("pain", {
  id: idField("pain"),
  slotId: idField("slot"),
  key: partKeyField.nullable(),
  joint: z.enum(JOINTS),
  side: partSideField,
  score: z.number().int().min(0).max(10),
  note: textWithin(COMMAND_BOUNDS.partNote),
});
type Said = ValueOf<{ definition: typeof definition }>;

export const subject = ({ id }: Said) => `pain:${id}`;
