import { compareMass, daysBetween, lastOf, mass, sameReading, type Mass } from "../kernel/index.ts";
import { allLoads, harderBy, type Loading } from "../gym/index.ts";
import type { Line } from "../plan/index.ts";
import {
  differences,
  seriesAt,
  verdictOf,
  type ExposedSet,
  type Exposure,
  type SeriesPlace,
} from "../log/index.ts";
import type { Circumstances, Weeks } from "./circumstances.ts";
import { doubtsAbout } from "./doubts.ts";
import type { Reason } from "./proposal.ts";

/** A line as it is judged. */
export interface JudgedLine extends Circumstances {
  /** As it was planned, which next time is made from. */
  readonly line: Line;
  /** Its exposures, oldest first; the last one is judged. Each has at least one set. */
  readonly exposures: readonly [...Exposure[], Exposure];
}

/** What the exposures of a line say, whatever rule it has. */
export interface Facts extends JudgedLine {
  readonly last: Exposure;
  /** The exposures that may be compared with the last one, and the last one itself; oldest first. */
  readonly series: readonly Exposure[];
  /** The series that the last one belongs to, which a rate and a stall are read from. */
  readonly place: SeriesPlace;
  /** The hardest reading of the last sets. */
  readonly reading: Mass | null;
  /** The last sets that had something to reach. */
  readonly sets: readonly ExposedSet[];
  /** True where all planned sets were done at one load, and how much of each is known. */
  readonly isWhole: boolean;
  /** Why its result is no verdict, should it be a poor one: a low-energy day, the first time back, a light week. */
  readonly excuses: readonly Reason[];
  /** What makes the result unsure: other conditions than before, a fall, what is missing or unknown. */
  readonly doubts: readonly Reason[];
}

/** So long without an exercise and it is learned again first. Source: our rule, docs/progression.md. */
const FORGOTTEN_DAYS = 21;
/** Readiness, out of five, at which a poor result is no verdict. Source: our rule, as above. */
const LOW_READINESS = 2;

/** The hardest reading among the sets; the lowest one where a counterweight carries part of the body. */
export function hardestReading(sets: readonly ExposedSet[], loading: Loading): Mass | null {
  const readings = sets.flatMap((set) => (set.reading === null ? [] : [set.reading]));
  const way = harderBy(loading);
  return [...readings].sort((a, b) => way * compareMass(a, b)).at(-1) ?? null;
}

/** True where equipment has loads to step through. */
export const hasLoads = (loading: Loading): boolean => allLoads(loading).length > 1;

/** What is to be reached by every set: what is asked at all, or the top of its range. */
export type End = "least" | "most";

/** True where a set reached the end of its range, with what follows it. */
export function reached(set: ExposedSet, end: End): boolean {
  const asked = set.demand[end];
  return asked !== null && set.amount !== null && set.amount >= asked && burstsShort(set) === null;
}

/**
 * The first burst behind a set that came to less than was asked; null where all came, or are unknown. A drop with a
 * load of its own is a line of its own.
 */
export function burstsShort({ bursts }: ExposedSet): Reason | null {
  for (const { kind, line, reps, demand } of bursts) {
    if (line === null && reps !== null && demand.least !== null && reps < demand.least)
      return { code: "burstShort", burst: kind, done: reps, asked: demand.least };
  }
  return null;
}

/** True where all that was planned was done, and every set reached the end of its range. */
export function allReached({ isWhole, sets }: Pick<Facts, "isWhole" | "sets">, end: End): boolean {
  return isWhole && sets.every((set) => reached(set, end));
}

/** In how many sessions running, up to the last of the series, every set reached the end of its range at its load. */
export function timesReached({ series, loading, reading }: Facts, end: End): number {
  let times = 0;
  for (const exposure of series.toReversed()) {
    const own = hardestReading(exposure.sets, loading);
    const sets = exposure.sets.filter(hasDemand);
    const isSame = own !== null && reading !== null && sameReading(own, reading);
    if (!isSame || sets.length === 0) break;
    if (!allReached({ isWhole: isWholeOf(exposure, sets, own), sets }, end)) break;
    times += 1;
  }
  return times;
}

const hasDemand = ({ demand }: ExposedSet) => demand.least !== null;

function isWholeOf(
  { sets: done, planned }: Exposure,
  sets: readonly ExposedSet[],
  reading: Mass,
): boolean {
  return (
    done.length >= planned.length &&
    sets.every((s) => s.amount !== null && s.reading !== null && sameReading(s.reading, reading))
  );
}

/** What the exposures of a line say. */
export function factsOf(line: JudgedLine): Facts {
  const { loading } = line;
  const last = readingsOn(lastOf(line.exposures), loading);
  const exposures = [
    ...line.exposures.slice(0, -1).map((exposure) => readingsOn(exposure, loading)),
    last,
  ] as const;
  const reading = hardestReading(last.sets, loading);
  const sets = last.sets.filter(hasDemand);
  const place = seriesAt(exposures, line);
  const series = exposures.filter((e) => verdictOf(differences(e, last, line)) === "alike");
  return {
    ...line,
    exposures,
    last,
    series,
    place,
    reading,
    sets,
    isWhole: reading !== null && sets.length > 0 && isWholeOf(last, sets, reading),
    excuses: excusesOf(exposures, line.weeks),
    doubts: doubtsAbout({ exposures, series, place, reading }, { ...line, rule: line.line.rule }),
  };
}

/** Where nothing is loaded the reading is nothing, whatever was logged. */
function readingsOn(exposure: Exposure, loading: Loading): Exposure {
  if (loading.kind !== "unloaded") return exposure;
  const nothing = mass(0, loading.unit);
  return { ...exposure, sets: exposure.sets.map((set) => ({ ...set, reading: nothing })) };
}

function excusesOf(
  exposures: readonly [...Exposure[], Exposure],
  weeks: Weeks | null,
): readonly Reason[] {
  const last = lastOf(exposures);
  const days = daysWithout(exposures, exposures.length - 1);
  const { readiness } = last;
  return [
    ...(readiness !== null && readiness <= LOW_READINESS
      ? [{ code: "lowEnergy", readiness } as const]
      : []),
    ...(days !== null && days >= FORGOTTEN_DAYS ? [{ code: "firstBack", days } as const] : []),
    ...(weeks?.trained.kind === "light" || weeks?.trained.kind === "lighter"
      ? [{ code: "lightWeek" } as const]
      : []),
  ];
}

/** Days between an exposure and the one before it; null for the first. */
function daysWithout(exposures: readonly Exposure[], at: number): number | null {
  const [before, own] = [exposures[at - 1], exposures[at]];
  return before === undefined || own === undefined ? null : daysBetween(before.day, own.day);
}

/** True where an exposure may stand for what somebody can do: no pain, no low-energy day, not the first time back. */
export function isVerdict(exposures: readonly Exposure[], at: number): boolean {
  const days = daysWithout(exposures, at);
  const readiness = exposures[at]?.readiness ?? null;
  if (exposures[at]?.pains.some(({ score }) => score > 0) === true) return false;
  return (
    (days === null || days < FORGOTTEN_DAYS) && (readiness === null || readiness > LOW_READINESS)
  );
}
