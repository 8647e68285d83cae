import {
  dayAt,
  type Day,
  type Instant,
  amountOf,
  massFromTicks,
  ticksOf,
  wholeMinutes,
  type Mass,
  type MassUnit,
  type Duration,
  type Seconds,
} from "~/core/kernel/index.ts";

/**
 * The one formatter: English, a point for decimals, units always said. Never grouped: "1,000" typed back
 * would read as a decimal comma.
 */
const LOCALE = "en-GB";
const number = new Intl.NumberFormat(LOCALE, { maximumFractionDigits: 3, useGrouping: false });
const oneDecimal = new Intl.NumberFormat(LOCALE, { maximumFractionDigits: 1 });
const wholeDay = new Intl.DateTimeFormat(LOCALE, {
  weekday: "short",
  day: "numeric",
  month: "short",
  year: "numeric",
  timeZone: "UTC",
});
const shortDay = new Intl.DateTimeFormat(LOCALE, {
  day: "numeric",
  month: "short",
  timeZone: "UTC",
});
const percent = new Intl.NumberFormat(LOCALE, { style: "percent", maximumFractionDigits: 1 });

/** "1 rep", "2 reps" */
export const plural = (n: number, one: string) => `${n} ${n === 1 ? one : `${one}s`}`;

/** "82.5 kg" */
export function formatMass(m: Mass): string {
  return `${formatAmount(m)} ${m.unit}`;
}

/** "181.9 lb": what it comes to in a unit, to one decimal; the mass itself keeps its own. */
export function formatInUnit(m: Mass, unit: MassUnit): string {
  return `${oneDecimal.format(amountOf(massFromTicks(ticksOf(m), unit, "nearest")))} ${unit}`;
}

/** "about 181.9 lb" for somebody who reads in the other unit; null when they read in this one, or nobody reads. */
export function formatInOtherUnit(m: Mass, readsIn: MassUnit | null): string | null {
  return readsIn === null || m.unit === readsIn ? null : `about ${formatInUnit(m, readsIn)}`;
}

/** "82.5", for places where the unit stands beside or above. */
export function formatAmount(m: Mass): string {
  return number.format(amountOf(m));
}

/** "80 %" as "80%", to one decimal. */
export function formatShare(fraction: number): string {
  return percent.format(fraction);
}

/** "72.5" for 0.725, to two decimals, for places where the sign stands beside. */
export function formatPercent(fraction: number): string {
  return String(Math.round(fraction * 10_000) / 100);
}

/** A count of sets, with halves and quarters: "9", "4.5". */
export function formatSets(n: number): string {
  return oneDecimal.format(n);
}

/** "2:00", "0:45", "1:02:05". */
export function formatClock(total: number): string {
  const s = Math.max(0, Math.round(total));
  const [hours, minutes, rest] = [Math.floor(s / 3600), Math.floor((s % 3600) / 60), s % 60];
  const two = (n: number) => String(n).padStart(2, "0");
  return hours > 0 ? `${hours}:${two(minutes)}:${two(rest)}` : `${minutes}:${two(rest)}`;
}

/** "52 min", rounded to whole minutes. */
export function formatMinutes(s: Seconds): string {
  return `${wholeMinutes(s)} min`;
}

/** "45 to 68 min". */
export function formatMinuteRange(d: Duration): string {
  return `${wholeMinutes(d.low)} to ${wholeMinutes(d.high)} min`;
}

/** "Wed 25 Nov 2026" */
export function formatDay(day: Day): string {
  const parts = wholeDay.formatToParts(new Date(`${day}T00:00:00Z`));
  const part = (type: string) => parts.find((p) => p.type === type)?.value ?? "";
  return `${part("weekday")} ${part("day")} ${part("month")} ${part("year")}`;
}

/** "Wed 25 Nov 2026, 17:05" on the clock of a time zone. */
export function formatInstant(instant: Instant, timeZone: string): string {
  const clock = new Intl.DateTimeFormat(LOCALE, { hour: "2-digit", minute: "2-digit", timeZone });
  return `${formatDay(dayAt(instant, timeZone))}, ${clock.format(instant)}`;
}

/** "25 Nov" */
export function formatShortDay(day: Day): string {
  return shortDay.format(new Date(`${day}T00:00:00Z`));
}
