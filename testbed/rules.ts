import { count, kg, seconds, share } from "~/core/kernel/index.ts";
import { nextHarder } from "~/core/gym/index.ts";
import type { ProgressionKind, ProgressionRule } from "~/core/plan/index.ts";
import type { LineProposal } from "~/core/progress/index.ts";
import { drawAthlete, type Athlete } from "./athlete.ts";
import { seededRandom } from "~/core/kernel/index.ts";
import { train, type Course, type Week } from "./session.ts";

/** A mean over athletes with its 95 % interval. */
export interface Mean {
  readonly mean: number;
  readonly low: number;
  readonly high: number;
}

export interface RuleReport {
  readonly name: string;
  /** How far the load of the first set, and the true strength, rose over the weeks, as shares. */
  readonly load: Mean;
  readonly strength: Mean;
  /** Share of sets that came to less than was asked. */
  readonly missed: Mean;
  /** The first week with a missed set, among those who had one; and the share of athletes who had one. */
  readonly firstMissed: Mean;
  readonly everMissed: number;
}

interface Method extends Partial<Pick<Course, "range" | "take">> {
  readonly name: string;
  readonly rule: ProgressionRule;
}

const WEEKS = 26;

const keepLoad: ProgressionRule = { kind: "keepLoad" };
const alwaysAdd: NonNullable<Course["take"]> = (proposal, _slot, { loading }): LineProposal => {
  const from = proposal.reading;
  const next = from && nextHarder(loading, from);
  return next === null ? proposal : { ...proposal, move: "raise", reading: next.reading };
};

/** Every rule that raises loads, as it would be set for three sets of 8 to 10, and the two that think nothing. */
export const METHODS: readonly Method[] = [
  { name: "hold the load", rule: keepLoad },
  { name: "always add a step", rule: keepLoad, take: alwaysAdd },
  { name: "doubleProgression", rule: { kind: "doubleProgression", decides: "weakest" } },
  { name: "doubleProgression, each set", rule: { kind: "doubleProgression", decides: "eachSet" } },
  { name: "smallestStep", rule: { kind: "smallestStep", after: count(1) } },
  {
    name: "fixedIncrement",
    rule: { kind: "fixedIncrement", by: kg(5), counted: "asRead", after: count(2) },
  },
  { name: "totalReps", rule: { kind: "totalReps", goal: count(29) } },
  { name: "beatLast", rule: { kind: "beatLast", by: count(1), from: count(8) } },
  { name: "effortAnchored", rule: { kind: "effortAnchored", most: share(0.05) } },
  { name: "addSets", rule: { kind: "addSets", min: count(3), max: count(5), after: count(1) } },
  {
    name: "density",
    rule: { kind: "density", min: seconds(120), max: seconds(180), by: seconds(15) },
  },
  {
    name: "constraintFirst",
    rule: {
      kind: "constraintFirst",
      what: "lower",
      min: seconds(2),
      max: seconds(4),
      by: seconds(1),
    },
  },
  {
    name: "taper",
    rule: {
      kind: "taper",
      min: count(4),
      max: count(10),
      by: count(2),
      steps: count(1),
      lighter: share(0.8),
    },
  },
  { name: "limitSets", rule: { kind: "limitSets", every: count(4) } },
];

/** The rules that raise loads; the others hold them, or ask. */
export const RAISING: readonly ProgressionKind[] = [
  ...new Set(METHODS.map(({ rule }) => rule.kind).filter((kind) => kind !== "keepLoad")),
];

function meanOf(values: readonly number[]): Mean {
  const n = Math.max(1, values.length);
  const mean = values.reduce((sum, v) => sum + v, 0) / n;
  const spread = Math.sqrt(
    values.reduce((sum, v) => sum + (v - mean) ** 2, 0) / Math.max(1, n - 1),
  );
  const off = (1.96 * spread) / Math.sqrt(n);
  return { mean, low: mean - off, high: mean + off };
}

const loadOf = (week: Week | undefined) => week?.sets[0]?.loadKg ?? 0;
const rise = (from: number, to: number) => (from === 0 ? 0 : to / from - 1);

/** What each method came to, over the same athletes. */
export function ruleReports(athletes: number, seed: number): readonly RuleReport[] {
  const random = seededRandom(seed);
  const all: readonly Athlete[] = Array.from({ length: athletes }, () => drawAthlete(random));
  return METHODS.map(({ name, ...method }) => {
    const courses = all.map((athlete, i) => ({
      athlete,
      weeks: train({ ...method, athlete, weeks: WEEKS, random: seededRandom(seed + 1000 + i) }),
    }));
    const missed = courses.map(({ weeks }) => {
      const sets = weeks.flatMap((week) => week.sets);
      return sets.filter(({ reps, least }) => reps < least).length / Math.max(1, sets.length);
    });
    const first = courses.flatMap(({ weeks }) => {
      const week = weeks.find(({ sets }) => sets.some(({ reps, least }) => reps < least));
      return week === undefined ? [] : [week.week + 1];
    });
    return {
      name,
      load: meanOf(courses.map(({ weeks }) => rise(loadOf(weeks[0]), highest(weeks)))),
      strength: meanOf(
        courses.map(
          ({ athlete, weeks }) =>
            Math.exp((weeks.at(-1)?.strength ?? athlete.strength) - athlete.strength) - 1,
        ),
      ),
      missed: meanOf(missed),
      firstMissed: meanOf(first),
      everMissed: first.length / athletes,
    };
  });
}

/** The highest load of the last weeks, since some methods go up and down. */
const highest = (weeks: readonly Week[]) => Math.max(0, ...weeks.slice(-8).map(loadOf));
