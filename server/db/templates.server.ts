import { z } from "zod";
import type { Id } from "~/core/identity/index.ts";
import type { SessionPlan } from "~/core/prescription/index.ts";
import { mintId } from "~/codec/mint.ts";
import { planCodec } from "~/codec/plan.ts";
import { jsonColumn } from "~/codec/rows.ts";
import { fromBinary, toBinary } from "./columns.server.ts";
import type { Row, Scope } from "./scope.server.ts";

/** A session that a studio keeps to begin others from; it is for nobody and on no day. */
export interface Template {
  readonly id: Id<"template">;
  readonly name: string;
  readonly document: SessionPlan;
}

const documentColumn = jsonColumn(planCodec);

function templateFrom(row: Row): Template {
  return {
    id: fromBinary<"template">(row["id"]),
    name: z.string().parse(row["name"]),
    document: documentColumn.parse(row["document"]),
  };
}

/** The studio's templates by name. */
export async function listTemplates(scope: Scope): Promise<readonly Template[]> {
  const rows = await scope.from("templates").whereNull("removed_at").orderBy("name");
  return rows.map(templateFrom);
}

/** One template, or null where this studio keeps none of that id. */
export async function getTemplate(scope: Scope, id: Id<"template">): Promise<Template | null> {
  const row = await scope
    .from("templates")
    .where({ id: toBinary(id) })
    .whereNull("removed_at")
    .first();
  return row === undefined ? null : templateFrom(row);
}

export async function addTemplate(
  scope: Scope,
  name: string,
  document: SessionPlan,
): Promise<Id<"template">> {
  const id = mintId<"template">();
  await scope.insert("templates", {
    id: toBinary(id),
    name,
    document: JSON.stringify(document),
    created_at: scope.now,
    ...scope.by,
  });
  return id;
}

/** Puts a template away; plans that were made from it stay. */
export async function removeTemplate(scope: Scope, id: Id<"template">): Promise<void> {
  await scope
    .from("templates")
    .where({ id: toBinary(id) })
    .update({ removed_at: scope.now });
}
