import { contentKey, fail, type Result } from "~/core/kernel/index.ts";
import {
  cellEditsAt,
  layered,
  parseCell,
  PHASE_BOUNDS,
  project,
  withEdits,
  type CellError,
  type CellPlace,
  type CellSource,
  type Phase,
} from "~/core/phase/index.ts";
import { linesOf, slotsOf } from "~/core/plan/index.ts";
import { newId } from "~/codec/new-id.ts";
import { studioDay } from "../db/gyms.server.ts";
import {
  phaseRevision,
  savePhase,
  type SavePhaseError,
  type StoredPhase,
} from "../db/phases.server.ts";
import type { Scope } from "../db/scope.server.ts";
import { clientFor, type KnownClient } from "./client.server.ts";
import { phaseFactsFor } from "./phase-facts.server.ts";
import { workOutTargets } from "./warnings.server.ts";

/** What was typed into a cell. */
export interface CellEntry extends CellPlace {
  readonly text: string;
}

export type TypeCellsError =
  | { readonly code: "missing" }
  | { readonly code: "cell"; readonly at: CellEntry; readonly error: CellError }
  /** The week is done or planned, so that it is changed in its session. */
  | { readonly code: "isReal"; readonly at: CellEntry; readonly source: CellSource }
  /** The exercise is not in this week. */
  | { readonly code: "notThere"; readonly at: CellEntry }
  /** More is changed by hand than a phase holds. */
  | { readonly code: "tooMany"; readonly most: number }
  /** Somebody else changed the same cell meanwhile. */
  | { readonly code: "cellChanged"; readonly at: CellEntry }
  | SavePhaseError;

/**
 * Writes what was typed into cells, all or none. What somebody else changed meanwhile stays, as long as it was in
 * other cells.
 */
export async function typeCells(
  scope: Scope,
  phase: StoredPhase,
  baseRevision: number,
  entries: readonly CellEntry[],
): Promise<Result<number, TypeCellsError>> {
  const { document } = phase;
  const base =
    baseRevision === phase.revision ? document : await phaseRevision(scope, phase.id, baseRevision);
  const taken = entries.find(
    (at) =>
      base === null || contentKey(cellEditsAt(base, at)) !== contentKey(cellEditsAt(document, at)),
  );
  if (taken !== undefined) return fail({ code: "cellChanged", at: taken });
  const client = await clientFor(scope, phase.personId);
  const facts = await phaseFactsFor(scope, phase, client, await studioDay(scope));
  const sessions = project(document, facts, newId);
  let changed: Phase = document;
  for (const at of entries) {
    const session = sessions.find((one) => one.day.id === at.day && one.week === at.week);
    const slot = session && slotsOf(session.ruled).find((one) => one.lineageId === at.lineage);
    const week = document.weeks[at.week - 1];
    if (session === undefined || slot === undefined || week === undefined)
      return fail({ code: "notThere", at });
    if (session.source !== "next" && session.source !== "projected")
      return fail({ code: "isReal", at, source: session.source });
    const { inWeek } = layered(slot, week, [], facts.context, newId);
    const line = linesOf(inWeek).find(({ id }) => id === at.line);
    if (line === undefined) return fail({ code: "notThere", at });
    const loading = facts.context.station(slot.station)?.loading ?? null;
    const read = parseCell(at.text, { sets: line.sets, loading }, newId);
    if (!read.ok) return fail({ code: "cell", at, error: read.error });
    changed = withEdits(changed, at, read.value);
  }
  const { most } = PHASE_BOUNDS.changes;
  if (changed.changes.length > most) return fail({ code: "tooMany", most });
  return save(scope, phase, changed, client);
}

/** Puts the coach's changes back as they were: what undo does. */
export async function putBack(
  scope: Scope,
  phase: StoredPhase,
  baseRevision: number,
  changes: Phase["changes"],
): Promise<Result<number, TypeCellsError>> {
  if (baseRevision !== phase.revision) return fail({ code: "changedMeanwhile", current: phase });
  const client = await clientFor(scope, phase.personId);
  return save(scope, phase, { ...phase.document, changes }, client);
}

async function save(
  scope: Scope,
  phase: StoredPhase,
  document: Phase,
  client: KnownClient,
): Promise<Result<number, TypeCellsError>> {
  return scope.transaction(async (trx) => {
    const saved = await savePhase(trx, phase.id, phase.revision, phase.name, document);
    if (saved.ok) await workOutTargets(trx, phase, document, client);
    return saved;
  });
}
