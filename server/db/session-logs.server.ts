import { z } from "zod";
import {
  type Day,
  type Instant,
  type Id,
  type MassUnit,
  fail,
  ok,
  type Result,
  massUnitField,
} from "~/core/kernel/index.ts";
import type { SessionPlan } from "~/core/plan/index.ts";
import { planCodec } from "~/codec/plan.ts";
import { dayColumn, instantColumn, jsonColumn } from "~/codec/rows.ts";
import { newId } from "~/codec/new-id.ts";
import { fromBinary, toBinary } from "./columns.server.ts";
import { placeFrom, type StoredPlace } from "./plans.server.ts";
import type { Row, Scope } from "./scope.server.ts";
import { readEach, readOne } from "./set-apart.server.ts";

/** A session being trained, or trained: it pins one revision of its plan. */
export interface StoredSessionLog {
  readonly id: Id<"sessionLog">;
  readonly planId: Id<"plan">;
  readonly revisionId: Id<"revision">;
  readonly personId: Id<"person">;
  readonly gymId: Id<"gym">;
  readonly day: Day;
  readonly startTime: string | null;
  readonly title: string;
  readonly personName: string;
  /** The unit the person reads loads in. */
  readonly personUnit: MassUnit;
  /** The plan's newest revision; another one than the pinned means that the coach changed the plan since. */
  readonly newestRevisionId: Id<"revision">;
  readonly startedAt: Instant;
  readonly endedAt: Instant | null;
  readonly settledAt: Instant | null;
  /** The last position of its log, and the one up to which it was read when it was ruled on. */
  readonly lastPosition: number;
  readonly settledPosition: number | null;
  readonly document: SessionPlan;
  /** The day and week of a phase that it makes real; null where it belongs to none. */
  readonly place: StoredPlace | null;
}

const documentColumn = jsonColumn(planCodec);

function sessionLogFrom(row: Row): StoredSessionLog {
  return {
    id: fromBinary(row["id"]),
    planId: fromBinary(row["plan_id"]),
    revisionId: fromBinary(row["revision_id"]),
    personId: fromBinary(row["person_id"]),
    gymId: fromBinary(row["gym_id"]),
    day: dayColumn.parse(row["day"]),
    startTime: z.string().nullable().parse(row["start_time"]),
    title: z.string().parse(row["title"]),
    personName: z.string().parse(row["person_name"]),
    personUnit: massUnitField.parse(row["person_unit"]),
    newestRevisionId: fromBinary(row["newest_revision_id"]),
    startedAt: instantColumn.parse(row["started_at"]),
    endedAt: instantColumn.nullable().parse(row["ended_at"]),
    settledAt: instantColumn.nullable().parse(row["settled_at"]),
    lastPosition: z.number().parse(row["last_position"]),
    settledPosition: z.number().nullable().parse(row["settled_position"]),
    document: documentColumn.parse(row["document"]),
    place: placeFrom(row),
  };
}

function sessionLogQuery(scope: Scope) {
  return scope
    .from("runs")
    .join("plans", (join) =>
      join.on("plans.studio_id", "runs.studio_id").andOn("plans.id", "runs.plan_id"),
    )
    .join("people", (join) =>
      join.on("people.studio_id", "runs.studio_id").andOn("people.id", "runs.person_id"),
    )
    .join("plan_revisions", (join) =>
      join
        .on("plan_revisions.studio_id", "runs.studio_id")
        .andOn("plan_revisions.id", "runs.revision_id"),
    )
    .select(
      "runs.*",
      "plans.day",
      "plans.start_time",
      "plans.title",
      "plans.gym_id",
      "plans.phase_id",
      "plans.phase_day",
      "plans.phase_week",
      "plans.revision",
      "plans.placed_revision",
      "plans.ruled",
      "plans.training_week",
      "plans.revision_id as newest_revision_id",
      "people.name as person_name",
      "people.unit as person_unit",
      "plan_revisions.document",
    );
}

export async function getSessionLog(
  scope: Scope,
  id: Id<"sessionLog">,
): Promise<StoredSessionLog | null> {
  const row: unknown = await sessionLogQuery(scope).where("runs.id", toBinary(id)).first();
  return row === undefined ? null : readOne(scope, "session", row as Row, sessionLogFrom);
}

/** A person's latest ended session logs on or before a day, newest first. */
export async function endedSessionsOf(
  scope: Scope,
  person: Id<"person">,
  limit: number,
): Promise<readonly StoredSessionLog[]> {
  const rows = (await sessionLogQuery(scope)
    .where("runs.person_id", toBinary(person))
    .whereNotNull("runs.ended_at")
    .orderBy("runs.started_at", "desc")
    .limit(limit)) as Row[];
  return readEach(scope, "session", rows, sessionLogFrom);
}

/**
 * Starts training a plan at its current revision, or returns the session log that was started before. One that is
 * deleted is not started.
 */
export async function startSession(
  scope: Scope,
  plan: Id<"plan">,
): Promise<Result<Id<"sessionLog">, { code: "missing" | "deleted" }>> {
  return scope.transaction(async (trx) => {
    const row = (await trx
      .from("plans")
      .where({ id: toBinary(plan) })
      .forUpdate()
      .first()) as Row | undefined;
    if (row === undefined) return fail({ code: "missing" });
    const existing = (await trx
      .from("runs")
      .where({ plan_id: toBinary(plan) })
      .first("id", "last_position", "discarded_at")) as Row | undefined;
    if (existing !== undefined && existing["discarded_at"] === null)
      return ok(fromBinary<"sessionLog">(existing["id"]));
    if (row["dropped_at"] !== null) return fail({ code: "deleted" });
    if (existing !== undefined) {
      // What was logged of it goes on; where nothing was, it starts as it is planned now.
      const isFresh = existing["last_position"] === 0;
      await trx
        .from("runs")
        .where({ id: existing["id"] as Buffer })
        .update({
          discarded_at: null,
          ...(isFresh ? { revision_id: row["revision_id"], started_at: trx.now } : {}),
        });
      return ok(fromBinary<"sessionLog">(existing["id"]));
    }
    const id = newId<"sessionLog">();
    await trx.insert("runs", {
      id: toBinary(id),
      plan_id: toBinary(plan),
      revision_id: row["revision_id"],
      person_id: row["person_id"],
      started_at: trx.now,
      last_position: 0,
      ...trx.by,
    });
    return ok(id);
  });
}

/**
 * Discards a session that was started and has not ended, so that it is planned again, or restores it. What was logged
 * stays with it; a set that still comes from a device restores it by itself. False where it has ended or is gone.
 */
export async function discardSession(
  scope: Scope,
  sessionLogId: Id<"sessionLog">,
  isDiscarded: boolean,
): Promise<boolean> {
  const changed = await scope
    .from("runs")
    .where({ id: toBinary(sessionLogId) })
    .whereNull("ended_at")
    .update({ discarded_at: isDiscarded ? scope.now : null });
  return changed === 1;
}

/** Takes the coach's newer revision into a running session; what was logged keeps the one it was logged on. */
export async function adoptNewestRevision(
  scope: Scope,
  sessionLogId: Id<"sessionLog">,
): Promise<boolean> {
  return scope.transaction(async (trx) => {
    const found = await getSessionLog(trx, sessionLogId);
    if (found === null || found.endedAt !== null) return false;
    await trx
      .from("runs")
      .where({ id: toBinary(sessionLogId) })
      .update({ revision_id: toBinary(found.newestRevisionId) });
    return true;
  });
}
