import { idField } from "~/core/kernel/index.ts";
import { z } from "zod";
import { FINDING_CODES } from "~/core/coach/index.ts";
import { sessionDayField } from "./days.ts";
import { textField } from "./text.ts";

/** Longer than any fact: its numbers and the names of what it is about. */
const FACT_LENGTH = 2000;

/** A finding set aside with its reason, or one taken back. The fact is kept as it stood on the screen. */
export const setAsideCodec = z.discriminatedUnion("kind", [
  z.object({
    kind: z.literal("setAside"),
    key: z.string().min(1).max(200),
    fact: z
      .looseObject({ code: z.enum(FINDING_CODES) })
      .refine((fact) => JSON.stringify(fact).length <= FACT_LENGTH, "expected a fact of a finding"),
    reason: textField("a reason", 500),
    /** Another day of the client that it is left to; null where it is set aside for good. */
    leftTo: sessionDayField.nullable().default(null),
  }),
  z.object({ kind: z.literal("takeBack"), id: idField("dismissal") }),
]);
