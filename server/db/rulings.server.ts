import { z } from "zod";
import type { Id } from "~/core/identity/index.ts";
import type { Proposal } from "~/core/progression/index.ts";
import type { Mass } from "~/core/quantity/index.ts";
import { jsonColumn } from "~/codec/rows.ts";
import { massCodec } from "~/codec/values.ts";
import { mintId } from "~/codec/mint.ts";
import { fromBinary, toBinary } from "./columns.server.ts";
import type { Scope } from "./scope.server.ts";

/** What the coach decided about a proposal. An overruling carries its reason. */
export interface Ruling {
  readonly slotId: Id<"slot">;
  readonly lineId: Id<"line">;
  readonly decision: "accepted" | "overruled";
  readonly chosen: Mass | null;
  readonly reason: string;
}

const chosenColumn = jsonColumn(massCodec.nullable());

export async function addRuling(
  scope: Scope,
  run: Id<"run">,
  person: Id<"person">,
  proposal: Proposal,
  ruling: Ruling,
): Promise<void> {
  await scope.insert("rulings", {
    id: toBinary(mintId<"ruling">()),
    run_id: toBinary(run),
    person_id: toBinary(person),
    slot_id: toBinary(ruling.slotId),
    line_id: toBinary(ruling.lineId),
    proposal: JSON.stringify(proposal),
    decision: ruling.decision,
    chosen: ruling.chosen === null ? null : JSON.stringify(ruling.chosen),
    reason: ruling.reason,
    created_at: scope.now,
    ...scope.by,
  });
}

/** The rulings on a run's proposals. */
export async function rulingsOn(scope: Scope, run: Id<"run">): Promise<readonly Ruling[]> {
  const rows = await scope
    .from("rulings")
    .where({ run_id: toBinary(run) })
    .orderBy("id");
  return rows.map((row) => ({
    slotId: fromBinary(row["slot_id"]),
    lineId: fromBinary(row["line_id"]),
    decision: z.enum(["accepted", "overruled"]).parse(row["decision"]),
    chosen: row["chosen"] === null ? null : chosenColumn.parse(row["chosen"]),
    reason: z.string().parse(row["reason"]),
  }));
}
