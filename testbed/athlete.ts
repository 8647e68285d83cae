import type { Random } from "~/core/kernel/index.ts";

/** Somebody who trains one exercise: docs/test-bed.md says how each number is drawn, and that none is a finding. */
export interface Athlete {
  /** The logarithm of the maximum in kilograms, at first. */
  readonly strength: number;
  /** Gain a week at first, as a share, and the weeks in which it halves. */
  readonly gain: number;
  readonly halvesIn: number;
  /** The week from which nothing is gained any more; null where that does not happen. */
  readonly stallsAt: number | null;
  readonly dayNoise: number;
  readonly slope: number;
  readonly tiring: number;
  readonly reserveBias: number;
  readonly misses: number;
  readonly painEvery: number | null;
}

/** Two independent numbers from a standard normal distribution. Source: Box and Muller 1958. */
export function normal(random: Random): number {
  const r = Math.sqrt(-2 * Math.log(1 - random()));
  return r * Math.cos(2 * Math.PI * random());
}

const between = (random: Random, low: number, high: number) => low + (high - low) * random();
const within = (n: number, low: number, high: number) => Math.min(high, Math.max(low, n));

/** An athlete drawn from the distributions of docs/test-bed.md. */
export function drawAthlete(random: Random, over: Partial<Athlete> = {}): Athlete {
  return {
    strength: Math.log(between(random, 60, 180)),
    gain: Math.min(0.03, 0.007 * 2.2 ** normal(random)),
    halvesIn: between(random, 30, 90),
    stallsAt: null,
    dayNoise: between(random, 0.01, 0.03),
    slope: within(1 + 0.15 * normal(random), 0.6, 1.5),
    tiring: between(random, 0.01, 0.03),
    reserveBias: 0.5 * normal(random),
    misses: 0.05,
    painEvery: 40,
    ...over,
  };
}

/** What an athlete brings to a day: strength and what was left of earlier sessions. */
export interface Condition {
  readonly strength: number;
  readonly fatigue: number;
}

export const fresh = ({ strength }: Athlete): Condition => ({ strength, fatigue: 0 });

/** How the day is: its noise, and what was said of it. */
export interface DayForm {
  readonly noise: number;
  readonly pain: number;
  readonly readiness: number | null;
}

/** One set as it was done. */
export interface DoneSet {
  readonly reps: number;
  /** Truly left, and as it was said. */
  readonly left: number;
  readonly said: number;
}

/** What is asked of a set: load in kilograms, the range, and what is to be left. */
export interface AskedSet {
  readonly loadKg: number;
  readonly least: number;
  readonly most: number;
  readonly leave: number;
}

/** The sets of a session, one after the other; each tires for the next. */
export function doSets(
  athlete: Athlete,
  { strength, fatigue }: Condition,
  day: DayForm,
  sets: readonly AskedSet[],
  random: Random,
): readonly DoneSet[] {
  let tired = fatigue;
  return sets.map(({ loadKg, least, most, leave }) => {
    const can = strength - tired + day.noise - (day.pain > 0 ? 0.1 : 0);
    const over = (can - Math.log(loadKg)) / athlete.slope;
    const possible = Math.max(0, 30 * (Math.exp(over) - 1));
    const whole = Math.floor(possible);
    const misjudged = (left: number) => athlete.reserveBias + (0.35 + 0.15 * left) * normal(random);
    // Stops where the reserve seems reached, but goes on to the least as long as anything comes.
    const seems = Math.floor(possible - leave + misjudged(leave) + 0.5);
    const reps = Math.min(most, whole, Math.max(least, seems));
    const left = possible - reps;
    const said = within(Math.round(left + misjudged(left)), 0, 5);
    tired += left <= 4 ? athlete.tiring * (left < 1 ? 1.5 : 1) : 0;
    return { reps: Math.max(0, reps), left, said };
  });
}

/** The athlete's condition after a session and the days until the next one. */
export function after(
  athlete: Athlete,
  { strength, fatigue }: Condition,
  sets: readonly (DoneSet & Pick<AskedSet, "least">)[],
  week: number,
  days: number,
): Condition {
  const hard = sets.filter(({ left }) => left <= 4).length;
  const missed = sets.filter(({ reps, least }) => reps < least).length;
  const isStalled = athlete.stallsAt !== null && week >= athlete.stallsAt;
  const now = isStalled ? 0 : athlete.gain * 0.5 ** (week / athlete.halvesIn);
  return {
    strength: strength + (now * Math.min(3, hard)) / 3 / (7 / days),
    fatigue: (fatigue + 0.0015 * (hard + missed)) * 0.5 ** (days / 4),
  };
}
