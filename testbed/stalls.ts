import { progressIndex } from "~/core/progress/index.ts";
import type { ProgressionRule } from "~/core/plan/index.ts";
import { drawAthlete, type Athlete } from "./athlete.ts";
import { seededRandom } from "./random.ts";
import { train, type Week } from "./session.ts";

const DOUBLE: ProgressionRule = { kind: "doubleProgression", decides: "weakest" };

export interface StallReport {
  readonly progressing: number;
  /** Share of progressing athletes with an alarm within the weeks. */
  readonly falseAlarms: number;
  readonly oracleFalseAlarms: number;
  readonly stalled: number;
  readonly found: number;
  readonly oracleFound: number;
  /** Sessions from the stall to the alarm, in the middle; a stall that was not found counts as the longest. */
  readonly delay: number;
  readonly oracleDelay: number;
  /** Of stalls where a session gains more than a day scatters, the share found within four sessions. */
  readonly clear: number;
  readonly clearWithinFour: number;
  readonly oracleClearWithinFour: number;
}

const WEEKS = 26;
/** An athlete who gains less is not called progressing. */
const LEAST_GAIN = 0.002;

const gainAt = ({ gain, halvesIn }: Athlete, week: number) => gain * 0.5 ** (week / halvesIn);

interface Point {
  readonly week: number;
  readonly value: number;
  /** What the athlete would have gained by then without a stall, by what was trained. */
  readonly expected: number;
}

/** The values that a likelihood test may see: those of sessions that are a verdict. */
function pointsOf({ athlete, weeks }: Course): readonly Point[] {
  let expected = 0;
  return weeks.flatMap(({ exposure, week, sets }) => {
    const value = progressIndex(exposure, null);
    const isFlat = exposure.readiness !== null || exposure.pains.length > 0;
    const point = { week, value: value ?? 0, expected };
    const hard = sets.filter(({ left }) => left <= 4).length;
    expected += (gainAt(athlete, week) * Math.min(3, hard)) / 3;
    return value === null || isFlat ? [] : [point];
  });
}

/** How much better a stall explains the values than going on, for somebody who knows the athlete's gain and noise. */
function oracleStatistic(athlete: Athlete, points: readonly Point[]): number {
  // What whole repetitions and a misjudged reserve add to the noise of a day.
  const noise = Math.hypot(athlete.dayNoise, 0.012);
  const residuals = (until: number) => {
    const off = points.map(({ value }, i) => value - (points[Math.min(i, until)]?.expected ?? 0));
    const mean = off.reduce((sum, v) => sum + v, 0) / off.length;
    return off.reduce((sum, v) => sum + (v - mean) ** 2, 0) / (2 * noise ** 2);
  };
  const on = residuals(points.length);
  return Math.max(...points.slice(0, -1).map((_, i) => on - residuals(i)));
}

interface Course {
  readonly athlete: Athlete;
  readonly weeks: readonly Week[];
}

function alarmWeek({ weeks }: Course, from: number): number | null {
  const alarm = weeks.find(
    ({ week, proposal }) => week >= from && proposal.because.some(({ code }) => code === "stalled"),
  );
  return alarm?.week ?? null;
}

function oracleWeek({ athlete, weeks }: Course, threshold: number, from: number): number | null {
  const points = pointsOf({ athlete, weeks });
  for (let n = 3; n <= points.length; n += 1) {
    const week = points[n - 1]?.week ?? 0;
    if (week < from) continue;
    if (oracleStatistic(athlete, points.slice(0, n)) > threshold) return week;
  }
  return null;
}

const middle = (values: readonly number[]) =>
  values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN;

/** False alarms, and how soon true stalls are found, against a test that knows the athlete. */
export function stallReport(athletes: number, seed: number): StallReport {
  const random = seededRandom(seed);
  const progressing: Course[] = [];
  while (progressing.length < athletes) {
    const athlete = drawAthlete(random);
    if (gainAt(athlete, WEEKS) < LEAST_GAIN) continue;
    progressing.push({ athlete, weeks: train({ athlete, rule: DOUBLE, weeks: WEEKS, random }) });
  }
  const stalled: (Course & { readonly at: number })[] = [];
  while (stalled.length < athletes) {
    const at = 8 + Math.floor(random() * 9);
    const athlete = drawAthlete(random, { stallsAt: at });
    if (gainAt(athlete, WEEKS) < LEAST_GAIN) continue;
    const weeks = train({ athlete, rule: DOUBLE, weeks: at + WEEKS, random });
    stalled.push({ athlete, weeks, at });
  }
  const isAlarmed = progressing.map((course) => alarmWeek(course, 0) !== null);
  const falseAlarms = isAlarmed.filter(Boolean).length / athletes;
  // The threshold of the test that knows everything, at five false alarms in a hundred.
  const peaks = progressing
    .map(({ athlete, weeks }) => {
      const points = pointsOf({ athlete, weeks });
      const statistics = points
        .slice(2)
        .map((_, i) => oracleStatistic(athlete, points.slice(0, i + 3)));
      return Math.max(...statistics);
    })
    .toSorted((a, b) => a - b);
  const threshold = peaks[Math.floor(peaks.length * 0.95)] ?? Infinity;
  const delays = stalled.map((course) => {
    const sessionsTo = (week: number | null) =>
      week === null
        ? WEEKS
        : course.weeks.filter((w) => w.week > course.at && w.week <= week).length;
    // An alarm before the stall is a false one, and tells nothing of this delay.
    return {
      own: sessionsTo(alarmWeek(course, course.at + 1)),
      oracle: sessionsTo(oracleWeek(course, threshold, course.at + 1)),
      isClear: gainAt(course.athlete, course.at) > course.athlete.dayNoise,
    };
  });
  const clear = delays.filter(({ isClear }) => isClear);
  return {
    progressing: athletes,
    falseAlarms,
    oracleFalseAlarms: peaks.filter((p) => p > threshold).length / athletes,
    stalled: athletes,
    found: delays.filter(({ own }) => own < WEEKS).length / athletes,
    oracleFound: delays.filter(({ oracle }) => oracle < WEEKS).length / athletes,
    delay: middle(delays.map(({ own }) => own)),
    oracleDelay: middle(delays.map(({ oracle }) => oracle)),
    clear: clear.length,
    clearWithinFour: clear.filter(({ own }) => own <= 4).length / Math.max(1, clear.length),
    oracleClearWithinFour:
      clear.filter(({ oracle }) => oracle <= 4).length / Math.max(1, clear.length),
  };
}
