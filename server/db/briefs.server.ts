import { z } from "zod";
import { EMPTY_BRIEF, type Brief, type Level } from "~/core/person/index.ts";
import { type Instant, type Id, fail, ok, type Result } from "~/core/kernel/index.ts";
import { briefCodec, type BriefDocument } from "~/codec/brief.ts";
import { newId } from "~/codec/new-id.ts";
import { instantColumn, jsonColumn, storedJson } from "~/codec/rows.ts";
import { toBinary } from "./columns.server.ts";
import type { Row, Scope } from "./scope.server.ts";
import { readEach } from "./set-apart.server.ts";
import { outdateWaiting } from "./waiting.server.ts";

/** A saved state of a brief; revision 0 is the empty one that everybody starts with. */
export interface BriefRevision {
  readonly revision: number;
  readonly at: Instant | null;
  readonly document: BriefDocument;
}

const documentColumn = jsonColumn(briefCodec);

function revisionFrom(row: Row): BriefRevision {
  return {
    revision: z.number().parse(row["revision"]),
    at: instantColumn.parse(row["created_at"]),
    document: documentColumn.parse(row["document"]),
  };
}

const NO_BRIEF: BriefRevision = { revision: 0, at: null, document: EMPTY_BRIEF };

/** States looked at beyond those asked for, in case the newest cannot be read. */
const SPARE = 3;

/** Every saved state of a person's brief, newest first; only the empty one where none was saved. */
export async function briefHistory(
  scope: Scope,
  person: Id<"person">,
  limit = 30,
): Promise<readonly BriefRevision[]> {
  const rows = await scope
    .from("briefs")
    .where({ person_id: toBinary(person) })
    .orderBy("revision", "desc")
    .limit(limit + SPARE);
  // What cannot be read gives way to the state before it, which is told, rather than to an empty brief.
  const read = readEach(scope, "brief", rows, revisionFrom);
  return read.length === 0 ? [NO_BRIEF] : read.slice(0, limit);
}

/** The brief that holds now, with the person's level. */
export async function currentBrief(
  scope: Scope,
  person: { readonly id: Id<"person">; readonly level: Level },
): Promise<Brief> {
  const [current = NO_BRIEF] = await briefHistory(scope, person.id, 1);
  return { ...current.document, level: person.level };
}

/** Saves the next state of a brief; fails with the current one where somebody was faster. */
export async function saveBrief(
  scope: Scope,
  person: Id<"person">,
  baseRevision: number,
  document: BriefDocument,
): Promise<Result<number, { code: "changedMeanwhile"; current: BriefRevision }>> {
  return scope.transaction(async (trx) => {
    // The person's row is the lock, so that two savers cannot both be next.
    await trx
      .from("people")
      .where({ id: toBinary(person) })
      .forUpdate()
      .first();
    const [current = NO_BRIEF] = await briefHistory(trx, person, 1);
    if (current.revision !== baseRevision) return fail({ code: "changedMeanwhile", current });
    const newest = await trx
      .from("briefs")
      .where({ person_id: toBinary(person) })
      .orderBy("revision", "desc")
      .first("revision");
    const revision = z.number().parse(newest?.["revision"] ?? 0) + 1;
    await trx.insert("briefs", {
      id: toBinary(newId<"revision">()),
      person_id: toBinary(person),
      revision,
      document: storedJson(briefCodec, document),
      created_at: trx.now,
      ...trx.by,
    });
    await outdateWaiting(trx, person);
    return ok(revision);
  });
}
