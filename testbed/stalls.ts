import { progressIndex } from "~/core/progress/index.ts";
import type { ProgressionRule } from "~/core/plan/index.ts";
import { drawAthlete, type Athlete } from "./athlete.ts";
import { seededRandom } from "~/core/kernel/index.ts";
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
  /** As above, of a test that is told the noise and how gains fade, and has to learn the gain: what can be hoped for. */
  readonly learnerDelay: number;
  readonly learnerClearWithinFour: number;
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

/** What a test is told of an athlete besides the noise: the gain too, or it has to learn that from the values. */
type Told = "gain" | "noise";

/** How much better a stall explains the values than going on, for somebody who is told so much of the athlete. */
function toldStatistic(athlete: Athlete, points: readonly Point[], told: Told): number {
  // What whole repetitions and a misjudged reserve add to the noise of a day.
  const noise = Math.hypot(athlete.dayNoise, 0.012);
  const mean = (all: readonly number[]) => all.reduce((sum, v) => sum + v, 0) / all.length;
  const residuals = (until: number) => {
    const come = points.map((_, i) => points[Math.min(i, until)]?.expected ?? 0);
    const [c, v] = [mean(come), mean(points.map(({ value }) => value))];
    const products = points.map(({ value }, i) => ((come[i] ?? 0) - c) * (value - v));
    const squares = come.map((x) => (x - c) ** 2);
    // The gain that fits best, as a multiple of the true one; never a loss.
    const fitted = Math.max(0, mean(products) / (mean(squares) || 1));
    const gain = told === "gain" ? 1 : fitted;
    return points.reduce(
      (sum, { value }, i) =>
        sum + (value - v - gain * ((come[i] ?? 0) - c)) ** 2 / (2 * noise ** 2),
      0,
    );
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

function toldWeek(
  { athlete, weeks }: Course,
  told: Told,
  threshold: number,
  from: number,
): number | null {
  const points = pointsOf({ athlete, weeks });
  for (let n = 3; n <= points.length; n += 1) {
    const week = points[n - 1]?.week ?? 0;
    if (week < from) continue;
    if (toldStatistic(athlete, points.slice(0, n), told) > threshold) return week;
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
  /** The highest that each progressing athlete comes to, and the threshold at five false alarms in a hundred. */
  const peaksOf = (told: Told) => {
    const peaks = progressing
      .map(({ athlete, weeks }) => {
        const points = pointsOf({ athlete, weeks });
        const statistics = points
          .slice(2)
          .map((_, i) => toldStatistic(athlete, points.slice(0, i + 3), told));
        return Math.max(...statistics);
      })
      .toSorted((a, b) => a - b);
    return { peaks, threshold: peaks[Math.floor(peaks.length * 0.95)] ?? Infinity };
  };
  const { peaks, threshold } = peaksOf("gain");
  const learning = peaksOf("noise").threshold;
  const delays = stalled.map((course) => {
    const sessionsTo = (week: number | null) =>
      week === null
        ? WEEKS
        : course.weeks.filter((w) => w.week > course.at && w.week <= week).length;
    // An alarm before the stall is a false one, and tells nothing of this delay.
    return {
      own: sessionsTo(alarmWeek(course, course.at + 1)),
      oracle: sessionsTo(toldWeek(course, "gain", threshold, course.at + 1)),
      learner: sessionsTo(toldWeek(course, "noise", learning, course.at + 1)),
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
    learnerDelay: middle(delays.map(({ learner }) => learner)),
    learnerClearWithinFour:
      clear.filter(({ learner }) => learner <= 4).length / Math.max(1, clear.length),
    oracleClearWithinFour:
      clear.filter(({ oracle }) => oracle <= 4).length / Math.max(1, clear.length),
  };
}
