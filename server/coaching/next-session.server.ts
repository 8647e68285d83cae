import { type Day, type Id, type Mass, fail, ok, type Result } from "~/core/kernel/index.ts";
import { copyPlan, mapSlots, slotsOf, type SessionPlan, type Slot } from "~/core/plan/index.ts";
import { lastKey } from "~/core/log/index.ts";
import { nextByDoubleProgression, withWorkLoad, type Proposal } from "~/core/progress/index.ts";
import { howToMake, type CannotBeMade } from "~/core/gym/index.ts";
import { mintId } from "~/codec/mint.ts";
import { toBinary } from "../db/columns.server.ts";
import { listStations, type StoredStation } from "../db/gyms.server.ts";
import { addPlan } from "../db/plans.server.ts";
import { addRuling } from "../db/rulings.server.ts";
import type { StoredRun } from "../db/runs.server.ts";
import { briefHistory } from "../db/briefs.server.ts";
import type { Scope } from "../db/scope.server.ts";
import { historyOf, seriesOf, upTo } from "./history.server.ts";

/** A slot of a trained session with what Kravo proposes for it next time. */
export interface SlotProposal {
  readonly slot: Slot;
  readonly station: StoredStation | null;
  readonly proposal: Proposal;
}

/** What Kravo proposes for every exercise of an ended session, at the stations as they are now. */
export async function proposalsFor(scope: Scope, run: StoredRun): Promise<readonly SlotProposal[]> {
  const series = seriesOf(upTo(await historyOf(scope, run.personId), run));
  const stations = await listStations(scope, run.gymId, "all");
  const [brief] = await briefHistory(scope, run.personId, 1);
  const isCutting = brief?.document.goal === "definition";
  return slotsOf(run.document).map((slot) => {
    const station = stations.find((s) => s.id === slot.station) ?? null;
    const exposures = series.get(lastKey(slot.movement, slot.station)) ?? [];
    const own = exposures.at(-1)?.runId === run.id ? exposures : [];
    const proposal =
      station === null
        ? unplaced()
        : nextByDoubleProgression(slot, own, station.loading, isCutting);
    return { slot, station, proposal };
  });
}

/** The station is gone from the gym: nothing can be proposed there. */
function unplaced(): Proposal {
  return {
    move: "keep",
    reading: null,
    from: null,
    because: [{ code: "noExposure" }],
    confidence: "low",
    mustRule: true,
  };
}

/** The coach's word on one proposal: take it, or another load with a reason. */
export type Decision =
  | { readonly slotId: Id<"slot">; readonly kind: "accept" }
  | {
      readonly slotId: Id<"slot">;
      readonly kind: "overrule";
      readonly reading: Mass;
      readonly reason: string;
    };

export type PlanNextError =
  | { readonly code: "notEnded" }
  | { readonly code: "settled" }
  | { readonly code: "undecided"; readonly slotId: Id<"slot"> }
  | { readonly code: "reasonMissing"; readonly slotId: Id<"slot"> }
  | ({ readonly slotId: Id<"slot"> } & CannotBeMade);

/** Plans the next session from a trained one: its copy with the decided loads, the rulings kept beside it. */
export async function planNext(
  scope: Scope,
  run: StoredRun,
  on: Day,
  decisions: readonly Decision[],
): Promise<Result<Id<"plan">, PlanNextError>> {
  if (run.endedAt === null) return fail({ code: "notEnded" });
  const proposals = await proposalsFor(scope, run);
  const decided: { slot: Slot; proposal: Proposal; chosen: Mass | null; decision: Decision }[] = [];
  for (const { slot, station, proposal } of proposals) {
    const decision = decisions.find((d) => d.slotId === slot.id);
    if (decision === undefined) {
      return fail({ code: "undecided", slotId: slot.id });
    }
    if (decision.kind === "overrule") {
      if (decision.reason.trim() === "") return fail({ code: "reasonMissing", slotId: slot.id });
      const made = station === null ? null : howToMake(station.loading, decision.reading);
      if (made !== null && !made.ok) return fail({ ...made.error, slotId: slot.id });
    }
    const chosen = decision.kind === "accept" ? proposal.reading : decision.reading;
    decided.push({ slot, proposal, chosen, decision });
  }
  return scope.transaction(async (trx) => {
    const settled = await trx
      .from("runs")
      .where({ id: toBinary(run.id) })
      .whereNull("settled_at")
      .update({ settled_at: trx.now, settled_position: run.lastPosition });
    if (settled !== 1) return fail({ code: "settled" });
    for (const { slot, proposal, chosen, decision } of decided) {
      await addRuling(trx, run.id, run.personId, proposal, {
        slotId: slot.id,
        lineageId: slot.lineageId,
        decision: decision.kind === "accept" ? "accepted" : "overruled",
        chosen,
        reason: decision.kind === "accept" ? "" : decision.reason.trim(),
        logPosition: run.lastPosition,
      });
    }
    const { personId, gymId, startTime, title } = run;
    const head = { personId, gymId, day: on, startTime, title };
    return ok(await addPlan(trx, head, nextDocument(run.document, decided), run.id));
  });
}

function nextDocument(
  document: SessionPlan,
  decided: readonly { readonly slot: Slot; readonly chosen: Mass | null }[],
): SessionPlan {
  const changed = mapSlots(document, (slot) => {
    const chosen = decided.find((d) => d.slot.id === slot.id)?.chosen ?? null;
    return chosen === null ? slot : withWorkLoad(slot, chosen);
  });
  return copyPlan(changed, mintId);
}
