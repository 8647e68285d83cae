import { z } from "zod";
import type { Finding } from "~/core/coach/index.ts";
import type { Day, Id } from "~/core/kernel/index.ts";
import { newId } from "~/codec/new-id.ts";
import { dayColumn } from "~/codec/rows.ts";
import { fromBinary, toBinary } from "./columns.server.ts";
import type { Scope } from "./scope.server.ts";
import { readEach } from "./set-apart.server.ts";

/** A finding that a coach set aside for one plan, with the reason. */
export interface Dismissal {
  readonly id: Id<"dismissal">;
  readonly key: string;
  readonly reason: string;
  /** The day that it is left to; null where it is set aside for this plan and no other. */
  readonly leftTo: Day | null;
}

/**
 * What is set aside for a plan now, with what an earlier session of the same client left to a day after this one; what
 * was taken back is kept in the table and not listed.
 */
export async function dismissalsOn(scope: Scope, plan: Id<"plan">): Promise<readonly Dismissal[]> {
  const rows = await scope
    .from("dismissals")
    .join("plans as theirs", (join) =>
      join.on("theirs.studio_id", "dismissals.studio_id").andOn("theirs.id", "dismissals.plan_id"),
    )
    .join("plans as own", (join) =>
      join.on("own.studio_id", "theirs.studio_id").andOn("own.person_id", "theirs.person_id"),
    )
    .where({ "own.id": toBinary(plan) })
    .whereNull("dismissals.withdrawn_at")
    .andWhere((either) =>
      either
        .whereRaw("theirs.id = own.id")
        .orWhereRaw("theirs.day <= own.day and dismissals.left_to > own.day"),
    )
    .orderBy("dismissals.id")
    .select("dismissals.*");
  return readEach(scope, "set-aside finding", rows, (row) => ({
    id: fromBinary(row["id"]),
    key: z.string().parse(row["finding_key"]),
    reason: z.string().parse(row["reason"]),
    leftTo: dayColumn.nullable().parse(row["left_to"]),
  }));
}

export async function dismiss(
  scope: Scope,
  plan: Id<"plan">,
  found: Pick<Finding, "key"> & { readonly fact: unknown },
  reason: string,
  leftTo: Day | null = null,
): Promise<void> {
  await scope.insert("dismissals", {
    id: toBinary(newId<"dismissal">()),
    plan_id: toBinary(plan),
    finding_key: found.key,
    fact: JSON.stringify(found.fact),
    reason,
    left_to: leftTo,
    created_at: scope.now,
    ...scope.by,
  });
}

/** Takes a dismissal back; the row stays, with when. */
export async function withdrawDismissal(scope: Scope, id: Id<"dismissal">): Promise<void> {
  await scope
    .from("dismissals")
    .where({ id: toBinary(id) })
    .whereNull("withdrawn_at")
    .update({ withdrawn_at: scope.now });
}
