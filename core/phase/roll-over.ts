import {
  addDays,
  daysBetween,
  type Day,
  type Id,
  type MovementRef,
  type NewId,
} from "../kernel/index.ts";
import { lastKey, type Series } from "../log/index.ts";
import { copyPlan, slotsOf, type Block, type SessionPlan, type Slot } from "../plan/index.ts";
import { endOf, inOrder, type Phase, type PhaseDay } from "./phase.ts";
import { usualWeek } from "./phase-week.ts";
import { project, type PhaseFacts, type ProjectedSession } from "./project.ts";

/** An exercise that was left out again and again, and now comes first. */
export interface PutFirst {
  readonly day: Id<"phaseDay">;
  readonly movement: MovementRef;
  /** In how many of the day's sessions nothing of it was logged. */
  readonly skipped: number;
  readonly of: number;
}

export interface RolledOver {
  readonly phase: Phase;
  readonly putFirst: readonly PutFirst[];
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
  const made = inOrder(phase).map((day) => dayAfter(day, sessions, facts.series, newId));
  return {
    phase: {
      ...phase,
      start: startAfter(phase, facts.today),
      days: made.map(({ day }) => day),
      changes: [],
    },
    putFirst: made.flatMap(({ putFirst }) => putFirst),
  };
}

/** The day after a phase ends; where that went by, so many whole weeks later that its first week is still to come. */
function startAfter(phase: Phase, today: Day): Day {
  const after = addDays(endOf(phase), 1);
  const late = Math.max(0, daysBetween(after, today));
  return addDays(after, 7 * Math.ceil(late / 7));
}

function dayAfter(
  day: PhaseDay,
  all: readonly ProjectedSession[],
  series: Series,
  newId: NewId,
): { readonly day: PhaseDay; readonly putFirst: readonly PutFirst[] } {
  const sessions = all.filter((session) => session.day.id === day.id);
  // What is really known: the first session that is not done yet is what the rules made of the last one that is.
  const next = sessions.find(({ source }) => source !== "done" && source !== "missed");
  const ruled = (next ?? sessions.at(-1))?.ruled ?? day.session;
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
