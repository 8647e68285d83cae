import {
  type Id,
  type NewId,
  type MovementRef,
  count,
  sameReading,
  seconds,
  type Mass,
  assertNever,
} from "../kernel/index.ts";
import type { Station } from "../gym/index.ts";
import type { Movement } from "../movement/index.ts";
import { copiesOf, copyBlock, copySet } from "./copy.ts";
import { NO_COPIES } from "./reference.ts";
import type { Rir } from "./effort.ts";
import { USUAL_ROUNDING } from "./load-rounding.ts";
import { mapReadings, referenceOf } from "./load-rule.ts";
import { withLines } from "./lines.ts";
import {
  mapSlots,
  slotsOf,
  slotsOfBlock,
  type Block,
  type ExerciseBlock,
  type ItemBlock,
  type RotationBlock,
  type SessionPlan,
  type Slot,
} from "./plan.ts";
import { AS_USUAL, type PlannedSet } from "./planned-set.ts";
import { USUAL_PROGRESSION, type ProgressionRule } from "./progression.ts";
import type { Rest } from "./rest.ts";
import type { SideMode } from "./side.ts";
import type { Target } from "./target.ts";
import { OPEN_TEMPO, type Tempo } from "./tempo.ts";

/** One edit of a plan, as a value: what the bench sends, what undo replays. */
export type PlanEdit =
  /** Preparation goes to the front, everything else to the end. */
  | { readonly kind: "addBlock"; readonly block: Block }
  | { readonly kind: "removeBlock"; readonly block: Id<"block"> }
  | { readonly kind: "removeSlot"; readonly slot: Id<"slot"> }
  | { readonly kind: "moveBlock"; readonly block: Id<"block">; readonly by: -1 | 1 }
  /** To a place among the blocks, 0 for the first. */
  | { readonly kind: "placeBlock"; readonly block: Id<"block">; readonly at: number }
  /** Within its rotation as far as it goes; an exercise of its own moves with its block. */
  | { readonly kind: "moveSlot"; readonly slot: Id<"slot">; readonly by: -1 | 1 }
  /** An exercise or rotation and the exercises behind it become one rotation. */
  | { readonly kind: "join"; readonly block: Id<"block">; readonly rests: RotationRests }
  /** Every member of a rotation becomes an exercise of its own; the first keeps the block. */
  | { readonly kind: "split"; readonly block: Id<"block">; readonly newId: NewId }
  | { readonly kind: "changeRests"; readonly block: Id<"block">; readonly rests: RotationRests }
  | { readonly kind: "changeItems"; readonly block: Id<"block">; readonly to: ItemsOfBlock }
  | { readonly kind: "changeSlot"; readonly slot: Id<"slot">; readonly to: Slot };

/** The rests of a rotation: between its members, and after a round. */
export type RotationRests = Pick<RotationBlock, "restBetween" | "restAfterRound">;

/** What a block of items holds. */
export type ItemsOfBlock = Pick<ItemBlock, "items" | "rounds" | "restAfterRound">;

/** The plan after an edit. An edit that names a block or slot that is gone leaves the plan as it is. */
export function applyEdit(plan: SessionPlan, edit: PlanEdit): SessionPlan {
  switch (edit.kind) {
    case "addBlock":
      return edit.block.kind === "prepare"
        ? { ...plan, blocks: [edit.block, ...plan.blocks] }
        : { ...plan, blocks: [...plan.blocks, edit.block] };
    case "removeBlock":
      return { ...plan, blocks: plan.blocks.filter((block) => block.id !== edit.block) };
    case "removeSlot":
      return { ...plan, blocks: plan.blocks.flatMap((block) => without(block, edit.slot)) };
    case "moveBlock": {
      const from = plan.blocks.findIndex((block) => block.id === edit.block);
      const blocks = moved(plan.blocks, from, edit.by);
      return blocks === plan.blocks ? plan : { ...plan, blocks };
    }
    case "placeBlock": {
      const from = plan.blocks.findIndex((block) => block.id === edit.block);
      const to = Math.min(plan.blocks.length - 1, Math.max(0, edit.at));
      const blocks = moved(plan.blocks, from, to - from);
      return blocks === plan.blocks ? plan : { ...plan, blocks };
    }
    case "moveSlot": {
      const block = plan.blocks.find((b) => slotsOfBlock(b).some((s) => s.id === edit.slot));
      if (block === undefined) return plan;
      if (block.kind !== "rotation") {
        return applyEdit(plan, { kind: "moveBlock", block: block.id, by: edit.by });
      }
      const from = block.members.findIndex((member) => member.id === edit.slot);
      const members = moved(block.members, from, edit.by);
      if (members === block.members) return plan;
      return {
        ...plan,
        blocks: plan.blocks.map((b) => (b === block ? { ...block, members } : b)),
      };
    }
    case "join":
      return joined(plan, edit.block, edit.rests);
    case "split":
      return {
        ...plan,
        blocks: plan.blocks.flatMap((block) =>
          block.id === edit.block ? apart(block, edit.newId) : [block],
        ),
      };
    case "changeRests":
      return {
        ...plan,
        blocks: plan.blocks.map((block) =>
          block.id === edit.block && block.kind === "rotation"
            ? { ...block, ...edit.rests }
            : block,
        ),
      };
    case "changeItems":
      return {
        ...plan,
        blocks: plan.blocks.map((block) =>
          block.id === edit.block && "items" in block ? { ...block, ...edit.to } : block,
        ),
      };
    case "changeSlot":
      return mapSlots(plan, (slot) => (slot.id === edit.slot ? withLines(edit.to) : slot));
    default:
      return assertNever(edit);
  }
}

/** The plan with a block and the next one that holds exercises made one rotation; the same where there is none. */
function joined(plan: SessionPlan, id: Id<"block">, rests: RotationRests): SessionPlan {
  const at = plan.blocks.findIndex((block) => block.id === id);
  const [block, next] = [plan.blocks[at], plan.blocks[at + 1]];
  if (block === undefined || next === undefined) return plan;
  const members = [...slotsOfBlock(block), ...slotsOfBlock(next)];
  if (slotsOfBlock(block).length === 0 || slotsOfBlock(next).length === 0) return plan;
  const kept = block.kind === "rotation" ? block : rests;
  const rotation: RotationBlock = {
    kind: "rotation",
    id: block.id,
    lineageId: block.lineageId,
    members,
    restBetween: kept.restBetween,
    restAfterRound: kept.restAfterRound,
  };
  return { ...plan, blocks: [...plan.blocks.slice(0, at), rotation, ...plan.blocks.slice(at + 2)] };
}

/** The members of a rotation as exercises of their own. */
function apart(block: Block, newId: NewId): readonly Block[] {
  if (block.kind !== "rotation") return [block];
  return block.members.map((slot, i) => ({
    kind: "exercise",
    id: i === 0 ? block.id : newId(),
    lineageId: i === 0 ? block.lineageId : newId(),
    slot,
  }));
}

/** The list with one entry moved; the same list where there is no room or no entry. */
function moved<T>(list: readonly T[], from: number, by: number): readonly T[] {
  const to = from + by;
  const entry = list[from];
  if (entry === undefined || by === 0 || to < 0 || to >= list.length) return list;
  const others = list.filter((_, i) => i !== from);
  return [...others.slice(0, to), entry, ...others.slice(to)];
}

/** A block without a slot: nothing for an exercise; a rotation of two becomes the exercise that is left. */
function without(block: Block, slot: Id<"slot">): readonly Block[] {
  if (block.kind === "exercise") return block.slot.id === slot ? [] : [block];
  if (block.kind !== "rotation") return [block];
  const members = block.members.filter((member) => member.id !== slot);
  const [only] = members;
  if (members.length === block.members.length) return [block];
  if (members.length > 1) return [{ ...block, members }];
  return only === undefined
    ? []
    : [{ kind: "exercise", id: block.id, lineageId: block.lineageId, slot: only }];
}

/** What a new exercise starts with; an approach says it. */
export interface SlotDefaults {
  readonly sets: number;
  readonly target: Target;
  readonly effort: Rir;
  readonly lastEffort: Rir;
  readonly rest: Rest;
  readonly tempo: Tempo;
  readonly progression: ProgressionRule;
}

/** Three sets of 8 to 12 at two reps in reserve with two minutes of rest: a middle from which schools depart. */
export const PLAIN_DEFAULTS: SlotDefaults = {
  sets: 3,
  target: { kind: "reps", min: count(8), max: count(12) },
  effort: 2,
  lastEffort: 2,
  rest: { kind: "fixed", seconds: seconds(120) },
  tempo: OPEN_TEMPO,
  progression: USUAL_PROGRESSION,
};

/** How a movement is usually taken: both legs, each in turn with `first` leading, or alternating. */
export function usualSide({ laterality }: Movement, first: "left" | "right"): SideMode {
  if (laterality === "twoLegs") return { kind: "both" };
  return laterality === "oneLeg"
    ? { kind: "each", first, matchFirst: false }
    : { kind: "alternating" };
}

/** A new exercise from defaults, with the side that begins where sides take turns. The load is open unless one is given, and the set-up unsaid. */
export function newBlock(
  newId: NewId,
  movement: Movement,
  station: Id<"station">,
  reading: Mass | null,
  defaults: SlotDefaults = PLAIN_DEFAULTS,
  first: "left" | "right" = "left",
): ExerciseBlock {
  const side = usualSide(movement, first);
  const line = newId<"line">();
  const sets = Array.from({ length: defaults.sets }, (_, i): PlannedSet => ({
    id: newId(),
    lineageId: newId(),
    line,
    role: "work",
    target: defaults.target,
    load: reading === null ? { kind: "open" } : { kind: "absolute", reading },
    effort: i === defaults.sets - 1 ? defaults.lastEffort : defaults.effort,
    tempo: defaults.tempo,
    accents: [],
    setUp: {},
    restAfter: defaults.rest,
    between: [],
    side,
    extensions: [],
    optional: false,
    ...AS_USUAL,
  }));
  return {
    kind: "exercise",
    id: newId(),
    lineageId: newId(),
    slot: {
      id: newId(),
      lineageId: newId(),
      movement: movement.ref,
      station,
      setUp: {},
      purpose: "",
      feltIn: [],
      sets,
      rounding: USUAL_ROUNDING,
      progression: defaults.progression,
      lines: [],
      optional: false,
      startsWith: null,
      frame: null,
      notes: { coach: "", trainee: "" },
    },
  };
}

/** An empty block of preparation, conditioning or restoration, gone through once. */
export function newItemBlock(kind: ItemBlock["kind"], newId: NewId): ItemBlock {
  return {
    kind,
    id: newId(),
    lineageId: newId(),
    items: [],
    rounds: count(1),
    restAfterRound: { kind: "fixed", seconds: seconds(0) },
  };
}

/** A copy of a set behind itself, as a new line of the slot. */
export function duplicateSet(slot: Slot, set: Id<"set">, newId: NewId): Slot {
  return {
    ...slot,
    sets: slot.sets.flatMap((s) =>
      s.id === set ? [s, { ...copySet(s, NO_COPIES, newId), lineageId: newId() }] : [s],
    ),
  };
}

/** The exercise with another load wherever one is written: of a set, to fall back on, to begin a trial, of a drop. */
export function replaceReading(slot: Slot, from: Mass, to: Mass): Slot {
  const other = (reading: Mass) => (sameReading(reading, from) ? to : reading);
  return {
    ...slot,
    sets: slot.sets.map((set) => ({
      ...set,
      load: mapReadings(set.load, other),
      extensions: set.extensions.map((extension) =>
        extension.kind === "drop" && extension.to.kind === "reading"
          ? { ...extension, to: { ...extension.to, reading: other(extension.to.reading) } }
          : extension,
      ),
    })),
  };
}

/** The set with one of its extensions put before the one that it follows; the first stays. */
export function extensionEarlier(set: PlannedSet, extension: Id<"extension">): PlannedSet {
  const at = set.extensions.findIndex(({ id }) => id === extension);
  const moved = set.extensions[at];
  const before = set.extensions[at - 1];
  if (moved === undefined || before === undefined) return set;
  return {
    ...set,
    extensions: [
      ...set.extensions.slice(0, at - 1),
      moved,
      before,
      ...set.extensions.slice(at + 1),
    ],
  };
}

/** The same plan for another session: new ids throughout, every `lineageId` kept, references led to the copies. */
export function copyPlan(plan: SessionPlan, newId: NewId): SessionPlan {
  const copies = copiesOf(
    slotsOf(plan).flatMap((slot) => slot.sets),
    newId,
  );
  return { ...plan, blocks: plan.blocks.map((block) => copyBlock(block, copies, newId)) };
}

/** True where a movement can be done: the station lists it, and it allows that loading. */
export function servesMovement(
  station: { readonly serves: readonly MovementRef[]; readonly loading: { readonly kind: string } },
  movement: Movement,
): boolean {
  return (
    station.serves.includes(movement.ref) &&
    movement.loadings.some((kind) => kind === station.loading.kind)
  );
}

/**
 * Where the sets of other exercises stand that the loads of a slot refer to, as one text: empty where it refers
 * to none, another text where one of them moves.
 */
export function referredBy(slot: Slot, plan: SessionPlan): string {
  const own = new Set<string>(slot.sets.map((set) => set.id));
  const outside = slot.sets.flatMap(({ load }) => {
    const from = referenceOf(load);
    return from === null || own.has(from.set) ? [] : [from.set];
  });
  if (outside.length === 0) return "";
  const places = slotsOf(plan).flatMap((other, i) => other.sets.map((set, j) => [set.id, i, j]));
  return places.filter(([id]) => outside.some((set) => set === id)).join(";");
}

/**
 * The station of a list at which a movement is best done: the one where this person did it last, so that what is
 * logged there goes on; else one that is not usually busy, if there is one.
 */
export function stationFor(
  stations: readonly Station[],
  movement: Movement,
  lastUsed: Id<"station"> | null,
): Station | null {
  const serving = stations.filter((station) => servesMovement(station, movement));
  const last = serving.find(({ id }) => id === lastUsed);
  return last ?? serving.find((station) => !station.usuallyBusy) ?? serving[0] ?? null;
}

/** The exercise with the gear of one set on all sets behind it too: a belt from set 3 on. */
export function gearFromHere(slot: Slot, id: Id<"set">): Slot {
  const at = slot.sets.findIndex((set) => set.id === id);
  const gear = slot.sets[at]?.gear ?? [];
  return { ...slot, sets: slot.sets.map((set, i) => (i > at && at >= 0 ? { ...set, gear } : set)) };
}
