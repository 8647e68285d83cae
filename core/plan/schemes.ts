import {
  type NewId,
  count,
  seconds,
  share,
  type Count,
  type Seconds,
  type Share,
  assertNever,
} from "../kernel/index.ts";
import { copySet } from "./copy.ts";
import { NO_COPIES } from "./reference.ts";
import { RIR_VALUES, type Rir } from "./effort.ts";
import type { Slot } from "./plan.ts";
import type { PlannedSet } from "./planned-set.ts";
import { isPreparatory } from "./role.ts";

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
  newId: NewId,
): readonly PlannedSet[] {
  return shrinkingReserve(sets, 1).map((effort) => ({
    ...fresh(model, newId),
    effort,
    restAfter: { kind: "fixed", seconds: rest },
    extensions: [],
  }));
}

/** Running down the station's steps: the model first, each later set so many steps easier than the one before. */
export function runDown(
  model: PlannedSet,
  sets: Count,
  increments: number,
  rest: Seconds,
  newId: NewId,
): readonly PlannedSet[] {
  const made: PlannedSet[] = [];
  for (let i = 0; i < sets; i += 1) {
    const before = made.at(-1);
    made.push({
      ...(before === undefined ? model : fresh(model, newId)),
      load:
        before === undefined
          ? model.load
          : { kind: "stepsFromSet", set: before.id, steps: -increments },
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
  newId: NewId,
): readonly PlannedSet[] {
  const top: PlannedSet = { ...model, role: "top" };
  const backOff = () => ({
    ...fresh(model, newId),
    role: "backOff" as const,
    load: { kind: "shareOfSet" as const, upTo: null, set: top.id, part: null, share },
  });
  return [top, ...Array.from({ length: backOffs }, backOff)];
}

/** Sets whose reps rise or fall by what `reps` says: a falling ramp, a pyramid up and down. Loads stay open. */
export function pyramid(
  model: PlannedSet,
  reps: readonly Count[],
  newId: NewId,
): readonly PlannedSet[] {
  return reps.map((n) => ({
    ...fresh(model, newId),
    target: { kind: "reps", min: n, max: n },
    load: { kind: "open" },
  }));
}

/** Ways to fill an exercise with sets from its first work set. */
export const SCHEMES = ["density", "runDown", "topAndBackOff", "pyramid"] as const;
export type Scheme = (typeof SCHEMES)[number];

/**
 * The slot with the sets of a scheme in place of its work, each at a middle size to be changed after: ten
 * density sets with a minute, four steps down with 20 s, a top set with two back-offs at 80 %, a pyramid of
 * 12 to 6 and back. Ramp and primer stay; a slot without work stays as it is. Source: our rule.
 */
export function filled(slot: Slot, scheme: Scheme, newId: NewId): Slot {
  const model = slot.sets.find((set) => !isPreparatory(set.role));
  if (model === undefined) return slot;
  const before = slot.sets.filter((set) => isPreparatory(set.role));
  return { ...slot, sets: [...before, ...schemed(model, scheme, newId)] };
}

function schemed(model: PlannedSet, scheme: Scheme, newId: NewId): readonly PlannedSet[] {
  switch (scheme) {
    case "density":
      return densityBlock(model, count(10), seconds(60), newId);
    case "runDown":
      return runDown(model, count(4), 1, seconds(20), newId);
    case "topAndBackOff":
      return topAndBackOff(model, count(2), share(0.8), newId);
    case "pyramid":
      return pyramid(model, [12, 10, 8, 6, 8, 10].map(count), newId);
    default:
      return assertNever(scheme);
  }
}

function fresh(model: PlannedSet, newId: NewId): PlannedSet {
  return { ...copySet(model, NO_COPIES, newId), lineageId: newId() };
}
