import dayjs from "dayjs";
import timezone from "dayjs/plugin/timezone.js";
import utc from "dayjs/plugin/utc.js";
import type { Quantity } from "./quantity.ts";

dayjs.extend(utc);
dayjs.extend(timezone);

declare const dayBrand: unique symbol;

/** A calendar date `YYYY-MM-DD`, without time or zone. */
export type Day = string & { readonly [dayBrand]: true };

/** An instant in UTC, milliseconds since 1970. */
export type Instant = Quantity<"ms">;

/** True for a finite number of milliseconds since 1970 that a date can hold. */
export function isInstant(n: number): n is Instant {
  return Math.abs(n) <= 8.64e15;
}

/** Brands milliseconds since 1970. Throws on what no date can hold. */
export function instant(n: number): Instant {
  if (!isInstant(n)) throw new Error(`not an instant: ${n}`);
  return n;
}

/** True for a date that exists, written `YYYY-MM-DD`. */
export function isDay(text: string): text is Day {
  return /^\d{4}-\d{2}-\d{2}$/.test(text) && dayjs.utc(text).format("YYYY-MM-DD") === text;
}

/** Brands a calendar date. Throws on anything else. */
export function day(text: string): Day {
  if (!isDay(text)) throw new Error(`not a day: ${JSON.stringify(text)}`);
  return text;
}

/** The day `days` later (or earlier, when negative). */
export function addDays(from: Day, days: number): Day {
  return day(dayjs.utc(from).add(days, "day").format("YYYY-MM-DD"));
}

/** Whole days from a to b; negative when b is earlier. */
export function daysBetween(a: Day, b: Day): number {
  return dayjs.utc(b).diff(dayjs.utc(a), "day");
}

/** The calendar date in a time zone (IANA name) at an instant. Throws on an unknown zone. */
export function dayAt(at: Instant, timeZone: string): Day {
  return day(dayjs(at).tz(timeZone).format("YYYY-MM-DD"));
}

/** The instant at which a wall clock in the zone shows the day at `hour:minute`. */
export function instantAt(on: Day, hour: number, minute: number, timeZone: string): Instant {
  const clock = `${String(hour).padStart(2, "0")}:${String(minute).padStart(2, "0")}`;
  return instant(dayjs.tz(`${on} ${clock}`, timeZone).valueOf());
}

/** The calendar year of a day. */
export function yearOf(of: Day): number {
  return Number(of.slice(0, 4));
}

/** The Monday on or before the day. */
export function weekStart(of: Day): Day {
  return addDays(of, -((dayjs.utc(of).day() + 6) % 7));
}

/** The day of the week, Monday 1 to Sunday 7. */
export function weekdayOf(of: Day): number {
  return ((dayjs.utc(of).day() + 6) % 7) + 1;
}

/** True for a time zone that this machine's zone data knows. */
export function isTimeZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat("en", { timeZone: name });
    return true;
  } catch {
    return false;
  }
}
