import type { MintId } from "../identity/index.ts";
import type { Count, Seconds, Share } from "../quantity/index.ts";
import { copySet, NO_COPIES } from "./copy.ts";
import { RIR_VALUES, type Rir } from "./effort.ts";
import type { PlannedSet } from "./plan.ts";

/** Effort that shrinks evenly from more than five reps left to `last` over so many sets. */
export function shrinkingReserve(sets: number, last: 0 | 1 | 2): readonly Rir[] {
  return Array.from({ length: sets }, (_, i): Rir => {
    const left = sets === 1 ? last : 6 - ((6 - last) * i) / (sets - 1);
    return left > 5
      ? "more"
      : (RIR_VALUES.find((rir) => typeof rir === "number" && rir >= left) ?? 5);
  });
}

/**
 * A density block: many sets of the model's load and reps, one short fixed rest, the reserve shrinking to
 * almost none. Only the sets within reach of the limit come out hard, by their own effort.
 */
export function densityBlock(
  model: PlannedSet,
  sets: Count,
  rest: Seconds,
  mint: MintId,
): readonly PlannedSet[] {
  return shrinkingReserve(sets, 1).map((effort) => ({
    ...fresh(model, mint),
    effort,
    restAfter: { kind: "fixed", seconds: rest },
    extensions: [],
  }));
}

/** Running down the station's steps: the model first, each later set so many steps easier than the one before. */
export function runDown(
  model: PlannedSet,
  sets: Count,
  steps: number,
  rest: Seconds,
  mint: MintId,
): readonly PlannedSet[] {
  const made: PlannedSet[] = [];
  for (let i = 0; i < sets; i += 1) {
    const before = made.at(-1);
    made.push({
      ...(before === undefined ? model : fresh(model, mint)),
      load:
        before === undefined ? model.load : { kind: "stepsFromSet", set: before.id, steps: -steps },
      restAfter: { kind: "fixed", seconds: rest },
    });
  }
  return made;
}

/** A top set and back-off sets at a share of its total. */
export function topAndBackOff(
  model: PlannedSet,
  backOffs: Count,
  share: Share,
  mint: MintId,
): readonly PlannedSet[] {
  const top: PlannedSet = { ...model, role: "top" };
  const backOff = () => ({
    ...fresh(model, mint),
    role: "backOff" as const,
    load: { kind: "shareOfSet" as const, set: top.id, part: null, share },
  });
  return [top, ...Array.from({ length: backOffs }, backOff)];
}

/** Sets whose reps rise or fall by what `reps` says: a falling ramp, a pyramid up and down. Loads stay open. */
export function pyramid(
  model: PlannedSet,
  reps: readonly Count[],
  mint: MintId,
): readonly PlannedSet[] {
  return reps.map((n) => ({
    ...fresh(model, mint),
    target: { kind: "reps", min: n, max: n },
    load: { kind: "open" },
  }));
}

function fresh(model: PlannedSet, mint: MintId): PlannedSet {
  return { ...copySet(model, NO_COPIES, mint), lineId: mint() };
}
