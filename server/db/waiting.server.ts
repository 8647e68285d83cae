import { z } from "zod";
import type { Day, Id, Instant } from "~/core/kernel/index.ts";
import {
  WAITING_ENGINE,
  waitingLineField,
  type LineOf,
  type WaitingLine,
} from "~/core/progress/index.ts";
import { dayColumn, instantColumn, jsonColumn, storedJson } from "~/codec/rows.ts";
import { newId } from "~/codec/new-id.ts";
import { fromBinary, toBinary } from "./columns.server.ts";
import type { Row, Scope } from "./scope.server.ts";
import { readEach } from "./set-apart.server.ts";

/** A line that waits for the coach, with the session that it was trained in. */
export interface StoredWaiting {
  readonly id: Id<"waiting">;
  readonly personId: Id<"person">;
  readonly personName: string;
  readonly sessionLog: Id<"sessionLog">;
  readonly title: string;
  readonly day: Day;
  readonly endedAt: Instant;
  readonly facts: WaitingLine;
  /** True where the coach decided about it, and the session is not planned on yet. */
  readonly isRuled: boolean;
}

const factsColumn = jsonColumn(waitingLineField);

const subjectOf = ({ slotId, line }: LineOf) => `${slotId} ${line}`;

/**
 * The lines of a session that wait, in place of those of before. A line on which the coach decided meanwhile names the
 * ruling. Nothing waits of a session that is not ended, or is planned on.
 */
export async function replaceWaiting(
  scope: Scope,
  session: {
    readonly id: Id<"sessionLog">;
    readonly personId: Id<"person">;
    readonly lastPosition: number;
  },
  lines: readonly { readonly facts: WaitingLine; readonly ruling: Id<"ruling"> | null }[],
): Promise<void> {
  await scope
    .from("waiting")
    .where({ run_id: toBinary(session.id) })
    .delete();
  for (const { facts, ruling } of lines) {
    await scope.insert("waiting", {
      id: toBinary(newId<"waiting">()),
      person_id: toBinary(session.personId),
      run_id: toBinary(session.id),
      subject: subjectOf({ slotId: facts.slot, line: facts.line }),
      facts: storedJson(waitingLineField, facts),
      log_position: session.lastPosition,
      engine: WAITING_ENGINE,
      ruling_id: ruling === null ? null : toBinary(ruling),
      created_at: scope.now,
    });
  }
  await scope
    .from("runs")
    .where({ id: toBinary(session.id) })
    .update({ waiting_position: session.lastPosition, waiting_engine: WAITING_ENGINE });
}

/** Says that a session was looked at, whatever came of it. */
export async function markWorkedOut(scope: Scope, id: Id<"sessionLog">): Promise<void> {
  await scope
    .from("runs")
    .where({ id: toBinary(id) })
    .update({ waiting_position: scope.raw("last_position"), waiting_engine: WAITING_ENGINE });
}

/** Marks a line as decided about, or as waiting again. */
export async function markRuled(
  scope: Scope,
  session: Id<"sessionLog">,
  at: LineOf,
  ruling: Id<"ruling"> | null,
): Promise<void> {
  await scope
    .from("waiting")
    .where({ run_id: toBinary(session), subject: subjectOf(at) })
    .update({ ruling_id: ruling === null ? null : toBinary(ruling) });
}

/** Sessions whose waiting lines have to be worked out anew, of a client or of all. */
export async function outdateWaiting(scope: Scope, person: Id<"person"> | null): Promise<void> {
  const open = scope.from("runs").where({ is_open: 1 });
  await (person === null ? open : open.where({ person_id: toBinary(person) })).update({
    waiting_position: null,
  });
}

/** Every line of a session that was ended and not planned on; newest first. */
export async function listWaiting(scope: Scope): Promise<readonly StoredWaiting[]> {
  const rows = (await scope
    .from("waiting")
    .join("runs", (join) =>
      join.on("runs.studio_id", "waiting.studio_id").andOn("runs.id", "waiting.run_id"),
    )
    .join("plans", (join) =>
      join.on("plans.studio_id", "runs.studio_id").andOn("plans.id", "runs.plan_id"),
    )
    .join("people", (join) =>
      join.on("people.studio_id", "waiting.studio_id").andOn("people.id", "waiting.person_id"),
    )
    .where({ "runs.is_open": 1 })
    .whereNull("people.archived_at")
    .whereNull("runs.settled_at")
    .whereNotNull("runs.ended_at")
    .orderBy([{ column: "runs.ended_at", order: "desc" }, { column: "waiting.id" }])
    .select(
      "waiting.*",
      "people.name as person_name",
      "plans.title",
      "plans.day",
      "runs.ended_at",
    )) as Row[];
  return readEach(scope, "waiting decision", rows, (row) => ({
    id: fromBinary<"waiting">(row["id"]),
    personId: fromBinary<"person">(row["person_id"]),
    personName: z.string().parse(row["person_name"]),
    sessionLog: fromBinary<"sessionLog">(row["run_id"]),
    title: z.string().parse(row["title"]),
    day: dayColumn.parse(row["day"]),
    endedAt: instantColumn.parse(row["ended_at"]),
    facts: factsColumn.parse(row["facts"]),
    isRuled: row["ruling_id"] !== null,
  }));
}

/** Ended sessions of which nobody knows yet what waits: something changed since, or another engine worked it out. */
export async function outdatedSessions(
  scope: Scope,
  limit: number,
): Promise<readonly Id<"sessionLog">[]> {
  const rows = (await scope
    .from("runs")
    .where({ is_open: 1 })
    .whereNull("settled_at")
    .whereNotNull("ended_at")
    .where((out) =>
      out
        .whereNull("waiting_position")
        .orWhereRaw("waiting_position <> last_position")
        .orWhereNot("waiting_engine", WAITING_ENGINE),
    )
    .orderBy("ended_at", "desc")
    .limit(limit)
    .select("id")) as Row[];
  return rows.map((row) => fromBinary(row["id"]));
}

/** Puts something off until a day; null takes that back. False where the client is gone. */
export async function putOff(
  scope: Scope,
  person: Id<"person">,
  subject: string,
  until: Day | null,
): Promise<boolean> {
  return scope.transaction(async (trx) => {
    const whose = await trx
      .from("people")
      .where({ id: toBinary(person) })
      .first("id");
    if (whose === undefined) return false;
    await trx.from("put_off").where({ subject }).delete();
    if (until === null) return true;
    await trx.insert("put_off", {
      id: toBinary(newId<"putOff">()),
      person_id: toBinary(person),
      subject,
      until_day: until,
      created_at: trx.now,
      ...trx.by,
    });
    return true;
  });
}

/** What is put off beyond a day. */
export async function subjectsPutOff(scope: Scope, today: Day): Promise<ReadonlySet<string>> {
  const rows = (await scope
    .from("put_off")
    .where("until_day", ">", today)
    .select("subject")) as Row[];
  return new Set(rows.map((row) => z.string().parse(row["subject"])));
}
