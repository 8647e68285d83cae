import { z } from "zod";
import {
  type Instant,
  idOf,
  type Id,
  fail,
  ok,
  type Result,
  parseMass,
  type Mass,
  type MassTextError,
} from "~/core/kernel/index.ts";
import {
  correctedSet,
  foldCommands,
  parentFor,
  loggedSetsOf,
  type CommandBody,
  type LoggedSet,
} from "~/core/log/index.ts";
import type { Station } from "~/core/gym/index.ts";
import type { CorrectionForm } from "~/codec/correction.ts";
import { newId } from "~/codec/new-id.ts";
import { instantColumn } from "~/codec/rows.ts";
import { fromBinary, toBinary } from "../db/columns.server.ts";
import { stationVersions } from "../db/gyms.server.ts";
import { commandsAfter } from "../db/commands.server.ts";
import { type StoredSessionLog } from "../db/session-logs.server.ts";
import type { Row, Scope } from "../db/scope.server.ts";
import { takeCommands } from "./waiting.server.ts";

export type CorrectionError =
  /** The set was changed or removed since the page was loaded. */
  | { readonly code: "changedMeanwhile" }
  | ({ readonly code: "notALoad" } & { readonly error: MassTextError });

/**
 * Corrects an ended session from the desk, by a command like any other: the same log keeps what was said before,
 * who corrected it and why.
 */
export async function correct(
  scope: Scope,
  sessionLog: StoredSessionLog,
  form: CorrectionForm,
): Promise<Result<null, CorrectionError>> {
  if (form.intent === "reopen") {
    await sayFromDesk(scope, sessionLog, { kind: "reopen", why: form.why }, null);
    return ok(null);
  }
  const log = foldCommands(await commandsAfter(scope, sessionLog.id, 0));
  const logged = loggedSetsOf(log).find(({ commandId }) => commandId === form.command);
  if (logged === undefined) return fail({ code: "changedMeanwhile" });
  const { loggedSet } = logged;
  if (form.intent === "remove") {
    await sayFromDesk(
      scope,
      sessionLog,
      { kind: "removePart", key: loggedSet.key, why: form.why },
      form.command,
    );
    return ok(null);
  }
  const { stationVersion } = loggedSet;
  const station = (await stationVersions(scope, [stationVersion])).get(stationVersion) ?? null;
  const reading = typedLoad(form.load, loggedSet, station);
  if (!reading.ok) return fail({ code: "notALoad", error: reading.error });
  const { done, rir } = form;
  const part = correctedSet(loggedSet, { reading: reading.value, done, rir }, station, newId());
  await sayFromDesk(scope, sessionLog, { kind: "part", part, why: form.why }, form.command);
  return ok(null);
}

/** The load as the coach typed it, in the unit of the set or of its station; null where it is unknown. */
function typedLoad(
  text: string,
  loggedSet: LoggedSet,
  station: Pick<Station, "loading"> | null,
): Result<Mass | null, MassTextError> {
  if (text === "") return ok(null);
  return parseMass(text, loggedSet.reading?.unit ?? station?.loading.unit ?? "kg");
}

/** A desk is a device as well, one for each user: its id is the user's, its commands have their own sequence. */
async function sayFromDesk(
  scope: Scope,
  sessionLog: StoredSessionLog,
  body: CommandBody,
  parent: Id<"command"> | null,
): Promise<void> {
  if (scope.actor.kind !== "user") throw new Error("only a user corrects from the desk");
  const device = idOf<"device">(scope.actor.id);
  for (let attempt = 1; ; attempt++) {
    const known = await commandsAfter(scope, sessionLog.id, 0);
    const seqs = known.map(({ command }) => (command.device === device ? command.seq : 0));
    const accepted = await takeCommands(scope, sessionLog.id, [
      {
        commandId: newId(),
        runId: sessionLog.id,
        device,
        seq: Math.max(0, ...seqs) + 1,
        parent: parent ?? parentFor(foldCommands(known), body),
        at: scope.now,
        body,
      },
    ]);
    if (accepted.ok) return;
    // The same user said something at another desk at the same moment.
    if (accepted.error.code !== "gap" || attempt >= 3)
      throw new Error(`correction refused: ${accepted.error.code}`);
  }
}

/** Who said a command, and when the server heard it. */
export interface Author {
  readonly commandId: Id<"command">;
  readonly name: string;
  readonly at: Instant;
}

/** Who said each command of a session log. */
export async function authorsOf(
  scope: Scope,
  sessionLogId: Id<"sessionLog">,
): Promise<readonly Author[]> {
  const rows = (await scope
    .from("commands")
    .leftJoin("users", "users.id", "commands.actor_id")
    .where({ "commands.run_id": toBinary(sessionLogId) })
    .select("commands.id", "commands.received_at", "users.display_name")) as Row[];
  return rows.map((row) => ({
    commandId: fromBinary(row["id"]),
    name: z.string().nullable().parse(row["display_name"]) ?? "Kravo",
    at: instantColumn.parse(row["received_at"]),
  }));
}
