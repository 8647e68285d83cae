import { z } from "zod";

/**
 * Reps in reserve: whole or half reps left from 0 to 5, more than five, past the limit (failed or forced),
 * or unknown. An effort out of ten is 10 − reps in reserve and only a way to show it.
 */
export type Rir = (typeof RIR_VALUES)[number];

export const RIR_VALUES = [
  0,
  0.5,
  1,
  1.5,
  2,
  2.5,
  3,
  3.5,
  4,
  4.5,
  5,
  "more",
  "past",
  "unknown",
] as const;

/** True for one of {@link RIR_VALUES}. */
export function isRir(value: unknown): value is Rir {
  return (RIR_VALUES as readonly unknown[]).includes(value);
}

export const rirField = z.custom<Rir>(isRir, "expected reps in reserve");

/** True where the second reserve can be the upper end of a range from the first: both numbers, and more left. */
export function isEffortSpan(least: Rir, most: Rir): boolean {
  return typeof least === "number" && typeof most === "number" && most > least;
}

/** Reps left as a number for arithmetic: past the limit is 0, "more" is 6, unknown is null. */
export function repsLeft(rir: Rir): number | null {
  if (rir === "unknown") return null;
  if (rir === "more") return 6;
  return rir === "past" ? 0 : rir;
}

/**
 * The effort of a set of several efforts, one for each side: the one closest to the limit. One that was not said
 * leaves it open only where no other says that the set was hard.
 */
export function closestToLimit(efforts: readonly Rir[]): Rir {
  const said = efforts
    .filter((effort) => repsLeft(effort) !== null)
    .sort((a, b) => (repsLeft(a) ?? 0) - (repsLeft(b) ?? 0));
  const [closest = "unknown"] = said;
  return said.length < efforts.length && hardnessOf(closest) === "easy" ? "unknown" : closest;
}

/** Whether a set was hard enough to count: yes, no, or counted with a flag because the effort is unknown. */
export type Hardness = "hard" | "easy" | "unknown";

/** A set is hard at four reps in reserve or fewer. Source: DESIGN.md § Values, hard set. */
export function hardnessOf(rir: Rir): Hardness {
  const left = repsLeft(rir);
  if (left === null) return "unknown";
  return left <= 4 ? "hard" : "easy";
}
