import { type Id, sameReading, type Mass, fail, ok, type Result } from "~/core/kernel/index.ts";
import { mapSlots, slotsOf, type Slot } from "~/core/plan/index.ts";
import { withWorkLoad, type Proposal } from "~/core/progress/index.ts";
import { toBinary } from "../db/columns.server.ts";
import { getPlan, planFromRun, savePlan, type StoredPlan } from "../db/plans.server.ts";
import { addRuling, rulingsOn, type Ruling } from "../db/rulings.server.ts";
import { getRun, type StoredRun } from "../db/runs.server.ts";
import type { Scope } from "../db/scope.server.ts";
import { proposalsFor } from "./next-session.server.ts";

/** An exercise for which Kravo proposes something else now than when the coach ruled on it. */
export interface ChangedProposal {
  readonly slot: Slot;
  readonly ruling: Ruling;
  readonly now: Proposal;
}

/** What depended on a session that was corrected after it was ruled on. */
export interface ChangedSince {
  /** Up to where the log was read for this. */
  readonly position: number;
  readonly changed: readonly ChangedProposal[];
  /** The session that was planned from it, where nobody has begun it; else null. */
  readonly open: StoredPlan | null;
}

/** What a correction changed of what was decided, or null where nothing was said after the ruling. */
export async function changedSince(scope: Scope, run: StoredRun): Promise<ChangedSince | null> {
  const isCurrent = run.settledPosition === null || run.lastPosition <= run.settledPosition;
  if (run.settledAt === null || run.endedAt === null || isCurrent) return null;
  const [proposals, rulings, next] = await Promise.all([
    proposalsFor(scope, run),
    rulingsOn(scope, run.id),
    planFromRun(scope, run.id),
  ]);
  const plan = next === null ? null : await getPlan(scope, next);
  const changed = proposals.flatMap(({ slot, proposal }) => {
    const ruling = rulings.find((r) => r.slotId === slot.id);
    return ruling === undefined || isSame(ruling.shown, proposal)
      ? []
      : [{ slot, ruling, now: proposal }];
  });
  return { position: run.lastPosition, changed, open: plan?.run.kind === "none" ? plan : null };
}

/** The same load, whether it was called a rise or not: nothing that was planned would differ. */
function isSame(shown: Ruling["shown"], now: Proposal): boolean {
  if (shown.reading === null || now.reading === null) return shown.reading === now.reading;
  return sameReading(shown.reading, now.reading);
}

export type ReconsiderError =
  | { readonly code: "changedMeanwhile" }
  | { readonly code: "undecided"; readonly slotId: Id<"slot"> }
  | { readonly code: "reasonMissing" };

/**
 * The coach's word on what a correction changed: each new load is put into the planned session, or the session
 * stays as it is, with the reason. Both are rulings that supersede the ones before.
 */
export async function reconsider(
  scope: Scope,
  run: StoredRun,
  position: number,
  choiceOf: (slot: Id<"slot">) => "take" | "leave" | null,
  reason: string,
): Promise<Result<null, ReconsiderError>> {
  return scope.transaction(async (trx) => {
    await trx
      .from("runs")
      .where({ id: toBinary(run.id) })
      .forUpdate()
      .first("id");
    const current = await getRun(trx, run.id);
    const since = current && (await changedSince(trx, current));
    if (since?.position !== position) return fail({ code: "changedMeanwhile" });
    const decided: { change: ChangedProposal; takes: boolean }[] = [];
    for (const change of since.changed) {
      const choice = choiceOf(change.slot.id);
      const canTake = since.open !== null && change.now.reading !== null;
      if (choice === null) return fail({ code: "undecided", slotId: change.slot.id });
      if (choice === "leave" && reason === "") return fail({ code: "reasonMissing" });
      decided.push({ change, takes: choice === "take" && canTake });
    }
    if (since.open !== null && decided.some(({ takes }) => takes)) {
      const isSaved = await putIn(trx, since.open, decided);
      if (!isSaved) return fail({ code: "changedMeanwhile" });
    }
    for (const { change, takes } of decided) {
      await addRuling(trx, run.id, run.personId, change.now, {
        slotId: change.slot.id,
        lineageId: change.slot.lineageId,
        decision: takes ? "accepted" : "overruled",
        chosen: takes ? change.now.reading : change.ruling.chosen,
        reason: takes ? "" : reason,
        logPosition: position,
      });
    }
    await trx
      .from("runs")
      .where({ id: toBinary(run.id) })
      .update({ settled_position: position });
    return ok(null);
  });
}

/** Puts the new loads into the planned session as its next revision; false where somebody edits it just now. */
async function putIn(
  trx: Scope,
  plan: StoredPlan,
  decided: readonly { readonly change: ChangedProposal; readonly takes: boolean }[],
): Promise<boolean> {
  const loads = new Map<Id<"lineage">, Mass>(
    decided.flatMap(({ change, takes }) =>
      takes && change.now.reading !== null ? [[change.slot.lineageId, change.now.reading]] : [],
    ),
  );
  const document = mapSlots(plan.document, (slot) => {
    const load = loads.get(slot.lineageId);
    return load === undefined ? slot : withWorkLoad(slot, load);
  });
  const saved = await savePlan(trx, plan.id, plan.revision, plan, document);
  return saved.ok && slotsOf(document).length > 0;
}
