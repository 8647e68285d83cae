import { daysBetween, type Day } from "../../kernel/index.ts";
import { bodyWeightOf } from "../../person/index.ts";
import { progressIndex } from "../../progress/index.ts";
import type { ClientRecord } from "./record.ts";
import { medianSlope, middleOf, type Timed } from "./trend.ts";

/** What is looked at where a change over time is meant, in weeks. */
export const WEEKS = 8;
/** A change that is read from less time than this, in weeks, would be noise. */
const LEAST_WEEKS = 3;
/** A rise or a fall of a smaller share is none. */
const RISES = 0.005;
const FALLS = 0.02;

/** How a client's strength went lately. */
export interface StrengthTrend {
  /** The middle of how their exercises changed, as a share: 0.04 is 4 % stronger. */
  readonly share: number;
  /** So many exercises say so. */
  readonly exercises: number;
  /** Over so many weeks, from the first of their sessions to the last; at most eight. */
  readonly weeks: number;
}

/** Weeks from the first day that is looked at. */
export const weekOf = (today: Day, day: Day) => WEEKS + daysBetween(today, day) / 7;

/** The slope a week of each exercise since a week of {@link weekOf}, and over how many weeks it was trained. */
function slopesSince({ series, today, measurements, isEasy }: ClientRecord, since: number) {
  const bodyWeight = bodyWeightOf(measurements, today);
  return [...series.values()].flatMap((exposures) => {
    const points = exposures.flatMap((exposure): Timed[] => {
      const week = weekOf(today, exposure.day);
      const value =
        week < since || isEasy(exposure.sessionLogId) ? null : progressIndex(exposure, bodyWeight);
      return value === null ? [] : [{ week, value }];
    });
    const slope = medianSlope(points);
    const at = points.map(({ week }) => week);
    return slope === null ? [] : [{ slope, weeks: Math.max(...at) - Math.min(...at) }];
  });
}

/**
 * How strength changed since a week of {@link weekOf}, as a share over so many weeks; null where too few sessions say.
 * Sessions of lighter weeks do not count. Source: our rule, docs/arithmetic.md § Warnings over weeks.
 */
export function strengthChange(record: ClientRecord, since: number, weeks: number): number | null {
  const slope = middleOf(slopesSince(record, since).map((own) => own.slope));
  return slope === null ? null : Math.exp(slope * weeks) - 1;
}

/**
 * How a client's strength went over the last eight weeks, or as many of them as were trained: nothing is made longer
 * than it was. Null where too few sessions say.
 */
export function strengthTrend(record: ClientRecord): StrengthTrend | null {
  const trained = slopesSince(record, 0).filter(({ weeks }) => weeks >= LEAST_WEEKS);
  const slope = middleOf(trained.map((own) => own.slope));
  if (slope === null) return null;
  const weeks = Math.max(...trained.map((own) => own.weeks));
  return {
    share: Math.exp(slope * weeks) - 1,
    exercises: trained.length,
    weeks: Math.round(weeks),
  };
}

/** Rising, level or falling; what is smaller than the noise of a month is level. */
export const trendMark = ({
  share,
}: Pick<StrengthTrend, "share">): "rising" | "level" | "falling" =>
  share >= RISES ? "rising" : share <= -FALLS ? "falling" : "level";
