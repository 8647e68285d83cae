import type {
  Day,
  Id,
  Mass,
  Minutes,
  MovementRef,
  MuscleLength,
  Region,
  ResistanceProfile,
} from "../kernel/index.ts";
import type { Rir } from "../plan/index.ts";
import type { Neglect } from "./warnings/index.ts";
import type { Caution, Exclusion, Question, TightSpot, Whose } from "../person/index.ts";

export const FAMILIES = [
  "safety",
  "station",
  "hole",
  "volume",
  "order",
  "redundancy",
  "time",
] as const;
export type Family = (typeof FAMILIES)[number];

/** A note is the approach's view; a warning has consequences; what is serious can hurt. */
export const SEVERITIES = ["serious", "warning", "note"] as const;
export type Severity = (typeof SEVERITIES)[number];

/** What was found, with its numbers. Sets are hard sets of the week unless said otherwise. */
export type Fact =
  | {
      readonly code: "regionMissing";
      readonly region: Region;
      readonly low: number;
      readonly sessions: number;
    }
  | {
      readonly code: "belowBand";
      readonly region: Region;
      readonly sets: number;
      readonly low: number;
      readonly high: number;
      readonly sessions: number;
    }
  | {
      readonly code: "aboveBand";
      readonly region: Region;
      readonly sets: number;
      readonly low: number;
      readonly high: number;
      readonly sessions: number;
    }
  | {
      readonly code: "oneLength";
      readonly region: Region;
      readonly sets: number;
      readonly only: MuscleLength;
      readonly wanted: MuscleLength | null;
    }
  | { readonly code: "noSingleLeg"; readonly sets: number }
  /** `isKnown` is false where one is at a machine of which nothing says where it is hardest. */
  | {
      readonly code: "sameAgain";
      readonly first: MovementRef;
      readonly second: MovementRef;
      readonly isKnown: boolean;
    }
  | { readonly code: "schoolOrder"; readonly early: MovementRef; readonly late: MovementRef }
  | { readonly code: "priorityLate"; readonly region: Region; readonly setsBefore: number }
  /** Skipped or late again and again, and not first here. */
  | { readonly code: "putFirst"; readonly neglect: Neglect }
  | { readonly code: "technicalLate"; readonly movement: MovementRef; readonly setsBefore: number }
  | { readonly code: "growthUnwanted"; readonly region: Region; readonly sets: number }
  | { readonly code: "tooMuchForNew"; readonly sets: number; readonly limit: number }
  /** Out of five, on the day of the session or the day before. */
  | { readonly code: "lowReadiness"; readonly outOfFive: number }
  | { readonly code: "overCap"; readonly minutes: Minutes; readonly cap: Minutes }
  | { readonly code: "notHere"; readonly movement: MovementRef }
  | { readonly code: "busyStation"; readonly station: string }
  | { readonly code: "atCeiling"; readonly station: string; readonly reading: Mass }
  | { readonly code: "excluded"; readonly movement: MovementRef; readonly why: Exclusion }
  | {
      readonly code: "limitAlone";
      readonly movement: MovementRef;
      readonly sets: number;
      readonly effort: Rir;
    }
  | { readonly code: "needsClearing"; readonly why: "minor" | "older" | Caution }
  | { readonly code: "tightRange"; readonly movement: MovementRef; readonly spot: TightSpot }
  | { readonly code: "longThighs"; readonly movement: MovementRef }
  | { readonly code: "gripEndsFirst"; readonly movement: MovementRef }
  | {
      readonly code: "manySets";
      readonly sets: number;
      readonly most: number;
      readonly whose: Whose;
    }
  | {
      readonly code: "manyOfOne";
      readonly movement: MovementRef;
      readonly sets: number;
      readonly most: number;
      readonly whose: Whose;
    }
  | { readonly code: "sameOtherDay"; readonly movement: MovementRef; readonly day: Day }
  /** Of two unlike exercises that are known to be hardest at one point. */
  | {
      readonly code: "sameSticking";
      readonly first: MovementRef;
      readonly second: MovementRef;
      readonly region: Region;
      readonly at: ResistanceProfile;
    }
  | {
      readonly code: "limitTooNear";
      readonly movement: MovementRef;
      readonly region: Region;
      readonly day: Day;
      readonly days: number;
      /** True where drops, pauses, partials or help go past the limit. */
      readonly isPast: boolean;
    }
  | {
      readonly code: "roomsApart";
      readonly first: string;
      readonly second: string;
      readonly rooms: readonly [string, string];
    }
  | { readonly code: "bothBusy"; readonly first: string; readonly second: string }
  | { readonly code: "unlikelyMultiple"; readonly movement: MovementRef; readonly times: number }
  | { readonly code: "feltElsewhere"; readonly movement: MovementRef; readonly region: Region }
  | {
      readonly code: "againstView";
      readonly movement: MovementRef;
      readonly question: Question;
      readonly side: string;
    }
  | {
      readonly code: "weakSideSecond";
      readonly movement: MovementRef;
      readonly weaker: "left" | "right";
    };

export type FindingCode = Fact["code"];

/** Something that a coach would want to know about a session. */
export interface Finding {
  /** Names the same finding from one change of the plan to the next: its code and what it is about. */
  readonly key: string;
  readonly family: Family;
  readonly severity: Severity;
  /** The exercises it is about, in the order of the session; none where it is about the whole. */
  readonly slots: readonly Id<"slot">[];
  readonly fact: Fact;
}

const FAMILY_OF: Readonly<Record<FindingCode, Family>> = {
  regionMissing: "hole",
  belowBand: "volume",
  aboveBand: "volume",
  oneLength: "hole",
  noSingleLeg: "hole",
  sameAgain: "redundancy",
  schoolOrder: "order",
  priorityLate: "order",
  putFirst: "order",
  technicalLate: "order",
  growthUnwanted: "volume",
  tooMuchForNew: "safety",
  lowReadiness: "safety",
  overCap: "time",
  notHere: "station",
  busyStation: "station",
  atCeiling: "station",
  excluded: "safety",
  limitAlone: "safety",
  needsClearing: "safety",
  tightRange: "safety",
  longThighs: "safety",
  gripEndsFirst: "safety",
  weakSideSecond: "order",
  manySets: "volume",
  manyOfOne: "volume",
  sameOtherDay: "redundancy",
  sameSticking: "redundancy",
  limitTooNear: "volume",
  roomsApart: "station",
  bothBusy: "station",
  unlikelyMultiple: "safety",
  feltElsewhere: "order",
  againstView: "order",
};

/** What another day of the week can meet as well, so that it can be left to it. */
export function canBeLeft({ code }: Fact): boolean {
  return (
    code === "regionMissing" ||
    code === "belowBand" ||
    code === "oneLength" ||
    code === "noSingleLeg"
  );
}

/** Facts that say the same of one muscle after another, so that one sentence can say it of all. */
const TOLD_TOGETHER = ["regionMissing", "belowBand", "aboveBand", "oneLength"] as const;
export type ToldTogether = (typeof TOLD_TOGETHER)[number];
export type FactOf<C extends FindingCode> = Extract<Fact, { code: C }>;

/** A fact that can be told with others of its kind. */
export const isToldTogether = (fact: Fact): fact is FactOf<ToldTogether> =>
  TOLD_TOGETHER.some((code) => code === fact.code);

/** Findings with one cause, in their order; each has one at least. */
export type Told = readonly [Finding, ...Finding[]];

/** Findings as they are told: one cause once, where the first of its findings stood. */
export function toldOnce(findings: readonly Finding[]): readonly Told[] {
  const told = new Map<string, Told>();
  for (const found of findings) {
    const { fact, severity, key } = found;
    const name = isToldTogether(fact)
      ? [fact.code, severity, fact.code === "oneLength" && fact.wanted !== null].join(" ")
      : key;
    const before = told.get(name);
    told.set(name, before === undefined ? [found] : [...before, found]);
  }
  return [...told.values()];
}

/** Every code there is. */
export const FINDING_CODES = Object.keys(FAMILY_OF) as readonly FindingCode[] as [
  FindingCode,
  ...FindingCode[],
];

/** Builds a finding; `about` tells findings of one code apart. */
export function finding(
  severity: Severity,
  fact: Fact,
  slots: readonly Id<"slot">[] = [],
  about = "",
): Finding {
  return {
    key: about === "" ? fact.code : `${fact.code}/${about}`,
    family: FAMILY_OF[fact.code],
    severity,
    slots,
    fact,
  };
}

/** Serious first, then warnings, then notes; in one severity by family. */
export function bySeverity(a: Finding, b: Finding): number {
  return (
    SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity) ||
    FAMILIES.indexOf(a.family) - FAMILIES.indexOf(b.family)
  );
}
