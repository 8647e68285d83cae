import { compareMass, sameReading, ticksOf, type Mass } from "../kernel/index.ts";
import { harderBy, nextEasier, nextHarder, totalMoved, type Loading } from "../gym/index.ts";
import { type Slot, isPreparatory, repsLeft, readingOf } from "../plan/index.ts";
import {
  differences,
  verdictOf,
  type Difference,
  judgedSets,
  type ExposedSet,
  type Exposure,
} from "../log/index.ts";

/** A fact that a proposal rests on, with its numbers. Wording lives in format/. */
export type Reason =
  | {
      readonly code: "allAtTop";
      readonly sets: number;
      readonly top: number;
      readonly reading: Mass;
    }
  | {
      readonly code: "repsToGain";
      readonly lowest: number;
      readonly top: number;
      readonly reading: Mass;
    }
  | {
      readonly code: "smallestStep";
      readonly from: Mass;
      readonly to: Mass;
      readonly stepShare: number;
    }
  | {
      readonly code: "largeStep";
      readonly from: Mass;
      readonly to: Mass;
      readonly stepShare: number;
      readonly limit: number;
    }
  | { readonly code: "atCeiling"; readonly reading: Mass }
  | { readonly code: "harderThanAsked"; readonly asked: number; readonly lowest: number }
  | {
      readonly code: "belowRange";
      readonly lowest: number;
      readonly bottom: number;
      readonly times: number;
    }
  | { readonly code: "stalled"; readonly sessions: number; readonly reading: Mass }
  /** While body weight is cut, holding the load is success. */
  | { readonly code: "heldWhileCutting"; readonly sessions: number; readonly reading: Mass }
  | { readonly code: "pain"; readonly joint: string; readonly score: number }
  | { readonly code: "unknownReps"; readonly sets: number }
  | { readonly code: "unknownEffort"; readonly sets: number }
  | { readonly code: "setsMissing"; readonly done: number; readonly planned: number }
  | { readonly code: "mixedLoads"; readonly lightest: Mass; readonly heaviest: Mass }
  | { readonly code: "notComparable"; readonly differences: readonly Difference[] }
  | { readonly code: "firstExposure" }
  | { readonly code: "noExposure" }
  | { readonly code: "heldByRule" }
  /** No work set is asked for in repetitions: this rule has nothing to count. */
  | { readonly code: "notInReps" };

export type Move = "raise" | "keep" | "lower";
export type Confidence = "high" | "medium" | "low";

/** What Kravo proposes for an exercise next time, and why. `reading` null: the load is still to be found. */
export interface Proposal {
  readonly move: Move;
  readonly reading: Mass | null;
  readonly from: Mass | null;
  readonly because: readonly Reason[];
  readonly confidence: Confidence;
  /** Stall, pain, a break in the series or a large jump: the coach decides, nothing is taken as given. */
  readonly mustRule: boolean;
}

/** A step beyond this share of the load asks for a ruling. Source: our rule, docs/arithmetic.md § Progression. */
export const LARGE_STEP = 0.1;
/** So many sessions in a row at one load without a better total of reps is a stall. Source: our rule. */
export const STALL_SESSIONS = 3;

/**
 * Double progression: repetitions to the top of the range in every work set, then the smallest step the
 * station can make, starting again from the bottom of the range. Below the range twice running lowers by
 * one step. `exposures` are oldest first; the last one is judged, against the ones before where comparable.
 * `isHoldingSuccess` while body weight is cut: then a load that is held is no stall.
 */
export function nextByDoubleProgression(
  slot: Slot,
  exposures: readonly Exposure[],
  loading: Loading,
  isHoldingSuccess = false,
): Proposal {
  const last = exposures.at(-1);
  if (judgedSets(slot).length === 0 && slot.sets.some((set) => !isPreparatory(set.role))) {
    return keep(plannedReading(slot), [{ code: "notInReps" }], "low", false);
  }
  if (last === undefined || last.sets.length === 0) {
    return keep(plannedReading(slot), [{ code: "noExposure" }], "low", false);
  }
  const reading = hardest(last.sets, loading);
  if (slot.progression.kind === "keepLoad") {
    return keep(reading, [{ code: "heldByRule" }], "high", false);
  }
  const doubts = doubtsAbout(last);
  const pains = last.pains.filter((p) => p.score > 0);
  if (pains.length > 0) {
    const because = pains.map((p): Reason => ({ code: "pain", joint: p.joint, score: p.score }));
    return keep(reading, [...because, ...doubts], "low", true);
  }
  if (reading === null) return keep(null, doubts, "low", true);

  const series = comparableSeries(exposures);
  const broken = seriesBreak(exposures);
  const judged = last.sets.filter((set) => set.reps !== null);
  if (judged.length === 0) return keep(reading, doubts, "low", true);

  const missing = last.sets.length < last.setsPlanned;
  const sameLoad = judged.every((set) => set.reading !== null && sameReading(set.reading, reading));
  const short = judged.filter((set) => (set.reps ?? 0) < set.range.min);
  const atTop = judged.every((set) => (set.reps ?? 0) >= set.range.max);

  if (short.length > 0 && sameLoad) return whenShort(series, short, reading, loading, doubts);
  if (!atTop || !sameLoad || missing || doubts.some((d) => d.code === "unknownReps")) {
    return whenGaining(series, judged, reading, [...broken, ...doubts], isHoldingSuccess);
  }
  const strained = straining(judged);
  if (strained !== null) {
    return keep(reading, [allAtTop(judged, reading), strained, ...doubts], "medium", false);
  }
  return whenAtTop(judged, reading, loading, [...broken, ...doubts]);
}

function keep(
  reading: Mass | null,
  because: readonly Reason[],
  confidence: Confidence,
  mustRule: boolean,
): Proposal {
  return { move: "keep", reading, from: reading, because, confidence, mustRule };
}

/** The reading written for the first work set, where there is one. */
function plannedReading(slot: Slot): Mass | null {
  const work = slot.sets.find((set) => !isPreparatory(set.role));
  return work === undefined ? null : readingOf(work.load);
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
  if (last.sets.length < last.setsPlanned) {
    doubts.push({ code: "setsMissing", done: last.sets.length, planned: last.setsPlanned });
  }
  if (unknownReps > 0) doubts.push({ code: "unknownReps", sets: unknownReps });
  if (unknownEffort > 0) doubts.push({ code: "unknownEffort", sets: unknownEffort });
  if (lightest !== undefined && top !== undefined && !sameReading(lightest, top)) {
    doubts.push({ code: "mixedLoads", lightest, heaviest: top });
  }
  return doubts;
}

/** The exposures up to the last one that may be compared with it, oldest first. */
function comparableSeries(exposures: readonly Exposure[]): readonly Exposure[] {
  const last = exposures.at(-1);
  if (last === undefined) return [];
  return exposures.filter((e) => verdictOf(differences(e, last)) === "alike");
}

/** Says so when the last session cannot be compared with the one before it. */
function seriesBreak(exposures: readonly Exposure[]): readonly Reason[] {
  const [before, last] = [exposures.at(-2), exposures.at(-1)];
  if (last === undefined) return [];
  if (before === undefined) return [{ code: "firstExposure" }];
  const found = differences(before, last);
  return verdictOf(found) === "notComparable"
    ? [{ code: "notComparable", differences: found }]
    : [];
}

function needsRuling(because: readonly Reason[]): boolean {
  return because.some(
    (r) => r.code === "notComparable" || r.code === "unknownReps" || r.code === "mixedLoads",
  );
}

function whenShort(
  series: readonly Exposure[],
  short: readonly ExposedSet[],
  reading: Mass,
  loading: Loading,
  doubts: readonly Reason[],
): Proposal {
  const lowest = Math.min(...short.map((set) => set.reps ?? 0));
  const bottom = short[0]?.range.min ?? 0;
  const before = series.at(-2);
  const shortBefore =
    before !== undefined &&
    before.sets.some(
      (s) =>
        s.reps !== null &&
        s.reps < s.range.min &&
        s.reading !== null &&
        sameReading(s.reading, reading),
    );
  const because: Reason[] = [
    { code: "belowRange", lowest, bottom, times: shortBefore ? 2 : 1 },
    ...doubts,
  ];
  const easier = shortBefore ? nextEasier(loading, reading) : null;
  if (easier === null) return keep(reading, because, "medium", shortBefore);
  return {
    move: "lower",
    reading: easier.reading,
    from: reading,
    because: [...because, step("smallestStep", reading, easier.reading, loading)],
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
  const top = Math.max(...judged.map((set) => set.range.max));
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
  const totals = recent.map((e) =>
    e.sets.every((s) => s.reps !== null && s.reading !== null && sameReading(s.reading, reading))
      ? e.sets.reduce((sum, s) => sum + (s.reps ?? 0), 0)
      : null,
  );
  const [first, ...rest] = totals;
  return (
    first !== null && first !== undefined && rest.every((total) => total !== null && total <= first)
  );
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
  const top = Math.max(...judged.map((set) => set.range.max));
  return { code: "allAtTop", sets: judged.length, top, reading };
}

function whenAtTop(
  judged: readonly ExposedSet[],
  reading: Mass,
  loading: Loading,
  doubts: readonly Reason[],
): Proposal {
  const harder = nextHarder(loading, reading);
  if (harder === null) {
    return keep(
      reading,
      [allAtTop(judged, reading), { code: "atCeiling", reading }, ...doubts],
      "high",
      true,
    );
  }
  const share = stepShare(reading, harder.reading, loading);
  const because: Reason[] = [
    allAtTop(judged, reading),
    step("smallestStep", reading, harder.reading, loading),
    ...(share > LARGE_STEP ? [step("largeStep", reading, harder.reading, loading)] : []),
    ...doubts,
  ];
  return {
    move: "raise",
    reading: harder.reading,
    from: reading,
    because,
    confidence: doubts.length > 0 ? "medium" : "high",
    mustRule: share > LARGE_STEP || needsRuling(doubts),
  };
}

/** The step as a share of the total moved, or of the reading where the total is unknown. */
function stepShare(from: Mass, to: Mass, loading: Loading): number {
  const [a, b] = [totalMoved(loading, from, null) ?? from, totalMoved(loading, to, null) ?? to];
  return ticksOf(a) === 0 ? 1 : Math.abs(ticksOf(b) - ticksOf(a)) / ticksOf(a);
}

function step(code: "smallestStep" | "largeStep", from: Mass, to: Mass, loading: Loading): Reason {
  const share = stepShare(from, to, loading);
  return code === "largeStep"
    ? { code, from, to, stepShare: share, limit: LARGE_STEP }
    : { code, from, to, stepShare: share };
}
