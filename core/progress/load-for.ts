import { massFromTicks, ticksOf, type Mass, type Share, timesTicks } from "../kernel/index.ts";
import { GENERAL_CURVE, overLoadOf, type PersonalCurve } from "./curve.ts";
import { MOST_REPS, type Equation } from "./equation.ts";
import type { MaximumEstimate } from "./estimate.ts";

/** The total to move for some repetitions, with its range. */
export interface LoadRange {
  readonly low: Mass;
  readonly likely: Mass;
  readonly high: Mass;
}

/**
 * The total that allows `possibleReps` repetitions (asked and left together), and the range it may lie in.
 * `strict` is what of it is left for a stricter way of doing them. Null above {@link MOST_REPS}, below 1.
 */
export function loadForReps(
  maximum: Pick<MaximumEstimate, "low" | "likely" | "high">,
  possibleReps: number,
  equation: Equation,
  strict: Share,
  curve: PersonalCurve = GENERAL_CURVE,
): LoadRange | null {
  if (!(possibleReps >= 1 && possibleReps <= MOST_REPS)) return null;
  const share = strict / overLoadOf(equation, curve, possibleReps);
  const { unit } = maximum.likely;
  // An estimate with a person's own curve has its spread already; nobody's curve may bend either way from there.
  const more = curve.sets === 0 ? curve.spread : 0;
  const of = (m: Mass, times: number) =>
    massFromTicks(timesTicks(ticksOf(m), share * times), unit, "nearest");
  return {
    low: of(maximum.low, 1 - more),
    likely: of(maximum.likely, 1),
    high: of(maximum.high, 1 + more),
  };
}
