import type { Knex } from "knex";
import type { Instant, Actor, Id } from "~/core/kernel/index.ts";
import { actorColumns, toBinary } from "./columns.server.ts";
import { inTransaction, type Database } from "./connection.server.ts";
import type { Reader, SetApart } from "./set-apart.server.ts";

/** Tables that belong to a studio; every query of theirs goes through a scope. */
export type StudioTable =
  | "memberships"
  | "people"
  | "briefs"
  | "measurements"
  | "approaches"
  | "movements"
  | "own_set_ups"
  | "dismissals"
  | "comparing"
  | "erased_people"
  | "erased_runs"
  | "gyms"
  | "stations"
  | "station_versions"
  | "templates"
  | "plans"
  | "plan_revisions"
  | "phases"
  | "phase_revisions"
  | "phase_templates"
  | "events"
  | "runs"
  | "commands"
  | "performed_exercises"
  | "performed_parts"
  | "pains"
  | "rulings"
  | "waiting"
  | "warnings"
  | "put_off"
  | "strength_rules"
  | "studio_settings"
  | "grants"
  | "sign_ins"
  | "demo_seed";

/** A row as the driver returns it: unknown until its codec has read it. */
export type Row = Record<string, unknown>;

/**
 * The one place that scopes queries: a database seen by one studio, one actor and one moment.
 * Repositories take a scope and cannot forget the studio or the actor.
 */
export interface Scope extends Reader {
  readonly studioId: Id<"studio">;
  readonly actor: Actor;
  readonly now: Instant;
  /** Rows of this studio. */
  from(table: StudioTable): Knex.QueryBuilder<Row, Row[]>;
  insert(table: StudioTable, row: Row): Promise<void>;
  /** A piece of SQL within a query that is scoped already. */
  raw(sql: string): Knex.Raw;
  /** The actor's columns, for rows that record who wrote them. */
  readonly by: { readonly actor_kind: string; readonly actor_id: Buffer | null };
  /** Runs work in one transaction, as a whole again after a deadlock. */
  transaction<T>(work: (scope: Scope) => Promise<T>): Promise<T>;
}

export function scopeFor(
  db: Database,
  who: { readonly studioId: Id<"studio">; readonly actor: Actor; readonly now: Instant },
): Scope {
  const setApart: SetApart[] = [];
  const build = (connection: Knex, nested: boolean): Scope => ({
    ...who,
    setApart,
    by: actorColumns(who.actor),
    from: (table) =>
      connection(table).where(`${table}.studio_id`, toBinary(who.studioId)) as Knex.QueryBuilder<
        Row,
        Row[]
      >,
    insert: async (table, row) => {
      await connection(table).insert({ studio_id: toBinary(who.studioId), ...row });
    },
    raw: (sql) => connection.raw(sql),
    transaction: (work) =>
      nested
        ? work(build(connection, true))
        : inTransaction(connection as Database, (trx) => work(build(trx, true))),
  });
  return build(db, false);
}
