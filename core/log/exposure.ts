import {
  type Day,
  type Id,
  type MovementRef,
  compareMass,
  type Count,
  type Mass,
} from "../kernel/index.ts";
import { totalMoved, type Loading } from "../gym/index.ts";
import type {
  Accent,
  Demand,
  ExtensionKind,
  Measure,
  RepRange,
  Rir,
  SetRole,
  SetUp,
  Tempo,
} from "../plan/index.ts";
import type { PainRecord } from "./fold.ts";
import type { Conditions } from "./conditions.ts";
import type { LogContext, LoggedSet } from "./logged-set.ts";
import type { Observations } from "./observations.ts";

/** The reps that a set was asked for; null where the end was left open. */
export type AskedRange = { readonly min: Count; readonly max: Count } | null;

/** What was done behind a set: a drop, a burst after a pause, a change of position. */
export interface ExposedBurst {
  readonly kind: ExtensionKind;
  /** The line of a drop that has a load of its own, and is judged by itself. */
  readonly line: Id<"line"> | null;
  readonly reading: Mass | null;
  /** In repetitions of the weaker side; null where unknown, or where something else is counted. */
  readonly reps: Count | null;
  readonly demand: Demand;
}

/** What each side did of a set, in what its target counts. */
export interface BySide {
  readonly left: number;
  readonly right: number;
}

/** One performed work set as progression judges it. */
export interface ExposedSet {
  readonly line: Id<"line">;
  readonly role: SetRole;
  /** Its place among the planned work sets of the exercise, from 0. */
  readonly place: number;
  readonly reading: Mass | null;
  readonly reps: Count | null;
  /** What its target counts, how much of it was done by the weaker side, and how much has to be reached. */
  readonly measure: Measure;
  readonly amount: number | null;
  readonly demand: Demand;
  /** Where each side was counted by itself. */
  readonly bySide: BySide | null;
  /** What was done behind it, in order. */
  readonly bursts: readonly ExposedBurst[];
  readonly rir: Rir;
  readonly range: AskedRange;
  /** Where in the movement its repetitions stayed. */
  readonly within: RepRange;
  readonly effortAsked: Rir;
  readonly tempo: Tempo;
  readonly accents: readonly Accent[];
  /** True where reps over part of the range, or with help, were logged in it. */
  readonly hasPartials: boolean;
  /** What of the set-up this set had otherwise than its exercise. */
  readonly setUp: SetUp;
  /** Under what conditions it was done, as far as that was said. */
  readonly conditions: Conditions;
  readonly observed: Observations;
  readonly limiter: LoggedSet["limiter"];
}

/** A work set as it was planned: what tells whether all of a line were done. */
export type PlannedWork = Pick<ExposedSet, "line" | "role" | "range" | "within" | "place">;

/** What is known of the session of an exposure. */
export interface ExposedSession {
  readonly id: Id<"sessionLog">;
  readonly day: Day;
  /** How ready the trainee came to it, out of five; null where nobody asked. */
  readonly readiness: number | null;
}

/** One session of one exercise: what progression looks back on. */
export interface Exposure {
  readonly sessionLogId: Id<"sessionLog">;
  readonly day: Day;
  readonly context: LogContext;
  readonly loading: Loading;
  readonly sets: readonly ExposedSet[];
  readonly planned: readonly PlannedWork[];
  readonly pains: readonly PainRecord[];
  /** How ready the trainee came to the session, out of five; null where nobody asked. */
  readonly readiness: number | null;
}

/** Which sets of other sessions a line is compared with. */
export interface LineRef {
  readonly lineage: Id<"lineage">;
  readonly line: Id<"line">;
  readonly role: SetRole;
  readonly range: AskedRange;
  readonly within: RepRange;
}

/**
 * What an exposure says about one line, with the set-up and tempo of its sets in the context; null where it had
 * none of it. Sessions that know the line by its id are asked for it; in others, planned apart, it is the sets of
 * the same role and range.
 */
export function onLine(exposure: Exposure, of: LineRef): Exposure | null {
  const isKnown =
    exposure.context.lineageId === of.lineage && exposure.planned.some((p) => p.line === of.line);
  const isOf = (set: PlannedWork) =>
    isKnown
      ? set.line === of.line
      : set.role === of.role && set.within === of.within && sameRange(set.range, of.range);
  const planned = exposure.planned.filter(isOf);
  const sets = exposure.sets.filter(isOf);
  if (planned.length === 0) return null;
  const [first] = sets;
  const context =
    first === undefined
      ? exposure.context
      : {
          ...exposure.context,
          tempo: first.tempo,
          setUp: { ...exposure.context.setUp, ...setUpOver(sets) },
        };
  return { ...exposure, context, sets, planned };
}

function sameRange(a: AskedRange, b: AskedRange): boolean {
  if (a === null || b === null) return a === b;
  return a.min === b.min && a.max === b.max;
}

/** The choices that all sets made for themselves alike; those that change from set to set stay with the sets. */
function setUpOver(sets: readonly ExposedSet[]): SetUp {
  const [first] = sets;
  return Object.fromEntries(
    Object.entries(first?.setUp ?? {}).filter(([name, choice]) =>
      sets.every(({ setUp }) => setUp[name] === choice),
    ),
  );
}

/** How much was done in a set and behind it, but for partial and forced repetitions; null where some is unknown. */
export function withBursts({
  amount,
  bursts,
}: Pick<ExposedSet, "amount" | "bursts">): number | null {
  return sumOf([
    amount,
    ...bursts
      .filter(({ kind }) => kind !== "partials" && kind !== "forced")
      .map(({ reps }) => reps),
  ]);
}

/** What several sets came to, and what they count. */
export interface DoneInAll {
  readonly measure: Measure;
  readonly amount: number;
}

/** How much sets came to by themselves; null where there are none, some is unknown, or they count unlike things. */
export function doneInAll(sets: readonly ExposedSet[]): DoneInAll | null {
  const [first] = sets;
  const amount = sumOf(sets.map((set) => set.amount));
  const isAlike = sets.every(({ measure }) => measure === first?.measure);
  return first === undefined || amount === null || !isAlike
    ? null
    : { measure: first.measure, amount };
}

/** The sum of amounts; null where one is unknown. */
export function sumOf(amounts: readonly (number | null)[]): number | null {
  return amounts.reduce((sum, n) => (sum === null || n === null ? null : sum + n), 0);
}

/** Names a movement at a station, for maps of what was done there last. */
export function lastKey(movement: MovementRef, station: Id<"station">): string {
  return `${movement} ${station}`;
}

/** The total of the heaviest work set of an exposure; null where a reading or a total is unknown. */
export function heaviestTotal(exposure: Exposure, bodyWeight: Mass | null): Mass | null {
  return exposure.sets.reduce<Mass | null>((best, { reading }) => {
    const total = reading && totalMoved(exposure.loading, reading, bodyWeight);
    if (total === null) return best;
    return best === null || compareMass(total, best) > 0 ? total : best;
  }, null);
}
