import {
  fail,
  ok,
  type Day,
  type Id,
  type Mass,
  type NewId,
  type Result,
} from "../kernel/index.ts";
import { howToMake, type CannotBeMade, type Station } from "../gym/index.ts";
import { exposuresAt, lastKey, type Absence, type Series } from "../log/index.ts";
import { copyPlan, mapSlots, slotsOf, type SessionPlan, type Slot } from "../plan/index.ts";
import type { UnrollContext } from "../unroll/index.ts";
import { accepted, outcomesOf, type Chosen, type ChosenStep, type Outcome } from "./accept.ts";
import { circumstancesOf, type ClientCircumstances } from "./circumstances.ts";
import { lineRecord, type LineRecord } from "./line-record.ts";
import { judgeLines, unplaced } from "./propose.ts";
import { takingWay, type LineProposal, type WayCode } from "./proposal.ts";

/** A slot of a trained session with what Kravo proposes for each of its lines. */
export interface SlotProposal<S extends Station = Station> {
  readonly slot: Slot;
  /** The station as it is now; null where it is gone. */
  readonly station: S | null;
  readonly lines: readonly LineProposal[];
  /** What each line that is proposed for was done with, now and last time. */
  readonly records: readonly LineRecord[];
  /** What its sets and drops come to where everything is accepted. */
  readonly outcomes: readonly Outcome[];
  /** The exercise where everything is accepted: what would be planned. */
  readonly accepted: Slot;
}

/** What is known where a session is judged. */
export interface SessionCircumstances extends Omit<ClientCircumstances, "bodyWeight"> {
  /** The day on which the next session is planned; null where length away does not matter. */
  readonly on: Day | null;
  /** What was trained after this session, by {@link lastKey}: nobody was away from it. */
  readonly trainedSince: ReadonlySet<string>;
  /** Why nothing was logged of an exercise, where somebody said so. */
  readonly absences: ReadonlyMap<Id<"slot">, Absence>;
}

/**
 * What Kravo proposes for every exercise of a trained session, at the stations as they are now. `series` ends with
 * that session; `context` is as the next one will find it.
 */
export function proposalsAfter<S extends Station>(
  session: { readonly id: Id<"sessionLog">; readonly document: SessionPlan },
  series: Series,
  stations: readonly S[],
  context: UnrollContext,
  known: SessionCircumstances,
  newId: NewId,
): readonly SlotProposal<S>[] {
  return slotsOf(session.document).map((slot) => {
    const station = stations.find((s) => s.id === slot.station) ?? null;
    const key = lastKey(slot.movement, slot.station);
    const exposures =
      station === null ? [] : exposuresAt(series, slot, station.loading, known.comparing);
    // Another exercise of the session on the same station says nothing of one that was left out.
    const isTrained = exposures.some(
      ({ sessionLogId, context: at }) => sessionLogId === session.id && at.slotId === slot.id,
    );
    const own = isTrained ? exposures : [];
    const here = station && {
      ...circumstancesOf({ slot, plan: session.document }, station.loading, context.movement, {
        ...known,
        bodyWeight: context.bodyWeight,
      }),
      on: known.trainedSince.has(key) ? null : known.on,
      absence: known.absences.get(slot.id) ?? null,
    };
    const judged = here === null ? [] : judgeLines(slot, own, here);
    const lines = here === null ? unplaced(slot) : judged.flatMap(({ proposals }) => proposals);
    const records = judged.map(({ line, facts }) => lineRecord(line, facts, session.id));
    const next = accepted(slot, proposedFor(lines), context, newId);
    return { slot, station, lines, records, outcomes: outcomesOf(next, context), accepted: next };
  });
}

/** How many lines a coach has to rule on before the next session can be planned. */
export function linesToRule(proposals: readonly Pick<SlotProposal, "lines">[]): number {
  return proposals.flatMap(({ lines }) => lines).filter(({ mustRule }) => mustRule).length;
}

/** The loads that are planned where everything is accepted. */
function proposedFor(lines: readonly LineProposal[]): Chosen {
  return new Map(
    lines.flatMap(({ line, isDecided, reading, changes }) =>
      isDecided ? [[line, { reading, changes }] as const] : [],
    ),
  );
}

/** A line of an exercise of the session. */
export interface LineOf {
  readonly slotId: Id<"slot">;
  readonly line: Id<"line">;
}

/** The coach's word on one proposal: accept it or one of its other ways, or another load with a reason. */
export type Decision = LineOf &
  (
    | { readonly kind: "accept" }
    | { readonly kind: "way"; readonly way: WayCode }
    | { readonly kind: "overrule"; readonly reading: Mass; readonly reason: string }
  );

/** A proposal that was decided, with the step that was chosen. Where another way was taken, that is the proposal. */
export interface Decided {
  readonly slot: Slot;
  readonly proposal: LineProposal;
  readonly decision: Decision;
  readonly chosen: ChosenStep;
}

export type DecideError =
  | (LineOf & { readonly code: "undecided" })
  | (LineOf & { readonly code: "reasonMissing" })
  | (LineOf & CannotBeMade);

/** Every line that has to be decided with its decision; fails at the first that has none or cannot be made. */
export function decidedOf(
  slots: readonly SlotProposal[],
  decisions: readonly Decision[],
): Result<readonly Decided[], DecideError> {
  const decided: Decided[] = [];
  for (const proposed of slots) {
    for (const proposal of proposed.lines.filter(({ isDecided }) => isDecided)) {
      const at = { slotId: proposed.slot.id, line: proposal.line };
      const decision = decisions.find((d) => d.slotId === at.slotId && d.line === at.line);
      if (decision === undefined) return fail({ code: "undecided", ...at });
      const own = decidedLine(proposed, proposal, decision);
      if (!own.ok) return own;
      decided.push(own.value);
    }
  }
  return ok(decided);
}

/** A proposal with the coach's word on it; fails where that lacks its reason or asks what cannot be made. */
export function decidedLine(
  { slot, station }: Pick<SlotProposal, "slot" | "station">,
  proposal: LineProposal,
  decision: Decision,
): Result<Decided, DecideError> {
  const at = { slotId: slot.id, line: proposal.line };
  if (decision.kind === "overrule") {
    if (decision.reason.trim() === "") return fail({ code: "reasonMissing", ...at });
    const made = station === null ? null : howToMake(station.loading, decision.reading);
    if (made !== null && !made.ok) return fail({ ...made.error, ...at });
  }
  const taken = decision.kind === "way" ? takingWay(proposal, decision.way) : proposal;
  if (taken === null) return fail({ code: "undecided", ...at });
  // Another load than the proposed one goes with nothing else changed.
  const chosen = decision.kind === "overrule" ? { reading: decision.reading, changes: [] } : taken;
  return ok({ slot, proposal: taken, decision, chosen });
}

/** The next session: a copy of the trained one with the chosen loads. */
export function nextDocument(
  document: SessionPlan,
  decided: readonly Decided[],
  context: UnrollContext,
  newId: NewId,
): SessionPlan {
  const changed = mapSlots(document, (slot) =>
    accepted(slot, chosenFor(slot.id, decided), context, newId),
  );
  return copyPlan(changed, newId);
}

function chosenFor(slot: Id<"slot">, decided: readonly Decided[]): Chosen {
  return new Map(
    decided.flatMap((d) => (d.slot.id === slot ? [[d.proposal.line, d.chosen] as const] : [])),
  );
}
