import { type Id, type MovementRef, NO_TIME, seconds, type Seconds } from "../kernel/index.ts";
import type { FindMovement } from "../movement/index.ts";
import {
  type Item,
  type ItemBlock,
  pauseOf,
  restSpan,
  sidesOf,
  type Side,
  repeatsOf,
  repSeconds,
  workOf,
} from "../plan/index.ts";
import type { ItemStep } from "./step.ts";

const UNKNOWN_REP = seconds(4);

/** How long a usual repetition of a movement takes; four seconds where it is not known. Source: our rule. */
export function usualRepOf(ref: MovementRef | null, find: FindMovement): Seconds {
  return (ref === null ? null : find(ref)?.usualRep) ?? UNKNOWN_REP;
}

/** Where an item is done: the phase, its round, and the slot in whose rest it is, if any. */
type ItemPlace = Pick<ItemStep, "phase" | "round"> & { readonly slotId: Id<"slot"> | null };

/** The steps of a block of items, round by round. */
export function unrollItems(block: ItemBlock, find: FindMovement): readonly ItemStep[] {
  const steps: ItemStep[] = [];
  for (let round = 0; round < block.rounds; round += 1) {
    const place: ItemPlace = { phase: block.kind, round, slotId: null };
    const own = block.items.flatMap((item) => unrollItem(item, place, find));
    const last = own.at(-1);
    if (last === undefined) continue;
    steps.push(...own.slice(0, -1), { ...last, restAfter: restSpan(block.restAfterRound) });
  }
  return steps;
}

/**
 * The steps of one item: each side, each repeat. A tightness check takes its own time; what it may add is
 * likely only for somebody who is tight, so it counts in the long case alone.
 */
export function unrollItem(item: Item, place: ItemPlace, find: FindMovement): readonly ItemStep[] {
  const base = { kind: "item", item, ...place, restAfter: NO_TIME } as const;
  if (item.kind === "tightnessCheck") {
    const adds = unrollItem(item.ifTight, place, find);
    const most = adds.reduce<number>((sum, step) => sum + step.workSeconds.max, item.seconds);
    const workSeconds = { min: item.seconds, max: seconds(most) };
    return [{ ...base, side: "both", ordinal: 0, workSeconds }];
  }
  const { times, pause } = repeatsOf(item.target);
  const usual = usualRepOf(item.movement, find);
  const perRep = item.kind === "preFatigue" ? repSeconds(item.tempo, usual) : usual;
  const work = workOf(item.target, perRep, item.side);
  return sidesOf(item.side).flatMap((side: Side) =>
    Array.from({ length: times }, (_, ordinal): ItemStep => ({
      ...base,
      side,
      ordinal,
      workSeconds: work,
      restAfter: ordinal < times - 1 ? pauseOf(pause) : NO_TIME,
    })),
  );
}
