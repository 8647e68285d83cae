import { compareMass, lastOf, sameReading, type Mass } from "../kernel/index.ts";
import type { Measure, ProgressionRule } from "../plan/index.ts";
import {
  differences,
  doneInAll,
  verdictOf,
  type ComparedBy,
  type Difference,
  type ExposedSet,
  type Exposure,
  type SeriesPlace,
} from "../log/index.ts";
import { faultsCome } from "./faults.ts";
import type { Reason } from "./proposal.ts";
import { isByRule } from "./varied.ts";

/** An amount that fell by this share or more in all, at one load, is no "gain reps". Source: our rule. */
const FALL = 0.2;
/** Of so many sessions before, one under the same conditions is what the last one is compared with. Source: our rule. */
const RECENT = 4;

/** The sessions of a line as they compare, and the load of the last one. */
interface Compared {
  readonly exposures: readonly [...Exposure[], Exposure];
  readonly series: readonly Exposure[];
  readonly place: SeriesPlace;
  readonly reading: Mass | null;
}

/** What comparing has to know of a line. */
interface Known extends ComparedBy {
  readonly rule: ProgressionRule;
}

/** What makes the last result unsure: how it compares with the one before, a fall, and what is unknown or missing. */
export function doubtsAbout(
  { exposures, series, place, reading }: Compared,
  known: Known,
): readonly Reason[] {
  return [
    ...fallOf(series, reading),
    ...faultsNew(exposures),
    ...comparedWithBefore(exposures, series, known),
    ...placedUnsurely(place, known.rule),
    ...unknownsIn(lastOf(exposures)),
  ];
}

/** What the series says of a session that it cannot tell, or that has drifted too far from its beginning. */
function placedUnsurely(
  { unknown, drift, driftedFrom }: SeriesPlace,
  rule: ProgressionRule,
): readonly Reason[] {
  const drifted = drift.filter((difference) => !isByRule(rule, difference));
  return [
    ...(unknown.length > 0 ? [{ code: "unknownConditions", conditions: unknown } as const] : []),
    ...(driftedFrom === null || drifted.length === 0
      ? []
      : [{ code: "drifted", since: driftedFrom.day, differences: drifted } as const]),
  ];
}

const ASKING: ReadonlySet<Reason["code"]> = new Set([
  "notComparable",
  "unknownReps",
  "unknownReading",
  "mixedLoads",
  "fellBack",
]);

/** True where what is unsure about a result leaves it to the coach. */
export function needsRuling(because: readonly Reason[]): boolean {
  return because.some(({ code }) => ASKING.has(code));
}

/** True where a fault was seen that was never there before. */
export function hasNewFault(because: readonly Reason[]): boolean {
  return because.some(({ code }) => code === "newFaults");
}

function faultsNew(exposures: readonly Exposure[]): readonly Reason[] {
  const faults = faultsCome(exposures).fresh;
  return faults.length === 0 ? [] : [{ code: "newFaults", faults }];
}

/** The latest of the sessions shortly before the last one that was under the same conditions; null where none was. */
export function recentAlike(
  exposures: readonly Exposure[],
  series: readonly Exposure[],
): Exposure | null {
  return exposures.slice(-1 - RECENT, -1).findLast((one) => series.includes(one)) ?? null;
}

/**
 * What the session before may say about the last one: nothing, everything, or one way only. Where a session shortly
 * before was under the same conditions, that one is what it is compared with.
 */
function comparedWithBefore(
  exposures: Compared["exposures"],
  series: readonly Exposure[],
  known: Known,
): readonly Reason[] {
  const [before, last] = [exposures.at(-2), lastOf(exposures)];
  if (before === undefined) return [{ code: "firstExposure" }];
  if (recentAlike(exposures, series) !== null) return [];
  const found = differences(before, last, known).filter(
    (difference) => !isByRule(known.rule, difference) && !isFaultMore(difference),
  );
  const reading = last.sets[0]?.reading ?? null;
  const oneWay = { differences: found, inAll: inAllAt([before, last], reading) };
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

/** A fault more is told by itself, whichever session it is held against. */
const isFaultMore = (difference: Difference) =>
  difference.aspect === "faults" && difference.came.length > 0;

/** What was done in all at the load of the last session, against the comparable one before, where it fell far. */
function fallOf(series: readonly Exposure[], reading: Mass | null): readonly Reason[] {
  const inAll = inAllAt(series.slice(-2), reading);
  if (inAll === null || reading === null) return [];
  return inAll.now <= inAll.before * (1 - FALL) ? [{ code: "fellBack", ...inAll, reading }] : [];
}

/** What two sessions came to in all that did as many sets, all at one load; null where one did otherwise or is unknown. */
function inAllAt(
  [before, now]: readonly Exposure[],
  reading: Mass | null,
): { readonly measure: Measure; readonly before: number; readonly now: number } | null {
  if (before === undefined || now === undefined || reading === null) return null;
  if (before.sets.length !== now.sets.length) return null;
  const isAtOne = [...before.sets, ...now.sets].every(
    (set) => set.reading !== null && sameReading(set.reading, reading),
  );
  const [was, is] = [doneInAll(before.sets), doneInAll(now.sets)];
  if (!isAtOne || was === null || is === null || was.measure !== is.measure) return null;
  return { measure: is.measure, before: was.amount, now: is.amount };
}

function unknownsIn({ sets, planned }: Exposure): readonly Reason[] {
  const counted = (is: (set: ExposedSet) => boolean) => sets.filter(is).length;
  const unknownReps = counted((set) => set.amount === null);
  const unknownEffort = counted((set) => set.rir === "unknown");
  const readings = sets.flatMap((set) => (set.reading === null ? [] : [set.reading]));
  const sorted = readings.toSorted(compareMass);
  const [lightest, heaviest] = [sorted[0], sorted.at(-1)];
  const unknownReading = sets.length - readings.length;
  const reasons: (Reason | false)[] = [
    sets.length < planned.length && {
      code: "setsMissing",
      done: sets.length,
      planned: planned.length,
    },
    unknownReading > 0 && { code: "unknownReading", sets: unknownReading },
    unknownReps > 0 && { code: "unknownReps", sets: unknownReps },
    unknownEffort > 0 && { code: "unknownEffort", sets: unknownEffort },
    lightest !== undefined &&
      heaviest !== undefined &&
      !sameReading(lightest, heaviest) && { code: "mixedLoads", lightest, heaviest },
  ];
  return reasons.filter((reason) => reason !== false);
}
