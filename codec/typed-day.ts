import dayjs from "dayjs";
import customParseFormat from "dayjs/plugin/customParseFormat.js";
import { addDays, daysBetween, isDay, weekdayOf, type Day } from "~/core/kernel/index.ts";

dayjs.extend(customParseFormat);

/** Whole dates as people write them: the day before the month, as the screens show it. */
const WHOLE = [
  "YYYY-MM-DD",
  "D MMM YYYY",
  "D MMMM YYYY",
  "D.M.YYYY",
  "D/M/YYYY",
  "D.M.YY",
  "D/M/YY",
  "D MMM YY",
  "MMM D YYYY",
  "MMMM D YYYY",
];
/** Dates without a year, which mean the one that is nearest. */
const IN_ANY_YEAR = ["D MMM", "D MMMM", "MMM D", "MMMM D", "D.M.", "D.M", "D/M"];
const WEEKDAYS = ["mon", "tue", "wed", "thu", "fri", "sat", "sun"];
const NAME_OF_WEEKDAY = /^(mon|tue|wed|thu|fri|sat|sun)[a-z]*\b[.,]?\s*/i;

function readWith(text: string, formats: readonly string[]): Day | null {
  for (const format of formats) {
    const read = dayjs(text, format, true);
    const found = read.isValid() ? read.format("YYYY-MM-DD") : "";
    if (isDay(found)) return found;
  }
  return null;
}

/** Months as the reader of dates wants them: "12 JAN" and "12 january" alike. */
const inCase = (text: string) =>
  text
    .replace(/[a-z]+/gi, (word) => word.charAt(0).toUpperCase() + word.slice(1).toLowerCase())
    .replace(/\bSept\b/, "Sep");

/** Nobody writes a day longer than this; reading what is pasted instead takes time. */
const LONGEST = 40;

/** A whole date, whatever day it is: "2026-12-24", "24 Dec 2026", "Thu 24 Dec 2026", "24.12.2026". Null where it is none. */
export function readDay(text: string): Day | null {
  if (text.length > LONGEST) return null;
  const bare = inCase(
    text.trim().replace(NAME_OF_WEEKDAY, "").replace(/,/g, " ").replace(/\s+/g, " "),
  );
  return readWith(bare, WHOLE);
}

/**
 * A day as somebody types it on a day: a whole date, or "24 dec", "24.12.", "fri", "tomorrow", "+7". Without a year the
 * nearest one is meant; a weekday is the next, or where something lies back the last. Null where it is none of these.
 */
export function readTypedDay(text: string, today: Day, lies: "ahead" | "back"): Day | null {
  if (text.length > LONGEST) return null;
  const typed = text.trim().toLowerCase();
  const away = { today: 0, tomorrow: 1, yesterday: -1 }[typed];
  if (away !== undefined) return addDays(today, away);
  if (/^[+-]\d{1,3}$/.test(typed)) return addDays(today, Number(typed));
  const [named] = NAME_OF_WEEKDAY.exec(typed) ?? [];
  if (named?.length === typed.length && typed !== "") {
    const on = WEEKDAYS.indexOf(typed.slice(0, 3));
    const ahead = (on + 1 - weekdayOf(today) + 7) % 7;
    return addDays(today, lies === "ahead" || ahead === 0 ? ahead : ahead - 7);
  }
  const whole = readDay(text);
  if (whole !== null) return whole;
  const bare = inCase(typed.replace(NAME_OF_WEEKDAY, "").replace(/\s+/g, " "));
  const year = Number(today.slice(0, 4));
  const near = [year - 1, year, year + 1].flatMap(
    (own) =>
      readWith(
        `${bare} ${own}`,
        IN_ANY_YEAR.map((format) => `${format} YYYY`),
      ) ?? [],
  );
  return (
    near.toSorted((a, b) => Math.abs(daysBetween(today, a)) - Math.abs(daysBetween(today, b)))[0] ??
    null
  );
}

/** A time of day as somebody types it: "17:30", "1730", "17.30", "5:30 pm", "5pm", "17". Null where it is none. */
export function readTypedTime(text: string): string | null {
  const found = /^(\d{1,2})(?:[:.h ]?(\d{2}))?\s*(am|pm)?$/i.exec(text.trim());
  if (found === null) return null;
  const [, hours = "", minutes = "00", half] = found;
  const [hour, minute] = [Number(hours), Number(minutes)];
  if (minute > 59 || hour > 23 || (half !== undefined && (hour < 1 || hour > 12))) return null;
  const on = half === undefined ? hour : (hour % 12) + (half.toLowerCase() === "pm" ? 12 : 0);
  return `${String(on).padStart(2, "0")}:${String(minute).padStart(2, "0")}`;
}
