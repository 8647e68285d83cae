import { fail, ok, type Day, type Id, type Mass, type Result } from "~/core/kernel/index.ts";
import { copyPlan, mapSlots, slotsOf, type SessionPlan, type Slot } from "~/core/plan/index.ts";
import { lastKey } from "~/core/log/index.ts";
import { bodyWeightOf } from "~/core/person/index.ts";
import {
  accepted,
  outcomesOf,
  proposeFor,
  surroundingsFrom,
  unplaced,
  type Chosen,
  type LineProposal,
  type Outcome,
} from "~/core/progress/index.ts";
import { surroundingsOf, type Surroundings } from "~/core/unroll/index.ts";
import { howToMake, type CannotBeMade } from "~/core/gym/index.ts";
import { newId } from "~/codec/new-id.ts";
import { toBinary } from "../db/columns.server.ts";
import { listStations, type StoredStation } from "../db/gyms.server.ts";
import { listMeasurements } from "../db/measurements.server.ts";
import { catalogueFor } from "../db/movements.server.ts";
import { addPlan } from "../db/plans.server.ts";
import { addRuling } from "../db/rulings.server.ts";
import type { StoredRun } from "../db/runs.server.ts";
import { briefHistory } from "../db/briefs.server.ts";
import type { Scope } from "../db/scope.server.ts";
import { strengthRules } from "../db/strength-rules.server.ts";
import { strengthRecordsOf, historyOf, seriesOf, upTo } from "./history.server.ts";

/** A slot of a trained session with what Kravo proposes for each of its lines. */
export interface SlotProposal {
  readonly slot: Slot;
  readonly station: StoredStation | null;
  readonly lines: readonly LineProposal[];
  /** What its sets and drops come to where everything is accepted. */
  readonly outcomes: readonly Outcome[];
}

/** What is proposed after a session, and how the next one will find the gym and the person. */
export interface Proposals {
  readonly slots: readonly SlotProposal[];
  readonly around: Surroundings;
}

/** What Kravo proposes for every exercise of an ended session, at the stations as they are now. */
export async function proposalsFor(scope: Scope, run: StoredRun): Promise<Proposals> {
  const [history, stations, [brief], measurements, catalogue, { rules }] = await Promise.all([
    historyOf(scope, run.personId),
    listStations(scope, run.gymId, "all"),
    briefHistory(scope, run.personId, 1),
    listMeasurements(scope, run.personId),
    catalogueFor(scope),
    strengthRules(scope),
  ]);
  const series = seriesOf(upTo(history, run));
  const bodyWeight = bodyWeightOf(measurements, run.day);
  const strengthRecords = strengthRecordsOf(series, bodyWeight, rules);
  const around = surroundingsOf(
    stations,
    catalogue.find,
    surroundingsFrom(strengthRecords, bodyWeight, rules),
  );
  const isHoldingSuccess = brief?.document.goal === "definition";
  const slots = slotsOf(run.document).map((slot): SlotProposal => {
    const station = stations.find((s) => s.id === slot.station) ?? null;
    const exposures = series.get(lastKey(slot.movement, slot.station)) ?? [];
    const own = exposures.at(-1)?.runId === run.id ? exposures : [];
    const lines =
      station === null
        ? unplaced(slot)
        : proposeFor(slot, own, {
            loading: station.loading,
            bodyWeight,
            isHoldingSuccess,
            parameters: catalogue.find(slot.movement)?.setUp ?? [],
          });
    return {
      slot,
      station,
      lines,
      outcomes: outcomesOf(accepted(slot, proposedFor(lines), around), around),
    };
  });
  return { slots, around };
}

/** The loads that are planned where everything is accepted. */
function proposedFor(lines: readonly LineProposal[]): Chosen {
  return new Map(
    lines.flatMap(({ line, isDecided, reading }) =>
      isDecided && reading !== null ? [[line, reading] as const] : [],
    ),
  );
}

/** The coach's word on one proposal: accept it, or another load with a reason. */
export type Decision = LineOf &
  (
    | { readonly kind: "accept" }
    | { readonly kind: "overrule"; readonly reading: Mass; readonly reason: string }
  );

/** A line of an exercise of the session. */
export interface LineOf {
  readonly slotId: Id<"slot">;
  readonly line: Id<"line">;
}

export type PlanNextError =
  | { readonly code: "notEnded" }
  | { readonly code: "settled" }
  | (LineOf & { readonly code: "undecided" })
  | (LineOf & { readonly code: "reasonMissing" })
  | (LineOf & CannotBeMade);

interface Decided {
  readonly slot: Slot;
  readonly proposal: LineProposal;
  readonly decision: Decision;
  readonly chosen: Mass | null;
}

/** Plans the next session from a trained one: its copy with the decided loads, the rulings kept beside it. */
export async function planNext(
  scope: Scope,
  run: StoredRun,
  on: Day,
  decisions: readonly Decision[],
): Promise<Result<Id<"plan">, PlanNextError>> {
  if (run.endedAt === null) return fail({ code: "notEnded" });
  const { slots, around } = await proposalsFor(scope, run);
  const decided: Decided[] = [];
  for (const { slot, station, lines } of slots) {
    for (const proposal of lines.filter(({ isDecided }) => isDecided)) {
      const at = { slotId: slot.id, line: proposal.line };
      const decision = decisions.find((d) => d.slotId === at.slotId && d.line === at.line);
      if (decision === undefined) return fail({ code: "undecided", ...at });
      if (decision.kind === "overrule") {
        if (decision.reason.trim() === "") return fail({ code: "reasonMissing", ...at });
        const made = station === null ? null : howToMake(station.loading, decision.reading);
        if (made !== null && !made.ok) return fail({ ...made.error, ...at });
      }
      const chosen = decision.kind === "accept" ? proposal.reading : decision.reading;
      decided.push({ slot, proposal, decision, chosen });
    }
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
        line: proposal.line,
        decision: decision.kind === "accept" ? "accepted" : "overruled",
        chosen,
        reason: decision.kind === "accept" ? "" : decision.reason.trim(),
        logPosition: run.lastPosition,
      });
    }
    const { personId, gymId, startTime, title } = run;
    const head = { personId, gymId, day: on, startTime, title };
    return ok(await addPlan(trx, head, nextDocument(run.document, decided, around), run.id));
  });
}

function nextDocument(
  document: SessionPlan,
  decided: readonly Decided[],
  around: Surroundings,
): SessionPlan {
  const changed = mapSlots(document, (slot) => accepted(slot, chosenFor(slot.id, decided), around));
  return copyPlan(changed, newId);
}

function chosenFor(slot: Id<"slot">, decided: readonly Decided[]): Chosen {
  return new Map(
    decided.flatMap((d) =>
      d.slot.id === slot && d.chosen !== null ? [[d.proposal.line, d.chosen] as const] : [],
    ),
  );
}
