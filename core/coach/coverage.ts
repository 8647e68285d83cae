import {
  JOINT_ACTIONS,
  LATERALITIES,
  MUSCLE_LENGTHS,
  REGIONS,
  RESISTANCE_PROFILES,
  type JointAction,
  type Laterality,
  type MuscleLength,
  type Region,
  type ResistanceProfile,
  recordOf,
} from "../kernel/index.ts";
import type { Station } from "../gym/index.ts";
import { lastKey } from "../log/index.ts";
import type { Movement, Stimulus } from "../movement/index.ts";
import {
  slotsOf,
  type SessionPlan,
  type SetUp,
  type Slot,
  type VolumePolicy,
} from "../plan/index.ts";
import { isIsolation, type Band } from "../person/index.ts";
import { type UnrollContext, countedSets, hardSetCount, hardSetsWorth } from "../unroll/index.ts";
import { isMachine, type SeenRecords } from "./seen.ts";

/**
 * Where a movement is hard at this station with this set-up: what the station says of itself goes before what was
 * learned from logs, that before what the movement usually is, and a set-up choice before all.
 */
export function stimulusOf(
  movement: Movement,
  station: Station | null,
  setUp: SetUp,
  learned: ResistanceProfile | null = null,
): Stimulus {
  const base: Stimulus = {
    length: movement.length,
    profile: station?.profile ?? learned ?? movement.profile,
  };
  return movement.setUp.reduce<Stimulus>((sum, { name, shifts }) => {
    const choice = setUp[name];
    return choice === undefined ? sum : { ...sum, ...shifts?.[choice] };
  }, base);
}

/** What one region meets: hard sets, and how many of the direct ones at each length, profile and side. */
export interface RegionCoverage {
  readonly region: Region;
  readonly direct: number;
  readonly indirect: number;
  readonly lengths: Readonly<Record<MuscleLength, number>>;
  readonly profiles: Readonly<Record<ResistanceProfile, number>>;
  /** How many of the direct ones are at machines of which nothing is known of where they are hardest. */
  readonly unknownCurve: number;
  readonly actions: Readonly<Partial<Record<JointAction, number>>>;
  readonly sides: Readonly<Record<Laterality, number>>;
  /** How many of the direct ones are of isolation work. */
  readonly isolation: number;
  /** What the approach's way of counting drops, pauses and density blocks adds to the direct ones, or takes. */
  readonly counted: number;
}

/** Every region, also those that nothing trains. */
export type Coverage = Readonly<Record<Region, RegionCoverage>>;

/** One exercise as coverage sees it. */
export interface CoveredSlot {
  readonly slot: Slot;
  readonly movement: Movement;
  readonly station: Station | null;
  readonly stimulus: Stimulus;
  /** False at a machine of which nobody said where it is hardest, and too few sets say where they stuck. */
  readonly isCurveKnown: boolean;
  readonly hardSets: number;
  /** What the approach's way of counting adds to the sets that are hard, each as one; negative where it takes. */
  readonly counted: number;
}

/** True where somebody said or logs say where it is hardest; a machine alone does not say it. */
export const isCurveKnown = (station: Station | null, learned: ResistanceProfile | null): boolean =>
  learned !== null || station === null || station.profile !== null || !isMachine(station);

/** The exercises of a plan whose movement is known, with what they are here. */
export function coveredSlots(
  plan: SessionPlan,
  context: UnrollContext,
  policy: VolumePolicy,
  seen: SeenRecords = {},
): readonly CoveredSlot[] {
  return slotsOf(plan).flatMap((slot) => {
    const movement = context.movement(slot.movement);
    if (movement === null) return [];
    const station = context.station(slot.station);
    const sets = countedSets(slot, movement);
    const hardSets = hardSetsWorth(sets, policy);
    const counted = hardSets - hardSetCount(sets);
    const learned = seen[lastKey(slot.movement, slot.station)]?.curve ?? null;
    const stimulus = stimulusOf(movement, station, slot.setUp, learned);
    const isKnown = isCurveKnown(station, learned);
    return [{ slot, movement, station, stimulus, isCurveKnown: isKnown, hardSets, counted }];
  });
}

/** What a session, or the sessions of a week together, come to for every region. */
export function coverageOf(slots: readonly CoveredSlot[]): Coverage {
  const covered = recordOf(REGIONS, emptyRegion);
  for (const { movement, stimulus, isCurveKnown, hardSets, counted } of slots) {
    if (hardSets === 0) continue;
    for (const { region, share } of movement.regions) {
      const sum = covered[region];
      if (share < 1) {
        sum.indirect += hardSets * share;
        continue;
      }
      sum.direct += hardSets;
      sum.counted += counted;
      if (isIsolation(movement)) sum.isolation += hardSets;
      sum.lengths[stimulus.length] += hardSets;
      if (isCurveKnown) sum.profiles[stimulus.profile] += hardSets;
      else sum.unknownCurve += hardSets;
      sum.sides[movement.laterality] += hardSets;
      for (const action of movement.jointActions) {
        sum.actions[action] = (sum.actions[action] ?? 0) + hardSets;
      }
    }
  }
  return covered;
}

/** Hard sets that a band is compared with: direct ones whole, indirect ones in their part. */
export function setsTowardsBand({ direct, indirect }: RegionCoverage): number {
  return direct + indirect;
}

/** Below, within or above a band; a region that the band does not ask for is never below. */
export function standing(covered: RegionCoverage, band: Band): "below" | "within" | "above" {
  return standingAt(setsTowardsBand(covered), band);
}

/** The same of a number of sets. */
export function standingAt(sets: number, band: Band): "below" | "within" | "above" {
  return sets < band.low ? "below" : sets > band.high ? "above" : "within";
}

function emptyRegion(region: Region) {
  const zeros = <K extends string>(keys: readonly K[]) => recordOf(keys, () => 0);
  const actions: Partial<Record<JointAction, number>> = zeros(JOINT_ACTIONS);
  return {
    region,
    direct: 0,
    indirect: 0,
    lengths: zeros(MUSCLE_LENGTHS),
    profiles: zeros(RESISTANCE_PROFILES),
    actions,
    sides: zeros(LATERALITIES),
    unknownCurve: 0,
    isolation: 0,
    counted: 0,
  };
}
