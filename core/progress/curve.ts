import { maximumOverLoad, type Equation } from "./equation.ts";

/**
 * How fast a person's repetitions fall with the load, against the general equation: the logarithm of
 * maximum over load is `slope` times the equation's. Above 1 a person does fewer repetitions at a share.
 */
export interface PersonalCurve {
  readonly slope: number;
  /** How far a load worked out with it may be off, as a share. */
  readonly spread: number;
  /** Sets that it was fitted to. */
  readonly sets: number;
}

/** Nobody in particular: the equation itself, with a wide range. */
export const GENERAL_CURVE: PersonalCurve = { slope: 1, spread: 0.03, sets: 0 };

/** One set to fit: its session, the logarithm of its total, the repetitions that were possible. */
export interface CurvePoint {
  readonly session: string;
  readonly logTotal: number;
  readonly possibleReps: number;
}

/** People scatter about the general slope by so much, and a set about its curve. Source: our rule, docs/arithmetic.md § Strength. */
const SLOPE_SCATTER = 0.2;
const SET_SCATTER = 0.03;

/**
 * A person's curve from their sets of one movement at one station. Only loads of the same session are compared
 * with each other, so that getting stronger is not taken for a flat curve. The least-squares slope is shrunk
 * towards the general one by its own uncertainty (a normal prior): with few sets, or sets of like repetitions,
 * it stays near 1.
 * Source: linear regression with a normal prior; the two scatters are our rule, docs/arithmetic.md § Strength.
 */
export function fitCurve(points: readonly CurvePoint[], equation: Equation): PersonalCurve {
  const sessions = new Map<string, CurvePoint[]>();
  for (const point of points) {
    const own = sessions.get(point.session);
    if (own === undefined) sessions.set(point.session, [point]);
    else own.push(point);
  }
  let xx = 0;
  let xy = 0;
  let sets = 0;
  for (const points of sessions.values()) {
    const own = atEachLoad(points);
    if (own.length < 2) continue;
    const xs = own.map((p) => Math.log(maximumOverLoad(equation, p.possibleReps)));
    const meanX = mean(xs);
    const meanY = mean(own.map((p) => p.logTotal));
    own.forEach((p, i) => {
      const dx = (xs[i] ?? meanX) - meanX;
      xx += dx * dx;
      xy += dx * (meanY - p.logTotal);
    });
    sets += points.length;
  }
  if (xx === 0) return { ...GENERAL_CURVE, sets };
  const certainty = xx / SET_SCATTER ** 2;
  const prior = 1 / SLOPE_SCATTER ** 2;
  const slope = ((xy / xx) * certainty + prior) / (certainty + prior);
  return {
    slope: Math.min(1.6, Math.max(0.5, slope)),
    spread: GENERAL_CURVE.spread * Math.sqrt(prior / (certainty + prior)),
    sets,
  };
}

/**
 * One point for each load of a session, at the mean of its repetitions: sets at one load differ by fatigue and
 * by how the reserve was judged, and would make every curve look flat.
 */
function atEachLoad(points: readonly CurvePoint[]): readonly CurvePoint[] {
  return [...new Set(points.map((p) => p.logTotal))].map((logTotal) => {
    const same = points.filter((p) => p.logTotal === logTotal);
    return { session: "", logTotal, possibleReps: mean(same.map((p) => p.possibleReps)) };
  });
}

/** As {@link maximumOverLoad}, for a person. */
export function overLoadOf(equation: Equation, curve: PersonalCurve, reps: number): number {
  return maximumOverLoad(equation, reps) ** curve.slope;
}

function mean(values: readonly number[]): number {
  return values.reduce((sum, v) => sum + v, 0) / values.length;
}
