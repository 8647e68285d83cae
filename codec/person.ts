import { massUnitField } from "~/core/kernel/index.ts";
import { z } from "zod";
import { optionalTextField, textField } from "./text.ts";

/** What a coach writes about somebody who trains. */
export const personFormCodec = z.object({
  name: textField("a name", 80),
  goal: optionalTextField(300),
  level: z.enum(["beginner", "trained", "advanced"], {
    error: "Expected one of the three levels.",
  }),
  unit: massUnitField,
  notes: optionalTextField(4000),
});
export type PersonForm = z.infer<typeof personFormCodec>;

/** The same as stored: whatever a form of some version took. */
export const personCodec: z.ZodType<PersonForm> = z.object({
  name: z.string(),
  goal: z.string(),
  level: z.enum(["beginner", "trained", "advanced"]),
  unit: massUnitField,
  notes: z.string(),
});

/** The revision that a form was opened on. */
export const revisionField = z
  .string()
  .regex(/^\d{1,9}$/, "Expected the revision of the form.")
  .transform(Number);
