import { z } from "zod";
import type { Id } from "~/core/kernel/index.ts";
import { fromBinary, toBinary } from "./columns.server.ts";
import type { Row, Scope } from "./scope.server.ts";

/** A coach of the studio. */
export interface Coach {
  readonly id: Id<"user">;
  readonly name: string;
  /** True where Today shows this coach their own clients alone. */
  readonly seesMine: boolean;
}

/** Every coach of the studio, by name. */
export async function listCoaches(scope: Scope): Promise<readonly Coach[]> {
  const rows = (await scope
    .from("memberships")
    .join("users", "users.id", "memberships.user_id")
    .orderBy("users.display_name")
    .select("users.id", "users.display_name", "memberships.sees_mine")) as Row[];
  return rows.map((row) => ({
    id: fromBinary(row["id"]),
    name: z.string().parse(row["display_name"]),
    seesMine: row["sees_mine"] === 1,
  }));
}

/** Whether Today shows whoever is signed in their own clients alone. */
export async function showMine(scope: Scope, mine: boolean): Promise<void> {
  if (scope.actor.kind !== "user") return;
  await scope
    .from("memberships")
    .where({ user_id: toBinary(scope.actor.id) })
    .update({ sees_mine: mine });
}

/** The clients who are another coach's. Those who are nobody's are everybody's. */
export async function clientsOfOthers(
  scope: Scope,
  coach: Id<"user">,
): Promise<ReadonlySet<Id<"person">>> {
  const rows = await scope
    .from("people")
    .whereNot({ coach_id: toBinary(coach) })
    .select("id");
  return new Set(rows.map((row) => fromBinary<"person">(row["id"])));
}
