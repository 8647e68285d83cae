import { z } from "zod";
import type { Id } from "~/core/kernel/index.ts";
import { comparingField, type Comparing } from "~/core/log/index.ts";
import { newId } from "~/codec/new-id.ts";
import { fromBinary, toBinary } from "./columns.server.ts";
import type { Row, Scope } from "./scope.server.ts";
import { readEach } from "./set-apart.server.ts";
import { outdateWaiting } from "./waiting.server.ts";

/** A coach's word on comparing as it is kept, with why. */
export interface StoredComparing extends Comparing {
  readonly id: Id<"comparing">;
  readonly reason: string;
}

/** What does not matter for a person: said of them, or of everybody; what was taken back is not listed. */
export async function comparingOf(
  scope: Scope,
  person: Id<"person">,
): Promise<readonly StoredComparing[]> {
  const rows: Row[] = await scope
    .from("comparing")
    .where((either) => either.where({ person_id: toBinary(person) }).orWhereNull("person_id"))
    .whereNull("withdrawn_at")
    .orderBy("id");
  const idOr = <K extends "person" | "station">(value: unknown): Id<K> | null =>
    value === null ? null : fromBinary<K>(value);
  return readEach(scope, "word on comparing", rows, (row) => ({
    ...comparingField.parse({
      movement: row["movement"],
      condition: row["condition_name"],
      parameter: row["parameter"],
    }),
    id: fromBinary<"comparing">(row["id"]),
    person: idOr<"person">(row["person_id"]),
    station: idOr<"station">(row["station_id"]),
    reason: z.string().parse(row["reason"]),
  }));
}

export async function sayComparing(
  scope: Scope,
  { person, station, movement, condition, parameter }: Comparing,
  reason: string,
): Promise<void> {
  await scope.insert("comparing", {
    id: toBinary(newId<"comparing">()),
    person_id: person === null ? null : toBinary(person),
    station_id: station === null ? null : toBinary(station),
    movement,
    condition_name: condition,
    parameter,
    reason,
    created_at: scope.now,
    ...scope.by,
  });
  await outdateWaiting(scope, person);
}

/** Takes a word back; the row stays, with when. */
export async function withdrawComparing(scope: Scope, id: Id<"comparing">): Promise<void> {
  await scope
    .from("comparing")
    .where({ id: toBinary(id) })
    .whereNull("withdrawn_at")
    .update({ withdrawn_at: scope.now });
  await outdateWaiting(scope, null);
}
