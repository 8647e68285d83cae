import type { Region } from "../kernel/index.ts";
import type { Movement } from "../movement/index.ts";
import {
  hardnessOf,
  isHard,
  isPreparatory,
  slotsOf,
  type ExtensionKind,
  type PlannedSet,
  type Rir,
  type SessionPlan,
  type SetRole,
  type Slot,
  type VolumePolicy,
} from "../plan/index.ts";
import type { UnrollContext } from "./unroll-context.ts";

/**
 * Hard sets of one region. `unknown` is the part of direct and indirect whose effort is unknown; `counted` what the way
 * of counting changed of both against one a hard set: more for what follows sets, less for density in part.
 */
export interface RegionVolume {
  readonly region: Region;
  readonly direct: number;
  readonly indirect: number;
  readonly unknown: number;
  readonly counted: number;
}

/** One set as volume sees it, planned or performed. */
export interface CountedSet {
  readonly movement: Movement;
  readonly role: SetRole;
  readonly effort: Rir;
  readonly extensions: readonly ExtensionKind[];
  /** True for a set of a density block: many sets with one short rest. */
  readonly isDense: boolean;
}

/**
 * Hard sets per region: a set counts whole for a region it trains directly (share 1), in part where it
 * assists; ramp and primer never count; unknown effort counts and is flagged. Regions without any are left
 * out; most trained first. Source: DESIGN.md § Values, hard set.
 */
export function volumeOf(
  sets: readonly CountedSet[],
  policy: VolumePolicy,
): readonly RegionVolume[] {
  const byRegion = new Map<Region, Omit<Mutable, "region">>();
  for (const set of sets) {
    const worth = worthOf(set, policy);
    if (worth === 0) continue;
    for (const { region, share } of set.movement.regions) {
      const sum = byRegion.get(region) ?? { direct: 0, indirect: 0, unknown: 0, counted: 0 };
      if (share === 1) sum.direct += worth;
      else sum.indirect += worth * share;
      if (hardnessOf(set.effort) === "unknown") sum.unknown += worth * share;
      sum.counted += (worth - hardSetCount([set])) * share;
      byRegion.set(region, sum);
    }
  }
  return [...byRegion]
    .map(([region, sum]) => ({ region, ...sum }))
    .sort((a, b) => b.direct + b.indirect - (a.direct + a.indirect));
}

type Mutable = { -readonly [K in keyof RegionVolume]: RegionVolume[K] };

/** What one set counts for a region that it trains directly, with what extends it; 0 for one that does not count. */
function worthOf(set: CountedSet, { extensionAdds, density }: VolumePolicy): number {
  if (!countsForVolume(set.movement) || isPreparatory(set.role)) return 0;
  const isOfBlock = set.isDense && density !== "withinReach";
  if (!isOfBlock && !isHard(set)) return 0;
  const alone = isOfBlock && density === "half" ? 0.5 : 1;
  return set.extensions.reduce<number>((sum, kind) => sum + extensionAdds[kind], alone);
}

/** True for a movement whose sets can be hard: conditioning and mobility never count. */
export function countsForVolume({ pattern }: Movement): boolean {
  return pattern !== "conditioning" && pattern !== "mobility";
}

/**
 * The plan's sets as volume counts them: a set on each side in turn is one set for the region of each leg, and so
 * is a set of the left leg with one of the right; a total over several sets is as many as the coach expects.
 */
export function plannedSets(plan: SessionPlan, context: UnrollContext): readonly CountedSet[] {
  return slotsOf(plan).flatMap((slot) => {
    const movement = context.movement(slot.movement);
    return movement === null ? [] : countedSets(slot, movement);
  });
}

/** The same of one exercise. */
export function countedSets(
  { sets }: Pick<Slot, "sets">,
  movement: Movement,
): readonly CountedSet[] {
  const counted: CountedSet[] = [];
  const isDense = isDensityBlock(sets);
  for (const set of perLeg(sets)) {
    const extensions = set.extensions.length === 0 ? NONE : set.extensions.map((e) => e.kind);
    const { role, effort } = set;
    const one: CountedSet = { movement, role, effort, extensions, isDense };
    const times = set.target.kind === "total" ? set.target.likelySets : 1;
    for (let n = 0; n < times; n += 1) counted.push(one);
  }
  return counted;
}

/**
 * The sets of an exercise as one leg does them: where some are of the left alone and some of the right, those of
 * the side with more sets, the left of equally many; those of both legs stay.
 */
export function perLeg<S extends Pick<PlannedSet, "side">>(sets: readonly S[]): readonly S[] {
  let [left, right] = [0, 0];
  for (const { side } of sets) {
    if (side.kind === "left") left += 1;
    else if (side.kind === "right") right += 1;
  }
  if (left === 0 || right === 0) return sets;
  const other = right > left ? "left" : "right";
  return sets.filter(({ side }) => side.kind !== other);
}

const NONE: readonly ExtensionKind[] = [];

/** So many work sets at least, with so many seconds between them at most, are a density block. Source: our rule. */
const DENSE = { sets: 5, rest: 60 };

/** True where the work of an exercise is a density block: many sets, each with the same short rest behind it. */
export function isDensityBlock(sets: readonly PlannedSet[]): boolean {
  const work = sets.filter(({ role }) => !isPreparatory(role));
  if (work.length < DENSE.sets) return false;
  const [first, ...others] = work.slice(0, -1).map(({ restAfter }) => restAfter);
  return (
    first?.kind === "fixed" &&
    first.seconds <= DENSE.rest &&
    others.every((rest) => rest.kind === "fixed" && rest.seconds === first.seconds)
  );
}

/** What sets come to as {@link volumeOf} counts them for a region that each of them trains. */
export function hardSetsWorth(sets: readonly CountedSet[], policy: VolumePolicy): number {
  return sets.reduce((sum, set) => sum + worthOf(set, policy), 0);
}

/** How many sets are hard, each as one, whatever extends it. */
export function hardSetCount(sets: readonly CountedSet[]): number {
  return sets.filter((set) => isHard(set) && countsForVolume(set.movement)).length;
}
