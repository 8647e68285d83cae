import { z } from "zod";
import { type Id, fail, ok, type Result } from "~/core/kernel/index.ts";
import {
  CHANGE_KINDS,
  changesIn,
  checkInOf,
  commandBodyField,
  foldCommands,
  itemsDoneIn,
  sendingOrder,
  skipsIn,
  type SessionChange,
  type Command,
  type CommandBody,
  type OrderedCommand,
} from "~/core/log/index.ts";
import { instantColumn, jsonColumn, storedJson } from "~/codec/rows.ts";
import { fromBinary, toBinary } from "./columns.server.ts";
import { isLocked } from "./connection.server.ts";
import { project } from "./performed.server.ts";
import type { Row, Scope } from "./scope.server.ts";
import { readEach } from "./set-apart.server.ts";

const bodyColumn = jsonColumn(commandBodyField);

export type SyncRefusal =
  /** The session log is not here: it never was, or an older backup was restored. */
  | { readonly code: "missing" }
  | { readonly code: "erased" }
  | { readonly code: "foreignRun" }
  /** A set was made on a version of a station that is not here. */
  | { readonly code: "unknownEquipment" }
  /** Commands of this device are missing before the ones sent, or others have their place. */
  | { readonly code: "gap"; readonly expectedSeq: number };

/** How often a lock that somebody holds is asked for again, and how long at most in between. */
const LOCK_TRIES = 12;
const LOCK_PAUSE_MS = 250;

/**
 * Commits a device's commands in its sequence, all or none. Commands that are here already are dropped, so
 * sending again after a lost answer is safe. Positions are given under a lock on the session log, in order of arrival.
 * A parent that is not here (a backup was restored, and the device that said it has not come back yet) is
 * dropped: when it arrives later, both stand as the sides of a conflict, and neither is lost.
 */
export async function acceptCommands(
  scope: Scope,
  sessionLogId: Id<"sessionLog">,
  commands: readonly Command[],
  /** Done in the same transaction where commands of an ended session came, or one ended or was reopened. */
  whenDone: (trx: Scope) => Promise<void> = () => Promise.resolve(),
): Promise<Result<null, SyncRefusal>> {
  if (commands.some((command) => command.runId !== sessionLogId))
    return fail({ code: "foreignRun" });
  if (commands.length === 0) return present(scope, sessionLogId);
  for (let attempt = 1; ; attempt++) {
    try {
      return await scope.transaction((trx) => acceptLocked(trx, sessionLogId, commands, whenDone));
    } catch (error) {
      if (error instanceof Refused) return fail(error.refusal);
      // Waiting happens here, without a connection, so that a lock that is stuck holds none of the pool.
      if (!isLocked(error) || attempt >= LOCK_TRIES) throw error;
      await new Promise((resolve) => setTimeout(resolve, LOCK_PAUSE_MS * (0.5 + Math.random())));
    }
  }
}

/** Whether a session log is here, without a lock and without a write: an empty poll asks no more. */
async function present(
  scope: Scope,
  sessionLogId: Id<"sessionLog">,
): Promise<Result<null, SyncRefusal>> {
  const row: unknown = await scope
    .from("runs")
    .where({ id: toBinary(sessionLogId) })
    .first("id");
  return row === undefined ? fail({ code: await whyMissing(scope, sessionLogId) }) : ok(null);
}

async function whyMissing(
  scope: Scope,
  sessionLogId: Id<"sessionLog">,
): Promise<"missing" | "erased"> {
  const erased: unknown = await scope
    .from("erased_runs")
    .where({ id: toBinary(sessionLogId) })
    .first();
  return erased === undefined ? "missing" : "erased";
}

async function acceptLocked(
  trx: Scope,
  sessionLogId: Id<"sessionLog">,
  commands: readonly Command[],
  whenDone: (trx: Scope) => Promise<void>,
): Promise<Result<null, SyncRefusal>> {
  const run = (await trx
    .from("runs")
    .where({ id: toBinary(sessionLogId) })
    .forUpdate()
    .noWait()
    .first()) as Row | undefined;
  if (run === undefined) return fail({ code: await whyMissing(trx, sessionLogId) });
  const known = await knownCommands(trx, sessionLogId);
  const fresh = sendingOrder(commands.filter((command) => !known.ids.has(command.commandId)));
  await expectStations(trx, fresh);
  let position = z.number().parse(run["last_position"]);
  for (const said of fresh) {
    const seqs = known.seqs.get(said.device) ?? new Set();
    const expectedSeq = Math.max(0, ...seqs) + 1;
    if (said.seq > expectedSeq || seqs.has(said.seq)) return refuse({ code: "gap", expectedSeq });
    const command =
      said.parent === null || known.ids.has(said.parent) ? said : { ...said, parent: null };
    position += 1;
    await insertCommand(trx, command, position);
    await project(trx, command, fromBinary(run["revision_id"]));
    known.ids.add(command.commandId);
    known.seqs.set(command.device, seqs.add(command.seq));
  }
  if (fresh.length > 0) {
    await trx
      .from("runs")
      .where({ id: toBinary(sessionLogId) })
      // Whoever still logs trains it: what was discarded meanwhile is restored.
      .update({ last_position: position, discarded_at: null });
    const isOfItsEnd = fresh.some(({ body }) => body.kind === "end" || body.kind === "reopen");
    if (isOfItsEnd || run["ended_at"] !== null) await whenDone(trx);
  }
  return ok(null);
}

/** Refuses commands made on station versions of which this studio knows nothing. */
async function expectStations(trx: Scope, commands: readonly Command[]): Promise<void> {
  const named = new Set(
    commands.flatMap(({ body }) =>
      body.kind === "part"
        ? [body.part.stationVersion]
        : body.kind === "context"
          ? [body.context.stationVersion]
          : [],
    ),
  );
  if (named.size === 0) return;
  const found = await trx
    .from("station_versions")
    .whereIn("id", [...named].map(toBinary))
    .select("id");
  if (found.length < named.size) refuse({ code: "unknownEquipment" });
}

/** Carries a refusal out of a transaction, so that what was written before it is rolled back. */
class Refused extends Error {
  constructor(readonly refusal: SyncRefusal) {
    super(refusal.code);
  }
}

function refuse(refusal: SyncRefusal): never {
  throw new Refused(refusal);
}

async function knownCommands(scope: Scope, sessionLogId: Id<"sessionLog">) {
  const rows = await scope
    .from("commands")
    .where({ run_id: toBinary(sessionLogId) })
    .select("id", "device_id", "seq");
  const ids = new Set<Id<"command">>();
  const seqs = new Map<Id<"device">, Set<number>>();
  for (const row of rows) {
    ids.add(fromBinary(row["id"]));
    const device = fromBinary<"device">(row["device_id"]);
    seqs.set(device, (seqs.get(device) ?? new Set()).add(z.number().parse(row["seq"])));
  }
  return { ids, seqs };
}

/** The ids of a session log's commands up to a position, in the server's order. */
export async function commandIds(
  scope: Scope,
  sessionLogId: Id<"sessionLog">,
  upTo = Number.MAX_SAFE_INTEGER,
): Promise<readonly Id<"command">[]> {
  const rows = await scope
    .from("commands")
    .where({ run_id: toBinary(sessionLogId) })
    .where("position", "<=", upTo)
    .orderBy("position")
    .select("id");
  return rows.map((row) => fromBinary(row["id"]));
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
    body: storedJson(commandBodyField, command.body),
    ...scope.by,
  });
}

/** What was said of a session besides its sets. */
export interface SaidBeside {
  /** What changed it while it was trained. */
  readonly changes: readonly SessionChange[];
  /** How ready the trainee came to it, out of five; null where nobody asked. */
  readonly readiness: number | null;
  /** Why exercises were skipped. */
  readonly skips: ReadonlyMap<Id<"slot">, string>;
  /** Which parts without sets were done or left out. */
  readonly itemsDone: ReadonlyMap<Id<"block">, boolean>;
}

const BESIDE: readonly CommandBody["kind"][] = [
  ...CHANGE_KINDS,
  "checkIn",
  "skip",
  "unskip",
  "items",
];

/** What was said of sessions besides their sets, by session log; one query however many they are. */
export async function saidBeside(
  scope: Scope,
  sessionLogIds: readonly Id<"sessionLog">[],
): Promise<ReadonlyMap<Id<"sessionLog">, SaidBeside>> {
  if (sessionLogIds.length === 0) return new Map();
  const rows: Row[] = await scope
    .from("commands")
    .whereIn("run_id", sessionLogIds.map(toBinary))
    .whereRaw(`json_value(body, '$.kind') in (${BESIDE.map(() => "?").join()})`, BESIDE)
    .orderBy("position");
  const said = readEach(scope, "log entry", rows, orderedCommandFrom);
  return new Map(
    sessionLogIds.map((id) => {
      const log = foldCommands(said.filter(({ command }) => command.runId === id));
      return [
        id,
        {
          changes: changesIn(log),
          readiness: checkInOf(log)?.readiness ?? null,
          skips: skipsIn(log),
          itemsDone: itemsDoneIn(log),
        },
      ];
    }),
  );
}

/** The commands of a session log after a position, in the server's order. */
export async function commandsAfter(
  scope: Scope,
  sessionLogId: Id<"sessionLog">,
  position: number,
): Promise<readonly OrderedCommand[]> {
  const rows: Row[] = await scope
    .from("commands")
    .where({ run_id: toBinary(sessionLogId) })
    .where("position", ">", position)
    .orderBy("position");
  return readEach(scope, "log entry", rows, orderedCommandFrom);
}

function orderedCommandFrom(row: Row): OrderedCommand {
  return {
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
  };
}
