import { z } from "zod";
import { addDays, daysBetween, idField, kind, type Day, type ValueOf } from "../../kernel/index.ts";
import { PHASE_BOUNDS, type PhaseEdit, type ProjectedSession } from "../../phase/index.ts";
import { copyApart, slotsOf } from "../../plan/index.ts";
import { toCome, type ReplanSituation, type ReplanStep } from "./step.ts";

/** One session was not trained, or will not be. */
export const definition = kind("missed", {
  day: idField("phaseDay"),
  week: z.int().min(1).max(PHASE_BOUNDS.weeks.most),
});

/** So many days lie between two sessions, and so far a missed one is moved. Source: our rule, docs/replanning.md. */
const APART = 2;
const WITHIN = 6;
/** So many exercises of a missed session are taken into another one. Source: our rule, docs/replanning.md. */
const TAKEN_ALONG = 2;

/**
 * Moved to the first day that keeps two days to every other session; else its first exercises are taken into the
 * next session; else dropped. The other ways stand beside the one that is proposed.
 */
export function steps(
  { day: id, week }: ValueOf<{ definition: typeof definition }>,
  situation: ReplanSituation,
): readonly ReplanStep[] {
  const { phase, sessions } = situation;
  const session = sessions.find((own) => own.day.id === id && own.week === week);
  const isSettled = phase.placings.some((own) => own.day === id && own.week === week);
  const hasBegun = session?.source === "done" || session?.placed?.state === "running";
  if (session === undefined || isSettled || hasBegun) return [];
  const drop: PhaseEdit = { kind: "placing", day: id, week, on: null, gymId: null };
  const ways = [
    ...movedTo(session, situation),
    ...mergedInto(session, situation, drop),
    {
      key: `drop ${id} ${week}`,
      edits: [drop],
      because: { code: "dropped", day: session.day, week, on: session.on } as const,
    },
  ];
  return ways.map((way, i) => ({ ...way, isProposed: i === 0, group: `${id} ${week}` }));
}

type Unranked = Omit<ReplanStep, "isProposed" | "group">;

function movedTo(session: ProjectedSession, situation: ReplanSituation): readonly Unranked[] {
  const { today } = situation;
  const taken = situation.sessions
    .filter((own) => own !== session && (own.source === "done" || toCome(situation).includes(own)))
    .map(({ on }) => on);
  const first = session.on < today ? today : addDays(session.on, 1);
  const days = Array.from({ length: WITHIN }, (_, i) => addDays(first, i));
  const on = days
    .filter((own) => daysBetween(session.on, own) <= WITHIN)
    .find((own) => taken.every((other) => isApart(own, other)));
  if (on === undefined) return [];
  const { day, week } = session;
  return [
    {
      key: `move ${day.id} ${week}`,
      edits: [{ kind: "placing", day: day.id, week, on, gymId: null }],
      because: { code: "moved", day, week, on },
    },
  ];
}

const isApart = (a: Day, b: Day) => Math.abs(daysBetween(a, b)) >= APART;

function mergedInto(
  session: ProjectedSession,
  situation: ReplanSituation,
  drop: PhaseEdit,
): readonly Unranked[] {
  const next = toCome(situation)
    .filter((own) => own.day.id !== session.day.id && own.on > session.on)
    .toSorted((a, b) => (a.on < b.on ? -1 : 1))[0];
  if (next === undefined || daysBetween(session.on, next.on) > WITHIN) return [];
  const there = new Set(slotsOf(next.plan).map(({ movement }) => movement));
  const slots = slotsOf(session.ruled)
    .filter((slot) => slotsOf(session.plan).some((own) => own.lineageId === slot.lineageId))
    .filter(({ movement }) => !there.has(movement))
    .slice(0, TAKEN_ALONG);
  if (slots.length === 0) return [];
  const { newId } = situation;
  const adds = slots.map((slot): PhaseEdit => ({
    kind: "addExercise",
    day: next.day.id,
    slot: copyApart(slot, newId),
    block: newId(),
    behind: null,
    from: next.week,
    to: next.week,
  }));
  return [
    {
      key: `merge ${session.day.id} ${session.week}`,
      edits: [drop, ...adds],
      because: {
        code: "merged",
        day: session.day,
        into: next.day,
        week: next.week,
        movements: slots.map(({ movement }) => movement),
      },
    },
  ];
}
