import {
  massFromTicks,
  ticksOf,
  type Mass,
  type Seconds,
  fail,
  ok,
  type Result,
  ticks,
} from "../kernel/index.ts";
import { repsLeft, type Rir } from "../plan/index.ts";
import { GENERAL_CURVE, overLoadOf, type PersonalCurve } from "./curve.ts";
import { MOST_REPS, type Equation } from "./equation.ts";

/** One performed set as strength sees it. */
export interface StrengthSet {
  /** The total moved; null where carriage, bar or body weight is unknown. */
  readonly total: Mass | null;
  /** Full repetitions; null where nobody counted. */
  readonly reps: number | null;
  readonly rir: Rir;
  /** What makes a set say little about a maximum. */
  readonly after: "rest" | "drop" | "restPause";
  readonly hasPartials: boolean;
  /** How many work sets were done before it in the exercise. */
  readonly place: number;
  /** The rest before it; null where it was the first or is unknown. */
  readonly restBefore: Seconds | null;
}

/** Why no maximum is estimated from a set. */
export type NoEstimate =
  | { readonly code: "totalUnknown" }
  | { readonly code: "repsUnknown" }
  | { readonly code: "noReps" }
  | { readonly code: "tooManyReps"; readonly possible: number; readonly most: number }
  | { readonly code: "afterExtension"; readonly after: "drop" | "restPause" }
  | { readonly code: "partials" }
  | { readonly code: "shortRest"; readonly rest: Seconds; readonly least: number };

/** An estimated maximum on the total moved, with the range it may lie in. */
export interface MaximumEstimate {
  readonly low: Mass;
  readonly likely: Mass;
  readonly high: Mass;
  readonly possibleReps: number;
  /** True where the reserve was not said and 2 was taken. */
  readonly assumedReserve: boolean;
}

/** A rest shorter than this leaves too much fatigue. Source: our rule, docs/arithmetic.md § Strength. */
const LEAST_REST = 60;
/** What is taken for a reserve that nobody said, and how far it may be off. Source: our rule, as above. */
const UNKNOWN_RESERVE = { likely: 2, off: 2 };
/** Equations differ from people by about so much for each repetition, and at least so much. Source: our rule, as above. */
const SPREAD_PER_REP = 0.008;
const LEAST_SPREAD = 0.01;

/**
 * Estimated one-repetition maximum from one set: the repetitions that were possible are those done and those
 * left. The range widens with repetitions and with a reserve that is high or unknown.
 */
export function estimateMaximum(
  set: StrengthSet,
  equation: Equation,
  curve: PersonalCurve = GENERAL_CURVE,
): Result<MaximumEstimate, NoEstimate> {
  if (set.after !== "rest") return fail({ code: "afterExtension", after: set.after });
  if (set.hasPartials) return fail({ code: "partials" });
  if (set.restBefore !== null && set.restBefore < LEAST_REST) {
    return fail({ code: "shortRest", rest: set.restBefore, least: LEAST_REST });
  }
  if (set.total === null || set.total.thousandths <= 0) return fail({ code: "totalUnknown" });
  if (set.reps === null) return fail({ code: "repsUnknown" });
  if (set.reps < 1) return fail({ code: "noReps" });
  const left = repsLeft(set.rir);
  const possible = set.reps + (left ?? UNKNOWN_RESERVE.likely);
  if (possible > MOST_REPS) {
    return fail({ code: "tooManyReps", possible, most: MOST_REPS });
  }
  const off = left === null ? UNKNOWN_RESERVE.off : reserveOff(left);
  const spread = Math.max(LEAST_SPREAD, SPREAD_PER_REP * (possible - 1)) + curve.spread;
  const { unit } = set.total;
  // What was lifted after other sets would have been more without them.
  const fresh = ticksOf(set.total) * Math.exp(curve.fatigue * set.place);
  const at = (reps: number, times: number, rounding: "down" | "nearest" | "up") =>
    massFromTicks(
      ticks(fresh * overLoadOf(equation, curve, Math.min(MOST_REPS, Math.max(1, reps))) * times),
      unit,
      rounding,
    );
  return ok({
    low: at(possible - Math.min(off, left ?? off), 1 - spread, "down"),
    likely: at(possible, 1, "nearest"),
    high: at(possible + off, 1 + spread, "up"),
    possibleReps: possible,
    assumedReserve: left === null,
  });
}

/** People misjudge a high reserve more than a low one. Source: our rule, docs/arithmetic.md § Strength. */
function reserveOff(left: number): number {
  if (left === 0) return 0;
  return left <= 2 ? 1 : 2;
}

/** The most telling of several estimates: the one with the narrowest range, and among equals the highest. */
export function bestEstimate(estimates: readonly MaximumEstimate[]): MaximumEstimate | null {
  const width = (e: MaximumEstimate) => (ticksOf(e.high) - ticksOf(e.low)) / ticksOf(e.likely);
  return estimates.reduce<MaximumEstimate | null>((best, e) => {
    if (best === null) return e;
    const by = width(e) - width(best);
    return by < 0 || (by === 0 && ticksOf(e.likely) > ticksOf(best.likely)) ? e : best;
  }, null);
}
