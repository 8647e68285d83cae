import { z } from "zod";
import type { Day, Instant } from "~/core/calendar/index.ts";
import type { Id } from "~/core/identity/index.ts";
import type { Command, OrderedCommand } from "~/core/log/index.ts";
import type { SessionPlan } from "~/core/prescription/index.ts";
import type { MassUnit } from "~/core/quantity/index.ts";
import { fail, ok, type Result } from "~/core/result/index.ts";
import { commandCodec } from "~/codec/command.ts";
import { planCodec } from "~/codec/plan.ts";
import { dayColumn, instantColumn, jsonColumn } from "~/codec/rows.ts";
import { massUnitCodec } from "~/codec/values.ts";
import { mintId } from "~/codec/mint.ts";
import { fromBinary, toBinary } from "./columns.server.ts";
import { project } from "./performed.server.ts";
import type { Row, Scope } from "./scope.server.ts";

/** A session being trained, or trained: it pins one revision of its plan. */
export interface StoredRun {
  readonly id: Id<"run">;
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
  readonly document: SessionPlan;
}

const documentColumn = jsonColumn(planCodec);
const bodyColumn = jsonColumn(commandCodec.shape.body);

function runFrom(row: Row): StoredRun {
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
    personUnit: massUnitCodec.parse(row["person_unit"]),
    newestRevisionId: fromBinary(row["newest_revision_id"]),
    startedAt: instantColumn.parse(row["started_at"]),
    endedAt: instantColumn.nullable().parse(row["ended_at"]),
    settledAt: instantColumn.nullable().parse(row["settled_at"]),
    document: documentColumn.parse(row["document"]),
  };
}

function runQuery(scope: Scope) {
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
      "plans.revision_id as newest_revision_id",
      "people.name as person_name",
      "people.unit as person_unit",
      "plan_revisions.document",
    );
}

export async function getRun(scope: Scope, id: Id<"run">): Promise<StoredRun | null> {
  const row: unknown = await runQuery(scope).where("runs.id", toBinary(id)).first();
  return row === undefined ? null : runFrom(row as Row);
}

/** A person's latest ended runs on or before a day, newest first. */
export async function endedRunsOf(
  scope: Scope,
  person: Id<"person">,
  limit: number,
): Promise<readonly StoredRun[]> {
  const rows = (await runQuery(scope)
    .where("runs.person_id", toBinary(person))
    .whereNotNull("runs.ended_at")
    .orderBy("runs.started_at", "desc")
    .limit(limit)) as Row[];
  return rows.map(runFrom);
}

/** Starts training a plan at its current revision, or returns the run that was started before. */
export async function startRun(
  scope: Scope,
  plan: Id<"plan">,
): Promise<Result<Id<"run">, { code: "missing" }>> {
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
      .first("id")) as Row | undefined;
    if (existing !== undefined) return ok(fromBinary<"run">(existing["id"]));
    const id = mintId<"run">();
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

/** Takes the coach's newer revision into a running session; what was logged keeps the one it was logged on. */
export async function adoptNewestRevision(scope: Scope, run: Id<"run">): Promise<boolean> {
  return scope.transaction(async (trx) => {
    const found = await getRun(trx, run);
    if (found === null || found.endedAt !== null) return false;
    await trx
      .from("runs")
      .where({ id: toBinary(run) })
      .update({ revision_id: toBinary(found.newestRevisionId) });
    return true;
  });
}

export type SyncRefusal =
  | { readonly code: "missing" }
  | { readonly code: "erased" }
  | { readonly code: "foreignRun" }
  | { readonly code: "unknownParent" }
  /** A command of this device is missing before the ones sent. */
  | { readonly code: "gap"; readonly expectedSeq: number };

/**
 * Commits a device's commands in its sequence, all or none. Commands that are here already are dropped, so
 * sending again after a lost answer is safe. Positions are given under a lock on the run, in order of arrival.
 */
export async function acceptCommands(
  scope: Scope,
  runId: Id<"run">,
  commands: readonly Command[],
): Promise<Result<null, SyncRefusal>> {
  if (commands.some((command) => command.runId !== runId)) return fail({ code: "foreignRun" });
  return scope
    .transaction(async (trx): Promise<Result<null, SyncRefusal>> => {
      const run = (await trx
        .from("runs")
        .where({ id: toBinary(runId) })
        .forUpdate()
        .first()) as Row | undefined;
      if (run === undefined) {
        const erased = await trx
          .from("erased_runs")
          .where({ id: toBinary(runId) })
          .first();
        return fail({ code: erased === undefined ? "missing" : "erased" });
      }
      const known = await knownCommands(trx, runId);
      const fresh = commands
        .filter((command) => !known.ids.has(command.commandId))
        .sort((a, b) => a.seq - b.seq);
      let position = z.number().parse(run["last_position"]);
      for (const command of fresh) {
        const expectedSeq = (known.lastSeq.get(command.device) ?? 0) + 1;
        if (command.seq !== expectedSeq) return rollback({ code: "gap", expectedSeq });
        if (command.parent !== null && !known.ids.has(command.parent)) {
          return rollback({ code: "unknownParent" });
        }
        position += 1;
        await insertCommand(trx, command, position);
        await project(trx, command, fromBinary(run["revision_id"]));
        known.ids.add(command.commandId);
        known.lastSeq.set(command.device, command.seq);
      }
      if (fresh.length > 0) {
        await trx
          .from("runs")
          .where({ id: toBinary(runId) })
          .update({ last_position: position });
      }
      return ok(null);
    })
    .catch((error: unknown) => {
      if (error instanceof Refused) return fail(error.refusal);
      throw error;
    });
}

/** Carries a refusal out of a transaction, so that what was written before it is rolled back. */
class Refused extends Error {
  constructor(readonly refusal: SyncRefusal) {
    super(refusal.code);
  }
}

function rollback(refusal: SyncRefusal): never {
  throw new Refused(refusal);
}

async function knownCommands(scope: Scope, run: Id<"run">) {
  const rows = await scope
    .from("commands")
    .where({ run_id: toBinary(run) })
    .select("id", "device_id", "seq");
  const ids = new Set<Id<"command">>();
  const lastSeq = new Map<Id<"device">, number>();
  for (const row of rows) {
    ids.add(fromBinary(row["id"]));
    const device = fromBinary<"device">(row["device_id"]);
    lastSeq.set(device, Math.max(lastSeq.get(device) ?? 0, z.number().parse(row["seq"])));
  }
  return { ids, lastSeq };
}

async function insertCommand(scope: Scope, command: Command, position: number): Promise<void> {
  await scope.insert("commands", {
    id: toBinary(command.commandId),
    run_id: toBinary(command.runId),
    device_id: toBinary(command.device),
    seq: command.seq,
    position,
    parent_id: command.parent === null ? null : toBinary(command.parent),
    device_at: command.at,
    received_at: scope.now,
    body: JSON.stringify(command.body),
    ...scope.by,
  });
}

/** The commands of a run after a position, in the server's order. */
export async function commandsAfter(
  scope: Scope,
  run: Id<"run">,
  position: number,
): Promise<readonly OrderedCommand[]> {
  const rows: Row[] = await scope
    .from("commands")
    .where({ run_id: toBinary(run) })
    .where("position", ">", position)
    .orderBy("position");
  return rows.map((row) => ({
    position: z.number().parse(row["position"]),
    command: {
      commandId: fromBinary(row["id"]),
      runId: fromBinary(row["run_id"]),
      device: fromBinary(row["device_id"]),
      seq: z.number().parse(row["seq"]),
      parent: row["parent_id"] === null ? null : fromBinary(row["parent_id"]),
      at: instantColumn.parse(row["device_at"]),
      body: bodyColumn.parse(row["body"]),
    },
  }));
}
