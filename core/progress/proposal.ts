import {
  markOf,
  type Day,
  type Fault,
  type Id,
  type Limiter,
  type Mass,
  type Region,
  type Seconds,
  type Share,
} from "../kernel/index.ts";
import type { Difference, KnownCondition } from "../log/index.ts";
import type { Constraint, ExtensionKind, Measure } from "../plan/index.ts";
import type { Change } from "./change.ts";

/** How the last session differs from the one before, with what both came to in all where they are at one load. */
interface OneWay {
  readonly differences: readonly Difference[];
  readonly inAll: InAll | null;
}

interface InAll {
  readonly measure: Measure;
  readonly before: number;
  readonly now: number;
}

interface TotalOf {
  readonly measure: Measure;
  readonly total: number;
  readonly goal: number;
}

/** A fact that a proposal rests on, with its numbers. Wording lives in format/. */
export type Reason =
  /** Every set reached what the rule asks: the top of its range, or what is asked at all. */
  | {
      readonly code: "allAtTop";
      readonly sets: number;
      readonly top: number;
      readonly measure: Measure;
      readonly reading: Mass;
    }
  | {
      readonly code: "repsToGain";
      /** Of one set, or of the weakest of several. */
      readonly isOnlySet: boolean;
      readonly lowest: number;
      readonly top: number;
      readonly measure: Measure;
      readonly reading: Mass;
    }
  /** It has to come so many sessions in a row. */
  | { readonly code: "reachedInARow"; readonly times: number; readonly after: number }
  /** `stepShare` is of the total moved; null where that is unknown. */
  | {
      readonly code: "smallestStep";
      readonly from: Mass;
      readonly to: Mass;
      readonly stepShare: number | null;
    }
  /** The rule's own step, and what the equipment makes of it. */
  | {
      readonly code: "ownStep";
      readonly by: Mass;
      readonly isPerSide: boolean;
      readonly to: Mass;
      readonly isExact: boolean;
      readonly stepShare: number | null;
    }
  | {
      readonly code: "largeStep";
      readonly from: Mass;
      readonly to: Mass;
      readonly stepShare: number;
      readonly limit: number;
    }
  /** By the reserve that was left, a large step still leaves what is asked. */
  | { readonly code: "reserveAllows"; readonly expected: number; readonly least: number }
  /** By the reserve that was left, the step leaves far less than is asked. */
  | { readonly code: "fewLeft"; readonly expected: number; readonly least: number }
  /** The step is many times what this client has gained a session so far. */
  | { readonly code: "aheadOfRate"; readonly stepShare: number; readonly rate: number }
  | { readonly code: "atCeiling"; readonly reading: Mass }
  /** There are no loads to step through here, so the amount goes on. */
  | { readonly code: "noLoads" }
  /** A bound of the set holds the load where the rule would have gone on. */
  | { readonly code: "atBound"; readonly reading: Mass; readonly would: Mass }
  | { readonly code: "harderThanAsked"; readonly asked: number; readonly lowest: number }
  | {
      readonly code: "belowRange";
      /** Of one set, or of the weakest of several. */
      readonly isOnlySet: boolean;
      readonly lowest: number;
      readonly bottom: number;
      readonly measure: Measure;
      readonly times: number;
    }
  /** Short by no more than a repetition, or a tenth: no reason to go down. */
  | { readonly code: "nearlyThere" }
  /** Sets that were taken past the limit, or of which nothing came. */
  | { readonly code: "failedSets"; readonly sets: number }
  /** What follows a set came to less than was asked of it. */
  | {
      readonly code: "burstShort";
      readonly burst: ExtensionKind;
      readonly done: number;
      readonly asked: number;
    }
  /** One side alone holds it up. */
  | {
      readonly code: "oneSideShort";
      readonly side: "left" | "right";
      readonly left: number;
      readonly right: number;
      readonly asked: number;
    }
  /** Far less at one load than in the comparable session before. */
  | {
      readonly code: "fellBack";
      readonly measure: Measure;
      readonly before: number;
      readonly now: number;
      readonly reading: Mass;
    }
  /** No progress any more: `sessions` since the last of it, against so much gained a session before. */
  | {
      readonly code: "stalled";
      readonly sessions: number;
      readonly rate: number;
      readonly reading: Mass;
    }
  /** While body weight is cut, holding the load is success. */
  | { readonly code: "heldWhileCutting"; readonly sessions: number; readonly reading: Mass }
  | { readonly code: "pain"; readonly joint: string; readonly score: number }
  | { readonly code: "lowEnergy"; readonly readiness: number }
  /** Back after so many days without this exercise: it is learned again first. */
  | { readonly code: "firstBack"; readonly days: number }
  | { readonly code: "lightWeek" }
  /** So many days since it was trained, as the next session is planned. */
  | { readonly code: "away"; readonly days: number; readonly share: Share }
  /** Something else than the target gave out first, so many sessions in a row. */
  | { readonly code: "otherLimiter"; readonly limiter: Limiter; readonly times: number }
  | {
      readonly code: "feltElsewhere";
      readonly felt: Region;
      readonly meant: readonly Region[];
      readonly times: number;
    }
  /** Gone once, and there again. */
  | { readonly code: "faultReturns"; readonly fault: Fault }
  | { readonly code: "unknownReps"; readonly sets: number }
  | { readonly code: "unknownEffort"; readonly sets: number }
  | { readonly code: "unknownReading"; readonly sets: number }
  | { readonly code: "setsMissing"; readonly done: number; readonly planned: number }
  | { readonly code: "mixedLoads"; readonly lightest: Mass; readonly heaviest: Mass }
  | { readonly code: "notComparable"; readonly differences: readonly Difference[] }
  /** One-way: a better result under harder conditions is progress, a worse one proves nothing. */
  | ({ readonly code: "harderConditions" } & OneWay)
  /** One-way: a worse result under easier conditions is a loss, a better one proves nothing. */
  | ({ readonly code: "easierConditions" } & OneWay)
  /** Never seen before here, at a session at which somebody looked. */
  | { readonly code: "newFaults"; readonly faults: readonly Fault[] }
  /** Something that is known of the other sessions of its series is not known of this one. */
  | { readonly code: "unknownConditions"; readonly conditions: readonly KnownCondition[] }
  /** Small changes have added up since a series began, so that a new one begins. */
  | {
      readonly code: "drifted";
      readonly since: Day;
      readonly differences: readonly Difference[];
    }
  /** What a reading means here changed since; `to` is the reading of the same total, where there is one. */
  | { readonly code: "readingChanged"; readonly from: Mass; readonly to: Mass | null }
  | { readonly code: "cannotBeMadeNow"; readonly reading: Mass }
  | { readonly code: "firstExposure" }
  /** Nothing was logged, and nobody said why. */
  | { readonly code: "noExposure" }
  | { readonly code: "skipped"; readonly why: string }
  /** Another exercise was done instead, this once. */
  | { readonly code: "substituted" }
  | { readonly code: "heldByRule" }
  | { readonly code: "byHand" }
  /** The load follows from another set, and moves when that one does. */
  | { readonly code: "followsSet" }
  /** The load is worked out on the day: from the estimate, or from another lift. */
  | { readonly code: "workedOutOnTheDay" }
  /** The end is open and no least number is written: there is nothing to reach. */
  | { readonly code: "openEnd" }
  /** The rule counts repetitions, and none are asked for by number. */
  | { readonly code: "needsReps" }
  /** Over all sets and what follows them. */
  | ({ readonly code: "totalReached" } & TotalOf)
  | ({ readonly code: "totalToGain" } & TotalOf)
  | { readonly code: "unknownTotal" }
  /** Set by set against the same set last time. */
  | { readonly code: "setsBeaten"; readonly beaten: number; readonly of: number }
  | { readonly code: "lessRest"; readonly from: Seconds; readonly to: Seconds }
  | { readonly code: "restAtLeast"; readonly seconds: Seconds }
  | { readonly code: "restNotTimed" }
  /** In a superset or circuit the rests are the round's. */
  | { readonly code: "restShared" }
  | { readonly code: "restLonger"; readonly asked: Seconds; readonly taken: Seconds }
  | { readonly code: "setAdded"; readonly to: number; readonly most: number }
  | { readonly code: "setsAtMost"; readonly most: number }
  | { readonly code: "setTaken"; readonly to: number }
  | { readonly code: "stricter"; readonly what: Constraint }
  | { readonly code: "strictEnough"; readonly what: Constraint }
  /** It was looser than asked in a set. */
  | { readonly code: "notStrict"; readonly what: Constraint }
  | { readonly code: "nothingStricter"; readonly what: Constraint }
  | { readonly code: "cleanSessions"; readonly clean: number; readonly of: number }
  | { readonly code: "faultsSeen"; readonly faults: readonly Fault[] }
  | { readonly code: "nobodyLooked" }
  /** What the sets of the session allow, by the estimate. */
  | {
      readonly code: "byEstimate";
      readonly reps: number;
      readonly left: number;
      readonly allows: Mass;
    }
  | { readonly code: "noEstimate" }
  | { readonly code: "heldBack"; readonly most: Share }
  | {
      readonly code: "hardSets";
      readonly done: number;
      readonly goal: number;
      readonly unknown: number;
    }
  | { readonly code: "limitSetDue"; readonly every: number }
  | { readonly code: "limitSetIn"; readonly sessions: number }
  | { readonly code: "limitSet"; readonly done: number; readonly top: number }
  | { readonly code: "taperOn"; readonly reps: number; readonly last: number }
  | { readonly code: "taperTest" }
  | { readonly code: "taperLighter"; readonly share: Share }
  | { readonly code: "taperAgain" };

export const MOVES = ["raise", "keep", "lower", "asPlanned"] as const;
export type Move = (typeof MOVES)[number];
export type Confidence = "high" | "medium" | "low";

/** The ways on that a coach can take instead, or what else may help; the only list of them. */
export const WAYS = [
  "fullStep",
  "pastTheTop",
  "moreReps",
  "slower",
  "oneLeg",
  "addOn",
  "otherEquipment",
  "sleepAndFood",
  "lighterWeek",
  "otherRange",
  "variation",
  "fewerSets",
  "moreSets",
  "checkSetUp",
  "gear",
  "moreStable",
] as const;
export type WayCode = (typeof WAYS)[number];

/** What a line becomes: its load, and whatever else changes. */
export interface Step {
  readonly move: Move;
  /** The load of all its sets; null where it is still to be found. */
  readonly reading: Mass | null;
  readonly changes: readonly Change[];
}

/** Another way on: the step to take instead, or null where it is for the coach to arrange. */
export interface Way {
  readonly code: WayCode;
  readonly step: Step | null;
}

/** What Kravo proposes for next time, and why. */
export interface Proposal extends Step {
  readonly from: Mass | null;
  readonly because: readonly Reason[];
  /** What could be done instead, best first. */
  readonly ways: readonly Way[];
  readonly confidence: Confidence;
  /** Stall, pain, a break in the series or a large jump: the coach decides, nothing is taken as given. */
  readonly mustRule: boolean;
}

/** A proposal as it was shown when the coach ruled on it. */
export type ShownProposal = Pick<Proposal, "move" | "reading" | "from" | "changes">;

/** The proposal for one line of an exercise. */
export interface LineProposal extends Proposal {
  readonly line: Id<"line">;
  /** False where the load follows from something else, so that there is nothing to decide. */
  readonly isDecided: boolean;
}

/** Everything stays as it is. */
export function keep(
  reading: Mass | null,
  because: readonly Reason[],
  confidence: Confidence,
  mustRule: boolean,
  ways: readonly Way[] = [],
): Proposal {
  return { move: "keep", reading, from: reading, changes: [], because, ways, confidence, mustRule };
}

/**
 * What is proposed for a line after a light or lighter week: all stays at the load that its rule had before it. Where
 * something hurts the proposal stands, whatever week it was.
 */
export function stoodStill(proposal: LineProposal, reading: Mass | null): LineProposal {
  if (proposal.because.some(({ code }) => code === "pain")) return proposal;
  const held = keep(reading ?? proposal.reading, [{ code: "lightWeek" }], "high", false);
  return { ...held, line: proposal.line, isDecided: proposal.isDecided };
}

/** Nothing was judged: what was planned stands. */
export function asPlanned(
  reading: Mass | null,
  because: readonly Reason[],
  mustRule: boolean,
): Proposal {
  return { ...keep(reading, because, "low", mustRule), move: "asPlanned" };
}

/** The proposal with one of its other ways taken instead; null where it has no step of that name. */
export function takingWay<P extends Proposal>(proposal: P, code: WayCode): P | null {
  const step = proposal.ways.find((way) => way.code === code)?.step;
  return step ? { ...proposal, ...step } : null;
}

/** Marks what a coach is shown to decide about, so that nothing else is accepted than what was shown. */
export function shownMark({ move, reading, changes, ways }: Proposal): string {
  return markOf([move, reading, changes, ways.map(({ code, step }) => [code, step])]);
}
