import {
  type NewId,
  compareMass,
  count,
  seconds,
  share,
  ticksOf,
  type Mass,
} from "../kernel/index.ts";
import {
  planLoading,
  harderBy,
  shareOfLoad,
  totalMoved,
  allLoads,
  type Station,
} from "../gym/index.ts";
import { directRegions, type Movement } from "../movement/index.ts";
import { repsAsked, AS_USUAL, isPreparatory, type PlannedSet, type Slot } from "../plan/index.ts";
import { isIsolation, type Stances } from "../person/index.ts";
import type { SetStep } from "../unroll/index.ts";
import type { CoveredSlot } from "./coverage.ts";

/** What the length of a ramp follows from. */
export interface RampReasons {
  readonly isIsolation: boolean;
  /** The fewest reps asked for in the first work set; null where it asks for something else. */
  readonly reps: number | null;
  /** How many times the lightest load of the station the work load is; null where a total is unknown. */
  readonly distance: number | null;
  /** Hard sets that the movement's direct regions had before it in the session. */
  readonly setsBefore: number;
  readonly preFatigued: boolean;
}

/** Shares of the work load and reps, for ramps of one to four sets. Source: our rule, docs/arithmetic.md § Ramp. */
const STEPS: readonly (readonly (readonly [share: number, reps: number])[])[] = [
  [],
  [[0.6, 6]],
  [
    [0.5, 8],
    [0.75, 4],
  ],
  [
    [0.4, 8],
    [0.6, 5],
    [0.8, 3],
  ],
  [
    [0.35, 10],
    [0.5, 6],
    [0.7, 4],
    [0.85, 2],
  ],
];

/**
 * How many rising sets: one for an isolation, two for a compound lift, three for one of six reps or fewer; one
 * more where the work load is far from the lightest, one less where the regions had three hard sets before,
 * one less after a light pre-fatigue. From none to four.
 * Source: our rule, docs/arithmetic.md § Ramp; two to three rising sets: PRACTICE.md §10.
 */
export function rampCount(reasons: RampReasons): number {
  const heavy = reasons.reps !== null && reasons.reps <= 6;
  const base = reasons.isIsolation ? 1 : heavy ? 3 : 2;
  const far = reasons.distance !== null && reasons.distance >= 5 ? 1 : 0;
  const warm = reasons.setsBefore >= 3 ? 1 : 0;
  const prepared = reasons.preFatigued ? 1 : 0;
  return Math.min(4, Math.max(0, base + far - warm - prepared));
}

/** What is known of a session when a ramp in it is made. */
export interface RampKnown {
  readonly bodyWeight: Mass | null;
  /** The exercises of the session in order. */
  readonly slots: readonly CoveredSlot[];
  readonly stances: Pick<Stances, "preparation">;
}

/** What a ramp to this work load is judged by. */
export function rampReasons(
  slot: Slot,
  movement: Movement,
  station: Station,
  work: Mass,
  { bodyWeight, slots, stances }: RampKnown,
): RampReasons {
  const first = slot.sets.find((set) => !isPreparatory(set.role));
  const total = totalMoved(station.loading, work, bodyWeight);
  const [lightest] = allLoads(station.loading);
  const least =
    lightest === undefined ? null : totalMoved(station.loading, lightest.reading, bodyWeight);
  const isKnown = total !== null && least !== null && ticksOf(least) > 0;
  return {
    isIsolation: isIsolation(movement),
    reps: (first && repsAsked(first.target)?.min) ?? null,
    distance: isKnown ? ticksOf(total) / ticksOf(least) : null,
    setsBefore: setsBefore(slot, movement, slots),
    preFatigued: stances.preparation === "preFatigue",
  };
}

/** Hard sets that the direct regions of a movement had before its slot in the session. */
function setsBefore(slot: Slot, movement: Movement, slots: readonly CoveredSlot[]): number {
  const at = slots.findIndex((other) => other.slot.id === slot.id);
  const regions = directRegions(movement);
  return slots
    .slice(0, Math.max(0, at))
    .filter((other) => directRegions(other.movement).some((r) => regions.includes(r)))
    .reduce((sum, other) => sum + other.hardSets, 0);
}

/** The load of the first work set, which a ramp leads to; null while it is not known. */
export function workLoadOf(steps: readonly SetStep[]): Mass | null {
  const work = steps.find((step) => step.kind === "set" && !isPreparatory(step.role));
  return work?.load.kind === "made" ? work.load.reading : null;
}

/**
 * The slot with a ramp of so many sets before its work, in loads that the station makes, in place of any ramp
 * it had. They are hung together with the work load, so that they may be moved within the slot's rounding. Loads that do not rise towards the work load are left out, so that a coarse station gets fewer.
 */
export function withRamp(
  slot: Slot,
  station: Station,
  work: Mass,
  sets: number,
  bodyWeight: Mass | null,
  newId: NewId,
): Slot {
  const model = slot.sets.find((set) => !isPreparatory(set.role));
  if (model === undefined) return slot;
  const way = harderBy(station.loading);
  const rising: { reading: Mass; reps: number }[] = [];
  for (const [part, reps] of STEPS[Math.min(4, sets)] ?? []) {
    const made = shareOfLoad(station.loading, work, share(part), bodyWeight)?.made;
    const before = rising.at(-1)?.reading;
    if (made === undefined || way * compareMass(made.reading, work) >= 0) continue;
    if (before !== undefined && way * compareMass(made.reading, before) <= 0) continue;
    rising.push({ reading: made.reading, reps });
  }
  const targets = rising.map(({ reading }) => ({ reading, ...slot.rounding }));
  const plan = planLoading(station.loading, [
    ...targets,
    { ...slot.rounding, reading: work, within: 0 },
  ]);
  const ramp = rising.map(({ reading: asked, reps }, i): PlannedSet => {
    const reading = plan.loads[i]?.reading ?? asked;
    return {
      ...model,
      id: newId(),
      lineageId: newId(),
      line: newId(),
      role: "ramp",
      target: { kind: "reps", min: count(reps), max: count(reps) },
      load: { kind: "absolute", reading },
      ...AS_USUAL,
      effort: "more",
      accents: [],
      between: [],
      extensions: [],
      optional: false,
      restAfter: { kind: "fixed", seconds: seconds(i === rising.length - 1 ? 90 : 60) },
    };
  });
  return { ...slot, sets: [...ramp, ...slot.sets.filter((set) => set.role !== "ramp")] };
}
