import { z } from "zod";
import { fail, movementField, ok, type MovementRef, type Result } from "~/core/kernel/index.ts";
import type { OwnSetUps } from "~/core/movement/catalogue/index.ts";
import type { OwnSetUp } from "~/core/movement/index.ts";
import { newId } from "~/codec/new-id.ts";
import { ownSetUpCodec } from "~/codec/own-set-up.ts";
import { jsonColumn, storedJson } from "~/codec/rows.ts";
import { toBinary } from "./columns.server.ts";
import { isDuplicate } from "./connection.server.ts";
import type { Row, Scope } from "./scope.server.ts";
import { readEach } from "./set-apart.server.ts";

/** What the studio added to one exercise, with the revision that optimistic locking compares. */
export interface StoredSetUp {
  readonly movement: MovementRef;
  readonly revision: number;
  readonly setUp: OwnSetUp;
}

const documentColumn = jsonColumn(ownSetUpCodec);

const setUpFrom = (row: Row): StoredSetUp => ({
  movement: movementField.parse(row["movement"]),
  revision: z.number().parse(row["revision"]),
  setUp: documentColumn.parse(row["document"]),
});

/** What this studio added to exercises. */
export async function listOwnSetUps(scope: Scope): Promise<readonly StoredSetUp[]> {
  return readEach(
    scope,
    "set-up of an exercise",
    await scope.from("own_set_ups").orderBy("id"),
    setUpFrom,
  );
}

/** The same by reference, as a catalogue takes it. */
export function setUpsByRef(stored: readonly StoredSetUp[]): OwnSetUps {
  return Object.fromEntries(stored.map(({ movement, setUp }) => [movement, setUp]));
}

/** Saves what is added to an exercise if nobody else has meanwhile; revision 0 is nothing yet. */
export async function saveOwnSetUp(
  scope: Scope,
  movement: MovementRef,
  baseRevision: number,
  setUp: OwnSetUp,
): Promise<Result<null, "changedMeanwhile">> {
  const columns = {
    document: storedJson(ownSetUpCodec, setUp),
    revision: baseRevision + 1,
    changed_at: scope.now,
    ...scope.by,
  };
  if (baseRevision > 0) {
    const changed = await scope
      .from("own_set_ups")
      .where({ movement, revision: baseRevision })
      .update(columns);
    return changed === 1 ? ok(null) : fail("changedMeanwhile");
  }
  return scope
    .insert("own_set_ups", { id: toBinary(newId<"revision">()), movement, ...columns })
    .then(
      () => ok(null),
      (error: unknown) => {
        if (isDuplicate(error)) return fail("changedMeanwhile" as const);
        throw error;
      },
    );
}
