import type { Id, Mass } from "../kernel/index.ts";
import type { Difference } from "../log/index.ts";

/** How the last session differs from the one before, with the reps in all of both where they are at one load. */
interface OneWay {
  readonly differences: readonly Difference[];
  readonly before: number | null;
  readonly now: number | null;
}

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
  /** `stepShare` is of the total moved; null where that is unknown. */
  | {
      readonly code: "smallestStep";
      readonly from: Mass;
      readonly to: Mass;
      readonly stepShare: number | null;
    }
  | {
      readonly code: "largeStep";
      readonly from: Mass;
      readonly to: Mass;
      readonly stepShare: number;
      readonly limit: number;
    }
  | { readonly code: "atCeiling"; readonly reading: Mass }
  /** A bound of the set holds the load where the rule would have gone on. */
  | { readonly code: "atBound"; readonly reading: Mass; readonly would: Mass }
  | { readonly code: "harderThanAsked"; readonly asked: number; readonly lowest: number }
  | {
      readonly code: "belowRange";
      readonly lowest: number;
      readonly bottom: number;
      readonly times: number;
    }
  /** Far fewer reps at one load than in the comparable session before. */
  | {
      readonly code: "fellBack";
      readonly before: number;
      readonly now: number;
      readonly reading: Mass;
    }
  | { readonly code: "stalled"; readonly sessions: number; readonly reading: Mass }
  /** While body weight is cut, holding the load is success. */
  | { readonly code: "heldWhileCutting"; readonly sessions: number; readonly reading: Mass }
  | { readonly code: "pain"; readonly joint: string; readonly score: number }
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
  /** What a reading means here changed since; `to` is the reading of the same total, where there is one. */
  | { readonly code: "readingChanged"; readonly from: Mass; readonly to: Mass | null }
  | { readonly code: "cannotBeMadeNow"; readonly reading: Mass }
  | { readonly code: "firstExposure" }
  | { readonly code: "noExposure" }
  | { readonly code: "heldByRule" }
  /** The load follows from another set, and moves when that one does. */
  | { readonly code: "followsSet" }
  /** The load is worked out on the day: from the estimate, or from another lift. */
  | { readonly code: "workedOutOnTheDay" }
  /** No work set is asked for in a range of repetitions: this rule has nothing to count. */
  | { readonly code: "notInReps" };

export type Move = "raise" | "keep" | "lower";
export type Confidence = "high" | "medium" | "low";

/** What Kravo proposes for next time, and why. `reading` null: the load is still to be found. */
export interface Proposal {
  readonly move: Move;
  readonly reading: Mass | null;
  readonly from: Mass | null;
  readonly because: readonly Reason[];
  readonly confidence: Confidence;
  /** Stall, pain, a break in the series or a large jump: the coach decides, nothing is taken as given. */
  readonly mustRule: boolean;
}

/** The proposal for one line of an exercise. */
export interface LineProposal extends Proposal {
  readonly line: Id<"line">;
  /** False where the load follows from something else, so that there is nothing to decide. */
  readonly isDecided: boolean;
}

/** The load stays as it is. */
export function keep(
  reading: Mass | null,
  because: readonly Reason[],
  confidence: Confidence,
  mustRule: boolean,
): Proposal {
  return { move: "keep", reading, from: reading, because, confidence, mustRule };
}
