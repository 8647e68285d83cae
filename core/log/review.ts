import type { FindMovement } from "../movement/index.ts";
import type { SessionPlan, VolumePolicy } from "../plan/index.ts";
import { plannedSets, volumeOf, type RegionVolume, type UnrollContext } from "../unroll/index.ts";
import type { OrderedCommand } from "./command.ts";
import { correctionsIn, type Correction } from "./corrections.ts";
import {
  conflictsOf,
  foldCommands,
  notesOf,
  painsOf,
  type Conflict,
  type PainRecord,
} from "./fold.ts";
import type { LoggedSet } from "./logged-set.ts";
import { performedSets, summarise, unplannedSets, type SlotSummary } from "./summary.ts";

/** One exercise as it is looked back at. */
export interface ReviewedSlot extends SlotSummary {
  readonly notes: readonly string[];
}

/** A trained session as it is looked back at. */
export interface SessionReview {
  readonly slots: readonly ReviewedSlot[];
  readonly plannedSets: number;
  readonly doneSets: number;
  /** Hard sets by region, as planned and as done. */
  readonly planned: readonly RegionVolume[];
  readonly done: readonly RegionVolume[];
  /** Logged on sets that the plan no longer holds. */
  readonly unplanned: readonly LoggedSet[];
  readonly conflicts: readonly Conflict[];
  readonly pains: readonly PainRecord[];
  readonly notes: readonly string[];
  readonly corrections: readonly Correction[];
}

/** What a session came to, against its plan. */
export function reviewOf(
  plan: SessionPlan,
  commands: readonly OrderedCommand[],
  context: UnrollContext,
  policy: VolumePolicy,
): SessionReview {
  const log = foldCommands(commands);
  const find: FindMovement = context.movement;
  const slots = summarise(plan, log);
  return {
    slots: slots.map((summary) => ({ ...summary, notes: notesOf(log, summary.slot.id) })),
    plannedSets: slots.reduce((sum, slot) => sum + slot.plannedSets, 0),
    doneSets: slots.reduce((sum, slot) => sum + slot.doneSets, 0),
    planned: volumeOf(plannedSets(plan, context), policy),
    done: volumeOf(performedSets(plan, log, find), policy),
    unplanned: unplannedSets(plan, log),
    conflicts: conflictsOf(log),
    pains: painsOf(log),
    notes: notesOf(log, null),
    corrections: correctionsIn(commands),
  };
}

/** The direct hard sets of the region that has most of them; 0 where none has any. */
export function mostDirect(volume: readonly RegionVolume[]): number {
  return volume.reduce((most, { direct }) => Math.max(most, direct), 0);
}
