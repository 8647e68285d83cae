import { ticksOf, type Day, type Id } from "../kernel/index.ts";
import { harderBy } from "../gym/index.ts";
import { repsLeft, type Line, type ProgressionRule } from "../plan/index.ts";
import {
  differences,
  doneInAll,
  verdictOf,
  type Difference,
  type DoneInAll,
  type Exposure,
  type SeriesPlace,
} from "../log/index.ts";
import { recentAlike } from "./doubts.ts";
import { hardestReading, type Facts } from "./judged-line.ts";

/** How much more was done than last time; null where one of both is unknown, or they cannot be told apart. */
export interface Gained {
  /** In ticks of the reading, as read: with a counterweight less is harder. */
  readonly loadTicks: number | null;
  readonly isHarder: boolean;
  /** In all, in what the sets count; null where the loads or the numbers of sets differ. */
  readonly done: DoneInAll | null;
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
  /** Null where the session begins one. */
  readonly series: SeriesRecord | null;
}

/** The sessions that compare with each other, the latest of them against the first. */
export interface SeriesRecord {
  readonly since: Day;
  readonly sessions: number;
  readonly last: SeriesPlace["last"];
  readonly gained: Gained;
}

/** What a coach compares a line by. `session` is the session that is looked at. */
export function lineRecord(line: Line, facts: Facts | null, session: Id<"sessionLog">): LineRecord {
  const none = {
    line: line.id,
    rule: line.rule,
    before: null,
    differences: [],
    gained: null,
    series: null,
  };
  if (facts?.last.sessionLogId !== session) return { ...none, now: null };
  const { last, exposures: own } = facts;
  const earlier = own.slice(0, -1);
  const before =
    recentAlike(own, facts.series) ??
    earlier.findLast((e) => verdictOf(differences(e, last, facts)) !== "notComparable") ??
    null;
  const against = before ?? earlier.at(-1) ?? null;
  return {
    ...none,
    now: last,
    before,
    differences: against === null ? [] : differences(against, last, facts),
    gained: before === null ? null : gainedSince(before, last, facts),
    series: seriesOfLast(facts),
  };
}

function seriesOfLast(facts: Facts): SeriesRecord | null {
  const { place } = facts;
  const [anchor] = place.sessions;
  if (place.last === "in" && place.sessions.length < 2) return null;
  return {
    since: anchor.day,
    sessions: place.sessions.length,
    last: place.last,
    gained: gainedSince(anchor, place.sessions.at(-1) ?? anchor, facts),
  };
}

function gainedSince(before: Exposure, now: Exposure, { loading }: Facts): Gained {
  const [was, is] = [before, now].map(({ sets }) => hardestReading(sets, loading));
  const loadTicks = !was || !is ? null : ticksOf(is) - ticksOf(was);
  const isSame = loadTicks === 0 && before.sets.length === now.sets.length;
  const [wasDone, isDone] = [doneInAll(before.sets), doneInAll(now.sets)];
  const isCounted = isSame && wasDone !== null && wasDone.measure === isDone?.measure;
  const [wasLeft, isLeft] = [before, now].map(({ sets }) =>
    repsLeft(sets.at(-1)?.rir ?? "unknown"),
  );
  return {
    loadTicks,
    isHarder: harderBy(loading) * (loadTicks ?? 0) > 0,
    done: isCounted ? { measure: isDone.measure, amount: isDone.amount - wasDone.amount } : null,
    left: wasLeft == null || isLeft == null ? null : isLeft - wasLeft,
  };
}
