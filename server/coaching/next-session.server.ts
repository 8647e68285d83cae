import { dayAt, fail, ok, type Day, type Id, type Result } from "~/core/kernel/index.ts";
import { isDeepStrictEqual } from "node:util";
import { absencesIn, keptPlan, seriesOf, trainedAfter, upTo } from "~/core/log/index.ts";
import {
  dateOf,
  gymOn,
  nextWeek,
  plannedOn,
  proposalsInPhase,
  type PhaseDay,
} from "~/core/phase/index.ts";
import { findSlot, mapSlots, type SessionPlan } from "~/core/plan/index.ts";
import type { ApproachRef } from "~/core/person/index.ts";
import {
  decidedOf,
  nextDocument,
  proposalsAfter,
  type DecideError,
  type Decision,
  type SlotProposal,
} from "~/core/progress/index.ts";
import type { UnrollContext } from "~/core/unroll/index.ts";
import { newId } from "~/codec/new-id.ts";
import { toBinary } from "../db/columns.server.ts";
import { saidBeside } from "../db/commands.server.ts";
import type { StoredStation } from "../db/gyms.server.ts";
import { getPhase, type StoredPhase } from "../db/phases.server.ts";
import { addPlan } from "../db/plans.server.ts";
import { addRuling, rulingOf, rulingsOn } from "../db/rulings.server.ts";
import type { StoredSessionLog } from "../db/session-logs.server.ts";
import type { Scope } from "../db/scope.server.ts";
import { replaceWaiting } from "../db/waiting.server.ts";
import { clientFor, type KnownClient } from "./client.server.ts";
import { phaseFactsFor } from "./phase-facts.server.ts";
import { placeSession, throughWeek } from "./place-session.server.ts";
import { writtenIn } from "./written.server.ts";
import { studioSettings } from "../db/studio-settings.server.ts";
import type { TempoOrder } from "~/core/plan/index.ts";

/** What is proposed after a session, and how the next one will find the gym and the person. */
export interface Proposals {
  readonly slots: readonly SlotProposal<StoredStation>[];
  /** The session that the next one is a copy of: as it was planned, with what was swapped for good. */
  readonly document: SessionPlan;
  readonly context: UnrollContext;
  /** The approach that the client is trained by; null where nobody chose one. */
  readonly approach: ApproachRef | null;
  /** Each exercise as it would be planned where everything is accepted, in the written line. */
  readonly written: ReadonlyMap<Id<"slot">, string>;
  /** Where the next one stands in the phase that this one belongs to; null where there is none, or it ends. */
  readonly next: NextInPhase | null;
}

/** The week of a phase that a next session is planned for, and what week and coach make of it there. */
export interface NextInPhase {
  readonly phase: StoredPhase;
  readonly day: PhaseDay;
  readonly week: number;
  readonly on: Day;
}

/** What Kravo proposes for every exercise of an ended session, at the stations as they are now. */
export async function proposalsFor(scope: Scope, sessionLog: StoredSessionLog): Promise<Proposals> {
  return proposalsOf(scope, sessionLog, await clientFor(scope, sessionLog.personId));
}

/** The same for a client who is known already. */
export async function proposalsOf(
  scope: Scope,
  sessionLog: StoredSessionLog,
  client: KnownClient,
): Promise<Proposals> {
  const { id, place } = sessionLog;
  const phase = place === null ? null : await getPhase(scope, place.phase);
  const { history } = client;
  const { tempoOrder } = await studioSettings(scope);
  const part = upTo(history, sessionLog);
  const series = part.sessions.length === history.sessions.length ? client.series : seriesOf(part);
  const on = dayAt(sessionLog.settledAt ?? scope.now, "UTC");
  const trainedSince = trainedAfter(client.series, series);
  const inPhase =
    phase === null
      ? null
      : { phase, facts: await phaseFactsFor(scope, phase, { ...client, series }, on) };
  const trained = inPhase?.facts.placed.find((one) => one.sessionLog === id) ?? null;
  const day = phase?.document.days.find((one) => one.id === trained?.day) ?? null;
  const context = client.contextOn(sessionLog.day, series);
  if (inPhase !== null && trained !== null && day !== null) {
    const { document: plan } = inPhase.phase;
    const { ruled, week, absences } = trained;
    const slots = proposalsInPhase(
      plan,
      { id, day, week, on: trained.on, ruled, absences },
      { ...inPhase.facts, context, trainedSince },
      newId,
    );
    const upcoming = nextWeek(plan, day, week, on);
    const next =
      upcoming > plan.weeks.length
        ? null
        : {
            phase: inPhase.phase,
            day,
            week: upcoming,
            on: plannedOn(plan, day, upcoming) ?? dateOf(plan, day, upcoming),
          };
    const written = writtenOf({ slots, document: ruled }, next, context, tempoOrder);
    return { slots, document: ruled, context, approach: client.approach, written, next };
  }
  // What was taken once stays out of the next session, and nothing is proposed for it.
  // A session that is still running, or lies further back than history, is asked for by itself.
  const said = history.beside.get(id) ?? (await saidBeside(scope, [id])).get(id);
  const document = keptPlan(sessionLog.document, said?.changes ?? []);
  const circumstances = {
    ...client.known,
    weeks: null,
    on,
    trainedSince,
    absences: absencesIn(said?.changes ?? [], said?.skips ?? new Map()),
  };
  const { stations } = client;
  const slots = proposalsAfter({ id, document }, series, stations, context, circumstances, newId);
  const written = writtenOf({ slots, document }, null, context, tempoOrder);
  return { slots, document, context, approach: client.approach, written, next: null };
}

/** Each exercise as it would be planned, after what the week and the coach make of it. */
function writtenOf(
  { slots, document }: Pick<Proposals, "slots" | "document">,
  next: NextInPhase | null,
  context: UnrollContext,
  tempoOrder: TempoOrder,
): ReadonlyMap<Id<"slot">, string> {
  const accepted = new Map(slots.map(({ slot, accepted: own }) => [slot.id, own]));
  const ruled = mapSlots(document, (slot) => accepted.get(slot.id) ?? slot);
  const plan =
    next === null
      ? ruled
      : throughWeek(next.phase, { day: next.day.id, week: next.week }, ruled, context);
  const planned = slots.map(({ slot }) => ({ slot, sets: findSlot(plan, slot.id)?.sets ?? [] }));
  const written = writtenIn(planned, context, tempoOrder);
  return new Map(planned.map(({ slot }, i) => [slot.id, written[i] ?? ""]));
}

export type PlanNextError =
  DecideError | { readonly code: "notEnded" } | { readonly code: "settled" };

/**
 * Plans the next session from what was proposed after a trained one: its copy with what was decided, the rulings
 * kept beside it. In a phase it is the next week of that day; where that is planned already, that plan stays.
 */
export async function planNext(
  scope: Scope,
  sessionLog: StoredSessionLog,
  { slots, document, context, next }: Proposals,
  on: Day,
  decisions: readonly Decision[],
): Promise<Result<Id<"plan">, PlanNextError>> {
  if (sessionLog.endedAt === null) return fail({ code: "notEnded" });
  const read = decidedOf(slots, decisions);
  if (!read.ok) return read;
  const decided = read.value;
  return scope.transaction(async (trx) => {
    const settled = await trx
      .from("runs")
      .where({ id: toBinary(sessionLog.id) })
      .whereNull("settled_at")
      .update({ settled_at: trx.now, settled_position: sessionLog.lastPosition });
    if (settled !== 1) return fail({ code: "settled" });
    await replaceWaiting(trx, sessionLog, []);
    const before = await rulingsOn(trx, sessionLog.id);
    for (const own of decided) {
      const said = rulingOf(own, sessionLog.lastPosition);
      // What the coach decided before keeps its moment.
      const isSaid = before.some(({ id: _, shown: __, ...ruling }) =>
        isDeepStrictEqual(ruling, said),
      );
      if (!isSaid) await addRuling(trx, sessionLog.id, sessionLog.personId, own.proposal, said);
    }
    const { id: session, personId } = sessionLog;
    const { startTime, title } = next?.day ?? sessionLog;
    const gymId =
      next === null ? sessionLog.gymId : gymOn(next.phase.document, next.day, next.week);
    const head = { personId, gymId, day: on, startTime, title };
    const ruled = nextDocument(document, decided, context, newId);
    return ok(
      next === null
        ? await addPlan(trx, head, ruled, { session })
        : await placeSession(trx, { ...next, on, ruled, context }, head, session),
    );
  });
}
