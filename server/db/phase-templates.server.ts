import { z } from "zod";
import type { Id } from "~/core/kernel/index.ts";
import { NOTHING_BY_HAND, type Phase } from "~/core/phase/index.ts";
import { newId } from "~/codec/new-id.ts";
import { phaseCodec } from "~/codec/phase.ts";
import { jsonColumn, storedJson } from "~/codec/rows.ts";
import { fromBinary, toBinary } from "./columns.server.ts";
import type { Row, Scope } from "./scope.server.ts";
import { readEach, readOne } from "./set-apart.server.ts";

/** A phase that a studio keeps to begin others from; it is for nobody, and its first day says nothing. */
export interface PhaseTemplate {
  readonly id: Id<"phaseTemplate">;
  readonly name: string;
  readonly document: Phase;
  readonly isPutAway: boolean;
}

const documentColumn = jsonColumn(phaseCodec);

const templateFrom = (row: Row): PhaseTemplate => ({
  id: fromBinary<"phaseTemplate">(row["id"]),
  name: z.string().parse(row["name"]),
  document: documentColumn.parse(row["document"]),
  isPutAway: row["removed_at"] !== null,
});

/** The studio's kept phases by name, those put away among them. */
export async function listPhaseTemplates(scope: Scope): Promise<readonly PhaseTemplate[]> {
  const rows = await scope.from("phase_templates").orderBy("name");
  return readEach(scope, "phaseTemplate", rows, templateFrom);
}

/** One kept phase, put away or not; null where this studio has none of that id. */
export async function getPhaseTemplate(
  scope: Scope,
  id: Id<"phaseTemplate">,
): Promise<PhaseTemplate | null> {
  const row = await scope
    .from("phase_templates")
    .where({ id: toBinary(id) })
    .first();
  return row === undefined ? null : readOne(scope, "phaseTemplate", row, templateFrom);
}

/** Keeps a phase as it was written: turns and weeks of exercises go along, what was changed by hand or noted does not. */
export async function addPhaseTemplate(
  scope: Scope,
  name: string,
  phase: Phase,
): Promise<Id<"phaseTemplate">> {
  const id = newId<"phaseTemplate">();
  const { spans, rotations } = phase;
  await scope.insert("phase_templates", {
    id: toBinary(id),
    name,
    document: storedJson(phaseCodec, {
      ...phase,
      ...NOTHING_BY_HAND,
      spans,
      rotations,
      notes: "",
    }),
    created_at: scope.now,
    ...scope.by,
  });
  return id;
}

/** Puts a kept phase away, or takes it back; phases that were made from it stay either way. */
export async function putPhaseTemplateAway(
  scope: Scope,
  id: Id<"phaseTemplate">,
  isPutAway: boolean,
): Promise<void> {
  await scope
    .from("phase_templates")
    .where({ id: toBinary(id) })
    .update({ removed_at: isPutAway ? scope.now : null });
}
