import type { Day, Id, NewId } from "../kernel/index.ts";
import type { Station } from "../gym/index.ts";
import { mapSlots, type SessionPlan } from "../plan/index.ts";
import type { Absence, Exposure, LoggedSet, Series } from "../log/index.ts";
import type { LineProposal, SlotProposal } from "../progress/index.ts";
import { sessionInWeek, withAdded } from "./layers.ts";
import { asMet } from "./met.ts";
import { dateOf, inOrder, isGoneBy, plannedOn, type Phase, type PhaseDay } from "./phase.ts";
import { isEasy } from "./phase-week.ts";
import { proposalsInPhase, withoutEasy, type TrainedFacts } from "./proposals.ts";

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
  /** What was logged in it; null where it is not trained, or lies further back than history. */
  readonly loggedSets: readonly LoggedSet[] | null;
  /** Null until it is trained. */
  readonly sessionLog: Id<"sessionLog"> | null;
  /** True where the plan was changed by hand since it was approved. */
  readonly isEdited: boolean;
  readonly absences: ReadonlyMap<Id<"slot">, Absence>;
}

/** What a phase is projected from. */
export interface PhaseFacts<S extends Station = Station> extends TrainedFacts<S> {
  readonly placed: readonly PlacedSession[];
}

/**
 * Where a session of a phase comes from. `done` and `planned`: it is real. `next`: rules on what was really done,
 * or as the phase begins. `projected`: rules on targets met. `missed`: its week went by and it never became real.
 * `dropped`: the coach says that it is not trained.
 */
export type CellSource = "done" | "planned" | "next" | "projected" | "missed" | "dropped";

/** True where nothing is trained, so that nothing follows from it. */
export function isWithout(source: CellSource): boolean {
  return source === "missed" || source === "dropped";
}

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
  /** What history would hold of it if its targets were met, by `lastKey`; empty where it is done, or nothing is trained. */
  readonly met: ReadonlyMap<string, Exposure>;
}

/**
 * What a phase is projected from after it was changed: what is planned and nobody touched is as the phase has it then,
 * what it does not have any more is gone. `weekOf` says where a week went.
 */
export function followed<F extends PhaseFacts>(
  facts: F,
  phase: Phase,
  weekOf: (week: number) => number | null,
  newId: NewId,
): F {
  const placed = facts.placed.flatMap((own): readonly PlacedSession[] => {
    if (own.state !== "planned") return [own];
    const week = weekOf(own.week);
    const day = phase.days.find(({ id }) => id === own.day);
    const on = day === undefined || week === null ? null : plannedOn(phase, day, week);
    if (day === undefined || week === null || on === null) return [];
    if (own.isEdited) return [{ ...own, week, on }];
    const ruled = withAdded(own.ruled, day);
    const plan = sessionInWeek(phase, { day: day.id, week }, ruled, facts.context, newId);
    return [{ ...own, week, on, ruled, plan }];
  });
  return { ...facts, placed };
}

/** What the next session of a day is made from. */
interface Standing {
  readonly ruled: SessionPlan;
  readonly because: ProjectedSession["because"];
  readonly isReal: boolean;
}

const NOTHING: ProjectedSession["because"] = new Map();
const NO_EXPOSURES: ProjectedSession["met"] = new Map();

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
      if (isWithout(session.source) || isEasy(week)) {
        sessions.push(session);
        if (!isWithout(session.source)) standing.set(day.id, afterEasy(session, known));
        continue;
      }
      const met = session.source === "done" ? null : asTrained(session, series, known);
      sessions.push({ ...session, met: met?.own ?? NO_EXPOSURES });
      series = met?.series ?? series;
      standing.set(day.id, after(session, met, series, known));
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
  const placed = placedAt(facts, day, week);
  if (placed !== null) {
    const { on, plan, ruled: own } = placed;
    return {
      day,
      week,
      on,
      source: sourceOf(phase, day, placed, facts.today),
      plan,
      ruled: own,
      because,
      placed,
      met: NO_EXPOSURES,
    };
  }
  const planned = plannedOn(phase, day, week);
  const on = planned ?? dateOf(phase, day, week);
  const isMissed = isGoneBy(phase, day, week, facts.today);
  const source = planned === null ? "dropped" : isMissed ? "missed" : isReal ? "next" : "projected";
  const whole = withAdded(ruled, day);
  const plan = sessionInWeek(phase, { day: day.id, week }, whole, facts.context, newId);
  return { day, week, on, source, plan, ruled: whole, because, placed, met: NO_EXPOSURES };
}

function sourceOf(
  phase: Phase,
  day: PhaseDay,
  { state, week }: PlacedSession,
  today: Day,
): CellSource {
  if (state === "done") return "done";
  if (state === "running") return "planned";
  if (plannedOn(phase, day, week) === null) return "dropped";
  return isGoneBy(phase, day, week, today) ? "missed" : "planned";
}

/**
 * The day as of which a session is judged: that of the real one that followed it, or today. So what was said then is
 * said again, and weeks that went by since are time away only where nothing followed.
 */
function asOf(phase: Phase, { day, week }: ProjectedSession, { placed, today }: PhaseFacts): Day {
  const later = placed
    .filter((one) => one.day === day.id && one.week > week)
    .filter((one) => !isWithout(sourceOf(phase, day, one, today)))
    .toSorted((a, b) => a.week - b.week);
  const [next] = later;
  return next === undefined ? today : dateOf(phase, day, next.week);
}

/** A session that is to come as if every target in it were met, and what history then holds. */
interface Met {
  readonly id: Id<"sessionLog">;
  readonly own: ProjectedSession["met"];
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
  return { id, own, series: new Map([...series, ...entries]) };
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

/** After a light or lighter week the rules stand where they stood, but for pain. */
function afterEasy<S extends Station>(session: ProjectedSession, known: Projecting<S>): Standing {
  return session.source === "done"
    ? after(session, null, known.facts.series, known)
    : { ...asWritten(session.ruled), isReal: false };
}

function proposalsOn<S extends Station>(
  session: ProjectedSession,
  id: Id<"sessionLog">,
  series: Series,
  { phase, facts, newId }: Projecting<S>,
): readonly SlotProposal<S>[] {
  const { day, week, placed, ruled, on } = session;
  const absences = placed?.absences ?? new Map<Id<"slot">, Absence>();
  const trained = { id, day, week, on, ruled, absences };
  const today = asOf(phase, session, facts);
  return proposalsInPhase(phase, trained, { ...facts, series, today }, newId);
}

const becauseOf = (proposals: readonly SlotProposal[]): ProjectedSession["because"] =>
  new Map(proposals.map(({ slot, lines }) => [slot.lineageId, lines]));
