import { contentKey, type Day, type Id, type MovementRef } from "../../kernel/index.ts";
import { isWithout, type PhaseDay, type ProjectedSession } from "../../phase/index.ts";
import { slotsOf, type Slot } from "../../plan/index.ts";

/** An exercise as it was, or is to be; null where it is not there. */
export interface SlotChange {
  readonly movement: MovementRef;
  readonly lineage: Id<"lineage">;
  readonly from: Slot | null;
  readonly to: Slot | null;
}

/** What a change of a phase makes of one of its sessions. */
export interface SessionDifference {
  readonly day: PhaseDay;
  readonly week: number;
  /** The dates; null where it was not, or is not to be trained. */
  readonly from: Day | null;
  readonly to: Day | null;
  readonly slots: readonly SlotChange[];
}

/** Ids of sets differ from projection to projection; what they ask does not. */
const IDS = new Set(["id", "lineageId", "line", "set", "tempoAs"]);

/**
 * The difference of two projections of a phase, session by session in the order of the later one; sessions that stay
 * as they are are left out. `weekAfter` says where a week went; sessions of weeks that are gone come last.
 */
export function differencesOf(
  before: readonly ProjectedSession[],
  after: readonly ProjectedSession[],
  weekAfter: (week: number) => number | null,
): readonly SessionDifference[] {
  const key = (day: string, week: number) => `${day} ${week}`;
  const was = new Map(
    before.flatMap((own) => {
      const week = weekAfter(own.week);
      return week === null ? [] : [[key(own.day.id, week), own] as const];
    }),
  );
  const changed = after.map(({ ...own }) =>
    differenceOf(was.get(key(own.day.id, own.week)) ?? null, own),
  );
  const gone = before.filter(
    ({ week, day }) => weekAfter(week) === null || !after.some((own) => own.day.id === day.id),
  );
  return [...changed, ...gone.map((own) => differenceOf(own, null))].filter(
    ({ from, to, slots }) => from !== to || slots.length > 0,
  );
}

function differenceOf(
  before: ProjectedSession | null,
  after: ProjectedSession | null,
): SessionDifference {
  const own = after ?? before;
  if (own === null) throw new Error("a session that was not and is not to be");
  const dateOf = (session: ProjectedSession | null) =>
    session === null || isWithout(session.source) ? null : session.on;
  const [from, to] = [dateOf(before), dateOf(after)];
  const slots = from === null || to === null ? [] : slotChanges(before, after);
  return { day: own.day, week: own.week, from, to, slots };
}

function slotChanges(
  before: ProjectedSession | null,
  after: ProjectedSession | null,
): readonly SlotChange[] {
  const [was, is] = [before, after].map((own) => (own === null ? [] : slotsOf(own.plan)));
  const all = [...(was ?? []), ...(is ?? [])];
  const lineages = [...new Set(all.map(({ lineageId }) => lineageId))];
  return lineages.flatMap((lineage): readonly SlotChange[] => {
    const of = (slots: readonly Slot[] | undefined) =>
      slots?.find(({ lineageId }) => lineageId === lineage) ?? null;
    const [from, to] = [of(was), of(is)];
    const slot = to ?? from;
    if (slot === null || (from !== null && to !== null && isAlike(from, to))) return [];
    return [{ movement: slot.movement, lineage, from, to }];
  });
}

const isAlike = (a: Slot, b: Slot) =>
  a.movement === b.movement &&
  a.station === b.station &&
  contentKey(a.sets, IDS) === contentKey(b.sets, IDS);
