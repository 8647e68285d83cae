import { SPEAKING_REGIONS, type Id, type Region } from "../kernel/index.ts";
import { isItemBlock, type ItemBlock, type SessionPlan, type VolumePolicy } from "../plan/index.ts";
import { plannedSets, volumeOf, type RegionVolume, type UnrollContext } from "../unroll/index.ts";
import type { OrderedCommand } from "./command.ts";
import { correctionsIn, type Correction } from "./corrections.ts";
import {
  checkInOf,
  conflictsOf,
  foldCommands,
  itemsDoneIn,
  loggedSetsOf,
  notesOf,
  painsOf,
  type CheckIn,
  type Conflict,
  type PainRecord,
} from "./fold.ts";
import type { LoggedSet } from "./logged-set.ts";
import { changesIn, trainedPlan, type SessionChange } from "./trained-plan.ts";
import { performedSets, summarise, unplannedSets, type SlotSummary } from "./summary.ts";

/** One exercise as it is looked back at. */
export interface ReviewedSlot extends SlotSummary {
  readonly notes: readonly string[];
  /** How it came into the session; null for one that was planned. */
  readonly broughtBy: "swapOnce" | "swapForGood" | "added" | null;
}

/** A trained session as it is looked back at. */
export interface SessionReview {
  readonly slots: readonly ReviewedSlot[];
  /** Its parts without sets, and whether each was done or left out; null where nobody said. */
  readonly items: readonly { readonly block: ItemBlock; readonly isDone: boolean | null }[];
  readonly plannedSets: number;
  readonly doneSets: number;
  /** Hard sets done, by region. */
  readonly volume: readonly RegionVolume[];
  /** The region with the most direct hard sets planned, and how many were done; null where none were planned. */
  readonly most: {
    readonly region: Region;
    readonly planned: number;
    readonly done: number;
  } | null;
  /** Logged on sets that neither the plan nor a change of the day holds. */
  readonly unplanned: readonly LoggedSet[];
  readonly conflicts: readonly Conflict[];
  readonly pains: readonly PainRecord[];
  /** How the trainee came to it; null where nobody said. */
  readonly checkIn: CheckIn | null;
  readonly notes: readonly string[];
  readonly corrections: readonly Correction[];
}

function broughtBy(slot: Id<"slot">, changes: readonly SessionChange[]): ReviewedSlot["broughtBy"] {
  for (const change of changes) {
    if (change.kind === "swap" && change.slot.id === slot)
      return change.forGood ? "swapForGood" : "swapOnce";
    if (change.kind === "addExercise" && change.block.slot.id === slot) return "added";
  }
  return null;
}

/** What a session came to as it was trained, and against its plan. */
export function reviewOf(
  plan: SessionPlan,
  commands: readonly OrderedCommand[],
  context: UnrollContext,
  policy: VolumePolicy,
): SessionReview {
  const log = foldCommands(commands);
  const loggedSets = loggedSetsOf(log).map(({ loggedSet }) => loggedSet);
  const changes = changesIn(log);
  const trained = trainedPlan(plan, changes, loggedSets);
  const slots = summarise(trained, log);
  const volume = spoken(volumeOf(performedSets(trained, loggedSets, context.movement), policy));
  return {
    slots: slots.map((summary) => ({
      ...summary,
      notes: notesOf(log, summary.slot.id),
      broughtBy: broughtBy(summary.slot.id, changes),
    })),
    items: trained.blocks
      .filter(isItemBlock)
      .map((block) => ({ block, isDone: itemsDoneIn(log).get(block.id) ?? null })),
    plannedSets: slots.reduce((sum, slot) => sum + slot.plannedSets, 0),
    doneSets: slots.reduce((sum, slot) => sum + slot.doneSets, 0),
    volume,
    most: mostPlanned(spoken(volumeOf(plannedSets(plan, context), policy)), volume),
    unplanned: unplannedSets(trained, log),
    conflicts: conflictsOf(log),
    pains: painsOf(log),
    checkIn: checkInOf(log),
    notes: notesOf(log, null),
    corrections: correctionsIn(commands),
  };
}

/** The three vasti are trained together, and told as one row. */
const spoken = (volume: readonly RegionVolume[]) =>
  volume.filter(({ region }) => SPEAKING_REGIONS.includes(region));

function mostPlanned(
  planned: readonly RegionVolume[],
  done: readonly RegionVolume[],
): SessionReview["most"] {
  const [most] = planned.toSorted((a, b) => b.direct - a.direct);
  if (most === undefined || most.direct === 0) return null;
  const { region, direct } = most;
  return { region, planned: direct, done: done.find((d) => d.region === region)?.direct ?? 0 };
}
