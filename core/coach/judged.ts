import { type Region, type Day, type Id, recordOf, REGIONS } from "../kernel/index.ts";
import type { Station } from "../gym/index.ts";
import type { Movement } from "../movement/index.ts";
import type { SessionPlan } from "../plan/index.ts";
import {
  sessionsAWeek,
  volumePolicyOf,
  weeklyBands,
  type Approach,
  type Band,
  isNewToThis,
  type Brief,
} from "../person/index.ts";
import type { UnrollContext } from "../unroll/index.ts";
import { coverageOf, coveredSlots, type Coverage, type CoveredSlot } from "./coverage.ts";

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
  /** The other sessions of the same week. */
  readonly others: readonly OtherSession[];
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
  readonly session: Coverage;
  readonly week: Coverage;
  readonly bands: Readonly<Record<Region, Band>>;
  readonly sessions: number;
  /** The part of the week's work that the planned sessions should bring. */
  readonly fraction: number;
  /** Hard sets before each exercise, in order. */
  readonly setsBefore: readonly number[];
}

/** New and returning people start with half of the approach's work. Source: PRACTICE.md §10; half: our rule. */
const NEW_SCALE = 0.5;

/** Works out coverage, bands and order once for all findings. */
export function judge(judging: Judging): Judged {
  const policy = volumePolicyOf(judging.approach.stances);
  const slots = coveredSlots(judging.plan, judging.unrollContext, policy);
  const others = judging.others.flatMap(({ plan, unrollContext }) =>
    coveredSlots(plan, unrollContext, policy),
  );
  const sessions = 1 + judging.others.length;
  const planned = judging.brief.daysPerWeek ?? sessionsAWeek(judging.approach.stances);
  let before = 0;
  const setsBefore = slots.map(({ hardSets }) => {
    const at = before;
    before += hardSets;
    return at;
  });
  return {
    ...judging,
    slots,
    session: coverageOf(slots),
    week: coverageOf([...slots, ...others]),
    bands: bandsFor(judging.approach, judging.brief),
    sessions,
    fraction: Math.min(1, sessions / Math.max(1, planned)),
    setsBefore,
  };
}

/** The hard sets of the session, as they are counted towards every region's band. */
export const hardSetsOf = ({ slots }: Pick<Judged, "slots">): number =>
  slots.reduce((sum, { hardSets }) => sum + hardSets, 0);

/** The approach's weekly bands, halved for somebody new or returning; few sets already are a beginner's. */
export function bandsFor(approach: Approach, brief: Brief): Readonly<Record<Region, Band>> {
  const bands = weeklyBands(approach.stances);
  if (!isNewToThis(brief) || approach.stances.volume === "few") return bands;
  return recordOf(REGIONS, (region) => ({
    low: Math.round(bands[region].low * NEW_SCALE),
    high: Math.ceil(bands[region].high * NEW_SCALE),
  }));
}
