import { z } from "zod";
import { idField, kind, type ValueOf } from "../../kernel/index.ts";

/** A part of the session without sets (preparation, conditioning, restoration) was done, or was left out. */
export const definition = kind("items", { blockId: idField("block"), isDone: z.boolean() });
type Said = ValueOf<{ definition: typeof definition }>;

export const subject = ({ blockId }: Said) => `items:${blockId}`;
