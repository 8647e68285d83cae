import { ticksOf, type Id } from "../kernel/index.ts";
import { harderBy } from "../gym/index.ts";
import { repsLeft, type Line, type ProgressionRule, type Slot } from "../plan/index.ts";
import {
  differences,
  verdictOf,
  type Difference,
  type ExposedSet,
  type Exposure,
} from "../log/index.ts";
import { hardestReading, type Circumstances, type Facts } from "./judged-line.ts";
import { factsOn } from "./propose.ts";

/** How much more was done than last time; null where one of both is unknown, or they cannot be told apart. */
export interface Gained {
  /** In ticks of the reading; more is harder. */
  readonly loadTicks: number | null;
  /** In all, in what the sets count; null where the loads or the numbers of sets differ. */
  readonly amount: number | null;
  /** Of the last set; more is easier. */
  readonly left: number | null;
}

/** What a coach compares a line by: what was done now, the last time that says something of it, and what lies between. */
export interface LineRecord {
  readonly line: Id<"line">;
  readonly rule: ProgressionRule;
  readonly now: Exposure | null;
  /** The last session that may be compared, or that allows one conclusion. */
  readonly before: Exposure | null;
  /** What differs from that session; from the one just before where none compares. */
  readonly differences: readonly Difference[];
  readonly gained: Gained | null;
}

/** What a coach compares a line by. `session` is the session that is looked at. */
export function lineRecord(
  slot: Slot,
  line: Line,
  exposures: readonly Exposure[],
  known: Circumstances,
  session: Id<"sessionLog">,
): LineRecord {
  const facts = factsOn(slot, line, exposures, known);
  const none = { line: line.id, rule: line.rule, before: null, differences: [], gained: null };
  if (facts?.last.sessionLogId !== session) return { ...none, now: null };
  const { last, exposures: own, parameters, comparing } = facts;
  const earlier = own.slice(0, -1);
  const before =
    earlier.findLast(
      (e) => verdictOf(differences(e, last, parameters, comparing)) !== "notComparable",
    ) ?? null;
  const against = before ?? earlier.at(-1) ?? null;
  return {
    ...none,
    now: last,
    before,
    differences: against === null ? [] : differences(against, last, parameters, comparing),
    gained: before === null ? null : gainedSince(before, last, facts),
  };
}

function gainedSince(before: Exposure, now: Exposure, { loading }: Facts): Gained {
  const [was, is] = [before, now].map(({ sets }) => hardestReading(sets, loading));
  const loadTicks = !was || !is ? null : harderBy(loading) * (ticksOf(is) - ticksOf(was));
  const isSame = loadTicks === 0 && before.sets.length === now.sets.length;
  const [wasDone, isDone] = [inAll(before.sets), inAll(now.sets)];
  const [wasLeft, isLeft] = [before, now].map(({ sets }) =>
    repsLeft(sets.at(-1)?.rir ?? "unknown"),
  );
  return {
    loadTicks,
    amount: isSame && wasDone !== null && isDone !== null ? isDone - wasDone : null,
    left: wasLeft == null || isLeft == null ? null : isLeft - wasLeft,
  };
}

const inAll = (sets: readonly ExposedSet[]) =>
  sets.reduce<number | null>(
    (sum, { amount }) => (sum === null || amount === null ? null : sum + amount),
    0,
  );
