import { isPreparatory, type Slot } from "../prescription/index.ts";
import { compareMass, sameReading, type Mass } from "../quantity/index.ts";

/**
 * The slot with its work load changed to `reading`: every work set that was at the heaviest work load takes
 * the new one. Lighter sets (ramp, back-off) stay as written for the coach to judge.
 */
export function withWorkLoad(slot: Slot, reading: Mass): Slot {
  const absolute = slot.sets.flatMap((set) =>
    !isPreparatory(set.role) && set.load.kind === "absolute" ? [set.load.reading] : [],
  );
  const top = [...absolute].sort(compareMass).at(-1);
  return {
    ...slot,
    sets: slot.sets.map((set) => {
      const takes =
        !isPreparatory(set.role) &&
        (set.load.kind === "open" ||
          (set.load.kind === "absolute" &&
            top !== undefined &&
            sameReading(set.load.reading, top)));
      return takes ? { ...set, load: { kind: "absolute", reading } } : set;
    }),
  };
}
