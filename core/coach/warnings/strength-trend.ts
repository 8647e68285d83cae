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

/** How a client's strength went over the last eight weeks. */
export interface StrengthTrend {
  /** The middle of how their exercises changed, as a share: 0.04 is 4 % stronger. */
  readonly share: number;
  /** So many exercises say so. */
  readonly exercises: number;
}

/** Weeks from the first day that is looked at. */
export const weekOf = (today: Day, day: Day) => WEEKS + daysBetween(today, day) / 7;

/**
 * How strength changed since a week of {@link weekOf}, as a share over so many weeks; null where too few sessions say.
 * Sessions of lighter weeks do not count. Source: our rule, docs/arithmetic.md § Warnings over weeks.
 */
export function strengthChange(
  { series, today, measurements, isEasy }: ClientRecord,
  since: number,
  weeks: number,
  leastWeeks = 0,
): StrengthTrend | null {
  const bodyWeight = bodyWeightOf(measurements, today);
  const slopes = [...series.values()].flatMap((exposures) => {
    const points = exposures.flatMap((exposure): Timed[] => {
      const week = weekOf(today, exposure.day);
      const value =
        week < since || isEasy(exposure.sessionLogId) ? null : progressIndex(exposure, bodyWeight);
      return value === null ? [] : [{ week, value }];
    });
    const at = points.map(({ week }) => week);
    if (Math.max(...at) - Math.min(...at) < leastWeeks) return [];
    return medianSlope(points) ?? [];
  });
  const slope = middleOf(slopes);
  return slope === null ? null : { share: Math.exp(slope * weeks) - 1, exercises: slopes.length };
}

/** How a client's strength went over the last eight weeks; null where too few sessions say. */
export const strengthTrend = (record: ClientRecord): StrengthTrend | null =>
  strengthChange(record, 0, WEEKS, LEAST_WEEKS);

/** Rising, level or falling; what is smaller than the noise of a month is level. */
export const trendMark = ({ share }: StrengthTrend): "rising" | "level" | "falling" =>
  share >= RISES ? "rising" : share <= -FALLS ? "falling" : "level";
