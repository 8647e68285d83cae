import { addDays, type Day, type Id, type NewId } from "../kernel/index.ts";
import type { Station } from "../gym/index.ts";
import { mapSlots, type SessionPlan } from "../plan/index.ts";
import type { Absence, Exposure, Series } from "../log/index.ts";
import {
  accepted,
  proposalsAfter,
  type LineProposal,
  type SessionCircumstances,
  type SlotProposal,
} from "../progress/index.ts";
import type { UnrollContext } from "../unroll/index.ts";
import { sessionInWeek } from "./layers.ts";
import { asMet } from "./met.ts";
import { dateOf, inOrder, type CellChange, type Phase, type PhaseDay } from "./phase.ts";
import { isEasy, trainingWeek } from "./phase-week.ts";

/** A session of a phase that became real: approved, and perhaps trained. */
export interface PlacedSession {
  readonly day: Id<"phaseDay">;
  readonly week: number;
  readonly on: Day;
  readonly planId: Id<"plan">;
  readonly state: "planned" | "running" | "done";
  /** As it is planned now; as it was trained, where it was. */
  readonly plan: SessionPlan;
  /** As the rules had it, before the week and the coach; with the slots of `plan`. */
  readonly ruled: SessionPlan;
  /** Null until it is trained. */
  readonly sessionLog: Id<"sessionLog"> | null;
  /** True where the plan was changed by hand since it was approved. */
  readonly isEdited: boolean;
  readonly absences: ReadonlyMap<Id<"slot">, Absence>;
}

/** What a phase is projected from. */
export interface PhaseFacts<S extends Station = Station> {
  readonly placed: readonly PlacedSession[];
  readonly series: Series;
  readonly stations: readonly S[];
  readonly context: UnrollContext;
  readonly known: Pick<SessionCircumstances, "isHoldingSuccess" | "strength" | "comparing">;
  readonly today: Day;
}

/**
 * Where a session of a phase comes from. `done` and `planned`: it is real. `next`: rules on what was really done,
 * or as the phase begins. `projected`: rules on targets met. `missed`: its week went by and it never became real.
 */
export type CellSource = "done" | "planned" | "next" | "projected" | "missed";

/** One day in one week of a phase. */
export interface ProjectedSession {
  readonly day: PhaseDay;
  readonly week: number;
  readonly on: Day;
  readonly source: CellSource;
  /** As it is trained: through all layers. */
  readonly plan: SessionPlan;
  /** As the rules have it, before the week and the coach. */
  readonly ruled: SessionPlan;
  /** What the rules said to come to it, by the lineage of the exercise; empty where the phase begins. */
  readonly because: ReadonlyMap<Id<"lineage">, readonly LineProposal[]>;
  readonly placed: PlacedSession | null;
}

/** What the next session of a day is made from. */
interface Standing {
  readonly ruled: SessionPlan;
  readonly because: ProjectedSession["because"];
  readonly isReal: boolean;
}

const NOTHING: ProjectedSession["because"] = new Map();

/** What does not change from session to session of one projection. */
interface Projecting<S extends Station> {
  readonly phase: Phase;
  readonly facts: PhaseFacts<S>;
  readonly newId: NewId;
}

/**
 * Every session of a phase, week by week in the order in which they come. What is done or planned is as it is;
 * after it each rule is asked of what was really done, and from there on of targets met. Layers are applied in one
 * order: rule, week, the coach's changes. Light and lighter weeks move no rule on.
 */
export function project<S extends Station>(
  phase: Phase,
  facts: PhaseFacts<S>,
  newId: NewId,
): readonly ProjectedSession[] {
  const known = { phase, facts, newId };
  const days = inOrder(phase);
  const sessions: ProjectedSession[] = [];
  let series = withoutEasy(phase, facts);
  const standing = new Map(days.map(({ id, session }) => [id, asWritten(session)]));
  for (const [i, week] of phase.weeks.entries()) {
    for (const day of days) {
      const before = standing.get(day.id) ?? asWritten(day.session);
      const session = sessionAt(day, i + 1, before, known);
      sessions.push(session);
      if (session.source === "missed") continue;
      if (isEasy(week)) {
        standing.set(day.id, afterEasy(session, known));
        continue;
      }
      const isDone = session.placed?.state === "done";
      const met = isDone ? null : asTrained(session, series, known);
      series = met?.series ?? series;
      // What follows a session whose next one is real is what was approved then.
      if (!isDone || placedAt(facts, day, session.week + 1) === null) {
        standing.set(day.id, after(session, met, series, known));
      }
    }
  }
  return sessions;
}

const asWritten = (ruled: SessionPlan): Standing => ({ ruled, because: NOTHING, isReal: true });

function placedAt({ placed }: PhaseFacts, day: PhaseDay, week: number): PlacedSession | null {
  return placed.find((one) => one.day === day.id && one.week === week) ?? null;
}

/** A day in a week: as it became real, or from where its rules stand through the layers of the week. */
function sessionAt<S extends Station>(
  day: PhaseDay,
  week: number,
  { ruled, because, isReal }: Standing,
  { phase, facts, newId }: Projecting<S>,
): ProjectedSession {
  const on = dateOf(phase, day, week);
  const placed = placedAt(facts, day, week);
  if (placed !== null) {
    const source = placed.state === "done" ? "done" : "planned";
    return {
      day,
      week,
      on: placed.on,
      source,
      plan: placed.plan,
      ruled: placed.ruled,
      because,
      placed,
    };
  }
  const source = lastDayOf(phase, week) < facts.today ? "missed" : isReal ? "next" : "projected";
  const own = phase.weeks[week - 1];
  const changes = changesOf(phase, day, week);
  const plan = own === undefined ? ruled : sessionInWeek(ruled, own, changes, facts.context, newId);
  return { day, week, on, source, plan, ruled, because, placed };
}

const lastDayOf = ({ start }: Phase, week: number): Day => addDays(start, 7 * week - 1);

/** What the coach changed of a day in a week. */
export function changesOf(
  { changes }: Phase,
  day: Pick<PhaseDay, "id">,
  week: number,
): readonly CellChange[] {
  return changes.filter((change) => change.day === day.id && change.week === week);
}

/** A session that is to come as if every target in it were met, and what history then holds. */
interface Met {
  readonly id: Id<"sessionLog">;
  readonly series: Series;
}

function asTrained<S extends Station>(
  { on, plan }: ProjectedSession,
  series: Series,
  { facts, newId }: Projecting<S>,
): Met {
  const id = newId<"sessionLog">();
  const own = asMet({ id, on, plan }, series, facts.context, newId);
  const entries = [...own].map(([key, exposure]): [string, readonly Exposure[]] => [
    key,
    [...(series.get(key) ?? []), exposure],
  ]);
  return { id, series: new Map([...series, ...entries]) };
}

/** Where the rules stand after a session: after what was really done, or, with `met`, after its targets were met. */
function after<S extends Station>(
  session: ProjectedSession,
  met: Met | null,
  series: Series,
  known: Projecting<S>,
): Standing {
  const id = met?.id ?? session.placed?.sessionLog ?? null;
  if (id === null) return { ...asWritten(session.ruled), isReal: false };
  const proposals = proposalsOn(session, id, series, known);
  const next = new Map(proposals.map(({ slot, accepted: own }) => [slot.id, own]));
  return {
    ruled: mapSlots(session.ruled, (slot) => next.get(slot.id) ?? slot),
    because: becauseOf(proposals),
    isReal: met === null,
  };
}

/** After a light or lighter week the rules stand where they stood; only pain is no matter of the week. */
function afterEasy<S extends Station>(session: ProjectedSession, known: Projecting<S>): Standing {
  const id = session.placed?.sessionLog ?? null;
  const kept = { ruled: session.ruled, because: NOTHING, isReal: session.source === "done" };
  if (id === null || session.source !== "done") return kept;
  const { facts, newId } = known;
  const hurt = proposalsOn(session, id, facts.series, known).map((proposal) => ({
    ...proposal,
    lines: proposal.lines.filter(({ because }) => because.some(({ code }) => code === "pain")),
  }));
  const ruled = mapSlots(session.ruled, (slot) => {
    const lines = hurt.find((one) => one.slot.id === slot.id)?.lines ?? [];
    const chosen = new Map(lines.map(({ line, reading, changes }) => [line, { reading, changes }]));
    return accepted(slot, chosen, facts.context, newId);
  });
  return { ...kept, ruled, because: becauseOf(hurt) };
}

function proposalsOn<S extends Station>(
  { day, week, placed, ruled, on }: ProjectedSession,
  id: Id<"sessionLog">,
  series: Series,
  { phase, facts, newId }: Projecting<S>,
): readonly SlotProposal<S>[] {
  const upTo = new Map([...series].map(([key, own]) => [key, cutAt(own, id, on)]));
  const next = Math.min(week + 1, phase.weeks.length);
  return proposalsAfter(
    { id, document: ruled },
    upTo,
    facts.stations,
    facts.context,
    {
      ...facts.known,
      weeks: {
        trained: trainingWeek(phase.weeks, week),
        next: trainingWeek(phase.weeks, next),
      },
      on: nextDate(phase, day, week, facts.today),
      trainedSince: new Set(),
      absences: placed?.absences ?? new Map<Id<"slot">, Absence>(),
    },
    newId,
  );
}

/** When a day is trained next after a week: not in the past. */
function nextDate(phase: Phase, day: PhaseDay, week: number, today: Day): Day {
  let next = week + 1;
  while (lastDayOf(phase, next) < today) next += 1;
  return dateOf(phase, day, next);
}

/** Exposures up to those of a session, or up to its day where it has none. */
function cutAt(exposures: readonly Exposure[], id: Id<"sessionLog">, on: Day): readonly Exposure[] {
  const last = exposures.findLastIndex(({ sessionLogId }) => sessionLogId === id);
  return last >= 0 ? exposures.slice(0, last + 1) : exposures.filter((one) => one.day < on);
}

const becauseOf = (proposals: readonly SlotProposal[]): ProjectedSession["because"] =>
  new Map(proposals.map(({ slot, lines }) => [slot.lineageId, lines]));

/** History without the sessions of light and lighter weeks, of which none is a verdict. */
function withoutEasy({ weeks }: Phase, { series, placed }: PhaseFacts): Series {
  const easy = new Set(
    placed.flatMap(({ week, sessionLog }) => {
      const own = weeks[week - 1];
      return own !== undefined && isEasy(own) && sessionLog !== null ? [sessionLog] : [];
    }),
  );
  if (easy.size === 0) return series;
  return new Map(
    [...series].map(([key, own]) => [key, own.filter((one) => !easy.has(one.sessionLogId))]),
  );
}
