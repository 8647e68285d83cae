import { applied, kindsOf, unionOf, type FamilyOf } from "../kernel/index.ts";
import type { LegsCounted, Side } from "./side-of.ts";
import * as alternating from "./side/alternating.ts";
import * as both from "./side/both.ts";
import * as each from "./side/each.ts";
import * as left from "./side/left.ts";
import * as right from "./side/right.ts";

export type { LegsCounted, Side } from "./side-of.ts";

/** The ways that sides can be taken; the only list of them. */
export const SIDES = { both, each, alternating, left, right } as const;

/**
 * Which side works: both together, one, each in turn, or alternating. `matchFirst` holds the side that goes
 * second to the reps of the first, so that the stronger side does no more than the weaker.
 */
export type SideMode = FamilyOf<typeof SIDES>;
export const sideField = unionOf(SIDES);

/** Every way that sides can be taken, with every choice of it. */
export const SIDE_MODES: readonly SideMode[] = kindsOf(SIDES).flatMap((kind): readonly SideMode[] =>
  SIDES[kind].all(),
);

/** The sides in the order in which they are trained. */
export function sidesOf(mode: SideMode): readonly Side[] {
  return applied(SIDES, "sides", mode);
}

/** What a rep counts in this mode. */
export function legsCounted(mode: SideMode): LegsCounted {
  return applied(SIDES, "legs", mode);
}
