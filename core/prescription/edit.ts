import type { Id, MintId, MovementRef } from "../identity/index.ts";
import type { Movement } from "../movement/index.ts";
import { count, seconds, share, type Mass, type Share } from "../quantity/index.ts";
import { assertNever } from "../result/index.ts";
import type { Station } from "../station/index.ts";
import { OPEN_TEMPO, type Tempo } from "./tempo.ts";
import type { Rir } from "./effort.ts";
import type { Extension } from "./extension.ts";
import type { Rest } from "./rest.ts";
import type { Target } from "./target.ts";
import { copiesOf, copyBlock, copySet, NO_COPIES } from "./copy.ts";
import {
  mapSlots,
  slotsOf,
  slotsOfBlock,
  type Block,
  type ExerciseBlock,
  type PlannedSet,
  type SessionPlan,
  type Slot,
} from "./plan.ts";
import type { SideMode } from "./side.ts";

/** One edit of a plan, as a value: what the bench sends, what undo replays. */
export type PlanEdit =
  | { readonly kind: "addBlock"; readonly block: Block }
  | { readonly kind: "removeBlock"; readonly block: Id<"block"> }
  | { readonly kind: "removeSlot"; readonly slot: Id<"slot"> }
  | { readonly kind: "moveBlock"; readonly block: Id<"block">; readonly by: -1 | 1 }
  /** Within its rotation as far as it goes; an exercise of its own moves with its block. */
  | { readonly kind: "moveSlot"; readonly slot: Id<"slot">; readonly by: -1 | 1 }
  | { readonly kind: "changeSlot"; readonly slot: Id<"slot">; readonly to: Slot };

/** The plan after an edit. An edit that names a block or slot that is gone leaves the plan as it is. */
export function applyEdit(plan: SessionPlan, edit: PlanEdit): SessionPlan {
  switch (edit.kind) {
    case "addBlock":
      return { ...plan, blocks: [...plan.blocks, edit.block] };
    case "removeBlock":
      return { ...plan, blocks: plan.blocks.filter((block) => block.id !== edit.block) };
    case "removeSlot":
      return { ...plan, blocks: plan.blocks.flatMap((block) => without(block, edit.slot)) };
    case "moveBlock": {
      const from = plan.blocks.findIndex((block) => block.id === edit.block);
      const blocks = moved(plan.blocks, from, edit.by);
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
    case "changeSlot":
      return mapSlots(plan, (slot) => (slot.id === edit.slot ? edit.to : slot));
    default:
      return assertNever(edit);
  }
}

/** The list with one entry moved; the same list where there is no room or no entry. */
function moved<T>(list: readonly T[], from: number, by: -1 | 1): readonly T[] {
  const to = from + by;
  const entry = list[from];
  if (entry === undefined || to < 0 || to >= list.length) return list;
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
    : [{ kind: "exercise", id: block.id, lineId: block.lineId, slot: only }];
}

/** What a new exercise starts with; an approach says it. */
export interface SlotDefaults {
  readonly sets: number;
  readonly target: Target;
  readonly effort: Rir;
  readonly lastEffort: Rir;
  readonly rest: Rest;
  readonly tempo: Tempo;
}

/** Three sets of 8 to 12 at two reps in reserve with two minutes of rest: a middle from which schools depart. */
export const PLAIN_DEFAULTS: SlotDefaults = {
  sets: 3,
  target: { kind: "reps", min: count(8), max: count(12) },
  effort: 2,
  lastEffort: 2,
  rest: { kind: "fixed", seconds: seconds(120) },
  tempo: OPEN_TEMPO,
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
  mint: MintId,
  movement: Movement,
  station: Id<"station">,
  reading: Mass | null,
  defaults: SlotDefaults = PLAIN_DEFAULTS,
  first: "left" | "right" = "left",
): ExerciseBlock {
  const side = usualSide(movement, first);
  const sets = Array.from({ length: defaults.sets }, (_, i): PlannedSet => ({
    id: mint(),
    lineId: mint(),
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
  }));
  return {
    kind: "exercise",
    id: mint(),
    lineId: mint(),
    slot: {
      id: mint(),
      lineId: mint(),
      movement: movement.ref,
      station,
      setUp: {},
      purpose: "",
      feltIn: [],
      sets,
      progression: { kind: "doubleProgression" },
      optional: false,
      notes: { coach: "", trainee: "" },
    },
  };
}

/** A copy of a set behind itself, as a new line of the slot. */
export function duplicateSet(slot: Slot, set: Id<"set">, mint: MintId): Slot {
  return {
    ...slot,
    sets: slot.sets.flatMap((s) =>
      s.id === set ? [s, { ...copySet(s, NO_COPIES, mint), lineId: mint() }] : [s],
    ),
  };
}

/** A drop to a share of the load just used for the set's own reps; 80 % is the usual first guess. */
export function newDrop(set: PlannedSet, mint: MintId, to: Share = share(0.8)): Extension {
  return {
    kind: "drop",
    id: mint(),
    lineId: mint(),
    to: { kind: "share", of: "current", share: to },
    target: set.target,
    restBefore: seconds(10),
  };
}

/** The same plan for another session: new ids throughout, every `lineId` kept, references led to the copies. */
export function copyPlan(plan: SessionPlan, mint: MintId): SessionPlan {
  const copies = copiesOf(
    slotsOf(plan).flatMap((slot) => slot.sets),
    mint,
  );
  return { ...plan, blocks: plan.blocks.map((block) => copyBlock(block, copies, mint)) };
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

/** The station of a list at which a movement is best done: one that is not usually busy, if there is one. */
export function stationFor(stations: readonly Station[], movement: Movement): Station | null {
  const serving = stations.filter((station) => servesMovement(station, movement));
  return serving.find((station) => !station.usuallyBusy) ?? serving[0] ?? null;
}
