import type { Mass, Random } from "../kernel/index.ts";
import type { Exposure } from "../log/index.ts";
import { valuesOf } from "./rate.ts";
import type { Facts } from "./judged-line.ts";
import { setIndex } from "./progress-index.ts";
import { gainIn, rateIn, type Rate } from "./trend.ts";

/**
 * The chance that a target is met by each of the sessions to come, from simulated continuations of a client: own gain
 * and noise where the log says enough, drawn towards the usual where it says little (`rateIn`), sessions that are
 * missed, and the rule's own way: what a session does not meet is asked again in the next one.
 * Source: our rule, docs/progression.md § Odds, calibrated on the test bed.
 */

/** What a coming session asks of a line, as the projection has it. */
export interface Ahead {
  /** The strength that its hardest set takes, to the last repetition asked, as a logarithm ({@link setIndex}); null where that is not known. */
  readonly takes: number | null;
  /** The same with what is asked to be left. */
  readonly takesLeaving: number | null;
  /** The load, so that sessions at one load are told from the next. */
  readonly load: string;
  /** True where the target is met with it. */
  readonly isTarget: boolean;
  /** A light or lighter week: nobody gets further in it. */
  readonly isEasy: boolean;
}

export interface OddsFrom {
  /** The progress of the line, a value a session, oldest first. */
  readonly values: readonly number[];
  /** How much weaker its weakest set was than the mean of its sets, on the whole. */
  readonly tiring: number;
  /** How often a session is missed. */
  readonly misses: number;
}

/** Continuations that are simulated. */
export const RUNS = 1000;
/** Fewer sessions say too little. Source: our rule, docs/progression.md § Odds. */
const LEAST_SESSIONS = 4;
/** How often a session is missed before anything is known, and how many sessions that weighs as much as. */
const USUAL_MISSES = { share: 0.05, weight: 20 };
/** Ten and ninety per cent of a normal distribution lie so many standard deviations apart. */
const TENTHS_APART = 2.563;

/** The share of sessions that a client misses, drawn towards the usual. */
export function missesOf(done: number, missed: number): number {
  const { share, weight } = USUAL_MISSES;
  return (missed + share * weight) / (done + missed + weight);
}

/** What a line is simulated from; null where too little was trained, so that nothing is said. */
export function oddsFrom(facts: Facts, misses: number): OddsFrom | null {
  const values = valuesOf(facts);
  if (values.length < LEAST_SESSIONS) return null;
  const recent = facts.exposures.slice(-values.length);
  const behind = recent.flatMap((exposure) => tiredIn(exposure, facts.bodyWeight));
  const tiring = behind.length === 0 ? 0 : behind.reduce((sum, n) => sum + n, 0) / behind.length;
  return { values, tiring, misses };
}

/** How far the weakest set of a session lay below the mean of its sets. */
function tiredIn(exposure: Exposure, bodyWeight: Mass | null): readonly number[] {
  const own = exposure.sets.flatMap((set) => setIndex(set, exposure, bodyWeight) ?? []);
  if (own.length < 2) return [];
  return [own.reduce((sum, n) => sum + n, 0) / own.length - Math.min(...own)];
}

/** The strength that a met session took of its hardest set: with what was asked to be left, or to the last repetition. */
export function takenBy(
  exposure: Exposure,
  bodyWeight: Mass | null,
  isLeaving: boolean,
): number | null {
  const own = exposure.sets.map((set) =>
    setIndex(isLeaving ? set : { ...set, rir: 0, effortAsked: 0 }, exposure, bodyWeight),
  );
  return own.length === 0 || own.includes(null) ? null : Math.max(...own.map((n) => n ?? 0));
}

/** What somebody likely shows in a session, as logarithms of strength: four times out of five it lies between low and high. */
export interface ShownBand {
  readonly low: number;
  readonly likely: number;
  readonly high: number;
}

/**
 * What a client likely shows of a line in each of the sessions to come, however far the phase asks them to come: own
 * gain and noise, sessions that are missed, soreness that stops progress. The mean over the sets, as `values` are;
 * null for an easy session, which shows nothing. `random` is uniform in [0, 1).
 * Source: our rule, docs/progression.md § Odds, measured on the test bed.
 */
export function bandAhead(
  { values, misses }: OddsFrom,
  ahead: readonly Pick<Ahead, "isEasy">[],
  random: Random,
): readonly (ShownBand | null)[] {
  const rate = rateIn(values);
  const shown = ahead.map(() => new Float64Array(RUNS));
  for (let run = 0; run < RUNS; run += 1) {
    const { gain, level } = drawn(rate, random);
    let [trained, sore] = [0, 0];
    for (const [i, { isEasy }] of ahead.entries()) {
      sore = soreAfter(sore, random);
      const own = shown[i];
      if (own !== undefined)
        own[run] = level + gainIn(trained + 1, gain) + rate.noise * normal(random);
      if (random() >= misses && !isEasy && sore === 0) trained += 1;
    }
  }
  return ahead.map(({ isEasy }, i) => {
    const own = shown[i]?.sort();
    const at = (share: number) => own?.[Math.floor(share * RUNS)] ?? 0;
    const likely = at(0.5);
    const widened = (share: number) => likely + WIDENED * (at(share) - likely);
    return isEasy ? null : { low: widened(0.1), likely, high: widened(0.9) };
  });
}

/**
 * Simulated sessions scatter less than real ones: so much wider the band holds four out of five. Source: our rule,
 * fitted on the test bed with seed 1 and checked with others, docs/progression.md § Odds.
 */
const WIDENED = 1.35;

/** One of the gains and levels that somebody may have. */
function drawn(rate: Rate, random: Random): { readonly gain: number; readonly level: number } {
  const spread = (rate.high - rate.low) / TENTHS_APART;
  return {
    gain: Math.max(0, rate.likely + spread * normal(random)),
    // The end of a line that was fitted to so many values is known so well. Source: least squares, standard result.
    level: rate.now + (2 * rate.noise * normal(random)) / Math.sqrt(rate.sessions),
  };
}

/** For how many sessions soreness or pain still stops progress, after one more of them. */
const soreAfter = (sore: number, random: Random) =>
  sore > 0 ? sore - 1 : random() < SORE.share ? SORE.sessions : 0;

/** The share of continuations in which the target was met by each session, rising; `random` is uniform in [0, 1). */
export function oddsOf(
  { values, tiring, misses }: OddsFrom,
  ahead: readonly Ahead[],
  random: Random,
): readonly number[] {
  const rate = rateIn(values);
  const asked = ahead.filter(({ isEasy }) => !isEasy);
  const met = ahead.map(() => 0);
  for (let run = 0; run < RUNS; run += 1) {
    const { gain, level } = drawn(rate, random);
    let [stage, trained, short, sore] = [0, 0, 0, 0];
    for (const [i, { isEasy }] of ahead.entries()) {
      if (random() < misses) continue;
      sore = soreAfter(sore, random);
      trained += 1;
      if (isEasy || sore > 0) continue;
      const own = asked[stage];
      if (own === undefined) break;
      const can =
        level +
        gainIn(trained, gain) +
        rate.noise * normal(random) -
        tiring -
        (random() < LOW.share ? LOW.by : 0);
      if (own.takes !== null && can < own.takes) {
        short += 1;
        // Short again and again, the rule goes back.
        if (short >= GOES_BACK_AFTER) [stage, short] = [Math.max(0, stage - STEPS_BACK), 0];
        continue;
      }
      short = 0;
      const reached = furthestAt(asked, stage, can);
      if (asked.slice(stage, reached + 1).some(({ isTarget }) => isTarget)) {
        met[i] = (met[i] ?? 0) + 1;
        break;
      }
      stage = nextLoadAt(asked, reached + 1, can);
    }
  }
  const first = ahead.findIndex(({ isEasy }) => !isEasy);
  const isPossible = asked.some(({ isTarget }) => isTarget);
  let sum = 0;
  return met.map((n, i) => {
    sum += n;
    return isPossible && i >= first ? calibrated(sum / RUNS) : 0;
  });
}

/**
 * Simulated continuations are surer than life: a share of them is drawn towards evens. Source: Platt's scaling of
 * log-odds (Platt 1999), fitted on the test bed with seed 1 and checked with others, docs/progression.md § Odds.
 */
function calibrated(share: number): number {
  const within = Math.min(1 - SUREST, Math.max(SUREST, share));
  return 1 / (1 + Math.exp(-(DRAWN * Math.log(within / (1 - within)) + SHIFTED)));
}
const DRAWN = 0.58;
const SHIFTED = -0.15;
const SUREST = 1 / (2 * RUNS);

/** Short so many times running, a rule goes so far back. Source: our rule, docs/progression.md § Odds. */
const GOES_BACK_AFTER = 2;
const STEPS_BACK = 2;

/** How far somebody gets in one session who has more than is asked: repetitions at its load, never another load. */
function furthestAt(asked: readonly Ahead[], stage: number, can: number): number {
  let reached = stage;
  for (let next = stage + 1; next < asked.length; next += 1) {
    const own = asked[next];
    const isAtLoad = own !== undefined && own.load === asked[stage]?.load;
    if (!isAtLoad || own.takesLeaving === null || can < own.takesLeaving) break;
    reached = next;
  }
  return reached;
}

/** From a stage that begins a load on to the last load that somebody who has more than is asked could begin with. */
function nextLoadAt(asked: readonly Ahead[], stage: number, can: number): number {
  let at = stage;
  if (asked[stage]?.load === asked[stage - 1]?.load) return at;
  for (;;) {
    const next = asked.findIndex((own, i) => i > at && own.load !== asked[at]?.load);
    const takes = asked[next]?.takesLeaving ?? null;
    const isPast = asked.slice(at, next).some(({ isTarget }) => isTarget);
    if (next < 0 || takes === null || can < takes || isPast) return at;
    at = next;
  }
}

/**
 * What befalls everybody: days on which little goes, and soreness or pain that stops progress for some sessions.
 * Source: our rule, the athlete of docs/test-bed.md.
 */
const LOW = { share: 0.03, by: 0.06 };
const SORE = { share: 0.025, sessions: 3 };

/** A number from a standard normal distribution. Source: Box and Muller 1958. */
function normal(random: Random): number {
  return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}
