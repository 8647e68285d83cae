import { maximumOverLoad, type Equation } from "./equation.ts";

/**
 * How a person's repetitions fall with the load, against the general equation, and with the sets before: the
 * logarithm of maximum over load is `slope` times the equation's. Above 1 a person does fewer repetitions at a
 * share.
 */
export interface PersonalCurve {
  readonly slope: number;
  /** How much lower the logarithm of what can be lifted is with each work set done before in the exercise. */
  readonly fatigue: number;
  /** How far a load worked out with it may be off, as a share. */
  readonly spread: number;
  /** Sets that it was fitted to. */
  readonly sets: number;
}

/** Nobody in particular: the equation itself, with a wide range. */
export const GENERAL_CURVE: PersonalCurve = { slope: 1, fatigue: 0, spread: 0.03, sets: 0 };

/** One set to fit: its session, its place among the work sets of it from 0, the logarithm of its total, the repetitions that were possible. */
export interface CurvePoint {
  readonly session: string;
  readonly place: number;
  readonly logTotal: number;
  readonly possibleReps: number;
}

/** People scatter about the general slope by so much, and a set about its curve. Source: our rule, docs/arithmetic.md § Strength. */
const SLOPE_SCATTER = 0.2;
const SET_SCATTER = 0.03;
/** How much the possible repetitions of one set scatter, as a logarithm of maximum over load. Source: as above. */
const REPS_SCATTER = 0.012;
/** What a set takes from the next one before anything is known of a person, and how much people differ. Source: as above. */
const USUAL_FATIGUE = 0.02;
const FATIGUE_SCATTER = 0.012;
/** No range is narrower than this, however many sets there are: the equation itself is no truth. Source: as above. */
const LEAST_CURVE_SPREAD = 0.015;

/**
 * A person's curve from their sets of one movement at one station. Only sets of the same session are compared
 * with each other, so that getting stronger is not taken for a flat curve.
 *
 * First fatigue, from sets at one load: what falls there falls by the sets before. Then the slope, from sessions
 * of several loads, with what fatigue takes away counted apart: both together by least squares, each shrunk
 * towards what is usual by its own uncertainty (a normal prior). Where loads only fall from set to set, fatigue
 * and slope look alike, and the slope stays nearer to 1. Without two loads in a session it is 1.
 * Source: linear regression with normal priors; scatters are our rule, docs/arithmetic.md § Strength.
 */
export function fitCurve(points: readonly CurvePoint[], equation: Equation): PersonalCurve {
  const sessions = grouped(points, ({ session }) => session);
  const reps = (p: CurvePoint) => Math.log(maximumOverLoad(equation, p.possibleReps));
  const tired = fatigueOf(sessions, reps);
  // The normal equations of slope and fatigue, with their priors.
  let [ss, sf, ff] = [PRIOR, 0, tired.precision];
  let [s, f] = [PRIOR, tired.precision * tired.mean];
  let sets = 0;
  for (const own of sessions) {
    if (new Set(own.map((p) => p.logTotal)).size < 2) continue;
    const xs = centred(own.map(reps));
    const ps = centred(own.map((p) => p.place));
    const ys = centred(own.map((p) => p.logTotal));
    // Reps are whole and the reserve is misjudged: what they scatter by themselves would flatten every curve.
    ss -= (own.length - 1) * REPS_SCATTER ** 2 * PRECISION;
    xs.forEach((x, i) => {
      const [place, y] = [ps[i] ?? 0, ys[i] ?? 0];
      ss += x * x * PRECISION;
      sf += x * place * PRECISION;
      ff += place * place * PRECISION;
      s -= x * y * PRECISION;
      f -= place * y * PRECISION;
    });
    sets += own.length;
  }
  ss = Math.max(PRIOR, ss);
  const determinant = ss * ff - sf * sf;
  if (sets === 0 || determinant <= 0) return { ...GENERAL_CURVE, fatigue: tired.mean, sets };
  const slope = (s * ff - f * sf) / determinant;
  const off = Math.min(1, Math.sqrt(ff / determinant) / SLOPE_SCATTER);
  return {
    slope: Math.min(1.6, Math.max(0.5, slope)),
    fatigue: Math.max(0, (f * ss - s * sf) / determinant),
    spread: Math.max(LEAST_CURVE_SPREAD, GENERAL_CURVE.spread * off),
    sets,
  };
}

const PRECISION = 1 / SET_SCATTER ** 2;
const PRIOR = 1 / SLOPE_SCATTER ** 2;

/** What a set takes from the next, from sets at one load, and how sure that is. */
function fatigueOf(
  sessions: readonly (readonly CurvePoint[])[],
  reps: (point: CurvePoint) => number,
): { readonly mean: number; readonly precision: number } {
  let precision = 1 / FATIGUE_SCATTER ** 2;
  let sum = precision * USUAL_FATIGUE;
  for (const own of sessions) {
    for (const same of grouped(own, ({ logTotal }) => logTotal)) {
      const xs = centred(same.map(reps));
      const ps = centred(same.map((p) => p.place));
      xs.forEach((x, i) => {
        const place = ps[i] ?? 0;
        precision += place * place * PRECISION;
        sum -= place * x * PRECISION;
      });
    }
  }
  return { mean: Math.max(0, sum / precision), precision };
}

function grouped<T>(values: readonly T[], key: (value: T) => unknown): readonly (readonly T[])[] {
  const groups = new Map<unknown, T[]>();
  for (const value of values) {
    const own = groups.get(key(value));
    if (own === undefined) groups.set(key(value), [value]);
    else own.push(value);
  }
  return [...groups.values()];
}

function centred(values: readonly number[]): readonly number[] {
  const middle = values.reduce((sum, v) => sum + v, 0) / values.length;
  return values.map((v) => v - middle);
}

/** As {@link maximumOverLoad}, for a person. */
export function overLoadOf(equation: Equation, curve: PersonalCurve, reps: number): number {
  return maximumOverLoad(equation, reps) ** curve.slope;
}
