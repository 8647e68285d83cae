import {
  type Day,
  type Id,
  type NewId,
  assertNever,
  compareMass,
  count,
  seconds,
  share,
  type Mass,
} from "../kernel/index.ts";
import { harderBy, type Station } from "../gym/index.ts";
import { shareOf, type Movement } from "../movement/index.ts";
import {
  applyEdit,
  duplicateSet,
  isPreparatory,
  mapSlots,
  newBlock,
  readingOf,
  slotsOfBlock,
  type Block,
  type ExerciseBlock,
  type PlannedSet,
  type Rest,
  type SessionPlan,
  type Slot,
  workSetsOf,
} from "../plan/index.ts";
import { defaultsFor, orderRank } from "../person/index.ts";
import type { Judging } from "./judged.ts";
import { UNLIKELY_SHARE } from "./unlikely.ts";

/** A change of the plan that answers a finding; each is applied in one go and undone in one. */
export type Fix =
  | { readonly kind: "add"; readonly movement: Movement; readonly station: Station }
  | {
      readonly kind: "swap";
      readonly slot: Id<"slot">;
      readonly movement: Movement;
      readonly station: Station;
    }
  | { readonly kind: "remove"; readonly slot: Id<"slot"> }
  /** Before every other exercise, behind what prepares for them. */
  | { readonly kind: "toFront"; readonly slot: Id<"slot"> }
  | { readonly kind: "arrange" }
  | { readonly kind: "addSet"; readonly slot: Id<"slot"> }
  | { readonly kind: "dropSet"; readonly slot: Id<"slot"> }
  | { readonly kind: "trimSets"; readonly to: number }
  /** So many work sets of one exercise. */
  | { readonly kind: "keepSets"; readonly slot: Id<"slot">; readonly to: number }
  /** A superset is taken apart: its exercises follow each other. */
  | { readonly kind: "split"; readonly slot: Id<"slot"> }
  /** Every set of a line at the easiest load that is written for it; a multiple becomes the load itself. */
  | { readonly kind: "evenLoads"; readonly slot: Id<"slot"> }
  /** Every rest that is timed becomes this share of itself; reps may fall with it. */
  | { readonly kind: "trimRest"; readonly share: number }
  /** Two exercises behind each other are taken in turn, so that one rests while the other works. */
  | { readonly kind: "pair"; readonly slot: Id<"slot">; readonly with: Id<"slot"> }
  /** To another session of the week, which changes with this one. */
  | {
      readonly kind: "moveToOtherDay";
      readonly slot: Id<"slot">;
      readonly to: Id<"plan">;
      readonly day: Day;
    }
  | {
      readonly kind: "setUp";
      readonly slot: Id<"slot">;
      readonly name: string;
      readonly choice: string;
    }
  | { readonly kind: "leaveReserve"; readonly slot: Id<"slot"> }
  /** The same load for more repetitions. */
  | { readonly kind: "moreReps"; readonly slot: Id<"slot"> }
  /** The same load lowered slowly. */
  | { readonly kind: "lowerSlowly"; readonly slot: Id<"slot"> }
  | { readonly kind: "firstSide"; readonly slot: Id<"slot">; readonly first: "left" | "right" };

/** A new exercise as the approach begins it, with the person's weaker side first. */
export function newExercise(
  { approach, brief }: Judging,
  movement: Movement,
  station: Station,
  reading: Mass | null,
  newId: NewId,
): ExerciseBlock {
  const defaults = defaultsFor(movement, approach, brief.level);
  return newBlock(newId, movement, station.id, reading, defaults, brief.weakerSide ?? "left");
}

/** An exercise with so many sets, at least one: its last one again, or without the last ones. */
function withSets(slot: Slot, sets: number, newId: NewId): Slot {
  const last = slot.sets.at(-1);
  if (last === undefined || sets === 0 || sets === slot.sets.length) return slot;
  return sets < slot.sets.length
    ? { ...slot, sets: slot.sets.slice(0, sets) }
    : withSets(duplicateSet(slot, last.id, newId), sets, newId);
}

/** The plan with a fix applied. */
export function applyFix(fix: Fix, judging: Judging, newId: NewId): SessionPlan {
  const { plan } = judging;
  const onSlot = (id: Id<"slot">, change: (slot: Slot) => Slot) =>
    mapSlots(plan, (slot) => (slot.id === id ? change(slot) : slot));
  switch (fix.kind) {
    case "add": {
      const block = newExercise(judging, fix.movement, fix.station, null, newId);
      return arranged(plan, judging, block);
    }
    case "swap": {
      const { slot: fresh } = newExercise(judging, fix.movement, fix.station, null, newId);
      // As many sets as before: what answers one finding by dropping work would only bring up another.
      return onSlot(fix.slot, (slot) => ({
        ...withSets(fresh, workSetsOf(slot).length, newId),
        id: slot.id,
        lineageId: slot.lineageId,
      }));
    }
    case "remove":
    case "moveToOtherDay":
      return applyEdit(plan, { kind: "removeSlot", slot: fix.slot });
    case "toFront": {
      const block = plan.blocks.find((b) => slotsOfBlock(b).some((s) => s.id === fix.slot));
      if (block === undefined) return plan;
      const others = plan.blocks.filter((b) => b !== block);
      const place = others.findIndex((b) => slotsOfBlock(b).length > 0);
      return place < 0 ? plan : { ...plan, blocks: insertedAt(others, place, block) };
    }
    case "arrange":
      return arrangedByApproach(plan, judging);
    case "addSet":
      return onSlot(fix.slot, (slot) => {
        const last = slot.sets.at(-1);
        return last === undefined ? slot : duplicateSet(slot, last.id, newId);
      });
    case "dropSet":
      return onSlot(fix.slot, (slot) => ({ ...slot, sets: slot.sets.slice(0, -1) }));
    case "trimRest":
      return mapSlots(plan, (slot) => ({
        ...slot,
        sets: slot.sets.map((set) => ({
          ...set,
          restAfter: trimmedRest(set.restAfter, fix.share),
        })),
      }));
    case "pair": {
      const block = plan.blocks.find((b) => slotsOfBlock(b).some((s) => s.id === fix.slot));
      const rest = block === undefined ? undefined : slotsOfBlock(block)[0]?.sets[0]?.restAfter;
      if (block === undefined || rest === undefined) return plan;
      const rests = { restBetween: BETWEEN_PAIRED, restAfterRound: trimmedRest(rest, 0.5) };
      return applyEdit(plan, { kind: "join", block: block.id, rests });
    }
    case "keepSets":
      return onSlot(fix.slot, (slot) => ({ ...slot, sets: trimmed(slot, fix.to) }));
    case "split": {
      const block = plan.blocks.find((b) => slotsOfBlock(b).some((s) => s.id === fix.slot));
      return block === undefined
        ? plan
        : applyEdit(plan, { kind: "split", block: block.id, newId });
    }
    case "evenLoads":
      return onSlot(fix.slot, (slot) => ({
        ...slot,
        sets: slot.sets.map(evened(slot, judging.unrollContext.station(slot.station))),
      }));
    case "trimSets":
      return mapSlots(plan, (slot) => ({ ...slot, sets: trimmed(slot, fix.to) }));
    case "setUp":
      return onSlot(fix.slot, (slot) => ({
        ...slot,
        setUp: { ...slot.setUp, [fix.name]: fix.choice },
      }));
    case "leaveReserve":
      return onSlot(fix.slot, (slot) => ({
        ...slot,
        sets: slot.sets.map((set) => ({
          ...set,
          ...(isPreparatory(set.role) ? {} : { effort: 2, effortUpTo: null }),
          extensions: set.extensions.filter((e) => e.kind !== "forced"),
        })),
      }));
    case "moreReps":
      return onSlot(fix.slot, (slot) => ({ ...slot, sets: slot.sets.map(withMoreReps) }));
    case "lowerSlowly":
      return onSlot(fix.slot, (slot) => ({
        ...slot,
        sets: slot.sets.map((set) => ({
          ...set,
          tempo: isPreparatory(set.role) ? set.tempo : { ...set.tempo, lower: SLOW_LOWERING },
        })),
      }));
    case "firstSide":
      return onSlot(fix.slot, (slot) => ({
        ...slot,
        sets: slot.sets.map((set) =>
          set.side.kind === "each" ? { ...set, side: { ...set.side, first: fix.first } } : set,
        ),
      }));
    default:
      return assertNever(fix);
  }
}

/** The same set at the easiest load of its line; a multiple of another set at that set's own load. */
function evened({ sets }: Slot, station: Station | null): (set: PlannedSet) => PlannedSet {
  const way = station === null ? 1 : harderBy(station.loading);
  return (set) => {
    if (isPreparatory(set.role)) return set;
    const { load } = set;
    if (load.kind === "shareOfSet")
      return load.share < UNLIKELY_SHARE
        ? set
        : { ...set, load: { ...load, share: share(1), upTo: null } };
    if (load.kind !== "absolute") return set;
    const [easiest] = sets
      .filter((own) => own.line === set.line && !isPreparatory(own.role))
      .flatMap((own) => readingOf(own.load) ?? [])
      .toSorted((a, b) => way * compareMass(a, b));
    return easiest === undefined ? set : { ...set, load: { ...load, reading: easiest } };
  };
}

/** Ways on where a station has no heavier load. Source: our rule, docs/arithmetic.md § Findings. */
export const MORE_REPS = { min: count(12), max: count(15) };
export const SLOW_LOWERING = seconds(4);

function withMoreReps(set: PlannedSet): PlannedSet {
  const { target, role } = set;
  const takesReps = target.kind === "reps" || target.kind === "repsUntil";
  return takesReps && !isPreparatory(role) ? { ...set, target: { ...target, ...MORE_REPS } } : set;
}

/** From one of a pair to the other: only the way. Source: our rule, docs/arithmetic.md § Findings. */
const BETWEEN_PAIRED: Rest = { kind: "fixed", seconds: seconds(20) };

/** A timed rest as a share of itself, to five seconds; one that ends by recovery or a partner stays. */
function trimmedRest(rest: Rest, share: number): Rest {
  const less = (n: number) => seconds(5 * Math.round((n * share) / 5));
  switch (rest.kind) {
    case "fixed":
    case "atMost":
      return { ...rest, seconds: less(rest.seconds) };
    case "range":
      return { ...rest, min: less(rest.min), max: less(rest.max) };
    case "breath":
    case "heartRate":
    case "partner":
      return rest;
    default:
      return assertNever(rest);
  }
}

/** Keeps so many work sets and all that prepare them. */
function trimmed(slot: Slot, to: number): Slot["sets"] {
  let left = to;
  return slot.sets.filter((set) => isPreparatory(set.role) || left-- > 0);
}

/** The blocks in the order of the approach; a tie stays as it is, blocks of items keep their place. */
export function arrangedByApproach(plan: SessionPlan, judging: Judging): SessionPlan {
  const rank = (block: SessionPlan["blocks"][number]) => {
    const ranks = slotsOfBlock(block).flatMap((slot) => {
      const movement = judging.unrollContext.movement(slot.movement);
      if (movement === null) return [];
      const isPriority = judging.brief.priorities.some((r) => shareOf(movement, r) === 1);
      return [isPriority ? -1 : orderRank(movement, judging.approach.stances)];
    });
    return Math.min(...ranks);
  };
  const training = plan.blocks.filter((b) => slotsOfBlock(b).length > 0);
  const sorted = training.toSorted((a, b) => rank(a) - rank(b));
  let next = 0;
  return {
    ...plan,
    blocks: plan.blocks.map((b) => (slotsOfBlock(b).length > 0 ? (sorted[next++] ?? b) : b)),
  };
}

/** A new block is put where the approach has it, the others stay in their order. */
export function arranged(plan: SessionPlan, judging: Judging, block: Block): SessionPlan {
  const last = { ...plan, blocks: [...plan.blocks, block] };
  const sorted = arrangedByApproach(last, judging).blocks;
  const after = sorted.slice(sorted.indexOf(block) + 1);
  const place = plan.blocks.findIndex((b) => after.includes(b));
  return place < 0 ? last : { ...plan, blocks: insertedAt(plan.blocks, place, block) };
}

function insertedAt<T>(list: readonly T[], place: number, entry: T): readonly T[] {
  return [...list.slice(0, place), entry, ...list.slice(place)];
}

/** A session that takes an exercise over from another one, at its end; the same where it is not to be found. */
export function receiving(into: SessionPlan, from: SessionPlan, id: Id<"slot">): SessionPlan {
  for (const block of from.blocks) {
    const slot = slotsOfBlock(block).find((s) => s.id === id);
    if (slot === undefined) continue;
    const { id: blockId, lineageId } = block;
    return {
      ...into,
      blocks: [...into.blocks, { kind: "exercise", id: blockId, lineageId, slot }],
    };
  }
  return into;
}
