import {
  dayAt,
  fail,
  ok,
  type Day,
  type Id,
  type MovementRef,
  type Result,
} from "~/core/kernel/index.ts";
import { absencesIn, keptPlan, seriesOf, trainedAfter, upTo } from "~/core/log/index.ts";
import type { FindMovement } from "~/core/movement/index.ts";
import { writeLine } from "~/core/plan/notation/index.ts";
import { PLAIN_DEFAULTS, usualSide, type SessionPlan } from "~/core/plan/index.ts";
import { bodyWeightOf, type ApproachRef } from "~/core/person/index.ts";
import {
  decidedOf,
  nextDocument,
  proposalsAfter,
  strengthRecordsOf,
  unrollContextFrom,
  type DecideError,
  type Decision,
  type SlotProposal,
} from "~/core/progress/index.ts";
import { unrollContextOf, type UnrollContext } from "~/core/unroll/index.ts";
import { newId } from "~/codec/new-id.ts";
import { toBinary } from "../db/columns.server.ts";
import { saidBeside } from "../db/commands.server.ts";
import { listStations, type StoredStation } from "../db/gyms.server.ts";
import { comparingOf } from "../db/comparing.server.ts";
import { listMeasurements } from "../db/measurements.server.ts";
import { catalogueFor } from "../db/movements.server.ts";
import { addPlan } from "../db/plans.server.ts";
import { addRuling } from "../db/rulings.server.ts";
import type { StoredSessionLog } from "../db/session-logs.server.ts";
import { briefHistory } from "../db/briefs.server.ts";
import type { Scope } from "../db/scope.server.ts";
import { strengthRules } from "../db/strength-rules.server.ts";
import { historyOf } from "./history.server.ts";

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
}

/** What Kravo proposes for every exercise of an ended session, at the stations as they are now. */
export async function proposalsFor(scope: Scope, sessionLog: StoredSessionLog): Promise<Proposals> {
  const [history, stations, [brief], measurements, catalogue, { rules }, comparing] =
    await Promise.all([
      historyOf(scope, sessionLog.personId),
      listStations(scope, sessionLog.gymId, "all"),
      briefHistory(scope, sessionLog.personId, 1),
      listMeasurements(scope, sessionLog.personId),
      catalogueFor(scope),
      strengthRules(scope),
      comparingOf(scope, sessionLog.personId),
    ]);
  const all = seriesOf(history);
  const part = upTo(history, sessionLog);
  const series = part.sessions.length === history.sessions.length ? all : seriesOf(part);
  const bodyWeight = bodyWeightOf(measurements, sessionLog.day);
  const known = unrollContextFrom(strengthRecordsOf(series, bodyWeight, rules), bodyWeight, rules);
  const context = unrollContextOf(stations, catalogue.find, known);
  const isHoldingSuccess = brief?.document.goal === "definition";
  // What was taken once stays out of the next session, and nothing is proposed for it.
  // A session that is still running, or lies further back than history, is asked for by itself.
  const said =
    history.beside.get(sessionLog.id) ??
    (await saidBeside(scope, [sessionLog.id])).get(sessionLog.id);
  const document = keptPlan(sessionLog.document, said?.changes ?? []);
  const session = { id: sessionLog.id, document };
  const circumstances = {
    isHoldingSuccess,
    strength: rules,
    comparing,
    // There are no phases yet, so no week is light or a test.
    weeks: null,
    on: dayAt(sessionLog.settledAt ?? scope.now, "UTC"),
    trainedSince: trainedAfter(all, series),
    absences: absencesIn(said?.changes ?? [], said?.skips ?? new Map()),
  };
  const slots = proposalsAfter(session, series, stations, context, circumstances, newId);
  const approach = brief?.document.approach ?? null;
  return { slots, document, context, approach, written: writtenOf(slots, catalogue.find) };
}

function writtenOf(slots: Proposals["slots"], find: FindMovement): ReadonlyMap<Id<"slot">, string> {
  const exercises = slots.map(({ accepted }) => accepted.sets);
  const { effort, rest } = PLAIN_DEFAULTS;
  return new Map(
    slots.map(({ slot, station, accepted }, own) => {
      const movement = find(slot.movement);
      const notation = {
        unit: station?.loading.unit ?? "kg",
        defaults: {
          effort,
          rest,
          side: movement === null ? ({ kind: "both" } as const) : usualSide(movement, "left"),
        },
        exercises,
        own,
        nameOf: (ref: MovementRef) => find(ref)?.name ?? null,
        movementNamed: () => null,
      };
      return [slot.id, writeLine(accepted.sets, notation)];
    }),
  );
}

export type PlanNextError =
  DecideError | { readonly code: "notEnded" } | { readonly code: "settled" };

/** Plans the next session from what was proposed after a trained one: its copy with what was decided, the rulings kept beside it. */
export async function planNext(
  scope: Scope,
  sessionLog: StoredSessionLog,
  { slots, document, context }: Proposals,
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
    for (const { slot, proposal, chosen, decision } of decided) {
      await addRuling(trx, sessionLog.id, sessionLog.personId, proposal, {
        slotId: slot.id,
        lineageId: slot.lineageId,
        line: proposal.line,
        decision: decision.kind === "overrule" ? "overruled" : "accepted",
        chosen: chosen.reading,
        reason: decision.kind === "overrule" ? decision.reason.trim() : "",
        logPosition: sessionLog.lastPosition,
      });
    }
    const { personId, gymId, startTime, title } = sessionLog;
    const head = { personId, gymId, day: on, startTime, title };
    return ok(
      await addPlan(trx, head, nextDocument(document, decided, context, newId), sessionLog.id),
    );
  });
}
