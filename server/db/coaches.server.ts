import { z } from "zod";
import type { Id } from "~/core/kernel/index.ts";
import { fromBinary, toBinary } from "./columns.server.ts";
import { roleColumn, type Role } from "./accounts.server.ts";
import type { Row, Scope } from "./scope.server.ts";

/** A coach of the studio. */
export interface Coach {
  readonly id: Id<"user">;
  readonly name: string;
  /** True where Today shows this coach their own clients alone. */
  readonly seesMine: boolean;
}

/** A coach as whoever runs the studio knows them. */
export interface Member extends Coach {
  readonly role: Role;
  readonly email: string;
  readonly hasLeft: boolean;
}

/** The coaches of the studio, by name. */
export async function listCoaches(scope: Scope): Promise<readonly Coach[]> {
  const members = await listMembers(scope);
  return members.flatMap(({ id, name, seesMine, hasLeft }) =>
    hasLeft ? [] : [{ id, name, seesMine }],
  );
}

/** The coaches of the studio and those who left it, by name. */
export async function listMembers(scope: Scope): Promise<readonly Member[]> {
  const rows = (await scope
    .from("memberships")
    .join("users", "users.id", "memberships.user_id")
    .orderBy("users.display_name")
    .select(
      "users.id",
      "users.display_name",
      "users.email",
      "memberships.role",
      "memberships.left_at",
      "memberships.sees_mine",
    )) as Row[];
  return rows.map((row) => ({
    id: fromBinary(row["id"]),
    name: z.string().parse(row["display_name"]),
    role: roleColumn.parse(row["role"]),
    email: z.string().parse(row["email"]),
    hasLeft: row["left_at"] !== null,
    seesMine: row["sees_mine"] === 1,
  }));
}

/**
 * Takes a coach out of the studio, or back in. What they wrote stays theirs by name, their clients become everybody's,
 * and they are signed out at once. Owners stay.
 */
export async function setMembership(
  scope: Scope,
  coach: Id<"user">,
  isMember: boolean,
): Promise<void> {
  await scope.transaction(async (trx) => {
    const changed = await trx
      .from("memberships")
      .where({ user_id: toBinary(coach), role: "coach" })
      .update({ left_at: isMember ? null : scope.now });
    if (changed === 0 || isMember) return;
    await trx
      .from("people")
      .where({ coach_id: toBinary(coach) })
      .update({ coach_id: null });
    await trx
      .from("sign_ins")
      .where({ user_id: toBinary(coach) })
      .delete();
  });
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
