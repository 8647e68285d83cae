import { dayColumn } from "~/codec/rows.ts";
import { tempoField } from "~/core/plan/index.ts";
import { z } from "zod";
import {
  type Day,
  type Id,
  type MovementRef,
  assertNever,
  movementField,
} from "~/core/kernel/index.ts";
import {
  conditionsField,
  observationsField,
  UNSAID_CONDITIONS,
  UNSAID_OBSERVATIONS,
  type Command,
  type LogContext,
  type PainRecord,
  type Performed,
  type LoggedSet,
} from "~/core/log/index.ts";
import { stepKeyText } from "~/core/unroll/index.ts";
import {
  countColumn,
  gearColumn,
  helperColumn,
  jointColumn,
  limiterColumn,
  metresColumn,
  millisecondsColumn,
  platesColumn,
  rirColumn,
  rirToColumn,
  setUpColumn,
  sideColumn,
} from "~/codec/performed.ts";
import { instantColumn, jsonColumn, massFromColumns } from "~/codec/rows.ts";
import { fromBinary, toBinary } from "./columns.server.ts";
import { measureCheckIn } from "./measurements.server.ts";
import type { Row, Scope } from "./scope.server.ts";
import { readEach } from "./set-apart.server.ts";

/**
 * Brings the rows of a session log in line with one more command, in the command's own transaction. Rows are never
 * rewritten: what a command supersedes is marked with the command that did it.
 */
export async function project(
  scope: Scope,
  command: Command,
  revision: Id<"revision">,
): Promise<void> {
  const { body, parent, commandId, runId: sessionLogId } = command;
  const by = toBinary(commandId);
  switch (body.kind) {
    case "part":
      await tombstone(scope, parent, by);
      await scope.insert("performed_parts", loggedSetRow(command, body.part, revision));
      return;
    case "removePart":
      await tombstone(scope, parent, by);
      return;
    case "context":
      await supersede(scope, "performed_exercises", "id", parent, by);
      await scope.insert("performed_exercises", contextRow(command, body.context));
      return;
    case "pain":
      await supersede(scope, "pains", "command_id", parent, by);
      await scope.insert("pains", {
        id: toBinary(body.id),
        command_id: by,
        run_id: toBinary(sessionLogId),
        slot_id: toBinary(body.slotId),
        part_key: body.key === null ? null : stepKeyText(body.key),
        joint: body.joint,
        side: body.side,
        score: body.score,
        note: body.note,
      });
      return;
    case "end":
      await endSession(scope, sessionLogId);
      return;
    case "reopen":
      await scope
        .from("runs")
        .where({ id: toBinary(sessionLogId) })
        .update({ ended_at: null });
      return;
    case "checkIn":
      await measureCheckIn(scope, command, body);
      return;
    case "note":
    case "skip":
    case "unskip":
    case "items":
    case "swap":
    case "addExercise":
    case "addSet":
    case "reorder":
    case "takeBack":
      return; // Read from the commands of their session log; no row of theirs is compared across sessions.
    default:
      assertNever(body);
  }
}

/** Ends a session log; one that was reopened ended when it ended first, or its duration would count the days between. */
async function endSession(scope: Scope, sessionLogId: Id<"sessionLog">): Promise<void> {
  const first = await scope
    .from("commands")
    .where({ run_id: toBinary(sessionLogId) })
    .whereRaw("json_value(body, '$.kind') = 'end'")
    .min({ at: "received_at" })
    .first();
  await scope
    .from("runs")
    .where({ id: toBinary(sessionLogId) })
    .whereNull("ended_at")
    .update({ ended_at: instantColumn.nullable().parse(first?.["at"] ?? null) ?? scope.now });
}

async function tombstone(scope: Scope, parent: Id<"command"> | null, by: Buffer): Promise<void> {
  if (parent === null) return;
  await scope
    .from("performed_parts")
    .where({ command_id: toBinary(parent) })
    .update({ tombstoned_by: by });
}

async function supersede(
  scope: Scope,
  table: "performed_exercises" | "pains",
  key: "id" | "command_id",
  parent: Id<"command"> | null,
  by: Buffer,
): Promise<void> {
  if (parent === null) return;
  await scope
    .from(table)
    .where({ [key]: toBinary(parent) })
    .update({ superseded_by: by });
}

function loggedSetRow(command: Command, loggedSet: LoggedSet, revision: Id<"revision">): Row {
  return {
    id: toBinary(loggedSet.id),
    command_id: toBinary(command.commandId),
    run_id: toBinary(command.runId),
    revision_id: toBinary(revision),
    slot_id: toBinary(loggedSet.slotId),
    set_id: toBinary(loggedSet.key.setId),
    extension_id: loggedSet.key.extensionId === null ? null : toBinary(loggedSet.key.extensionId),
    round: loggedSet.key.round,
    ordinal: loggedSet.key.ordinal,
    side: loggedSet.key.side,
    station_version_id: toBinary(loggedSet.stationVersion),
    reading_thousandths: loggedSet.reading?.thousandths ?? null,
    reading_unit: loggedSet.reading?.unit ?? null,
    plates_hung: loggedSet.platesHung === null ? null : JSON.stringify(loggedSet.platesHung),
    full_reps: loggedSet.fullReps,
    partial_reps: loggedSet.partialReps,
    forced_reps: loggedSet.forcedReps,
    milliseconds: loggedSet.seconds === null ? null : Math.round(loggedSet.seconds * 1000),
    steps: loggedSet.steps,
    metres: loggedSet.metres,
    rir: rirToColumn(loggedSet.rir),
    limiter: loggedSet.limiter,
    note: loggedSet.note,
    conditions: JSON.stringify(loggedSet.conditions),
    observed: JSON.stringify(loggedSet.observed),
  };
}

function contextRow(command: Command, context: LogContext): Row {
  return {
    id: toBinary(command.commandId),
    run_id: toBinary(command.runId),
    slot_id: toBinary(context.slotId),
    line_id: toBinary(context.lineageId),
    movement: context.movement,
    station_id: toBinary(context.station),
    station_version_id: toBinary(context.stationVersion),
    set_up: JSON.stringify(context.setUp),
    tempo: JSON.stringify(context.tempo),
    rest_milliseconds: context.restSeconds === null ? null : Math.round(context.restSeconds * 1000),
    hard_sets_before: context.hardSetsBefore,
    gear: context.gear === null ? null : JSON.stringify(context.gear),
    helper: context.helper,
    body_weight_thousandths: context.bodyWeight?.thousandths ?? null,
    body_weight_unit: context.bodyWeight?.unit ?? null,
  };
}

const platesJson = jsonColumn(platesColumn);
const setUpJson = jsonColumn(setUpColumn);
const tempoJson = jsonColumn(tempoField);
const gearJson = jsonColumn(gearColumn);
const conditionsJson = jsonColumn(conditionsField);
const observedJson = jsonColumn(observationsField);
const integer = z.number();

function loggedSetFrom(row: Row): LoggedSet {
  return {
    id: fromBinary(row["id"]),
    slotId: fromBinary(row["slot_id"]),
    key: {
      setId: fromBinary(row["set_id"]),
      extensionId: row["extension_id"] === null ? null : fromBinary(row["extension_id"]),
      round: integer.parse(row["round"]),
      ordinal: integer.parse(row["ordinal"]),
      side: sideColumn.parse(row["side"]),
    },
    stationVersion: fromBinary(row["station_version_id"]),
    reading: massFromColumns(row["reading_thousandths"], row["reading_unit"]),
    platesHung: row["plates_hung"] === null ? null : platesJson.parse(row["plates_hung"]),
    fullReps: countColumn.parse(row["full_reps"]),
    partialReps: countColumn.parse(row["partial_reps"]),
    forcedReps: countColumn.parse(row["forced_reps"]),
    seconds: millisecondsColumn.parse(row["milliseconds"]),
    steps: countColumn.parse(row["steps"]),
    metres: metresColumn.parse(row["metres"]),
    rir: rirColumn.parse(row["rir"]),
    limiter: limiterColumn.parse(row["limiter"]),
    note: z.string().parse(row["note"]),
    conditions:
      row["conditions"] === null ? UNSAID_CONDITIONS : conditionsJson.parse(row["conditions"]),
    observed: row["observed"] === null ? UNSAID_OBSERVATIONS : observedJson.parse(row["observed"]),
  };
}

function contextFrom(row: Row): LogContext {
  return {
    slotId: fromBinary(row["slot_id"]),
    lineageId: fromBinary(row["line_id"]),
    movement: movementField.parse(row["movement"]),
    station: fromBinary(row["station_id"]),
    stationVersion: fromBinary(row["station_version_id"]),
    setUp: setUpJson.parse(row["set_up"]),
    tempo: tempoJson.parse(row["tempo"]),
    restSeconds: millisecondsColumn.parse(row["rest_milliseconds"]),
    hardSetsBefore: integer.parse(row["hard_sets_before"]),
    gear: row["gear"] === null ? null : gearJson.parse(row["gear"]),
    helper: helperColumn.parse(row["helper"]),
    bodyWeight: massFromColumns(row["body_weight_thousandths"], row["body_weight_unit"]),
  };
}

function painFrom(row: Row): PainRecord {
  return {
    kind: "pain",
    id: fromBinary(row["id"]),
    slotId: fromBinary(row["slot_id"]),
    key: null,
    joint: jointColumn.parse(row["joint"]),
    side: sideColumn.parse(row["side"]),
    score: integer.parse(row["score"]),
    note: z.string().parse(row["note"]),
  };
}

/** What stands of several session logs, by session log; three queries however many there are. */
export async function performedIn(
  scope: Scope,
  sessionLogIds: readonly Id<"sessionLog">[],
): Promise<ReadonlyMap<Id<"sessionLog">, Performed>> {
  const found = new Map<Id<"sessionLog">, MutablePerformed>(
    sessionLogIds.map((id) => [id, { loggedSets: [], contexts: [], pains: [] }]),
  );
  if (sessionLogIds.length === 0) return found;
  const ids = sessionLogIds.map(toBinary);
  const [parts, contexts, pains] = await Promise.all([
    scope.from("performed_parts").whereIn("run_id", ids).whereNull("tombstoned_by").orderBy("id"),
    scope
      .from("performed_exercises")
      .whereIn("run_id", ids)
      .whereNull("superseded_by")
      .orderBy("id"),
    scope.from("pains").whereIn("run_id", ids).whereNull("superseded_by").orderBy("id"),
  ]);
  const each = <T>(rows: readonly Row[], read: (row: Row) => T) =>
    readEach(
      scope,
      "log entry",
      rows,
      (row) => [fromBinary<"sessionLog">(row["run_id"]), read(row)] as const,
    );
  for (const [sessionLogId, loggedSet] of each(parts, loggedSetFrom))
    found.get(sessionLogId)?.loggedSets.push(loggedSet);
  for (const [sessionLogId, context] of each(contexts, contextFrom))
    found.get(sessionLogId)?.contexts.push(context);
  for (const [sessionLogId, pain] of each(pains, painFrom))
    found.get(sessionLogId)?.pains.push(pain);
  return found;
}

/** Since when a client trains each exercise, wherever, and in how many sessions. */
export async function trainedSince(
  scope: Scope,
  person: Id<"person">,
): Promise<ReadonlyMap<MovementRef, { readonly since: Day; readonly sessions: number }>> {
  const rows = await scope
    .from("performed_exercises")
    .join("runs", (join) =>
      join
        .on("runs.studio_id", "performed_exercises.studio_id")
        .andOn("runs.id", "performed_exercises.run_id"),
    )
    .join("plans", (join) =>
      join.on("plans.studio_id", "runs.studio_id").andOn("plans.id", "runs.plan_id"),
    )
    .where({ "runs.person_id": toBinary(person) })
    .whereNull("performed_exercises.superseded_by")
    .groupBy("performed_exercises.movement")
    .select(
      "performed_exercises.movement",
      scope.raw("min(plans.day) as since"),
      scope.raw("count(distinct runs.id) as sessions"),
    );
  const read = readEach(
    scope,
    "log entry",
    rows,
    (row) =>
      [
        movementField.parse(row["movement"]),
        {
          since: dayColumn.parse(row["since"]),
          sessions: z.coerce.number().parse(row["sessions"]),
        },
      ] as const,
  );
  return new Map(read);
}

interface MutablePerformed extends Performed {
  readonly loggedSets: LoggedSet[];
  readonly contexts: LogContext[];
  readonly pains: PainRecord[];
}
