/**
 * What a series of sessions says of somebody's progress: how fast it goes, and whether it stopped. The values are
 * logarithms of strength ({@link progressIndex}), one a session, so that a gain is a share a session.
 *
 * The series is progress with noise, or progress that stopped behind one of its sessions. Gain, level and noise are
 * unknown: each gain of a list is weighed by how usual it is and by how well the values lie on it, with level and
 * noise integrated out. Progress fades slowly, so that a slowing one is no stall.
 * Source: Bayesian comparison of a change point against none, with Student's t for the unknown noise (standard
 * results); what is usual and the threshold are our rule, set with the test bed, docs/progression.md § Rate and stall.
 */

/** A gain a session, and what it may be: four times out of five it lies between low and high. */
export interface Rate {
  readonly low: number;
  readonly likely: number;
  readonly high: number;
  /** How much one session scatters about the line. */
  readonly noise: number;
  /** What the line comes to at the last session. */
  readonly now: number;
  /** Sessions that it was read from. */
  readonly sessions: number;
}

export interface Stall {
  /** Sessions since the last of the progress. */
  readonly sessions: number;
  /** What was gained a session before; 0 where there was no progress to begin with. */
  readonly rate: number;
}

/** A gain a session that is usual, and the factor by which people differ from it. */
const USUAL = { gain: 0.007, factor: 2 };
/** The noise of a session before anything is known, and how many values it weighs as much as. */
const NOISE = { usual: 0.02, weight: 3 };
/** Sessions in which a gain fades by half. */
const HALVES_IN = 60;
/** A smaller gain a session is no progress that a stop could be told from. */
const LEAST_PROGRESS = 0.002;
const MOST_PROGRESS = 0.04;
/** Fewer sessions say nothing of a stall; what lies further back says little of now. */
const LEAST_SESSIONS = 4;
const LOOKED_AT = 26;
/** How much better a stop has to account for the values, as a logarithm. */
const THRESHOLD = 4.9;

/** Gains from one to another, each a little more than the one before, and how usual each is, as logarithms. */
function gainsFrom(least: number, most: number) {
  const many = 14;
  const gains = Array.from({ length: many }, (_, i) => least * (most / least) ** (i / (many - 1)));
  const usual = gains.map(
    (gain) => -0.5 * (Math.log(gain / USUAL.gain) / Math.log(USUAL.factor)) ** 2,
  );
  const all = logOfSum(usual);
  return gains.map((gain, i) => ({ gain, usual: (usual[i] ?? 0) - all }));
}
const PROGRESS = gainsFrom(LEAST_PROGRESS, MOST_PROGRESS);
const ANY_GAIN = [{ gain: 0, usual: Math.log(0.1) }, ...gainsFrom(0.0005, MOST_PROGRESS)];

/** The logarithm of a sum of numbers that are given as logarithms. */
function logOfSum(logs: readonly number[]): number {
  const most = Math.max(...logs);
  return most + Math.log(logs.reduce((sum, log) => sum + Math.exp(log - most), 0));
}

const FADING = Math.LN2 / HALVES_IN;
/** How far progress has come after so many sessions, in gains of the first one. */
const comeAfter = (sessions: number) => (1 - Math.exp(-FADING * sessions)) / FADING;

/** In how many sessions so much is gained, at a gain of the first one that fades; null where it fades before. */
export function sessionsToGain(share: number, gain: number): number | null {
  if (share <= 0) return 0;
  const left = gain <= 0 ? 0 : 1 - (FADING * share) / gain;
  return left <= 0 ? null : -Math.log(left) / FADING;
}

/** What is gained in so many sessions. */
export const gainIn = (sessions: number, gain: number): number => gain * comeAfter(sessions);

interface Weighed {
  readonly gain: number;
  /** The logarithm of how likely it is, up to what all share. */
  readonly log: number;
  readonly noise: number;
  readonly level: number;
}

/** Each gain with how well the values lie on it, where progress has come so far at each of them. */
function weighed(
  values: readonly number[],
  come: readonly number[],
  gains: typeof PROGRESS,
): readonly Weighed[] {
  const n = values.length;
  const weight = NOISE.weight + (n - 1) / 2;
  return gains.map(({ gain, usual }) => {
    let [sum, squares] = [0, 0];
    for (let i = 0; i < n; i += 1) {
      const rest = (values[i] ?? 0) - gain * (come[i] ?? 0);
      sum += rest;
      squares += rest * rest;
    }
    const level = sum / n;
    const scatter = NOISE.weight * NOISE.usual ** 2 + Math.max(0, squares - sum * level) / 2;
    return {
      gain,
      level,
      noise: Math.sqrt(scatter / weight),
      log: usual - weight * Math.log(scatter),
    };
  });
}

/** The values about the first of them, which keeps the sums of squares exact. */
function recent(values: readonly number[]): readonly number[] {
  const own = values.slice(-LOOKED_AT);
  const [first = 0] = own;
  return own.map((value) => value - first);
}

const all = (weights: readonly Weighed[]) => logOfSum(weights.map(({ log }) => log));

/** How fast a series rises; wide where it is short. */
export function rateIn(values: readonly number[]): Rate {
  const own = recent(values);
  const come = own.map((_, i) => comeAfter(i));
  const weights = weighed(own, come, ANY_GAIN);
  const total = all(weights);
  const shares = weights.map(({ log }) => Math.exp(log - total));
  const mean = (of: (w: Weighed) => number) =>
    weights.reduce((sum, w, i) => sum + of(w) * (shares[i] ?? 0), 0);
  // What a gain of the first session has faded to by the last.
  const faded = Math.exp(-FADING * (own.length - 1));
  const last = come.at(-1) ?? 0;
  const first = values.at(-own.length) ?? 0;
  return {
    low: faded * quantile(weights, shares, 0.1),
    likely: faded * mean(({ gain }) => gain),
    high: faded * quantile(weights, shares, 0.9),
    noise: mean(({ noise }) => noise),
    now: first + mean(({ level, gain }) => level + gain * last),
    sessions: own.length,
  };
}

/** The gain that so much of the weight lies at or below, between two gains of the list by straight line. */
function quantile(weights: readonly Weighed[], shares: readonly number[], at: number): number {
  let below = 0;
  let before = 0;
  for (const [i, { gain }] of weights.entries()) {
    const share = shares[i] ?? 0;
    if (below + share >= at) {
      return share === 0 ? gain : before + (gain - before) * ((at - below) / share);
    }
    below += share;
    before = gain;
  }
  return before;
}

/** Whether a series that rose has stopped rising; null where that is not clearly so. */
export function stallIn(values: readonly number[]): Stall | null {
  const own = recent(values);
  const n = own.length;
  if (n < LEAST_SESSIONS) return null;
  const come = own.map((_, i) => comeAfter(i));
  const on = all(weighed(own, come, PROGRESS));
  const stops = own.slice(0, -2).map((_, turn) => {
    const weights = weighed(
      own,
      come.map((further, i) => (i < turn ? further : (come[turn] ?? further))),
      PROGRESS,
    );
    return { turn, weights, log: all(weights) - on };
  });
  if (logOfSum(stops.map(({ log }) => log)) <= THRESHOLD) return null;
  const best = stops.reduce((a, b) => (b.log > a.log ? b : a));
  // A session better than every one since the stop says that it goes on.
  const last = own[n - 1] ?? 0;
  if (own.slice(best.turn, -1).every((value) => value < last)) return null;
  const total = all(best.weights);
  const rate = best.weights.reduce((sum, { gain, log }) => sum + gain * Math.exp(log - total), 0);
  return { sessions: n - 1 - best.turn, rate: best.turn === 0 ? 0 : rate };
}
