import { z } from "zod";
import { type Instant, fail, ok, type Result } from "~/core/kernel/index.ts";
import { USUAL_RULES, type StrengthRules } from "~/core/progress/index.ts";
import { newId } from "~/codec/new-id.ts";
import { jsonColumn, storedJson } from "~/codec/rows.ts";
import { strengthRulesCodec } from "~/codec/strength-rules.ts";
import { toBinary } from "./columns.server.ts";
import { isDuplicate } from "./connection.server.ts";
import type { Scope } from "./scope.server.ts";
import { readEach } from "./set-apart.server.ts";
import { outdateWaiting } from "./waiting.server.ts";

/** A saved state of a studio's rules; revision 0 is what every studio starts with. */
export interface StoredRules {
  readonly revision: number;
  readonly rules: StrengthRules;
}

const documentColumn = jsonColumn(strengthRulesCodec);

/** The rules as they were at an instant; now, where none is given. */
export async function strengthRules(scope: Scope, at: Instant = scope.now): Promise<StoredRules> {
  const row = await scope
    .from("strength_rules")
    .where("created_at", "<=", at)
    .orderBy("revision", "desc")
    .first();
  if (row === undefined) return { revision: 0, rules: USUAL_RULES };
  const [rules = USUAL_RULES] = readEach(scope, "strength rules", [row], ({ document }) =>
    documentColumn.parse(document),
  );
  return { revision: z.number().parse(row["revision"]), rules };
}

/** Saves the next state of the rules if nobody else has meanwhile. */
export async function saveStrengthRules(
  scope: Scope,
  baseRevision: number,
  rules: StrengthRules,
): Promise<Result<number, "changedMeanwhile">> {
  if ((await strengthRules(scope)).revision !== baseRevision) return fail("changedMeanwhile");
  // Two savers at once meet at the unique revision.
  return scope
    .insert("strength_rules", {
      id: toBinary(newId<"revision">()),
      revision: baseRevision + 1,
      document: storedJson(strengthRulesCodec, rules),
      created_at: scope.now,
      ...scope.by,
    })
    .then(
      async () => {
        await outdateWaiting(scope, null);
        return ok(baseRevision + 1);
      },
      (error: unknown) => {
        if (isDuplicate(error)) return fail("changedMeanwhile" as const);
        throw error;
      },
    );
}
