import { type Region, type Day, type Id, recordOf, REGIONS } from "../kernel/index.ts";
import type { Station } from "../gym/index.ts";
import type { Movement } from "../movement/index.ts";
import type { SessionPlan } from "../plan/index.ts";
import {
  sessionsAWeek,
  volumePolicyOf,
  highForIsolation,
  volumeLimitsFor,
  type Approach,
  type Brief,
  type Range,
  type VolumeLimits,
} from "../person/index.ts";
import type { UnrollContext } from "../unroll/index.ts";
import { coverageOf, coveredSlots, type Coverage, type CoveredSlot } from "./coverage.ts";
import type { SeenRecords } from "./seen.ts";
import type { Neglect } from "./warnings/index.ts";

/** Another session of the same week; `isOpen` while nobody has begun to train it. */
export interface OtherSession {
  readonly id: Id<"plan">;
  readonly day: Day;
  readonly isOpen: boolean;
  readonly plan: SessionPlan;
  readonly unrollContext: UnrollContext;
}

/** What a session is judged by. */
export interface Judging {
  readonly plan: SessionPlan;
  readonly unrollContext: UnrollContext;
  readonly day: Day;
  /** The other sessions of the same week. */
  readonly others: readonly OtherSession[];
  /** The first sessions after that week, where they are near. */
  readonly later: readonly OtherSession[];
  /** What logged sets say of each exercise. */
  readonly seen: SeenRecords;
  /** What was skipped or late again and again over the last sessions. */
  readonly neglected: readonly Neglect[];
  readonly brief: Brief;
  readonly approach: Approach;
  readonly catalogue: readonly Movement[];
  /** The stations of the gym that the session is in. */
  readonly stations: readonly Station[];
  readonly year: number;
  /** How ready the person feels, out of five; null where nobody said it for this day. */
  readonly readiness: number | null;
}

/** A session with everything that several findings need, worked out once. */
export interface Judged extends Judging {
  readonly slots: readonly CoveredSlot[];
  /** The other sessions of the week and the first after it, with their exercises. */
  readonly otherDays: readonly { readonly day: Day; readonly slots: readonly CoveredSlot[] }[];
  readonly session: Coverage;
  readonly week: Coverage;
  readonly limits: VolumeLimits;
  /** The ranges of this week; lower where most of a muscle's direct sets are isolation and less of it is enough. */
  readonly bands: Readonly<Record<Region, Range>>;
  readonly sessions: number;
  /** The part of the week's work that the planned sessions should bring. */
  readonly fraction: number;
  /** Hard sets before each exercise, in order. */
  readonly setsBefore: readonly number[];
}

/** Works out coverage, bands and order once for all findings. */
export function judge(judging: Judging): Judged {
  const policy = volumePolicyOf(judging.approach.stances);
  const slots = coveredSlots(judging.plan, judging.unrollContext, policy, judging.seen);
  const covered = ({ day, plan, unrollContext }: OtherSession) => ({
    day,
    slots: coveredSlots(plan, unrollContext, policy, judging.seen),
  });
  const ofWeek = judging.others.map(covered);
  const sessions = 1 + judging.others.length;
  const week = coverageOf([...slots, ...ofWeek.flatMap((other) => other.slots)]);
  const limits = volumeLimitsFor(judging.approach, judging.brief);
  let before = 0;
  const setsBefore = slots.map(({ hardSets }) => {
    const at = before;
    before += hardSets;
    return at;
  });
  return {
    ...judging,
    slots,
    otherDays: [...ofWeek, ...judging.later.map(covered)],
    session: coverageOf(slots),
    week,
    limits,
    bands: recordOf(REGIONS, (region): Range => {
      const range = limits.weekly[region];
      const isMostlyIsolation = 2 * week[region].isolation > week[region].direct;
      if (!isMostlyIsolation) return range;
      return { ...range, high: highForIsolation(judging.approach, limits, range) };
    }),
    sessions,
    fraction: partOfWeek(sessions, judging),
    setsBefore,
  };
}

/** The part of the week's work that so many sessions of it should bring. */
export function partOfWeek(
  sessions: number,
  { brief, approach }: Pick<Judging, "brief" | "approach">,
): number {
  const planned = brief.daysPerWeek ?? sessionsAWeek(approach.stances);
  return Math.min(1, sessions / Math.max(1, planned));
}

/** The hard sets of the session, as they are counted towards every region's band. */
export const hardSetsOf = ({ slots }: Pick<Judged, "slots">): number =>
  slots.reduce((sum, { hardSets }) => sum + hardSets, 0);
