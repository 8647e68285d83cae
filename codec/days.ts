import { z } from "zod";
import { addDays, day, type Day } from "~/core/kernel/index.ts";
import { readDay } from "./typed-day.ts";

/** Earlier than anything that anybody still reports. Source: our rule. */
const FIRST_REPORTED = "1950-01-01";
const FIRST_PLANNED = "2000-01-01";
/** Later than any session that is planned within these decades. */
const LAST_PLANNED = day("2199-12-31");
/** Two years: a session planned later than that is a slip of the keyboard. Source: our rule. */
const PLANNED_AHEAD = 731;

/** A whole date in any way that {@link readDay} reads, between two days. */
function dayWithin(first: string, last: Day, beyond: (typed: string) => string) {
  return z
    .string({ error: "Expected a date." })
    .transform((text, ctx): Day => {
      const read = readDay(text);
      if (read !== null) return read;
      ctx.addIssue({ code: "custom", message: "Expected a date, like 31 Mar 2026.", input: text });
      return z.NEVER;
    })
    .refine((on) => on >= first && on <= last, {
      error: (issue) => beyond(String(issue.input)),
      abort: true,
    });
}

/** A day on which something happened: not to come. It may be tomorrow already where the person is. */
export function pastDayField(today: Day) {
  return dayWithin(
    FIRST_REPORTED,
    addDays(today, 1),
    (typed) => `Expected a day up to today; ${typed} is not that.`,
  );
}

/** A day on which a session of any time may be; for forms that do not know what day it is. */
export const sessionDayField = dayWithin(
  FIRST_PLANNED,
  LAST_PLANNED,
  (typed) => `Expected a day of a session; ${typed} is not that.`,
);

/** A day for which a session is planned. */
export function plannedDayField(today: Day) {
  return dayWithin(
    FIRST_PLANNED,
    addDays(today, PLANNED_AHEAD),
    (typed) => `Expected a day within the next two years; ${typed} is not that.`,
  );
}
