import { sameReading, fail, ok, type Result } from "~/core/kernel/index.ts";
import { mapSlots, slotsOf, type Slot } from "~/core/plan/index.ts";
import { accepted, type LineProposal, type Proposal, type LineOf } from "~/core/progress/index.ts";
import type { UnrollContext } from "~/core/unroll/index.ts";
import { toBinary } from "../db/columns.server.ts";
import { getPlan, planFromSession, savePlan, type StoredPlan } from "../db/plans.server.ts";
import { addRuling, rulingOn, rulingsOn, type Ruling } from "../db/rulings.server.ts";
import { getSessionLog, type StoredSessionLog } from "../db/session-logs.server.ts";
import type { Scope } from "../db/scope.server.ts";
import { proposalsFor } from "./next-session.server.ts";

/** A line for which Kravo proposes something else now than when the coach ruled on it. */
export interface ChangedProposal {
  readonly slot: Slot;
  readonly ruling: Ruling;
  readonly now: LineProposal;
}

/** What depended on a session that was corrected after it was ruled on. */
export interface ChangedSince {
  /** Up to where the log was read for this. */
  readonly position: number;
  readonly changed: readonly ChangedProposal[];
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
  const changed = proposals.slots.flatMap(({ slot, lines }) =>
    lines.flatMap((now) => {
      const ruling = rulingOn(rulings, slot.id, now.line);
      return !now.isDecided || ruling === null || isSame(ruling.shown, now)
        ? []
        : [{ slot, ruling, now }];
    }),
  );
  return {
    position: sessionLog.lastPosition,
    changed,
    open: plan?.sessionState.kind === "none" ? plan : null,
    context: proposals.context,
  };
}

/** The same load, whether it was called a rise or not: nothing that was planned would differ. */
function isSame(shown: Ruling["shown"], now: Proposal): boolean {
  if (shown.reading === null || now.reading === null) return shown.reading === now.reading;
  return sameReading(shown.reading, now.reading);
}

export type ReconsiderError =
  | { readonly code: "changedMeanwhile" }
  | (LineOf & { readonly code: "undecided" })
  | { readonly code: "reasonMissing" };

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
): Promise<Result<null, ReconsiderError>> {
  return scope.transaction(async (trx) => {
    await trx
      .from("runs")
      .where({ id: toBinary(sessionLog.id) })
      .forUpdate()
      .first("id");
    const current = await getSessionLog(trx, sessionLog.id);
    const since = current && (await changedSince(trx, current));
    if (since?.position !== position) return fail({ code: "changedMeanwhile" });
    const decided: { change: ChangedProposal; takes: boolean }[] = [];
    for (const change of since.changed) {
      const at = { slotId: change.slot.id, line: change.now.line };
      const choice = choiceOf(at);
      const canTake = since.open !== null && change.now.reading !== null;
      if (choice === null) return fail({ code: "undecided", ...at });
      if (choice === "leave" && reason === "") return fail({ code: "reasonMissing" });
      decided.push({ change, takes: choice === "take" && canTake });
    }
    if (since.open !== null && decided.some(({ takes }) => takes)) {
      const isSaved = await putIn(trx, since.open, decided, since.context);
      if (!isSaved) return fail({ code: "changedMeanwhile" });
    }
    for (const { change, takes } of decided) {
      await addRuling(trx, sessionLog.id, sessionLog.personId, change.now, {
        slotId: change.slot.id,
        lineageId: change.slot.lineageId,
        line: change.now.line,
        decision: takes ? "accepted" : "overruled",
        chosen: takes ? change.now.reading : change.ruling.chosen,
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

/** Puts the new loads into the planned session as its next revision; false where somebody edits it just now. */
async function putIn(
  trx: Scope,
  plan: StoredPlan,
  decided: readonly { readonly change: ChangedProposal; readonly takes: boolean }[],
  context: UnrollContext,
): Promise<boolean> {
  const taken = decided.filter(({ takes }) => takes).map(({ change }) => change);
  const document = mapSlots(plan.document, (slot) => {
    const chosen = taken.flatMap(({ slot: trained, now }) =>
      trained.lineageId === slot.lineageId && now.reading !== null
        ? [[now.line, now.reading] as const]
        : [],
    );
    return accepted(slot, new Map(chosen), context);
  });
  const saved = await savePlan(trx, plan.id, plan.revision, plan, document);
  return saved.ok && slotsOf(document).length > 0;
}
