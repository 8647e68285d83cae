import { sameReading, type Mass } from "../kernel/index.ts";
import type { LoadRule, PlannedSet, Slot } from "../plan/index.ts";

type Fallback = Extract<LoadRule, { readonly kind: "fallback" }>;

/** Where a load with loads to fall back on has gone to. */
export interface Fallen {
  /** The load to take now, and those that are still left; none at the last. */
  readonly load: Fallback;
  /** The load that was written, where this one went down from it; else null. */
  readonly from: Mass | null;
}

/**
 * Where the load of a set has gone to: one further for each set before it with the same loads that fell short, at
 * most to the last. Null for any other load.
 */
export function fallenOf(
  { id, load }: PlannedSet,
  slot: Slot,
  fellShort: (set: PlannedSet) => boolean,
): Fallen | null {
  if (load.kind !== "fallback") return null;
  const before = slot.sets.slice(
    0,
    slot.sets.findIndex((set) => set.id === id),
  );
  const short = before.filter((set) => isSame(set.load, load) && fellShort(set)).length;
  const [reading = load.reading, ...then] = loadsOf(load).slice(Math.min(load.then.length, short));
  const isDown = !sameReading(reading, load.reading);
  return { load: { ...load, reading, then }, from: isDown ? load.reading : null };
}

const loadsOf = ({ reading, then }: Fallback): readonly Mass[] => [reading, ...then];

function isSame(a: LoadRule, b: Fallback): boolean {
  if (a.kind !== "fallback" || a.then.length !== b.then.length) return false;
  const other = loadsOf(b);
  return loadsOf(a).every((mass, i) => {
    const at = other[i];
    return at !== undefined && sameReading(mass, at);
  });
}
