import { z } from "zod";
import type { Day } from "~/core/kernel/index.ts";
import { revisionCodec } from "./values.ts";
import { planCodec } from "./plan.ts";
import { planHeadCodec, startTimeCodec } from "./plan-form.ts";

/** What the bench sends to save: the revision it started from, and the whole plan. */
export function savePlanCodec(today: Day) {
  return z.object({
    baseRevision: revisionCodec,
    head: planHeadCodec(today).extend({ startTime: startTimeCodec }),
    document: planCodec,
  });
}

/** The same in one word for each field that is wrong, for people. */
export function describeIssues(error: z.ZodError): readonly string[] {
  return error.issues.map((issue) => {
    const field = issue.path.at(-1);
    return typeof field === "string" ? `${field}: ${issue.message}` : issue.message;
  });
}
