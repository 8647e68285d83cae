import type { Band, Whose } from "~/core/person/index.ts";
import { formatSets } from "./numbers.ts";

/** A range of hard sets. */
export function formatRange({ low, high }: Band): string {
  return `${low}–${high}`;
}

const AGAINST_RANGE = {
  none: "nothing",
  below: "below the range",
  within: "within the range",
  above: "above the range",
} as const;

/** "6 sets, within the range": hard sets of a muscle as the figure of the leg tells them. */
export function formatAgainstRange(sets: number, at: keyof typeof AGAINST_RANGE): string {
  return `${formatSets(sets)} sets, ${AGAINST_RANGE[at]}`;
}

/** Whose word a number of hard sets is; the approach goes by its name. */
export function whoseWord(whose: Whose, approach: string): string {
  return whose === "client" ? "the client’s own limit" : approach;
}

/** The same of several weeks, in two words. */
export function formatCountedBriefly(counted: readonly number[]): string {
  if (counted.some((own) => own > 0)) return "with drops, pauses";
  return counted.some((own) => own < 0) ? "density in part" : "";
}

/** What the approach's way of counting changed of a number of direct sets; nothing where it changed none. */
export function formatCounted(counted: number): string {
  if (counted === 0) return "";
  return counted > 0
    ? `${formatSets(counted)} of them for drops, pauses and what follows sets`
    : `${formatSets(-counted)} fewer, as density sets count in part`;
}
