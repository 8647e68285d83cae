import {
  addDays,
  daysBetween,
  type Day,
  type Id,
  type MovementRef,
  type NewId,
} from "../kernel/index.ts";
import { lastKey, type Series } from "../log/index.ts";
import {
  applyEdit,
  copyPlan,
  slotsOf,
  type Block,
  type SessionPlan,
  type Slot,
} from "../plan/index.ts";
import { endOf, inOrder, NOTHING_BY_HAND, type Phase, type PhaseDay } from "./phase.ts";
import { usualWeek } from "./phase-week.ts";
import { isWithout, project, type PhaseFacts, type ProjectedSession } from "./project.ts";

/** An exercise that was left out again and again, and now comes first. */
export interface PutFirst {
  readonly day: Id<"phaseDay">;
  readonly movement: MovementRef;
  /** In how many of the day's sessions nothing of it was logged. */
  readonly skipped: number;
  readonly of: number;
}

/** An exercise that the next phase does not have: its weeks are over, or it was kept long enough. */
export interface Ended {
  readonly day: Id<"phaseDay">;
  readonly movement: MovementRef;
  readonly why: "weeksOver" | "keptLongEnough";
}

export interface RolledOver {
  readonly phase: Phase;
  readonly putFirst: readonly PutFirst[];
  readonly ended: readonly Ended[];
}

/** Left out in so many sessions, and in a third of them, an exercise comes first. Source: our rule, docs/phases.md. */
const OFTEN = 2;
const SHARE = 1 / 3;

/**
 * The phase that follows a phase: the same days and weeks from the day after it ends, or the next week, each line with what its rules
 * come to from what was really done, and what was skipped again and again first. Lines stay the same lines.
 */
export function rollOver(phase: Phase, facts: PhaseFacts, newId: NewId): RolledOver {
  // One week more, so that also after the last one it is said what comes next.
  const longer = { ...phase, weeks: [...phase.weeks, usualWeek("normal")] };
  const sessions = project(longer, facts, newId);
  const made = inOrder(phase).map((day) => dayAfter(phase, day, sessions, facts.series, newId));
  const days = new Map(made.map(({ from, day }) => [from, day.id]));
  const onNewDay = <T extends { readonly day: Id<"phaseDay"> }>(own: T): readonly T[] => {
    const day = days.get(own.day);
    return day === undefined ? [] : [{ ...own, day }];
  };
  const next: Phase = {
    ...phase,
    ...NOTHING_BY_HAND,
    start: startAfter(phase, facts.today),
    days: made.map(({ day }) => day),
    // The turn goes on where it stopped.
    rotations: phase.rotations.flatMap(onNewDay).map((own) => ({
      ...own,
      startsWith:
        (own.startsWith + Math.floor(phase.weeks.length / own.every)) % own.members.length,
    })),
    keeps: phase.keeps
      .filter(({ phases }) => phases > 1)
      .flatMap(onNewDay)
      .map((own) => ({ ...own, phases: own.phases - 1 })),
  };
  return {
    phase: next,
    putFirst: made.flatMap(({ putFirst }) => putFirst),
    ended: made.flatMap(({ ended }) => ended),
  };
}

/** Why the phase that follows does not have an exercise; null where it has. One in a rotation waits for its turn. */
function endedBy(phase: Phase, day: Id<"phaseDay">, lineage: Id<"lineage">): Ended["why"] | null {
  const isOf = (own: { readonly day: string; readonly lineage: string }) =>
    own.day === day && own.lineage === lineage;
  if (phase.keeps.some((own) => isOf(own) && own.phases === 1)) return "keptLongEnough";
  const spans = phase.spans.filter(isOf);
  const isOver = spans.length > 0 && spans.every(({ to }) => to < phase.weeks.length);
  return isOver ? "weeksOver" : null;
}

/** The day after a phase ends; where that went by, so many whole weeks later that its first week is still to come. */
function startAfter(phase: Phase, today: Day): Day {
  const after = addDays(endOf(phase), 1);
  const late = Math.max(0, daysBetween(after, today));
  return addDays(after, 7 * Math.ceil(late / 7));
}

interface DayAfter extends Pick<RolledOver, "putFirst" | "ended"> {
  /** The day that it was made of. */
  readonly from: Id<"phaseDay">;
  readonly day: PhaseDay;
}

function dayAfter(
  phase: Phase,
  day: PhaseDay,
  all: readonly ProjectedSession[],
  series: Series,
  newId: NewId,
): DayAfter {
  const sessions = all.filter((session) => session.day.id === day.id);
  // What is really known: the first session that is not done yet is what the rules made of the last one that is.
  const next = sessions.find(({ source }) => source !== "done" && !isWithout(source));
  const stands = (next ?? sessions.at(-1))?.ruled ?? day.session;
  const over = slotsOf(stands).flatMap((slot) => {
    const why = endedBy(phase, day.id, slot.lineageId);
    return why === null ? [] : [{ slot, why }];
  });
  // Something is left to train in any case.
  const ended = over.length < slotsOf(stands).length ? over : [];
  const ruled = ended.reduce(
    (plan, { slot }) => applyEdit(plan, { kind: "removeSlot", slot: slot.id }),
    stands,
  );
  const done = sessions.filter(({ source }) => source === "done");
  const often = slotsOf(ruled).flatMap((slot): readonly (PutFirst & { readonly slot: Slot })[] => {
    const skipped = done.filter((session) => !isLogged(session, slot, series)).length;
    const isOften = skipped >= OFTEN && skipped / done.length >= SHARE;
    return isOften
      ? [{ day: day.id, movement: slot.movement, skipped, of: done.length, slot }]
      : [];
  });
  const first = new Set(often.map(({ slot }) => slot.id));
  const id = newId<"phaseDay">();
  return {
    from: day.id,
    ended: ended.map(({ slot, why }) => ({ day: id, movement: slot.movement, why })),
    day: { ...day, id, session: copyPlan(withFirst(ruled, first), newId) },
    putFirst: often.map(({ movement, skipped, of }) => ({ day: id, movement, skipped, of })),
  };
}

function isLogged(
  { placed, plan }: ProjectedSession,
  { lineageId }: Slot,
  series: Series,
): boolean {
  const slot = slotsOf(plan).find((own) => own.lineageId === lineageId);
  // One that the coach left out was not skipped.
  if (slot === undefined || placed?.sessionLog == null) return true;
  const exposures = series.get(lastKey(slot.movement, slot.station)) ?? [];
  return exposures.some(
    ({ sessionLogId, context }) =>
      sessionLogId === placed.sessionLog && context.lineageId === lineageId,
  );
}

/** The session with these exercises first, behind preparation; one inside a superset stays there. */
function withFirst(plan: SessionPlan, first: ReadonlySet<Id<"slot">>): SessionPlan {
  if (first.size === 0) return plan;
  const isFirst = (block: Block) => block.kind === "exercise" && first.has(block.slot.id);
  const isBefore = (block: Block) => block.kind === "prepare";
  return {
    ...plan,
    blocks: [
      ...plan.blocks.filter(isBefore),
      ...plan.blocks.filter(isFirst),
      ...plan.blocks.filter((block) => !isBefore(block) && !isFirst(block)),
    ],
  };
}
