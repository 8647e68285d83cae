import {
  type Id,
  type MovementRef,
  type Region,
  type Count,
  assertNever,
} from "../kernel/index.ts";
import type { Accent } from "./accent.ts";
import { hardnessOf, type Rir } from "./effort.ts";
import type { Extension } from "./extension.ts";
import { drillsOf, type Item } from "./item.ts";
import type { LoadRounding } from "./load-rounding.ts";
import type { LoadRule } from "./load-rule.ts";
import type { Rest } from "./rest.ts";
import type { SetUp } from "./set-up.ts";
import type { SideMode } from "./side.ts";
import type { Target } from "./target.ts";
import type { Tempo } from "./tempo.ts";

export const SET_ROLES = [
  "ramp",
  "primer",
  "calibration",
  "work",
  "top",
  "backOff",
  "burnout",
] as const;
export type SetRole = (typeof SET_ROLES)[number];

export interface PlannedSet {
  readonly id: Id<"set">;
  /** Stays the same when the plan is copied to another week. */
  readonly lineId: Id<"line">;
  readonly role: SetRole;
  readonly target: Target;
  readonly load: LoadRule;
  /** Reps to leave in reserve. For a primer it is a ceiling on effort: at least so many stay. */
  readonly effort: Rir;
  readonly tempo: Tempo;
  readonly accents: readonly Accent[];
  /** What is set up otherwise than in the slot, for this set only: another stance at the same load. */
  readonly setUp: SetUp;
  readonly restAfter: Rest;
  /** What is done within the rest after this set, such as a stretch. */
  readonly between: readonly Item[];
  readonly side: SideMode;
  readonly extensions: readonly Extension[];
  readonly optional: boolean;
}

/** How a slot moves on from session to session. */
export type ProgressionRule = { readonly kind: "doubleProgression" } | { readonly kind: "hold" };

export interface Slot {
  readonly id: Id<"slot">;
  readonly lineId: Id<"line">;
  readonly movement: MovementRef;
  readonly station: Id<"station">;
  readonly setUp: SetUp;
  /** What it is for, in words that can be said to the trainee, and where it should be felt. */
  readonly purpose: string;
  readonly feltIn: readonly Region[];
  readonly sets: readonly PlannedSet[];
  readonly rounding: LoadRounding;
  readonly progression: ProgressionRule;
  readonly optional: boolean;
  readonly notes: { readonly coach: string; readonly trainee: string };
}

interface BlockBase {
  readonly id: Id<"block">;
  readonly lineId: Id<"line">;
}

export interface ExerciseBlock extends BlockBase {
  readonly kind: "exercise";
  readonly slot: Slot;
}

/**
 * Two or more exercises taken in turn: round n is the nth set of each member, and a member with fewer sets
 * sits the last rounds out. Inside, `restBetween` and `restAfterRound` stand in for the sets' own rest.
 */
export interface RotationBlock extends BlockBase {
  readonly kind: "rotation";
  readonly members: readonly Slot[];
  readonly restBetween: Rest;
  readonly restAfterRound: Rest;
}

/** Preparation, conditioning or restoration: items, gone through so many times. */
export interface ItemBlock extends BlockBase {
  readonly kind: "prepare" | "conditioning" | "restore";
  readonly items: readonly Item[];
  readonly rounds: Count;
  readonly restAfterRound: Rest;
}

export type Block = ExerciseBlock | RotationBlock | ItemBlock;

/** The document of a planned session: one versioned value. */
export interface SessionPlan {
  readonly schemaVersion: 1;
  readonly blocks: readonly Block[];
}

export const EMPTY_PLAN: SessionPlan = { schemaVersion: 1, blocks: [] };

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

/** True for a set that counts as hard, planned or done: no preparation, and within reach of the limit or unknown. */
export function isHard(set: { readonly role: SetRole; readonly effort: Rir }): boolean {
  return !isPreparatory(set.role) && hardnessOf(set.effort) !== "easy";
}

/** Roles that never count as hard sets and that progression does not judge. */
export function isPreparatory(role: SetRole): boolean {
  return role === "ramp" || role === "primer";
}
