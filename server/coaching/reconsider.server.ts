import { fail, ok, type Result } from "~/core/kernel/index.ts";
import {
  changedProposals,
  reconsidered,
  withTaken,
  type ChangedProposal,
  type LineOf,
  type Reconsidered,
  type ReconsiderError,
} from "~/core/progress/index.ts";
import type { SessionPlan } from "~/core/plan/index.ts";
import type { UnrollContext } from "~/core/unroll/index.ts";
import { newId } from "~/codec/new-id.ts";
import { toBinary } from "../db/columns.server.ts";
import {
  getPlan,
  keepRuled,
  planFromSession,
  savePlan,
  type StoredPlan,
} from "../db/plans.server.ts";
import { addRuling, rulingOn, rulingsOn, type Ruling } from "../db/rulings.server.ts";
import { getPhase } from "../db/phases.server.ts";
import { getSessionLog, type StoredSessionLog } from "../db/session-logs.server.ts";
import type { Scope } from "../db/scope.server.ts";
import { proposalsFor } from "./next-session.server.ts";
import { throughWeek } from "./place-session.server.ts";

/** What depended on a session that was corrected after it was ruled on. */
export interface ChangedSince {
  /** Up to where the log was read for this. */
  readonly position: number;
  readonly changed: readonly ChangedProposal<Ruling>[];
  /** The session that was planned from it, where nobody has begun it; else null. */
  readonly open: StoredPlan | null;
  readonly context: UnrollContext;
}

/** What a correction changed of what was decided, or null where nothing was said after the ruling. */
export async function changedSince(
  scope: Scope,
  sessionLog: StoredSessionLog,
): Promise<ChangedSince | null> {
  const isCurrent =
    sessionLog.settledPosition === null || sessionLog.lastPosition <= sessionLog.settledPosition;
  if (sessionLog.settledAt === null || sessionLog.endedAt === null || isCurrent) return null;
  const [proposals, rulings, next] = await Promise.all([
    proposalsFor(scope, sessionLog),
    rulingsOn(scope, sessionLog.id),
    planFromSession(scope, sessionLog.id),
  ]);
  const plan = next === null ? null : await getPlan(scope, next);
  const changed = changedProposals(proposals.slots, (slot, line) => rulingOn(rulings, slot, line));
  return {
    position: sessionLog.lastPosition,
    changed,
    open: plan?.sessionState.kind === "none" ? plan : null,
    context: proposals.context,
  };
}

/**
 * The coach's word on what a correction changed: each new load is put into the planned session, or the session
 * stays as it is, with the reason. Both are rulings that supersede the ones before.
 */
export async function reconsider(
  scope: Scope,
  sessionLog: StoredSessionLog,
  position: number,
  choiceOf: (line: LineOf) => "take" | "leave" | null,
  reason: string,
): Promise<Result<null, ReconsiderError | { readonly code: "changedMeanwhile" }>> {
  return scope.transaction(async (trx) => {
    await trx
      .from("runs")
      .where({ id: toBinary(sessionLog.id) })
      .forUpdate()
      .first("id");
    const current = await getSessionLog(trx, sessionLog.id);
    const since = current && (await changedSince(trx, current));
    if (since?.position !== position) return fail({ code: "changedMeanwhile" });
    const read = reconsidered(since.changed, choiceOf, reason, since.open !== null);
    if (!read.ok) return read;
    const decided = read.value;
    if (since.open !== null && decided.some(({ takes }) => takes)) {
      // Somebody edits it just now.
      if (!(await taken(trx, since.open, decided, since.context)))
        return fail({ code: "changedMeanwhile" });
    }
    for (const { change, takes, chosen } of decided) {
      await addRuling(trx, sessionLog.id, sessionLog.personId, change.now, {
        slotId: change.slot.id,
        lineageId: change.slot.lineageId,
        line: change.now.line,
        decision: takes ? "accepted" : "overruled",
        way: null,
        chosen,
        reason: takes ? "" : reason,
        logPosition: position,
      });
    }
    await trx
      .from("runs")
      .where({ id: toBinary(sessionLog.id) })
      .update({ settled_position: position });
    return ok(null);
  });
}

/**
 * Puts the new loads into the planned session. One of a phase is made again from what its rules have by then, through
 * its week; where somebody changed it by hand, that stays and the loads are put in. False where it was changed meanwhile.
 */
async function taken(
  scope: Scope,
  plan: StoredPlan,
  decided: readonly Reconsidered[],
  context: UnrollContext,
): Promise<boolean> {
  const { id, revision, document, place } = plan;
  const withLoads = (of: SessionPlan) => withTaken(of, decided, context, newId);
  const phase = place === null ? null : await getPhase(scope, place.phase);
  if (place === null || phase === null)
    return (await savePlan(scope, id, revision, plan, withLoads(document))).ok;
  const ruled = withLoads(place.ruled);
  const next = place.isEdited ? withLoads(document) : throughWeek(phase, place, ruled, context);
  if (!(await savePlan(scope, id, revision, plan, next)).ok) return false;
  await keepRuled(scope, id, ruled, place.isEdited ? revision : revision + 1);
  return true;
}
