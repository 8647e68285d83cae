import { z } from "zod";
import { massUnitCodec } from "./values.ts";

/** Text of a form field: trimmed, with a message when it is empty or too long. */
export function textField(what: string, max: number) {
  return z
    .string({ error: `Expected ${what}.` })
    .trim()
    .min(1, `Expected ${what}.`)
    .max(max, `Expected at most ${max} characters.`);
}

export function optionalTextField(max: number) {
  return z
    .string()
    .trim()
    .max(max, `Expected at most ${max} characters.`)
    .optional()
    .transform((text) => text ?? "");
}

/** What a coach writes about somebody who trains. */
export const personFormCodec = z.object({
  name: textField("a name", 80),
  goal: optionalTextField(300),
  level: z.enum(["beginner", "trained", "advanced"], {
    error: "Expected one of the three levels.",
  }),
  unit: massUnitCodec,
  notes: optionalTextField(4000),
});
export type PersonForm = z.infer<typeof personFormCodec>;

/** The revision that a form was opened on. */
export const revisionField = z
  .string()
  .regex(/^\d{1,9}$/, "Expected the revision of the form.")
  .transform(Number);
