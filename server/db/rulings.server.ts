import { z } from "zod";
import { type Id, type Mass, massField } from "~/core/kernel/index.ts";
import {
  changeField,
  MOVES,
  WAYS,
  type Decided,
  type Proposal,
  type ShownProposal,
  type WayCode,
} from "~/core/progress/index.ts";
import { jsonColumn } from "~/codec/rows.ts";
import { newId } from "~/codec/new-id.ts";
import { fromBinary, toBinary } from "./columns.server.ts";
import type { Row, Scope } from "./scope.server.ts";
import { readEach } from "./set-apart.server.ts";

/** What the coach decided about a proposal. An overruling carries its reason. */
export interface Ruling {
  readonly id: Id<"ruling">;
  readonly slotId: Id<"slot">;
  readonly lineageId: Id<"lineage">;
  /** Null for one from before there were lines: it was on the whole exercise. */
  readonly line: Id<"line"> | null;
  readonly decision: "accepted" | "overruled";
  /** The other way that was accepted instead; null where it was the proposal, and for those from before it was kept. */
  readonly way: WayCode | null;
  readonly chosen: Mass | null;
  readonly reason: string;
  /** The proposal as it was shown, and the position up to which the log had been read for it. */
  readonly shown: ShownProposal;
  readonly logPosition: number;
}

const chosenColumn = jsonColumn(massField.nullable());

export async function addRuling(
  scope: Scope,
  sessionLogId: Id<"sessionLog">,
  person: Id<"person">,
  proposal: Proposal,
  ruling: Omit<Ruling, "id" | "shown">,
): Promise<Id<"ruling">> {
  const id = newId<"ruling">();
  await scope.insert("rulings", {
    id: toBinary(id),
    run_id: toBinary(sessionLogId),
    person_id: toBinary(person),
    slot_id: toBinary(ruling.slotId),
    line_id: toBinary(ruling.lineageId),
    on_line: ruling.line === null ? null : toBinary(ruling.line),
    proposal: JSON.stringify(proposal),
    decision: ruling.decision,
    way: ruling.way,
    chosen: ruling.chosen === null ? null : JSON.stringify(ruling.chosen),
    reason: ruling.reason,
    log_position: ruling.logPosition,
    created_at: scope.now,
    ...scope.by,
  });
  return id;
}

/** A decision as a ruling, at a position of the log. */
export function rulingOf(
  { slot, proposal, decision, chosen }: Decided,
  logPosition: number,
): Omit<Ruling, "id" | "shown"> {
  return {
    slotId: slot.id,
    lineageId: slot.lineageId,
    line: proposal.line,
    decision: decision.kind === "overrule" ? "overruled" : "accepted",
    way: decision.kind === "way" ? decision.way : null,
    chosen: chosen.reading,
    reason: decision.kind === "overrule" ? decision.reason.trim() : "",
    logPosition,
  };
}

/** Takes rulings back: each stays, and one that withdraws it comes after it. */
export async function withdrawRulings(
  scope: Scope,
  sessionLogId: Id<"sessionLog">,
  of: { readonly line: Id<"line"> } | { readonly madeAt: number },
): Promise<void> {
  const own = (await scope
    .from("rulings")
    .where({ run_id: toBinary(sessionLogId) })
    .where("line" in of ? { on_line: toBinary(of.line) } : { created_at: of.madeAt })
    .orderBy("id")) as Row[];
  const latest = new Map(
    own.map((row) => [`${String(row["slot_id"])} ${String(row["on_line"])}`, row]),
  );
  for (const row of latest.values()) {
    if (row["decision"] === "withdrawn") continue;
    await scope.insert("rulings", {
      ...row,
      id: toBinary(newId<"ruling">()),
      decision: "withdrawn",
      created_at: scope.now,
      ...scope.by,
    });
  }
}

const shownColumn = jsonColumn(
  z.object({
    move: z.enum(MOVES),
    reading: massField.nullable(),
    // Before there were other changes than of load, and for keeping from which load.
    from: massField.nullable().default(null),
    changes: z.array(changeField).readonly().default([]),
  }),
);

/** The ruling on each of a session log's proposals: of several on one line the latest, which supersedes the others. */
export async function rulingsOn(
  scope: Scope,
  sessionLogId: Id<"sessionLog">,
): Promise<readonly Ruling[]> {
  return (await rulingsOnEach(scope, [sessionLogId])).get(sessionLogId) ?? [];
}

/** As {@link rulingsOn}, of several session logs in one query. */
export async function rulingsOnEach(
  scope: Scope,
  sessionLogIds: readonly Id<"sessionLog">[],
): Promise<ReadonlyMap<Id<"sessionLog">, readonly Ruling[]>> {
  const ids = [...new Set(sessionLogIds)];
  const rows =
    ids.length === 0
      ? []
      : await scope.from("rulings").whereIn("run_id", ids.map(toBinary)).orderBy("id");
  const all = readEach(scope, "ruling", rows, (row) => ({
    session: fromBinary<"sessionLog">(row["run_id"]),
    line: `${fromBinary<"slot">(row["slot_id"])} ${row["on_line"] === null ? "" : fromBinary<"line">(row["on_line"])}`,
    // One that withdraws another leaves none.
    ruling: row["decision"] === "withdrawn" ? null : rulingIn(row),
  }));
  return new Map(
    ids.map((id) => {
      const own = all.filter(({ session }) => session === id);
      const latest = new Map(own.map(({ line, ruling }) => [line, ruling]));
      return [id, [...latest.values()].filter((ruling) => ruling !== null)];
    }),
  );
}

function rulingIn(row: Row): Ruling {
  return {
    id: fromBinary(row["id"]),
    slotId: fromBinary(row["slot_id"]),
    lineageId: fromBinary(row["line_id"]),
    line: row["on_line"] === null ? null : fromBinary(row["on_line"]),
    decision: z.enum(["accepted", "overruled"]).parse(row["decision"]),
    way: z.enum(WAYS).nullable().parse(row["way"]),
    chosen: row["chosen"] === null ? null : chosenColumn.parse(row["chosen"]),
    reason: z.string().parse(row["reason"]),
    shown: shownColumn.parse(row["proposal"]),
    logPosition: z.number().parse(row["log_position"]),
  };
}

/** The ruling on one line among those of a session log, or the one on its whole exercise. */
export function rulingOn(
  rulings: readonly Ruling[],
  slot: Id<"slot">,
  line: Id<"line">,
): Ruling | null {
  const own = rulings.filter(({ slotId }) => slotId === slot);
  return own.find((r) => r.line === line) ?? own.find((r) => r.line === null) ?? null;
}
