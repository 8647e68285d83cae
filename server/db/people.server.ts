import { z } from "zod";
import type { StrengthTrend } from "~/core/coach/warnings/index.ts";
import { fail, ok, type Result, type Id } from "~/core/kernel/index.ts";
import { personCodec, type PersonForm } from "~/codec/person.ts";
import { newId } from "~/codec/new-id.ts";
import { fromBinary, toBinary } from "./columns.server.ts";
import type { Row, Scope } from "./scope.server.ts";
import { readEach, readOne } from "./set-apart.server.ts";

/** Somebody who trains, with the revision that optimistic locking compares. */
export interface Person extends PersonForm {
  readonly id: Id<"person">;
  /** Trains no more, or not now: stands in no list, loses nothing. */
  readonly isArchived: boolean;
  readonly revision: number;
}

/** A client from their row. */
export function personFrom(row: Row): Person {
  const coach = row["coach_id"] === null ? null : fromBinary<"user">(row["coach_id"]);
  const form = personCodec.parse({ ...row, coach });
  return {
    ...form,
    id: fromBinary(row["id"]),
    revision: z.number().parse(row["revision"]),
    isArchived: row["archived_at"] !== null,
  };
}

/** Somebody who is added; everybody's client where no coach is named. */
export type NewPerson = Omit<PersonForm, "coach"> & Partial<Pick<PersonForm, "coach">>;

const columnsOf = ({ coach = null, ...form }: NewPerson) => ({
  ...form,
  coach_id: coach === null ? null : toBinary(coach),
});

/** The clients of the studio by name: those who train, or those who are archived. */
export async function listPeople(
  scope: Scope,
  which: "current" | "archived" = "current",
): Promise<readonly Person[]> {
  const query = scope.from("people").select("people.*").orderBy("name");
  const rows = await (which === "current"
    ? query.whereNull("archived_at")
    : query.whereNotNull("archived_at"));
  return readEach(scope, "client", rows, personFrom);
}

/** One person, or null where this studio has none of that id. */
export async function getPerson(scope: Scope, id: Id<"person">): Promise<Person | null> {
  const row = await scope
    .from("people")
    .where({ id: toBinary(id) })
    .first();
  return row === undefined ? null : readOne(scope, "client", row, personFrom);
}

export async function addPerson(
  scope: Scope,
  form: NewPerson,
  id: Id<"person"> = newId(),
): Promise<Id<"person">> {
  await scope.insert("people", {
    id: toBinary(id),
    ...columnsOf(form),
    revision: 1,
    created_at: scope.now,
    changed_at: scope.now,
    ...scope.by,
  });
  return id;
}

/** Saves a person if nobody else has meanwhile; otherwise fails with what the other edit left. */
export async function changePerson(
  scope: Scope,
  id: Id<"person">,
  baseRevision: number,
  form: PersonForm,
): Promise<Result<null, { code: "changedMeanwhile"; current: Person } | { code: "missing" }>> {
  const changed = await scope
    .from("people")
    .where({ id: toBinary(id), revision: baseRevision })
    .update({ ...columnsOf(form), revision: baseRevision + 1, changed_at: scope.now, ...scope.by });
  if (changed === 1) return ok(null);
  const current = await getPerson(scope, id);
  return current === null ? fail({ code: "missing" }) : fail({ code: "changedMeanwhile", current });
}

/** Archives a client, whom no list shows then, or restores one; everything about them stays. */
export async function archivePerson(
  scope: Scope,
  id: Id<"person">,
  isArchived: boolean,
): Promise<void> {
  await scope
    .from("people")
    .where({ id: toBinary(id) })
    .update({ archived_at: isArchived ? scope.now : null, changed_at: scope.now, ...scope.by });
}

/** Keeps how a client's strength goes, for lists; it is worked out and no edit of the client. */
export async function keepTrend(
  scope: Scope,
  id: Id<"person">,
  trend: StrengthTrend | null,
): Promise<void> {
  await scope
    .from("people")
    .where({ id: toBinary(id) })
    .update({
      trend_share: trend?.share ?? null,
      trend_exercises: trend?.exercises ?? null,
      trend_weeks: trend?.weeks ?? null,
    });
}

/**
 * Erases a person and everything about them, and leaves markers for the person and their session logs, so that a
 * device that syncs late is refused instead of bringing data back.
 */
export async function erasePerson(scope: Scope, id: Id<"person">): Promise<boolean> {
  return scope.transaction(async (trx) => {
    const person = await trx
      .from("people")
      .where({ id: toBinary(id) })
      .forUpdate()
      .first();
    if (person === undefined) return false;
    const runs = await trx
      .from("runs")
      .where({ person_id: toBinary(id) })
      .select("id");
    const plans = await trx
      .from("plans")
      .where({ person_id: toBinary(id) })
      .select("id");
    const runIds = runs.map((run) => run["id"] as Buffer);
    for (const run of runIds) await trx.insert("erased_runs", { id: run, erased_at: trx.now });
    for (const table of ["pains", "performed_parts", "performed_exercises", "rulings"] as const) {
      await trx.from(table).whereIn("run_id", runIds).delete();
    }
    for (const table of ["comparing", "waiting", "warnings", "put_off", "events"] as const) {
      await trx
        .from(table)
        .where({ person_id: toBinary(id) })
        .delete();
    }
    // Commands point at each other; the newest go first.
    await trx.from("commands").whereIn("run_id", runIds).update({ parent_id: null });
    await trx.from("commands").whereIn("run_id", runIds).delete();
    await trx
      .from("runs")
      .where({ person_id: toBinary(id) })
      .delete();
    await trx
      .from("plan_revisions")
      .whereIn(
        "plan_id",
        plans.map((plan) => plan["id"] as Buffer),
      )
      .delete();
    await trx
      .from("plans")
      .where({ person_id: toBinary(id) })
      .delete();
    const phases = await trx
      .from("phases")
      .where({ person_id: toBinary(id) })
      .select("id");
    const phaseIds = phases.map((phase) => phase["id"] as Buffer);
    await trx.from("phase_revisions").whereIn("phase_id", phaseIds).delete();
    await trx.from("phases").whereIn("id", phaseIds).delete();
    await trx
      .from("people")
      .where({ id: toBinary(id) })
      .delete();
    await trx.insert("erased_people", { id: toBinary(id), erased_at: trx.now, ...trx.by });
    return true;
  });
}
