import { compareMass, sameReading, ticksOf, type Mass, lastOf } from "../kernel/index.ts";
import { harderBy, nextEasier, nextHarder, totalMoved, type Loading } from "../gym/index.ts";
import type { SetUpParameter } from "../movement/index.ts";
import { repsLeft } from "../plan/index.ts";
import { differences, verdictOf, type ExposedSet, type Exposure } from "../log/index.ts";
import { keep, type Proposal, type Reason } from "./proposal.ts";

/** A line as a rule judges it. */
export interface JudgedLine {
  /** Its exposures, oldest first; the last one is judged. Each has at least one set. */
  readonly exposures: readonly [...Exposure[], Exposure];
  readonly loading: Loading;
  readonly bodyWeight: Mass | null;
  /** While body weight is cut a load that is held is no stall. */
  readonly isHoldingSuccess: boolean;
  readonly parameters: readonly SetUpParameter[];
}

/** A step beyond this share of the load asks for a ruling. Source: our rule, docs/arithmetic.md § Progression. */
export const LARGE_STEP = 0.1;
/** So many sessions in a row at one load without a better total of reps is a stall. Source: our rule. */
export const STALL_SESSIONS = 3;

/** A total of reps that fell by this share or more at one load is no "gain reps". Source: our rule. */
export const FALL = 0.2;

/**
 * Double progression: repetitions to the top of the range in every set of the line, then the smallest step the
 * station can make, starting again from the bottom of the range. Below the range twice running lowers by one
 * step. The last exposure is judged, against the ones before where comparable, one-way where only that is known.
 */
export function nextByDoubleProgression(line: JudgedLine): Proposal {
  const { exposures, loading } = line;
  const last = lastOf(exposures);
  const reading = hardest(last.sets, loading);
  const doubts = doubtsAbout(last);
  const ranged = last.sets.filter((set) => set.range !== null);
  if (ranged.length === 0) return keep(reading, [{ code: "notInReps" }], "low", false);
  if (reading === null) return keep(null, doubts, "low", true);

  const judged = ranged.filter((set) => set.reps !== null);
  if (judged.length === 0) return keep(reading, doubts, "low", true);

  const series = comparableSeries(line);
  const compared = comparedWithBefore(line);
  const fell = fallOf(series, reading);
  const missing = last.sets.length < last.planned.length;
  const sameLoad = judged.every((set) => set.reading !== null && sameReading(set.reading, reading));
  const short = judged.filter((set) => (set.reps ?? 0) < (set.range?.min ?? 0));
  const atTop = judged.every((set) => (set.reps ?? 0) >= (set.range?.max ?? Infinity));
  const all = [...fell, ...compared, ...doubts];

  if (short.length > 0 && sameLoad) return whenShort(series, short, reading, line, all);
  if (!atTop || !sameLoad || missing || doubts.some((d) => d.code === "unknownReps")) {
    return whenGaining(series, judged, reading, all, line.isHoldingSuccess);
  }
  // More of it with a fault more is no progress: the load waits until the fault is gone.
  if (compared.some(hasNewFault)) {
    return keep(reading, [allAtTop(judged, reading), ...all], "medium", needsRuling(all));
  }
  const strained = straining(judged);
  if (strained !== null) {
    return keep(reading, [allAtTop(judged, reading), strained, ...all], "medium", needsRuling(all));
  }
  return whenAtTop(judged, reading, line, all);
}

function hasNewFault(reason: Reason): boolean {
  return (
    "differences" in reason &&
    reason.differences.some((found) => found.aspect === "faults" && found.came.length > 0)
  );
}

/** The hardest reading among the sets; the lowest one where a counterweight carries part of the body. */
function hardest(sets: readonly ExposedSet[], loading: Loading): Mass | null {
  const readings = sets.flatMap((set) => (set.reading === null ? [] : [set.reading]));
  const way = harderBy(loading);
  return [...readings].sort((a, b) => way * compareMass(a, b)).at(-1) ?? null;
}

function doubtsAbout(last: Exposure): readonly Reason[] {
  const doubts: Reason[] = [];
  const unknownReps = last.sets.filter((set) => set.reps === null).length;
  const unknownEffort = last.sets.filter((set) => set.rir === "unknown").length;
  const readings = last.sets.flatMap((set) => (set.reading === null ? [] : [set.reading]));
  const lightest = [...readings].sort(compareMass)[0];
  const top = [...readings].sort(compareMass).at(-1);
  const planned = last.planned.length;
  if (last.sets.length < planned) {
    doubts.push({ code: "setsMissing", done: last.sets.length, planned });
  }
  const unknownReading = last.sets.length - readings.length;
  if (unknownReading > 0) doubts.push({ code: "unknownReading", sets: unknownReading });
  if (unknownReps > 0) doubts.push({ code: "unknownReps", sets: unknownReps });
  if (unknownEffort > 0) doubts.push({ code: "unknownEffort", sets: unknownEffort });
  if (lightest !== undefined && top !== undefined && !sameReading(lightest, top)) {
    doubts.push({ code: "mixedLoads", lightest, heaviest: top });
  }
  return doubts;
}

/** The exposures up to the last one that may be compared with it, oldest first. */
function comparableSeries({ exposures, parameters }: JudgedLine): readonly Exposure[] {
  const last = lastOf(exposures);
  return exposures.filter((e) => verdictOf(differences(e, last, parameters)) === "alike");
}

/** What the session before may say about the last one: nothing, everything, or one way only. */
function comparedWithBefore({ exposures, parameters }: JudgedLine): readonly Reason[] {
  const [before, last] = [exposures.at(-2), exposures.at(-1)];
  if (last === undefined) return [];
  if (before === undefined) return [{ code: "firstExposure" }];
  const found = differences(before, last, parameters);
  const reading = last.sets[0]?.reading ?? null;
  const [was, now] = totalsAt([before, last], reading);
  const oneWay = { differences: found, before: was ?? null, now: now ?? null };
  switch (verdictOf(found)) {
    case "alike":
      return [];
    case "progressOnly":
      return [{ code: "harderConditions", ...oneWay }];
    case "regressionOnly":
      return [{ code: "easierConditions", ...oneWay }];
    case "notComparable":
      return [{ code: "notComparable", differences: found }];
  }
}

/** Reps in all at the load of the last session, against the comparable one before, where they fell far. */
function fallOf(series: readonly Exposure[], reading: Mass): readonly Reason[] {
  const [before, now] = totalsAt(series.slice(-2), reading);
  if (before === undefined || now === undefined) return [];
  return now <= before * (1 - FALL) ? [{ code: "fellBack", before, now, reading }] : [];
}

/** Reps in all of sessions that did as many sets, all at one load; empty where one of them did otherwise or is unknown. */
function totalsAt(exposures: readonly Exposure[], reading: Mass | null): readonly number[] {
  if (reading === null || new Set(exposures.map(({ sets }) => sets.length)).size > 1) return [];
  const totals = exposures.flatMap((exposure) => repsAt(exposure, reading) ?? []);
  return totals.length === exposures.length ? totals : [];
}

/** Reps in all of a session whose sets were all done at one load; null where they were not, or are unknown. */
function repsAt({ sets }: Exposure, reading: Mass): number | null {
  const isWhole = sets.every(
    (s) => s.reps !== null && s.reading !== null && sameReading(s.reading, reading),
  );
  return isWhole ? sets.reduce((sum, s) => sum + (s.reps ?? 0), 0) : null;
}

const ASKING: ReadonlySet<Reason["code"]> = new Set([
  "notComparable",
  "unknownReps",
  "unknownReading",
  "mixedLoads",
  "fellBack",
]);

function needsRuling(because: readonly Reason[]): boolean {
  return because.some(({ code }) => ASKING.has(code));
}

function whenShort(
  series: readonly Exposure[],
  short: readonly ExposedSet[],
  reading: Mass,
  line: JudgedLine,
  doubts: readonly Reason[],
): Proposal {
  const lowest = Math.min(...short.map((set) => set.reps ?? 0));
  const bottom = short[0]?.range?.min ?? 0;
  const before = series.at(-2);
  const shortBefore =
    before !== undefined &&
    before.sets.some(
      (s) =>
        s.reps !== null &&
        s.reps < (s.range?.min ?? 0) &&
        s.reading !== null &&
        sameReading(s.reading, reading),
    );
  const because: Reason[] = [
    { code: "belowRange", lowest, bottom, times: shortBefore ? 2 : 1 },
    ...doubts,
  ];
  const easier = shortBefore ? nextEasier(line.loading, reading) : null;
  if (easier === null) return keep(reading, because, "medium", shortBefore || needsRuling(doubts));
  return {
    move: "lower",
    reading: easier.reading,
    from: reading,
    because: [...because, smallestStep(reading, easier.reading, line)],
    confidence: "medium",
    mustRule: true,
  };
}

function whenGaining(
  series: readonly Exposure[],
  judged: readonly ExposedSet[],
  reading: Mass,
  doubts: readonly Reason[],
  isHoldingSuccess: boolean,
): Proposal {
  const lowest = Math.min(...judged.map((set) => set.reps ?? 0));
  const top = Math.max(...judged.map((set) => set.range?.max ?? 0));
  const because: Reason[] = [{ code: "repsToGain", lowest, top, reading }, ...doubts];
  if (isStalled(series, reading) && isHoldingSuccess) {
    because.unshift({ code: "heldWhileCutting", sessions: STALL_SESSIONS, reading });
  } else if (isStalled(series, reading)) {
    because.unshift({ code: "stalled", sessions: STALL_SESSIONS, reading });
    return keep(reading, because, "medium", true);
  }
  return keep(reading, because, doubts.length > 0 ? "medium" : "high", needsRuling(doubts));
}

/** No better total of reps at this load over the last sessions. */
function isStalled(series: readonly Exposure[], reading: Mass): boolean {
  const recent = series.slice(-STALL_SESSIONS);
  if (recent.length < STALL_SESSIONS) return false;
  const [first, ...rest] = totalsAt(recent, reading);
  return first !== undefined && rest.every((total) => total <= first);
}

/** At the top of the range, but closer to the limit than was asked: not yet time for more load. */
function straining(judged: readonly ExposedSet[]): Reason | null {
  for (const set of judged) {
    const [asked, left] = [repsLeft(set.effortAsked), repsLeft(set.rir)];
    if (asked !== null && left !== null && left < asked - 1) {
      return { code: "harderThanAsked", asked, lowest: left };
    }
  }
  return null;
}

function allAtTop(judged: readonly ExposedSet[], reading: Mass): Reason {
  const top = Math.max(...judged.map((set) => set.range?.max ?? 0));
  return { code: "allAtTop", sets: judged.length, top, reading };
}

function whenAtTop(
  judged: readonly ExposedSet[],
  reading: Mass,
  line: JudgedLine,
  doubts: readonly Reason[],
): Proposal {
  const harder = nextHarder(line.loading, reading);
  if (harder === null) {
    return keep(
      reading,
      [allAtTop(judged, reading), { code: "atCeiling", reading }, ...doubts],
      "high",
      true,
    );
  }
  const share = stepShare(reading, harder.reading, line);
  const isLarge = share !== null && share > LARGE_STEP;
  // What was reached under easier conditions proves nothing, so the coach decides whether it was a step up.
  const isEasier = doubts.some(({ code }) => code === "easierConditions");
  return {
    move: "raise",
    reading: harder.reading,
    from: reading,
    because: [
      allAtTop(judged, reading),
      smallestStep(reading, harder.reading, line),
      ...(isLarge
        ? [
            {
              code: "largeStep" as const,
              from: reading,
              to: harder.reading,
              stepShare: share,
              limit: LARGE_STEP,
            },
          ]
        : []),
      ...doubts,
    ],
    confidence: doubts.length > 0 || share === null ? "medium" : "high",
    mustRule: isLarge || isEasier || needsRuling(doubts),
  };
}

/** The step as a share of the total moved; null where a sled, a bar, a band or the body has no known mass. */
function stepShare(from: Mass, to: Mass, { loading, bodyWeight }: JudgedLine): number | null {
  const [a, b] = [totalMoved(loading, from, bodyWeight), totalMoved(loading, to, bodyWeight)];
  if (a === null || b === null || ticksOf(a) === 0) return null;
  return Math.abs(ticksOf(b) - ticksOf(a)) / ticksOf(a);
}

function smallestStep(from: Mass, to: Mass, line: JudgedLine): Reason {
  return { code: "smallestStep", from, to, stepShare: stepShare(from, to, line) };
}
