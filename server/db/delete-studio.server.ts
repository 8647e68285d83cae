import type { Id } from "~/core/kernel/index.ts";
import { toBinary } from "./columns.server.ts";
import { inTransaction, type Database } from "./connection.server.ts";
import type { StudioTable } from "./scope.server.ts";

/** Every table of a studio, those that refer to others before them. */
const TABLES: readonly StudioTable[] = [
  "pains",
  "performed_parts",
  "performed_exercises",
  "rulings",
  "waiting",
  "warnings",
  "put_off",
  "comparing",
  "commands",
  "runs",
  "dismissals",
  "plan_revisions",
  "plans",
  "phase_revisions",
  "phases",
  "phase_templates",
  "templates",
  "events",
  "measurements",
  "briefs",
  "people",
  "erased_people",
  "erased_runs",
  "station_versions",
  "stations",
  "gyms",
  "own_set_ups",
  "movements",
  "approaches",
  "strength_rules",
  "studio_settings",
  "demo_seed",
  "grants",
  "sign_ins",
  "memberships",
];

/** Deletes a studio with everything in it, and the accounts that belong to no other. It cannot be taken back. */
export async function deleteStudio(db: Database, studio: Id<"studio">): Promise<void> {
  const studio_id = toBinary(studio);
  await inTransaction(db, async (trx) => {
    const members = (await trx("memberships").where({ studio_id }).select("user_id")) as {
      readonly user_id: Buffer;
    }[];
    // Commands point at each other.
    await trx("commands").where({ studio_id }).update({ parent_id: null });
    for (const table of TABLES) await trx(table).where({ studio_id }).delete();
    await trx("studios").where({ id: studio_id }).delete();
    for (const { user_id } of members) {
      const other: unknown = await trx("memberships").where({ user_id }).first("user_id");
      if (other !== undefined) continue;
      await trx("known_devices").where({ user_id }).delete();
      await trx("users").where({ id: user_id }).delete();
    }
  });
}
