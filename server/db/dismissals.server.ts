import { z } from "zod";
import type { Finding } from "~/core/coach/index.ts";
import type { Id } from "~/core/kernel/index.ts";
import { newId } from "~/codec/new-id.ts";
import { fromBinary, toBinary } from "./columns.server.ts";
import type { Scope } from "./scope.server.ts";
import { readEach } from "./set-apart.server.ts";

/** A finding that a coach set aside for one plan, with the reason. */
export interface Dismissal {
  readonly id: Id<"dismissal">;
  readonly key: string;
  readonly reason: string;
}

/** What is set aside for a plan now; what was taken back is kept in the table and not listed. */
export async function dismissalsOn(scope: Scope, plan: Id<"plan">): Promise<readonly Dismissal[]> {
  const rows = await scope
    .from("dismissals")
    .where({ plan_id: toBinary(plan) })
    .whereNull("withdrawn_at")
    .orderBy("id");
  return readEach(scope, "set-aside finding", rows, (row) => ({
    id: fromBinary(row["id"]),
    key: z.string().parse(row["finding_key"]),
    reason: z.string().parse(row["reason"]),
  }));
}

export async function dismiss(
  scope: Scope,
  plan: Id<"plan">,
  found: Pick<Finding, "key"> & { readonly fact: unknown },
  reason: string,
): Promise<void> {
  await scope.insert("dismissals", {
    id: toBinary(newId<"dismissal">()),
    plan_id: toBinary(plan),
    finding_key: found.key,
    fact: JSON.stringify(found.fact),
    reason,
    created_at: scope.now,
    ...scope.by,
  });
}

/** Takes a dismissal back; the row stays, with when. */
export async function withdrawDismissal(
  scope: Scope,
  plan: Id<"plan">,
  id: Id<"dismissal">,
): Promise<void> {
  await scope
    .from("dismissals")
    .where({ id: toBinary(id), plan_id: toBinary(plan) })
    .whereNull("withdrawn_at")
    .update({ withdrawn_at: scope.now });
}
