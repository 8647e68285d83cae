import { z } from "zod";
import { warningField, warningSubject, type Warning } from "~/core/coach/warnings/index.ts";
import type { Id } from "~/core/kernel/index.ts";
import { newId } from "~/codec/new-id.ts";
import { jsonColumn, storedJson } from "~/codec/rows.ts";
import { fromBinary, toBinary } from "./columns.server.ts";
import type { Row, Scope } from "./scope.server.ts";
import { readEach } from "./set-apart.server.ts";

/** What goes wrong over weeks of one client. */
export interface StoredWarning {
  readonly personId: Id<"person">;
  readonly personName: string;
  readonly warning: Warning;
}

/** So long after the last session, in milliseconds, its warnings are still told on Today. Source: our rule, docs/today.md. */
const LATELY = 21 * 86_400_000;

const factsColumn = jsonColumn(warningField);

function warningFrom(row: Row): StoredWarning {
  return {
    personId: fromBinary(row["person_id"]),
    personName: z.string().parse(row["person_name"]),
    warning: factsColumn.parse(row["facts"]),
  };
}

const stored = (scope: Scope) =>
  scope
    .from("warnings")
    .join("people", (join) =>
      join.on("people.studio_id", "warnings.studio_id").andOn("people.id", "warnings.person_id"),
    )
    .orderBy("warnings.id")
    .select("warnings.*", "people.name as person_name");

/** Those of clients who trained lately: of one who stays away they say nothing any more. */
export async function listWarnings(scope: Scope): Promise<readonly StoredWarning[]> {
  const lately = stored(scope)
    .where("warnings.created_at", ">=", scope.now - LATELY)
    .whereNull("people.archived_at");
  return readEach(scope, "warning", await lately, warningFrom);
}

/** Those of one client, the gravest first. */
export async function warningsOn(scope: Scope, person: Id<"person">): Promise<readonly Warning[]> {
  const rows = await stored(scope).where({ "warnings.person_id": toBinary(person) });
  return readEach(scope, "warning", rows, warningFrom).map(({ warning }) => warning);
}

/** What was worked out of a client, in place of what was known before. */
export async function replaceWarnings(
  scope: Scope,
  person: Id<"person">,
  warnings: readonly Warning[],
): Promise<void> {
  await scope
    .from("warnings")
    .where({ person_id: toBinary(person) })
    .delete();
  for (const warning of warnings) {
    await scope.insert("warnings", {
      id: toBinary(newId<"warning">()),
      person_id: toBinary(person),
      subject: warningSubject(warning),
      facts: storedJson(warningField, warning),
      created_at: scope.now,
    });
  }
}
