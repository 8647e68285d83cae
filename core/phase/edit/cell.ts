import type { Mass, Share } from "../../kernel/index.ts";
import { shareOfLoad, type Station } from "../../gym/index.ts";
import { BOUNDS, type Line } from "../../plan/index.ts";
import type { ChosenStep } from "../../progress/index.ts";

/** A line in one week of a phase, before the coach changes it. */
export interface Cell {
  readonly line: Line;
  /** The load of its first set; null where it is found on the day. */
  readonly reading: Mass | null;
  readonly station: Station | null;
  readonly bodyWeight: Mass | null;
}

/** So many sets, at least one and as many as a line can have. */
export function setsTo({ line: { sets } }: Cell, to: number): ChosenStep {
  const within = Math.min(BOUNDS.lineSets.most, Math.max(1, Math.round(to)));
  return {
    reading: null,
    changes: within === sets.length ? [] : [{ kind: "sets", from: sets.length, to: within }],
  };
}

/** This load; null leaves it as it is. */
export const loadOf = (reading: Mass | null): ChosenStep => ({ reading, changes: [] });

/** The load that comes nearest to a share of what is moved; null where a share means nothing. */
export function shareOf({ reading, station, bodyWeight }: Cell, of: Share): Mass | null {
  if (reading === null || station === null) return null;
  return shareOfLoad(station.loading, reading, of, bodyWeight)?.made.reading ?? null;
}

/**
 * The load for a light week: no harder than the share. Null, so that the load stays, where a share means nothing,
 * and where the steps are so coarse that it would be more than twice as far down. Source: our rule, docs/phases.md.
 */
export function lighterBy({ reading, station, bodyWeight }: Cell, of: Share): Mass | null {
  if (reading === null || station === null) return null;
  const shared = shareOfLoad(station.loading, reading, of, bodyWeight, "easier");
  const isTooFar = shared !== null && 1 - shared.shareMade > 2 * (1 - of) + 1e-9;
  return shared === null || isTooFar ? null : shared.made.reading;
}
