import { z } from "zod";
import { type Day, idField } from "~/core/kernel/index.ts";
import { plannedDayField } from "./days.ts";
import { textField } from "./text.ts";

const startTime = z
  .union([
    z.literal(""),
    z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, "Expected a time, like 17:30."),
  ])
  .optional()
  .transform((t) => (t === undefined || t === "" ? null : t));

/** A time of day, or null when only the day is set, as the bench holds it. */
export const startTimeCodec = z.union([z.null(), startTime]);

/** When and where a session is planned, as typed. */
export function planHeadCodec(today: Day) {
  return z.object({
    title: textField("a title, like Leg day A", 80),
    day: plannedDayField(today),
    startTime,
    gymId: idField("gym"),
  });
}

export function newPlanCodec(today: Day) {
  return planHeadCodec(today).extend({ personId: idField("person") });
}
