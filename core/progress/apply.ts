import { compareMass, sameReading, type Mass } from "../kernel/index.ts";
import { isPreparatory, readingOf, withReading, type Slot } from "../plan/index.ts";

/**
 * The slot with its work load changed to `reading`: every work set that was at the heaviest work load takes
 * the new one. Lighter sets (ramp, back-off) stay as written for the coach to judge.
 */
export function withWorkLoad(slot: Slot, reading: Mass): Slot {
  const absolute = slot.sets.flatMap((set) => {
    const written = isPreparatory(set.role) ? null : readingOf(set.load);
    return written === null ? [] : [written];
  });
  const top = [...absolute].sort(compareMass).at(-1);
  return {
    ...slot,
    sets: slot.sets.map((set) => {
      const written = readingOf(set.load);
      const isTop = written !== null && top !== undefined && sameReading(written, top);
      const takes = !isPreparatory(set.role) && (set.load.kind === "open" || isTop);
      return takes ? { ...set, load: withReading(set.load, reading) } : set;
    }),
  };
}
