import { z } from "zod";
import {
  findShippedApproach,
  SHIPPED_APPROACHES,
  studioApproach,
  type Approach,
  type ApproachRef,
} from "~/core/person/index.ts";
import { type Id, fail, ok, type Result } from "~/core/kernel/index.ts";
import { approachCodec } from "~/codec/approach.ts";
import { newId } from "~/codec/new-id.ts";
import { beginningOf } from "~/codec/text.ts";
import { jsonColumn, storedJson } from "~/codec/rows.ts";
import { fromBinary, toBinary } from "./columns.server.ts";
import type { Row, Scope } from "./scope.server.ts";
import { readEach } from "./set-apart.server.ts";

/** A studio's own approach: a copy that was changed, with the revision that optimistic locking compares. */
export interface StoredApproach extends Approach {
  readonly id: Id<"approach">;
  readonly copiedFrom: string;
  readonly revision: number;
}

const documentColumn = jsonColumn(approachCodec);

function approachFrom(row: Row): StoredApproach {
  const id = fromBinary<"approach">(row["id"]);
  return {
    ...documentColumn.parse(row["document"]),
    id,
    ref: studioApproach(id),
    copiedFrom: z.string().parse(row["copied_from"]),
    revision: z.number().parse(row["revision"]),
  };
}

/** The studio's own approaches, in the order in which they were made. */
export async function listOwnApproaches(scope: Scope): Promise<readonly StoredApproach[]> {
  return readEach(scope, "approach", await scope.from("approaches").orderBy("id"), approachFrom);
}

/** All approaches that can be chosen: those that ship, then the studio's own. */
export async function listApproaches(scope: Scope): Promise<readonly Approach[]> {
  return [...SHIPPED_APPROACHES, ...(await listOwnApproaches(scope))];
}

export async function getApproach(scope: Scope, ref: ApproachRef): Promise<Approach | null> {
  return (
    findShippedApproach(ref) ??
    (await listOwnApproaches(scope)).find((own) => own.ref === ref) ??
    null
  );
}

/** Copies an approach for the studio to change. */
export async function copyApproach(scope: Scope, from: Approach): Promise<Id<"approach">> {
  const id = newId<"approach">();
  const { name, ref, ...views } = from;
  await scope.insert("approaches", {
    id: toBinary(id),
    copied_from: ref,
    document: storedJson(approachCodec, {
      name: `${beginningOf(name, 54)}, ours`,
      ...views,
    }),
    revision: 1,
    changed_at: scope.now,
    ...scope.by,
  });
  return id;
}

/** Saves a studio's own approach if nobody else has meanwhile. */
export async function changeApproach(
  scope: Scope,
  id: Id<"approach">,
  baseRevision: number,
  approach: Omit<Approach, "ref">,
): Promise<Result<null, "changedMeanwhile">> {
  const changed = await scope
    .from("approaches")
    .where({ id: toBinary(id), revision: baseRevision })
    .update({
      document: storedJson(approachCodec, approach),
      revision: baseRevision + 1,
      changed_at: scope.now,
      ...scope.by,
    });
  return changed === 1 ? ok(null) : fail("changedMeanwhile");
}
