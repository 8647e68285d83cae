import {
  addDays,
  compareMass,
  daysBetween,
  fail,
  ok,
  ticksOf,
  type Count,
  type Day,
  type Mass,
  type Result,
} from "../kernel/index.ts";
import { allLoads, harderBy, totalMoved } from "../gym/index.ts";
import { repsLeft } from "../plan/index.ts";
import { differences, verdictOf, type Exposure } from "../log/index.ts";
import type { Facts } from "./judged-line.ts";
import { setIndex } from "./progress-index.ts";
import { rateOf, stallOf, valuesOf } from "./rate.ts";
import { LARGE_STEP, stepShare } from "./step-up.ts";
import { gainIn, sessionsToGain, type Rate } from "./trend.ts";

/** In how many sessions from the last one; null where it does not arrive within {@link FURTHEST}. */
export interface Arrival {
  readonly earliest: number | null;
  readonly likely: number | null;
  readonly latest: number | null;
}

/** When a load will be trained for what its line asks, at the client's own rate and in the steps that there are. */
export interface Projection {
  /** The load that was asked about, and the one that is made: the next that is no easier. */
  readonly asked: Mass;
  readonly reading: Mass;
  readonly sessions: Arrival;
  /** Days from one session to the next, as they came so far. */
  readonly daysEach: number;
  /** When it would arrive if every load could be made; null as above. */
  readonly withoutSteps: number | null;
  /** The gain a session that it would take within {@link A_YEAR} sessions. */
  readonly yearRate: number;
  /** Steps from the last load to it. */
  readonly steps: number;
  /** The largest of them, where it is more than is taken without asking; null where none is. */
  readonly implausible: LargeStep | null;
  readonly rate: Rate;
}

export interface LargeStep {
  readonly from: Mass;
  readonly to: Mass;
  /** Of what is moved at `from`. */
  readonly share: number;
}

export type NoProjection =
  /** It was done already. */
  | { readonly code: "met" }
  /** Heavier than anything that is made here. */
  | { readonly code: "beyondStation"; readonly heaviest: Mass }
  /** Something else than repetitions is counted, what is moved in all is unknown, or the last load is. */
  | { readonly code: "cannotTell"; readonly unknown: "reps" | "total" | "load" }
  /** Too few sessions that compare. */
  | { readonly code: "tooFew"; readonly sessions: number }
  | { readonly code: "stalled"; readonly sessions: number };

/** Nothing is said of what lies further ahead, in sessions. Source: our rule, docs/progression.md § Projection. */
export const FURTHEST = 104;
/** A year of one session a week. */
const A_YEAR = 52;
/** Good days come, so a load is reached a little before the line of progress: so many scatters early. Source: test bed. */
const GOOD_DAY = 0.9;
/** And the day it comes varies by so many scatters either way. */
const LUCK = 1.2;

/**
 * When a load will be trained for the least that its line asks, from the last session on. Each step is taken when
 * the load before it has come to the top of the range; no session takes more than one.
 */
export function projected(facts: Facts, asked: Mass): Result<Projection, NoProjection> {
  const { loading, reading, place } = facts;
  const way = harderBy(loading);
  const isThere = (own: Mass) => way * compareMass(own, asked) >= 0;
  if (asHard(facts).some((exposure) => wasDone(exposure, isThere))) return fail({ code: "met" });
  const loads = allLoads(loading);
  const to = loads.find((made) => isThere(made.reading))?.reading;
  if (to === undefined)
    return fail({ code: "beyondStation", heaviest: loads.at(-1)?.reading ?? asked });
  if (reading === null) return fail({ code: "cannotTell", unknown: "load" });
  const unknown = unknownIn(facts, to);
  if (unknown !== null) return fail({ code: "cannotTell", unknown });
  const rate = rateOf(facts);
  if (rate === null) return fail({ code: "tooFew", sessions: valuesOf(facts).length });
  const stall = stallOf(facts);
  if (stall !== null) return fail({ code: "stalled", sessions: stall.sessions });
  const ahead = stepsAhead(facts, reading);
  const steps = isThere(reading)
    ? []
    : ahead.slice(0, ahead.findIndex((step) => isThere(step.reading)) + 1);
  const plain = (indexFor(facts, asked, "least") ?? 0) + weakerBy(facts);
  // Where it is trained already and was never done for what is asked, that is all that is missing.
  const needed = steps.at(-1)?.needed ?? plain;
  const arrival = (need: number, gain: number, luck: number) => {
    const early = rate.noise * (GOOD_DAY + luck);
    const sessions = sessionsToGain(need - rate.now - early, gain);
    return sessions === null || sessions > FURTHEST ? null : Math.ceil(sessions) + 1;
  };
  const atLeast = (n: number | null) => (n === null ? null : Math.max(n, steps.length));
  return ok({
    asked,
    reading: to,
    sessions: {
      earliest: atLeast(arrival(needed, rate.high, LUCK)),
      likely: atLeast(arrival(needed, rate.likely, 0)),
      latest: atLeast(arrival(needed, rate.low, -LUCK)),
    },
    daysEach: daysEach(place.sessions.map(({ day }) => daysBetween(place.sessions[0].day, day))),
    withoutSteps: arrival(plain, rate.likely, 0),
    yearRate: (needed - rate.now - rate.noise * GOOD_DAY) / gainIn(A_YEAR, 1),
    steps: steps.length,
    implausible: implausibleIn(facts, [reading, ...steps.map((step) => step.reading)]),
    rate,
  });
}

/** The day from which sessions to come are counted: the last one, or so late that the next one is not in the past. */
export function countedFrom(last: Day, today: Day, eachDays: number): Day {
  const late = addDays(today, -Math.round(eachDays));
  return late > last ? late : last;
}

/** The sessions under the conditions of the last one, or under harder ones. */
function asHard(facts: Facts): readonly Exposure[] {
  return facts.exposures.filter((exposure) => {
    const verdict = verdictOf(differences(exposure, facts.last, facts));
    return verdict === "alike" || verdict === "regressionOnly";
  });
}

/** True where every set of a session was done for what it asked, at loads that are enough. */
function wasDone({ sets, planned }: Exposure, isEnough: (reading: Mass) => boolean): boolean {
  return (
    sets.length >= planned.length &&
    sets.every(
      ({ reading, amount, demand }) =>
        reading !== null && isEnough(reading) && amount !== null && amount >= (demand.least ?? 1),
    )
  );
}

/** What would have to be known to say when: repetitions that are asked for, and what is moved in all. */
function unknownIn({ sets, loading, bodyWeight }: Facts, to: Mass): "reps" | "total" | null {
  const [first] = sets;
  if (first === undefined || first.measure !== "reps") return "reps";
  const total = totalMoved(loading, to, bodyWeight);
  return total === null || ticksOf(total) <= 0 ? "total" : null;
}

/** The largest step between loads that follow each other, where it is too large to be taken without asking. */
function implausibleIn(facts: Facts, loads: readonly Mass[]): LargeStep | null {
  return loads.slice(1).reduce<LargeStep | null>((largest, to, i) => {
    const from = loads[i] ?? to;
    const share = stepShare(facts, from, to) ?? 0;
    return share <= (largest?.share ?? LARGE_STEP) ? largest : { from, to, share };
  }, null);
}

/** The loads that are likely to be trained after so many sessions, in their order; the last one where nothing can be said. */
export function loadsAfter(facts: Facts, sessions: readonly number[]): readonly (Mass | null)[] {
  const rate = rateOf(facts);
  const last = facts.reading;
  if (rate === null || last === null || stallOf(facts) !== null) return sessions.map(() => last);
  const steps = stepsAhead(facts, last);
  return sessions.map((n) => {
    const can = rate.now + rate.noise * GOOD_DAY + gainIn(Math.max(0, n - 1), rate.likely);
    const stuck = steps.findIndex(({ needed }) => needed > can);
    const taken = Math.min(n, stuck < 0 ? steps.length : stuck);
    return steps[taken - 1]?.reading ?? last;
  });
}

/** The loads above one, easiest first, each with what the mean of the sets has to come to before it is trained. */
function stepsAhead(
  facts: Facts,
  from: Mass,
): readonly { readonly reading: Mass; readonly needed: number }[] {
  const way = harderBy(facts.loading);
  const harder = allLoads(facts.loading).filter(
    ({ reading }) => way * compareMass(reading, from) > 0,
  );
  const weaker = weakerBy(facts);
  let before = from;
  let needed = -Infinity;
  const steps: { reading: Mass; needed: number }[] = [];
  for (const { reading } of harder.slice(0, FURTHEST)) {
    const gate = indexFor(facts, before, "most");
    const least = indexFor(facts, reading, "least");
    if (gate === null || least === null) break;
    needed = Math.max(needed, gate + weaker, least + weaker);
    steps.push({ reading, needed });
    before = reading;
  }
  return steps;
}

/** The index of a set that comes to the end of the range at a load, with what is asked left. */
function indexFor(facts: Facts, reading: Mass, end: "least" | "most"): number | null {
  const [first] = facts.sets;
  const reps: Count | number | null = first?.demand[end] ?? null;
  if (first === undefined || reps === null || first.measure !== "reps") return null;
  const total = totalMoved(facts.loading, reading, facts.bodyWeight);
  if (total === null || ticksOf(total) <= 0) return null;
  // One repetition less in reserve than asked still counts as reached.
  const left = Math.max(0, (repsLeft(first.effortAsked) ?? 0) - 1);
  return Math.log(ticksOf(total)) + Math.log(1 + (reps + left) / 30);
}

/** How much less the weakest set of a session shows than the mean of its sets, in the middle of the last sessions. */
function weakerBy({ place, bodyWeight }: Facts): number {
  const gaps = place.sessions.slice(-8).flatMap((exposure) => {
    const all = exposure.sets.flatMap((set) => setIndex(set, exposure, bodyWeight) ?? []);
    if (all.length === 0) return [];
    return [all.reduce((sum, v) => sum + v, 0) / all.length - Math.min(...all)];
  });
  return gaps.toSorted((a, b) => a - b)[Math.floor(gaps.length / 2)] ?? 0;
}

/** Days from one session to the next, over the last dozen; a week where there is nothing to go by. */
function daysEach(days: readonly number[]): number {
  const own = days.slice(-12);
  const [first, last] = [own[0], own.at(-1)];
  if (first === undefined || last === undefined || own.length < 2 || last === first) return 7;
  return (last - first) / (own.length - 1);
}
