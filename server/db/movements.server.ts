import { z } from "zod";
import { type Id, type MovementRef, fail, ok, type Result } from "~/core/kernel/index.ts";
import { catalogueOf, type Catalogue } from "~/core/movement/catalogue/index.ts";
import type { Movement } from "~/core/movement/index.ts";
import { newId } from "~/codec/new-id.ts";
import { movementCodec } from "~/codec/movement.ts";
import { jsonColumn, storedJson } from "~/codec/rows.ts";
import { fromBinary, toBinary } from "./columns.server.ts";
import { listOwnSetUps, setUpsByRef } from "./own-set-ups.server.ts";
import type { Row, Scope } from "./scope.server.ts";
import { readEach } from "./set-apart.server.ts";

/** A movement that a studio wrote, with the revision that optimistic locking compares. */
export interface OwnMovement extends Movement {
  readonly id: Id<"movement">;
  readonly revision: number;
}

const documentColumn = jsonColumn(movementCodec);

function movementFrom(row: Row): OwnMovement {
  const id = fromBinary<"movement">(row["id"]);
  return {
    ...documentColumn.parse(row["document"]),
    id,
    ref: `studio:${id}`,
    revision: z.number().parse(row["revision"]),
  };
}

/** The movements that this studio wrote, in the order in which they were written. */
export async function listOwnMovements(scope: Scope): Promise<readonly OwnMovement[]> {
  return readEach(scope, "exercise", await scope.from("movements").orderBy("id"), movementFrom);
}

/** The studio's own movements beside those that ship. */
export async function catalogueFor(scope: Scope): Promise<Catalogue> {
  const [own, setUps] = await Promise.all([listOwnMovements(scope), listOwnSetUps(scope)]);
  return catalogueOf(own, setUpsByRef(setUps));
}

export async function addMovement(
  scope: Scope,
  movement: Omit<Movement, "ref">,
  copiedFrom: MovementRef | null,
): Promise<Id<"movement">> {
  const id = newId<"movement">();
  await scope.insert("movements", {
    id: toBinary(id),
    copied_from: copiedFrom,
    document: storedJson(movementCodec, movement),
    revision: 1,
    changed_at: scope.now,
    ...scope.by,
  });
  return id;
}

/** Saves a studio's own movement if nobody else has meanwhile. */
export async function changeMovement(
  scope: Scope,
  id: Id<"movement">,
  baseRevision: number,
  movement: Omit<Movement, "ref">,
): Promise<Result<null, "changedMeanwhile">> {
  const changed = await scope
    .from("movements")
    .where({ id: toBinary(id), revision: baseRevision })
    .update({
      document: storedJson(movementCodec, movement),
      revision: baseRevision + 1,
      changed_at: scope.now,
      ...scope.by,
    });
  return changed === 1 ? ok(null) : fail("changedMeanwhile");
}
