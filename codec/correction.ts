import { COMMAND_BOUNDS } from "~/core/log/index.ts";
import { z } from "zod";
import { RIR_VALUES, type Rir } from "~/core/plan/index.ts";
import { count, type Count, idField } from "~/core/kernel/index.ts";
import { optionalTextField, textField } from "./text.ts";

const why = textField("why; it is kept with your name", COMMAND_BOUNDS.reason);
const command = idField("command");

const rir = z
  .string()
  .transform((text) => RIR_VALUES.find((value) => String(value) === text))
  .refine((value): value is Rir => value !== undefined, "Expected an RIR.");

/** How much was done, as typed; empty is unknown, which is not zero. */
const done = z
  .string()
  .trim()
  .regex(/^\d{0,4}$/, "Expected a whole number, or nothing where it is unknown.")
  .transform((text, ctx): Count | null => {
    if (text === "") return null;
    if (Number(text) <= 1000) return count(Number(text));
    ctx.addIssue({ code: "custom", message: "Expected at most 1000." });
    return z.NEVER;
  });

/** A correction of an ended session, as the review page sends it. The load is read in the station's unit. */
export const correctionFormCodec = z.discriminatedUnion("intent", [
  z.object({
    intent: z.literal("correct"),
    command,
    load: optionalTextField(20),
    done,
    rir,
    why,
  }),
  z.object({ intent: z.literal("remove"), command, why }),
  z.object({ intent: z.literal("reopen"), why }),
]);
export type CorrectionForm = z.infer<typeof correctionFormCodec>;

/** What the coach decides about an exercise whose proposal changed after it was ruled on. */
export const reconsiderFormCodec = z.object({
  /** The last position of the log that the page showed. */
  position: z
    .string()
    .regex(/^\d{1,9}$/)
    .transform(Number),
  reason: optionalTextField(500),
});
