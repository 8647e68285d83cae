import { z } from "zod";
import { type Day, idField } from "~/core/kernel/index.ts";
import { plannedDayField } from "./days.ts";
import { planCodec } from "./plan.ts";
import { textField } from "./text.ts";
import { revisionCodec } from "./values.ts";

/** Keeping a saved plan as a template. */
export const keepTemplateCodec = z.object({
  planId: idField("plan"),
  name: textField("a name", 80),
});

/** What the editor of a template sends: the revision it started from, and the whole of it. */
export const changeTemplateCodec = z.object({
  baseRevision: revisionCodec,
  name: textField("a name", 80),
  document: planCodec,
});

/** Who is given a template, where and when; from the address for the preview, from the form for the gift. */
export function giveCodec(today: Day) {
  return z.object({
    people: z.array(idField("person")).min(1, "Expected at least one client.").max(30),
    gymId: idField("gym"),
    day: plannedDayField(today),
  });
}
export type Give = z.infer<ReturnType<typeof giveCodec>>;
