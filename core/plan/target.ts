import {
  type Fault,
  count,
  seconds,
  type Count,
  type Metres,
  type Seconds,
  assertNever,
} from "../kernel/index.ts";
import type { SideMode } from "./side.ts";

/**
 * What a set or a part of it asks for. Reps and steps are per side wherever a side is named. Where the end is
 * open (`limit`, `untilForm`, `afterBurn`, `total`) `likely` says what the coach expects; time is estimated
 * from it, nothing else.
 */
export type Target =
  | { readonly kind: "reps"; readonly min: Count; readonly max: Count }
  /** As many as come, at least so many where a minimum is set. */
  | { readonly kind: "limit"; readonly atLeast: Count | null; readonly likely: Count }
  | { readonly kind: "seconds"; readonly min: Seconds; readonly max: Seconds }
  /** Steps with each leg, or counted in all; one way where the way leads out and back. */
  | {
      readonly kind: "steps";
      readonly steps: Count;
      readonly counted: "perSide" | "inAll";
      readonly outAndBack: boolean;
    }
  /** One way where the way leads out and back. */
  | { readonly kind: "metres"; readonly metres: Metres; readonly outAndBack: boolean }
  /** A total over as many sets as it takes, with a pause between them. */
  | {
      readonly kind: "total";
      readonly of: "reps" | "steps";
      readonly amount: Count;
      readonly likelySets: Count;
      readonly pause: Seconds;
    }
  | {
      readonly kind: "intervals";
      readonly work: Seconds;
      readonly pause: Seconds;
      readonly rounds: Count;
    }
  /** Until form breaks in the named way. */
  | { readonly kind: "untilForm"; readonly criterion: Fault; readonly likely: Count }
  /** So many reps after the muscle begins to burn. */
  | { readonly kind: "afterBurn"; readonly reps: Count; readonly likely: Count };

/** What of a performed part a target counts. */
export type Measure = "reps" | "seconds" | "steps" | "metres";

/** What is counted while this target is worked on. */
export function measureOf(target: Target): Measure {
  switch (target.kind) {
    case "reps":
    case "limit":
    case "untilForm":
    case "afterBurn":
      return "reps";
    case "seconds":
    case "intervals":
      return "seconds";
    case "steps":
      return "steps";
    case "total":
      return target.of;
    case "metres":
      return "metres";
    default:
      return assertNever(target);
  }
}

/** Walking under load covers about this much in a second. Source: our rule, docs/arithmetic.md § Time. */
const METRES_PER_SECOND = 1;

/**
 * How much a target asks for in one go, in what {@link measureOf} it counts: reps or steps (per side where a
 * side is named), seconds, or metres. Ways out and back are counted both ways.
 */
export function amountAsked(target: Target): { readonly min: number; readonly max: number } {
  const exactly = (n: number) => ({ min: n, max: n });
  switch (target.kind) {
    case "reps":
    case "seconds":
      return { min: target.min, max: target.max };
    case "limit":
      return {
        min: target.atLeast ?? target.likely,
        max: Math.max(target.atLeast ?? 0, target.likely),
      };
    case "untilForm":
      return exactly(target.likely);
    case "afterBurn":
      return exactly(target.likely + target.reps);
    case "steps":
      return exactly(
        target.steps * (target.outAndBack ? 2 : 1) * (target.counted === "perSide" ? 2 : 1),
      );
    case "metres":
      return exactly(target.metres * (target.outAndBack ? 2 : 1));
    case "total":
      return exactly(Math.ceil(target.amount / Math.max(1, target.likelySets)));
    case "intervals":
      return exactly(target.work);
    default:
      return assertNever(target);
  }
}

/**
 * Seconds of work that a target comes to in one go, at so many seconds for each repetition or step. Alternating
 * reps are per side, so they take twice as long; steps are counted for both legs already.
 */
export function workOf(
  target: Target,
  perRepSeconds: number,
  side: SideMode,
): { readonly min: Seconds; readonly max: Seconds } {
  const { min, max } = amountAsked(target);
  const legs = side.kind === "alternating" ? 2 : 1;
  const each = secondsEach(measureOf(target), perRepSeconds, legs);
  return { min: seconds(min * each), max: seconds(max * each) };
}

function secondsEach(measure: Measure, perRepSeconds: number, legs: 1 | 2): number {
  switch (measure) {
    case "reps":
      return perRepSeconds * legs;
    case "steps":
      return perRepSeconds;
    case "seconds":
      return 1;
    case "metres":
      return 1 / METRES_PER_SECOND;
    default:
      return assertNever(measure);
  }
}

/** How often a target is repeated within its set, and the pause between; once for most. */
export function repeatsOf(target: Target): { readonly times: Count; readonly pause: Seconds } {
  if (target.kind === "total") return { times: target.likelySets, pause: target.pause };
  if (target.kind === "intervals") return { times: target.rounds, pause: target.pause };
  return { times: count(1), pause: seconds(0) };
}
