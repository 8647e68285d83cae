import { z } from "zod";
import {
  assertNever,
  idField,
  kind,
  movementField,
  REGIONS,
  unionOf,
  type FamilyOf,
  type Id,
  type MovementRef,
  type ValueOf,
  textWithin,
} from "../kernel/index.ts";
import { BOUNDS } from "./bounds.ts";
import { repeats, setUpField } from "./fields.ts";
import { frameField } from "./frame.ts";
import { drillsOf, itemField, type Item } from "./item.ts";
import { roundingField } from "./load-rounding.ts";
import { plannedSetField } from "./planned-set.ts";
import { progressionField } from "./progression.ts";
import { restField } from "./rest.ts";

/** An exercise of a session: what is done, where, for what, and its sets. */
export const slotField = z
  .object({
    id: idField("slot"),
    lineageId: idField("lineage"),
    movement: movementField,
    station: idField("station"),
    setUp: setUpField,
    /** What it is for, in words that can be said to the trainee, and where it should be felt. */
    purpose: textWithin(300),
    feltIn: z.array(z.enum(REGIONS)).max(6).readonly(),
    sets: z.array(plannedSetField).max(BOUNDS.sets.most).readonly(),
    rounding: roundingField,
    /** How its lines move on where they say nothing of their own. */
    progression: progressionField,
    lines: z
      .array(z.object({ id: idField("line"), rule: progressionField }).readonly())
      .max(BOUNDS.sets.most)
      .readonly(),
    optional: z.boolean(),
    /** The phase that a repetition starts with here; as the exercise has it where null. */
    startsWith: z.enum(["lower", "lift"]).nullable().default(null),
    /** In a template: what it is for, where each client gets the exercise that suits them; null where it is this one. */
    frame: frameField.nullable().default(null),
    notes: z.object({ coach: textWithin(2000), trainee: textWithin(2000) }).readonly(),
  })
  .readonly();
export type Slot = z.output<typeof slotField>;

const blockIds = { id: idField("block"), lineageId: idField("lineage") };

const exercise = { definition: kind("exercise", { ...blockIds, slot: slotField }) };
export type ExerciseBlock = ValueOf<typeof exercise>;
export const exerciseBlockField = exercise.definition.schema;

/**
 * Two or more exercises taken in turn: round n is the nth set of each member, and a member with fewer sets
 * sits the last rounds out. Inside, `restBetween` and `restAfterRound` stand in for the sets' own rest.
 */
const rotation = {
  definition: kind("rotation", {
    ...blockIds,
    members: z
      .array(slotField)
      .min(2, "expected at least two exercises in a rotation")
      .max(12)
      .readonly(),
    restBetween: restField,
    restAfterRound: restField,
  }),
};
export type RotationBlock = ValueOf<typeof rotation>;

/** Preparation, conditioning or restoration: items, gone through so many times. */
const itemBlock = <const K extends string>(name: K) => ({
  definition: kind(name, {
    ...blockIds,
    items: z.array(itemField).max(40).readonly(),
    rounds: repeats,
    restAfterRound: restField,
  }),
});
const ITEM_BLOCKS = {
  prepare: itemBlock("prepare"),
  conditioning: itemBlock("conditioning"),
  restore: itemBlock("restore"),
} as const;
export type ItemBlock = FamilyOf<typeof ITEM_BLOCKS>;

/** True for a part of a session that has no sets. */
export function isItemBlock(block: Block): block is ItemBlock {
  return block.kind in ITEM_BLOCKS;
}

/** The kinds of blocks; the only list of them. */
export const BLOCKS = { exercise, rotation, ...ITEM_BLOCKS } as const;
export type Block = FamilyOf<typeof BLOCKS>;

/** The document of a planned session: one versioned value, in which every id stands once. */
export const planSchema = z
  .object({
    schemaVersion: z.literal(2),
    blocks: z
      .array(unionOf(BLOCKS))
      .max(60)
      .refine(idsAreUnique, "expected every id once")
      .readonly(),
  })
  .readonly();
export type SessionPlan = z.output<typeof planSchema>;

/** Ids tell parts of a log apart, so one that is repeated would mix up what was done. */
function idsAreUnique(blocks: readonly Block[]): boolean {
  const ofItems = (items: readonly Item[]) => items.flatMap(drillsOf).map(({ id }) => id);
  const ids: readonly string[] = blocks.flatMap((block) => [
    block.id,
    ...("items" in block ? ofItems(block.items) : []),
    ...slotsOfBlock(block).flatMap((slot) => [
      slot.id,
      ...slot.sets.flatMap((set) => [
        set.id,
        ...set.extensions.map(({ id }) => id),
        ...ofItems(set.between),
      ]),
    ]),
  ]);
  return new Set(ids).size === ids.length;
}

export const EMPTY_PLAN: SessionPlan = { schemaVersion: 2, blocks: [] };

/** The slots of a block in order; none where it holds items. */
export function slotsOfBlock(block: Block): readonly Slot[] {
  switch (block.kind) {
    case "exercise":
      return [block.slot];
    case "rotation":
      return block.members;
    case "prepare":
    case "conditioning":
    case "restore":
      return [];
    default:
      return assertNever(block);
  }
}

/** The slots of a plan in order, those of a rotation as they stand in it. */
export function slotsOf(plan: SessionPlan): readonly Slot[] {
  return plan.blocks.flatMap(slotsOfBlock);
}

/**
 * What each exercise of a session is called by its place: "1", "2"; those of a superset share a number, "3a" and "3b".
 */
export function slotNumbers(plan: SessionPlan): ReadonlyMap<Id<"slot">, string> {
  const numbers = new Map<Id<"slot">, string>();
  let place = 0;
  for (const slots of plan.blocks.map(slotsOfBlock)) {
    if (slots.length === 0) continue;
    place += 1;
    const [first] = slots;
    if (slots.length === 1 && first !== undefined) numbers.set(first.id, String(place));
    else slots.forEach(({ id }, i) => numbers.set(id, `${place}${MEMBER_LETTERS[i] ?? ""}`));
  }
  return numbers;
}

/** As many as a rotation may have members. */
const MEMBER_LETTERS = "abcdefghijkl";

/** The rotation that an exercise is a member of, whose rests are taken instead of its sets' own; null where none. */
export function rotationOf(plan: SessionPlan, slot: Slot): RotationBlock | null {
  for (const block of plan.blocks) {
    if (block.kind === "rotation" && block.members.some(({ id }) => id === slot.id)) return block;
  }
  return null;
}

/** The plan with every slot replaced by what `change` makes of it; the same plan where nothing changed. */
export function mapSlots(plan: SessionPlan, change: (slot: Slot) => Slot): SessionPlan {
  const blocks = plan.blocks.map((block): Block => {
    switch (block.kind) {
      case "exercise": {
        const slot = change(block.slot);
        return slot === block.slot ? block : { ...block, slot };
      }
      case "rotation": {
        const members = block.members.map(change);
        return members.every((m, i) => m === block.members[i]) ? block : { ...block, members };
      }
      case "prepare":
      case "conditioning":
      case "restore":
        return block;
      default:
        return assertNever(block);
    }
  });
  return blocks.every((block, i) => block === plan.blocks[i]) ? plan : { ...plan, blocks };
}

/** The slot with this id, or null. */
export function findSlot(plan: SessionPlan, id: Id<"slot">): Slot | null {
  return slotsOf(plan).find((slot) => slot.id === id) ?? null;
}

/** Every movement that a plan names: of exercises, drills, and loads that follow from another lift. */
export function movementsIn(plan: SessionPlan): readonly MovementRef[] {
  const ofItems = (items: readonly Item[]) =>
    items.flatMap(drillsOf).flatMap((item) => {
      const movement = item.kind === "tightnessCheck" ? null : item.movement;
      return movement === null ? [] : [movement];
    });
  return plan.blocks.flatMap((block) => [
    ...("items" in block ? ofItems(block.items) : []),
    ...slotsOfBlock(block).flatMap((slot) => [
      slot.movement,
      ...slot.sets.flatMap(({ load, between }) => [
        ...(load.kind === "shareOfMovement" ? [load.movement] : []),
        ...ofItems(between),
      ]),
    ]),
  ]);
}

/** How many rounds a rotation has: as many as its longest member has sets. */
export function roundsOf(rotation: RotationBlock): number {
  return Math.max(0, ...rotation.members.map((member) => member.sets.length));
}

/** The phase that a repetition starts with: as the exercise of the session says, or else as it is built. */
export function startOf(
  slot: Pick<Slot, "startsWith">,
  movement: { readonly tempoStart: "lower" | "lift" } | null,
): "lower" | "lift" {
  return slot.startsWith ?? movement?.tempoStart ?? "lower";
}
