import { z } from "zod";
import type { Day, Id } from "~/core/kernel/index.ts";
import { EVENT_KINDS, type EventForm } from "~/codec/event.ts";
import { dayColumn } from "~/codec/rows.ts";
import { newId } from "~/codec/new-id.ts";
import { fromBinary, toBinary } from "./columns.server.ts";
import type { Row, Scope } from "./scope.server.ts";
import { readEach } from "./set-apart.server.ts";

/** Something of the season: of one client, or of everybody where that is null. */
export interface SeasonEvent extends EventForm {
  readonly id: Id<"event">;
}

function eventFrom(row: Row): SeasonEvent {
  return {
    id: fromBinary(row["id"]),
    personId: row["person_id"] === null ? null : fromBinary(row["person_id"]),
    kind: z.enum(EVENT_KINDS).parse(row["kind"]),
    name: z.string().parse(row["name"]),
    starts: dayColumn.parse(row["starts"]),
    ends: dayColumn.parse(row["ends"]),
    gymId: row["gym_id"] === null ? null : fromBinary(row["gym_id"]),
  };
}

/** Events that have a day from one to another. */
export async function listEvents(
  scope: Scope,
  from: Day,
  to: Day,
): Promise<readonly SeasonEvent[]> {
  const rows = await scope
    .from("events")
    .whereNull("removed_at")
    .where("starts", "<=", to)
    .where("ends", ">=", from)
    .orderBy("starts");
  return readEach(scope, "event", rows, eventFrom);
}

/** Adds an event; false where its client or gym is gone. */
export async function addEvent(scope: Scope, form: EventForm): Promise<boolean> {
  const has = async (table: "people" | "gyms", id: string | null) =>
    id === null ||
    (await scope
      .from(table)
      .where({ id: toBinary(id as Id<"person">) })
      .first("id")) !== undefined;
  if (!(await has("people", form.personId)) || !(await has("gyms", form.gymId))) return false;
  await scope.insert("events", {
    id: toBinary(newId<"event">()),
    ...columnsOf(form),
    revision: 1,
    created_at: scope.now,
    ...scope.by,
  });
  return true;
}

/** Moves an event to other days; false where it is gone. */
export async function moveEvent(
  scope: Scope,
  id: Id<"event">,
  starts: Day,
  ends: Day,
): Promise<boolean> {
  const changed = await scope
    .from("events")
    .where({ id: toBinary(id) })
    .whereNull("removed_at")
    .update({ starts, ends, revision: scope.raw("revision + 1"), ...scope.by });
  return changed === 1;
}

/** Takes an event off the calendar; the row stays. */
export async function removeEvent(scope: Scope, id: Id<"event">): Promise<boolean> {
  const removed = await scope
    .from("events")
    .where({ id: toBinary(id) })
    .whereNull("removed_at")
    .update({ removed_at: scope.now });
  return removed === 1;
}

function columnsOf({ personId, kind, name, starts, ends, gymId }: EventForm) {
  return {
    person_id: personId === null ? null : toBinary(personId),
    kind,
    name,
    starts,
    ends,
    gym_id: gymId === null ? null : toBinary(gymId),
  };
}
