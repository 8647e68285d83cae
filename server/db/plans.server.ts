import { z } from "zod";
import {
  addDays,
  weekStart,
  type Day,
  type Id,
  fail,
  ok,
  type Result,
} from "~/core/kernel/index.ts";
import type { PlanEntry, PlanHead, RulingState } from "~/core/log/index.ts";
import { LEVELS, type Level } from "~/core/person/index.ts";
import type { SessionPlan } from "~/core/plan/index.ts";
import { planCodec } from "~/codec/plan.ts";
import { dayColumn, instantColumn, jsonColumn, storedJson } from "~/codec/rows.ts";
import { newId } from "~/codec/new-id.ts";
import { fromBinary, toBinary } from "./columns.server.ts";
import type { Row, Scope } from "./scope.server.ts";
import { readEach, readOne } from "./set-apart.server.ts";

/** A plan with its current document. */
export interface StoredPlan extends PlanEntry {
  readonly revisionId: Id<"revision">;
  readonly document: SessionPlan;
  readonly plannedFromSession: Id<"sessionLog"> | null;
  readonly personLevel: Level;
}

const documentColumn = jsonColumn(planCodec);

function entryFrom(row: Row): PlanEntry {
  const runId = row["run_id"];
  const ended = instantColumn.nullable().parse(row["ended_at"] ?? null);
  return {
    id: fromBinary(row["id"]),
    personId: fromBinary(row["person_id"]),
    gymId: fromBinary(row["gym_id"]),
    day: dayColumn.parse(row["day"]),
    startTime: z.string().nullable().parse(row["start_time"]),
    title: z.string().parse(row["title"]),
    revision: z.number().parse(row["revision"]),
    personName: z.string().parse(row["person_name"]),
    sessionState:
      runId === null || runId === undefined
        ? { kind: "none" }
        : ended === null
          ? { kind: "running", sessionLogId: fromBinary(runId) }
          : { kind: "ended", sessionLogId: fromBinary(runId), ruling: rulingState(row) },
  };
}

function rulingState(row: Row): RulingState {
  if (row["settled_at"] === null) return "open";
  const position = z.number().nullable();
  const [last, read] = [
    position.parse(row["last_position"]),
    position.parse(row["settled_position"]),
  ];
  return last !== null && read !== null && last > read ? "changedSince" : "done";
}

function entryQuery(scope: Scope) {
  return scope
    .from("plans")
    .join("people", (join) =>
      join.on("people.studio_id", "plans.studio_id").andOn("people.id", "plans.person_id"),
    )
    .leftJoin("runs", (join) =>
      join.on("runs.studio_id", "plans.studio_id").andOn("runs.plan_id", "plans.id"),
    )
    .select(
      "plans.*",
      "people.name as person_name",
      "people.level as person_level",
      "runs.id as run_id",
      "runs.ended_at",
      "runs.settled_at",
      "runs.last_position",
      "runs.settled_position",
    );
}

/** Plans from one day to another, both included, in order of time. */
export async function listPlans(scope: Scope, from: Day, to: Day): Promise<readonly PlanEntry[]> {
  const rows = (await entryQuery(scope)
    .whereBetween("plans.day", [from, to])
    .orderBy(["plans.day", "plans.start_time", "people.name"])) as Row[];
  return readEach(scope, "session", rows, entryFrom);
}

/** A person's planned sessions in the week of a day, with their documents, in order. */
export async function plansOfWeek(
  scope: Scope,
  person: Id<"person">,
  day: Day,
): Promise<
  readonly {
    readonly id: Id<"plan">;
    readonly day: Day;
    readonly isOpen: boolean;
    readonly document: SessionPlan;
  }[]
> {
  const monday = weekStart(day);
  const rows = (await scope
    .from("plans")
    .join("plan_revisions", (join) =>
      join
        .on("plan_revisions.studio_id", "plans.studio_id")
        .andOn("plan_revisions.id", "plans.revision_id"),
    )
    .leftJoin("runs", (join) =>
      join.on("runs.studio_id", "plans.studio_id").andOn("runs.plan_id", "plans.id"),
    )
    .where({ "plans.person_id": toBinary(person) })
    .whereBetween("plans.day", [monday, addDays(monday, 6)])
    .orderBy(["plans.day", "plans.start_time"])
    .select(
      "plans.id",
      "plans.title",
      "plans.day",
      "runs.id as run_id",
      "plan_revisions.document",
    )) as Row[];
  return readEach(scope, "session", rows, (row) => ({
    id: fromBinary(row["id"]),
    day: dayColumn.parse(row["day"]),
    isOpen: row["run_id"] === null,
    document: documentColumn.parse(row["document"]),
  }));
}

/**
 * Sessions that are running on any day (reopened ones too), ended ones on which nobody has ruled, and those whose
 * log changed after somebody did.
 */
export async function listOpenSessions(scope: Scope): Promise<readonly PlanEntry[]> {
  const rows = (await entryQuery(scope)
    .whereNotNull("runs.id")
    .where((open) =>
      open
        .whereNull("runs.settled_at")
        .orWhereNull("runs.ended_at")
        .orWhereRaw("runs.last_position > runs.settled_position"),
    )
    .orderBy("runs.started_at", "desc")) as Row[];
  return readEach(scope, "session", rows, entryFrom);
}

/** A person's latest plans, newest first. */
export async function listPlansOf(
  scope: Scope,
  person: Id<"person">,
  limit: number,
): Promise<readonly PlanEntry[]> {
  const rows = (await entryQuery(scope)
    .where("plans.person_id", toBinary(person))
    .orderBy([
      { column: "plans.day", order: "desc" },
      { column: "plans.id", order: "desc" },
    ])
    .limit(limit)) as Row[];
  return readEach(scope, "session", rows, entryFrom);
}

/** A plan with its current document, or null. */
export async function getPlan(scope: Scope, id: Id<"plan">): Promise<StoredPlan | null> {
  const row: unknown = await entryQuery(scope)
    .join("plan_revisions", (join) =>
      join
        .on("plan_revisions.studio_id", "plans.studio_id")
        .andOn("plan_revisions.id", "plans.revision_id"),
    )
    .select("plan_revisions.document")
    .where("plans.id", toBinary(id))
    .first();
  if (row === undefined) return null;
  return readOne(scope, "session", row as Row, (found) => ({
    ...entryFrom(found),
    revisionId: fromBinary(found["revision_id"]),
    document: documentColumn.parse(found["document"]),
    personLevel: z.enum(LEVELS).parse(found["person_level"]),
    plannedFromSession:
      found["planned_from_run"] === null ? null : fromBinary(found["planned_from_run"]),
  }));
}

export async function addPlan(
  scope: Scope,
  head: PlanHead,
  document: SessionPlan,
  plannedFromSession: Id<"sessionLog"> | null = null,
): Promise<Id<"plan">> {
  const id = newId<"plan">();
  const revisionId = newId<"revision">();
  await scope.transaction(async (trx) => {
    await trx.insert("plans", {
      id: toBinary(id),
      ...headColumns(head),
      person_id: toBinary(head.personId),
      revision: 1,
      revision_id: toBinary(revisionId),
      planned_from_run: plannedFromSession === null ? null : toBinary(plannedFromSession),
      created_at: trx.now,
      ...trx.by,
    });
    await insertRevision(trx, id, revisionId, 1, document);
  });
  return id;
}

/** Saves a plan as its next revision; fails with what the other edit left where somebody was faster. */
export async function savePlan(
  scope: Scope,
  id: Id<"plan">,
  baseRevision: number,
  head: Omit<PlanHead, "personId">,
  document: SessionPlan,
): Promise<
  Result<number, { code: "changedMeanwhile"; current: StoredPlan } | { code: "missing" }>
> {
  return scope.transaction(async (trx) => {
    const revisionId = newId<"revision">();
    const changed = await trx
      .from("plans")
      .where({ id: toBinary(id), revision: baseRevision })
      .update({
        ...headColumns(head),
        revision: baseRevision + 1,
        revision_id: toBinary(revisionId),
        ...trx.by,
      });
    if (changed !== 1) {
      const current = await getPlan(trx, id);
      return current === null
        ? fail({ code: "missing" })
        : fail({ code: "changedMeanwhile", current });
    }
    await insertRevision(trx, id, revisionId, baseRevision + 1, document);
    return ok(baseRevision + 1);
  });
}

function headColumns(head: Omit<PlanHead, "personId">) {
  return {
    gym_id: toBinary(head.gymId),
    day: head.day,
    start_time: head.startTime,
    title: head.title,
  };
}

async function insertRevision(
  scope: Scope,
  plan: Id<"plan">,
  revisionId: Id<"revision">,
  number: number,
  document: SessionPlan,
): Promise<void> {
  await scope.insert("plan_revisions", {
    id: toBinary(revisionId),
    plan_id: toBinary(plan),
    number,
    document: storedJson(planCodec, document),
    created_at: scope.now,
    ...scope.by,
  });
}

/** The plan that was made from a trained session log, or null. */
export async function planFromSession(
  scope: Scope,
  sessionLogId: Id<"sessionLog">,
): Promise<Id<"plan"> | null> {
  const row = (await scope
    .from("plans")
    .where({ planned_from_run: toBinary(sessionLogId) })
    .first("id")) as Row | undefined;
  return row === undefined ? null : fromBinary(row["id"]);
}
