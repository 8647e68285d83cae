import { findingsByWeek, seenIn, type FittingChange } from "~/core/coach/index.ts";
import { isNeglect } from "~/core/coach/warnings/index.ts";
import { fail, ok, type Day, type Id, type MovementRef, type Result } from "~/core/kernel/index.ts";
import {
  gymOn,
  isWithout,
  longTapers,
  lostChanges,
  project,
  rollOver,
  sheetOf,
  curvesOf,
  targetsStanding,
  weeksOf,
  NOTHING_BY_HAND,
  type CellPlace,
  type Phase,
  type PhaseDay,
  type PhaseFacts,
  type ProjectedSession,
  type PutFirst,
  type RolledOver,
  type Sheet,
  type TargetStanding,
} from "~/core/phase/index.ts";
import {
  approachAmong,
  spokenRegions,
  volumeLimitsFor,
  volumePolicyOf,
} from "~/core/person/index.ts";
import type { RuledLine, SlotProposal } from "~/core/progress/index.ts";
import {
  copyApart,
  copyPlan,
  linesOf,
  mapSlots,
  slotsOf,
  type SessionPlan,
} from "~/core/plan/index.ts";
import { newId } from "~/codec/new-id.ts";
import type { NewPhase, SessionSource } from "~/codec/phase.ts";
import { listApproaches } from "../db/approaches.server.ts";
import { currentBrief } from "../db/briefs.server.ts";
import { getGym, studioDay } from "../db/gyms.server.ts";
import { getPerson, type Person } from "../db/people.server.ts";
import { addPhase, getPhase, type Overlap, type StoredPhase } from "../db/phases.server.ts";
import { getPlan } from "../db/plans.server.ts";
import { rulingOn, rulingsOnEach } from "../db/rulings.server.ts";
import type { Scope } from "../db/scope.server.ts";
import { getSessionLog } from "../db/session-logs.server.ts";
import { warningsOn } from "../db/warnings.server.ts";
import { getTemplate } from "../db/templates.server.ts";
import type { StoredStation } from "../db/gyms.server.ts";
import { clientFor } from "./client.server.ts";
import { suggestedSession } from "./suggested-day.server.ts";
import { fittedFor } from "./fitting.server.ts";
import { planNext, proposalsFor, type PlanNextError } from "./next-session.server.ts";
import { phaseFactsFor } from "./phase-facts.server.ts";
import { placeSession } from "./place-session.server.ts";

/** A session of a new phase, with what was changed for the client where it came from a template. */
interface MadeDay {
  readonly day: PhaseDay;
  readonly changes: readonly FittingChange[];
}

export type NewPhaseError =
  | Overlap
  | { readonly code: "missing" }
  | { readonly code: "gymMissing" }
  | { readonly code: "sourceMissing"; readonly weekday: number };

/** A phase that was added, and what was changed of its templates for the client. */
export interface AddedPhase {
  readonly id: Id<"phase">;
  readonly changes: readonly FittingChange[];
}

/** Adds a phase for a client: its sessions from templates, fitted to the client, or from sessions of theirs. */
export async function addPhaseFor(
  scope: Scope,
  form: NewPhase,
): Promise<Result<AddedPhase, NewPhaseError>> {
  const [person, gym] = await Promise.all([
    getPerson(scope, form.personId),
    getGym(scope, form.gymId),
  ]);
  if (person === null) return fail({ code: "missing" });
  if (gym === null) return fail({ code: "gymMissing" });
  const days: MadeDay[] = [];
  const used = new Set<Id<"lineage">>();
  for (const [i, source] of form.days.entries()) {
    if (source === null) continue;
    const made = await dayFrom(scope, source, person, form, i + 1);
    if (made === null) return fail({ code: "sourceMissing", weekday: i + 1 });
    // An exercise that another day has as well moves on by itself on each.
    const session = mapSlots(made.day.session, (slot) =>
      used.has(slot.lineageId) ? copyApart(slot, newId) : slot,
    );
    for (const { lineageId } of slotsOf(session)) used.add(lineageId);
    days.push({ ...made, day: { ...made.day, session } });
  }
  const document: Phase = {
    schemaVersion: 1,
    start: form.start,
    goal: form.goal,
    success: form.success,
    approach: form.approach,
    days: days.map(({ day }) => day),
    weeks: weeksOf({
      ...form,
      lighterEvery: form.isAfterHardest ? "afterHardest" : form.lighterEvery,
    }),
    ...NOTHING_BY_HAND,
    notes: "",
  };
  const added = await addPhase(scope, person.id, form.name, document);
  return added.ok
    ? ok({ id: added.value, changes: days.flatMap(({ changes }) => changes) })
    : added;
}

/** A day of a phase from a template, fitted to the client, or from a session of theirs; null where that is gone. */
export async function dayFrom(
  scope: Scope,
  source: SessionSource,
  person: Person,
  { gymId, start, approach }: Pick<NewPhase, "gymId" | "start" | "approach">,
  weekday: number,
): Promise<MadeDay | null> {
  const day = (title: string, session: SessionPlan): PhaseDay => ({
    id: newId(),
    weekday,
    gymId,
    startTime: null,
    title,
    session,
  });
  if (source.kind === "template") {
    const template = await getTemplate(scope, source.id);
    if (template === null) return null;
    const fitted = await fittedFor(scope, template.document, person, gymId, start);
    return { day: day(template.name, fitted.plan), changes: fitted.changes };
  }
  if (source.kind === "suggested") {
    const session = await suggestedSession(scope, source.exercises, {
      person,
      gymId,
      day: start,
      approach,
    });
    return session === null ? null : { day: day("Leg day", session), changes: [] };
  }
  const plan = await getPlan(scope, source.id);
  if (plan === null || plan.personId !== person.id) return null;
  const session = copyPlan(await asItStands(scope, plan), newId);
  return { day: { ...day(plan.title, session), startTime: plan.startTime }, changes: [] };
}

/** A planned session with the loads that its rules come to where it was trained; what the coach has to decide stays. */
async function asItStands(
  scope: Scope,
  { document, sessionState }: NonNullable<Awaited<ReturnType<typeof getPlan>>>,
): Promise<SessionPlan> {
  if (sessionState.kind !== "ended") return document;
  const sessionLog = await getSessionLog(scope, sessionState.sessionLogId);
  if (sessionLog === null) return document;
  const proposals = await proposalsFor(scope, sessionLog);
  const isClear = ({ lines }: SlotProposal) => lines.every(({ mustRule }) => !mustRule);
  const next = new Map(
    proposals.slots.filter(isClear).map(({ slot, accepted }) => [slot.id, accepted]),
  );
  return mapSlots(proposals.document, (slot) => next.get(slot.id) ?? slot);
}

/** A phase projected from what was really done. */
interface ProjectedPhase {
  readonly sessions: readonly ProjectedSession[];
  readonly facts: PhaseFacts<StoredStation>;
}

async function projected(scope: Scope, phase: StoredPhase): Promise<ProjectedPhase> {
  const client = await clientFor(scope, phase.personId);
  const facts = await phaseFactsFor(scope, phase, client, await studioDay(scope));
  return { sessions: project(phase.document, facts, newId), facts };
}

/** The phase as its sheet shows it, with the weekly range of each muscle. */
export async function phaseSheet(scope: Scope, phase: StoredPhase) {
  const person = await getPerson(scope, phase.personId);
  if (person === null) return null;
  const [{ sessions, facts }, approaches, brief, warnings] = await Promise.all([
    projected(scope, phase),
    listApproaches(scope),
    currentBrief(scope, person),
    warningsOn(scope, phase.personId),
  ]);
  const approach = approachAmong(approaches, phase.document.approach ?? brief.approach);
  const { weekly } = volumeLimitsFor(approach, brief);
  const sheet: Sheet = sheetOf(phase.document, sessions, facts, volumePolicyOf(approach.stances));
  return {
    person,
    sheet,
    approach: approach.name,
    weekly,
    bands: spokenRegions(brief, approach).map((region) => ({ region, ...weekly[region] })),
    findings: findingsByWeek({
      phase: phase.document,
      sessions,
      stations: facts.stations,
      context: facts.context,
      brief,
      approach,
      seen: seenIn(facts.series),
      neglected: warnings.filter(isNeglect),
    }),
    rulings: await rulingsIn(scope, sessions),
    lost: lostChanges(phase.document),
    tapers: longTapers(phase.document),
    targets: targetsOf(phase, sessions, facts),
    curves: curvesOf(phase.document, sessions, facts),
  };
}

/** What a coach ruled on a line, and the week in which it took effect. */
export interface RuledCell extends CellPlace {
  readonly ruling: RuledLine;
}

/** What was ruled after each session that is done, at the session of its day that came of it. */
async function rulingsIn(
  scope: Scope,
  sessions: readonly ProjectedSession[],
): Promise<readonly RuledCell[]> {
  const done = sessions.filter(({ source }) => source === "done");
  const logs = done.flatMap(({ placed }) => placed?.sessionLog ?? []);
  const rulings = await rulingsOnEach(scope, logs);
  return done.flatMap(({ day, week, plan, placed }): readonly RuledCell[] => {
    const next = sessions.find(
      (own) => own.day.id === day.id && own.week > week && !isWithout(own.source),
    );
    if (next === undefined || placed?.sessionLog == null) return [];
    const own = rulings.get(placed.sessionLog) ?? [];
    return slotsOf(plan).flatMap((slot) =>
      linesOf(slot).flatMap(({ id: line }) => {
        const ruling = rulingOn(own, slot.id, line);
        const at = { day: day.id, lineage: slot.lineageId, line, week: next.week };
        return ruling === null ? [] : [{ ...at, ruling }];
      }),
    );
  });
}

/** How the stated targets of a phase stand, each with its exercise. */
function targetsOf(
  { document }: StoredPhase,
  sessions: readonly ProjectedSession[],
  facts: PhaseFacts<StoredStation>,
): readonly (TargetStanding & { readonly movement: MovementRef | null })[] {
  return targetsStanding(document, sessions, facts).map((own) => {
    const day = document.days.find(({ id }) => id === own.target.day);
    const slot = day && slotsOf(day.session).find((one) => one.lineageId === own.target.lineage);
    return { ...own, movement: slot?.movement ?? null };
  });
}

/** What became of a week that was approved: how many sessions are planned, and which wait for a decision. */
export interface ApprovedWeek {
  readonly planned: number;
  readonly waiting: readonly { readonly title: string; readonly sessionLog: Id<"sessionLog"> }[];
}

/**
 * Plans the sessions of a week that come next. Where the session before is not ruled on, everything unremarkable
 * that its rules propose is accepted and kept as ruled; where one asks for a decision, it waits.
 */
export async function approveWeek(
  scope: Scope,
  id: Id<"phase">,
  week: number,
): Promise<ApprovedWeek> {
  const phase = await getPhase(scope, id);
  if (phase === null) return { planned: 0, waiting: [] };
  const { sessions, facts } = await projected(scope, phase);
  const waiting: { title: string; sessionLog: Id<"sessionLog"> }[] = [];
  let planned = 0;
  for (const session of sessions.filter((one) => one.week === week && one.source === "next")) {
    const { day, on } = session;
    const before = facts.placed
      .filter((one) => one.day === day.id && one.week < week && one.state === "done")
      .toSorted((a, b) => b.week - a.week)[0];
    const ruled =
      before?.sessionLog == null ? null : await acceptAfter(scope, before.sessionLog, on);
    if (ruled !== null && !ruled.ok && ruled.error.code === "undecided") {
      if (before?.sessionLog != null)
        waiting.push({ title: day.title, sessionLog: before.sessionLog });
      continue;
    }
    if (ruled === null || !ruled.ok) await place(scope, phase, session, facts);
    planned += 1;
  }
  return { planned, waiting };
}

/** Rules on a trained session by accepting all that it proposes, where nothing needs the coach; plans its next one. */
async function acceptAfter(
  scope: Scope,
  id: Id<"sessionLog">,
  on: Day,
): Promise<Result<Id<"plan">, PlanNextError> | null> {
  const sessionLog = await getSessionLog(scope, id);
  if (sessionLog === null || sessionLog.settledAt !== null) return null;
  const proposals = await proposalsFor(scope, sessionLog);
  // A line that must be ruled on gets no decision, and is refused as undecided.
  const decisions = proposals.slots.flatMap(({ slot, lines }) =>
    lines
      .filter(({ mustRule, isDecided }) => isDecided && !mustRule)
      .map(({ line }) => ({ kind: "accept", slotId: slot.id, line }) as const),
  );
  return planNext(scope, sessionLog, proposals, on, decisions);
}

async function place(
  scope: Scope,
  phase: StoredPhase,
  { day, week, on, ruled }: ProjectedSession,
  { context }: PhaseFacts<StoredStation>,
): Promise<void> {
  const { personId } = phase;
  const { startTime, title } = day;
  const head = { personId, gymId: gymOn(phase.document, day, week), startTime, title };
  const own = copyPlan(ruled, newId);
  await placeSession(scope, { phase, day, week, on, ruled: own, context }, head);
}

/** A phase that follows another, and what was put first in it. */
export interface FollowingPhase {
  readonly id: Id<"phase">;
  readonly putFirst: readonly PutFirst[];
}

/** Adds the phase that follows one, under a name; its notes say what was learned. */
export async function rollOverPhase(
  scope: Scope,
  phase: StoredPhase,
  name: string,
  notesOf: (rolled: RolledOver) => string,
): Promise<Result<FollowingPhase, Overlap | { readonly code: "missing" }>> {
  const client = await clientFor(scope, phase.personId);
  const facts = await phaseFactsFor(scope, phase, client, await studioDay(scope));
  const rolled = rollOver(phase.document, facts, newId);
  const next = { ...rolled.phase, notes: notesOf(rolled) };
  const added = await addPhase(scope, phase.personId, name, next);
  return added.ok ? ok({ id: added.value, putFirst: rolled.putFirst }) : added;
}
