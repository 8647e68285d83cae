import { z } from "zod";
import { type Id, fail, ok, type Result } from "~/core/kernel/index.ts";
import type { SessionPlan } from "~/core/plan/index.ts";
import { newId } from "~/codec/new-id.ts";
import { planCodec } from "~/codec/plan.ts";
import { jsonColumn, storedJson } from "~/codec/rows.ts";
import { fromBinary, toBinary } from "./columns.server.ts";
import type { Row, Scope } from "./scope.server.ts";
import { readEach, readOne } from "./set-apart.server.ts";

/** A session that a studio keeps to begin others from; it is for nobody and on no day. */
export interface Template {
  readonly id: Id<"template">;
  readonly name: string;
  readonly document: SessionPlan;
  readonly revision: number;
  readonly isPutAway: boolean;
}

const documentColumn = jsonColumn(planCodec);

function templateFrom(row: Row): Template {
  return {
    id: fromBinary<"template">(row["id"]),
    name: z.string().parse(row["name"]),
    document: documentColumn.parse(row["document"]),
    revision: z.number().parse(row["revision"]),
    isPutAway: row["removed_at"] !== null,
  };
}

/** The studio's templates by name, those put away among them. */
export async function listTemplates(scope: Scope): Promise<readonly Template[]> {
  const rows = await scope.from("templates").orderBy("name");
  return readEach(scope, "template", rows, templateFrom);
}

/** One template, put away or not; null where this studio has none of that id. */
export async function getTemplate(scope: Scope, id: Id<"template">): Promise<Template | null> {
  const row = await scope
    .from("templates")
    .where({ id: toBinary(id) })
    .first();
  return row === undefined ? null : readOne(scope, "template", row, templateFrom);
}

export async function addTemplate(
  scope: Scope,
  name: string,
  document: SessionPlan,
): Promise<Id<"template">> {
  const id = newId<"template">();
  await scope.insert("templates", {
    id: toBinary(id),
    name,
    document: storedJson(planCodec, document),
    created_at: scope.now,
    ...scope.by,
  });
  return id;
}

/** Saves a template if nobody else has meanwhile; gives its next revision. */
export async function changeTemplate(
  scope: Scope,
  id: Id<"template">,
  baseRevision: number,
  { name, document }: Pick<Template, "name" | "document">,
): Promise<Result<number, "changedMeanwhile">> {
  const changed = await scope
    .from("templates")
    .where({ id: toBinary(id), revision: baseRevision })
    .update({
      name,
      document: storedJson(planCodec, document),
      revision: baseRevision + 1,
      changed_at: scope.now,
      ...scope.by,
    });
  return changed === 1 ? ok(baseRevision + 1) : fail("changedMeanwhile");
}

/** Puts a template away, or takes it back; plans that were made from it stay either way. */
export async function putTemplateAway(
  scope: Scope,
  id: Id<"template">,
  isPutAway: boolean,
): Promise<void> {
  await scope
    .from("templates")
    .where({ id: toBinary(id) })
    .update({ removed_at: isPutAway ? scope.now : null });
}
