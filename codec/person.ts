import { idField, massUnitField, type Id } from "~/core/kernel/index.ts";
import { z } from "zod";
import { currentPassword } from "./account.ts";
import { optionalTextField, textField } from "./text.ts";

/** What a coach writes about somebody who trains, in a studio of these coaches. */
export const personFormCodec = (coaches: readonly { readonly id: Id<"user"> }[]) =>
  z.object({
    name: textField("a name", 80),
    goal: optionalTextField(300),
    level: z.enum(["beginner", "trained", "advanced"], {
      error: "Expected one of the three levels.",
    }),
    unit: massUnitField,
    notes: optionalTextField(4000),
    /** Whose client this is; null for everybody's. */
    coach: z
      .string()
      .optional()
      .transform((id, ctx) => {
        if (id === undefined || id === "") return null;
        const coach = coaches.find((own) => own.id === id);
        if (coach === undefined) ctx.addIssue("Expected a coach of this studio.");
        return coach?.id ?? null;
      }),
  });
export type PersonForm = z.infer<ReturnType<typeof personFormCodec>>;

/** The same as stored: whatever a form of some version took. */
export const personCodec: z.ZodType<PersonForm> = z.object({
  name: z.string(),
  goal: z.string(),
  level: z.enum(["beginner", "trained", "advanced"]),
  unit: massUnitField,
  notes: z.string(),
  coach: idField("user").nullable(),
});

/** The revision that a form was opened on. */
export const revisionField = z
  .string()
  .regex(/^\d{1,9}$/, "Expected the revision of the form.")
  .transform(Number);

/** What erasing a client for good asks for. */
export const eraseCodec = z.object({
  confirm: z.literal("erase", { error: "Tick the box first." }),
  current: currentPassword,
});
