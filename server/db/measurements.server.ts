import { z } from "zod";
import type { Id } from "~/core/kernel/index.ts";
import type { CheckIn, Command } from "~/core/log/index.ts";
import {
  MEASURED,
  type MeasuredKind,
  type MeasuredValue,
  type Measurement,
} from "~/core/person/index.ts";
import type { MeasurementForm } from "~/codec/measurement.ts";
import { newId } from "~/codec/new-id.ts";
import { sideColumn } from "~/codec/performed.ts";
import { dayColumn } from "~/codec/rows.ts";
import { fromBinary, toBinary } from "./columns.server.ts";
import type { Row, Scope } from "./scope.server.ts";
import { readEach } from "./set-apart.server.ts";
import { outdateWaiting } from "./waiting.server.ts";

const kindColumn = z.enum(Object.keys(MEASURED) as [MeasuredKind, ...MeasuredKind[]]);
const unitColumn = z.enum(["kg", "lb", "cm", "ofFive"]);

function measurementFrom(row: Row): Measurement {
  return {
    id: fromBinary(row["id"]),
    kind: kindColumn.parse(row["kind"]),
    side: sideColumn.parse(row["side"]),
    value: {
      thousandths: z.number().parse(row["value_thousandths"]),
      unit: unitColumn.parse(row["unit"]),
    },
    day: dayColumn.parse(row["day"]),
    note: z.string().parse(row["note"]),
  };
}

/** What was measured of a person, oldest first, without what was removed. */
export async function listMeasurements(
  scope: Scope,
  person: Id<"person">,
): Promise<readonly Measurement[]> {
  const rows = await scope
    .from("measurements")
    .where({ person_id: toBinary(person) })
    .whereNull("removed_at")
    .orderBy(["day", "created_at"]);
  return readEach(scope, "measurement", rows, measurementFrom);
}

export async function addMeasurement(
  scope: Scope,
  person: Id<"person">,
  form: MeasurementForm,
): Promise<void> {
  await scope.insert("measurements", {
    id: toBinary(newId<"measurement">()),
    person_id: toBinary(person),
    day: form.day,
    kind: form.kind,
    side: form.side,
    value_thousandths: form.value.thousandths,
    unit: form.value.unit,
    note: form.note,
    created_at: scope.now,
    ...scope.by,
  });
  await outdateWaiting(scope, person);
}

/** Takes a measurement out of the series; the row stays, marked. */
export async function removeMeasurement(
  scope: Scope,
  person: Id<"person">,
  id: Id<"measurement">,
): Promise<boolean> {
  const removed = await scope
    .from("measurements")
    .where({ id: toBinary(id), person_id: toBinary(person) })
    .whereNull("removed_at")
    .update({ removed_at: scope.now });
  await outdateWaiting(scope, person);
  return removed === 1;
}

const checkedIn = z.object({ person_id: z.instanceof(Buffer), day: dayColumn });

/**
 * Counts what was said at a check-in as measured of the trainee on the day of the session, in the command's own
 * transaction; what the check-in before said is taken out.
 */
export async function measureCheckIn(
  scope: Scope,
  { commandId, runId, parent }: Command,
  { bodyWeight, readiness }: CheckIn,
): Promise<void> {
  if (parent !== null) {
    await scope
      .from("measurements")
      .where({ command_id: toBinary(parent) })
      .whereNull("removed_at")
      .update({ removed_at: scope.now });
  }
  const session: unknown = await scope
    .from("runs")
    .join("plans", (join) =>
      join.on("plans.studio_id", "runs.studio_id").andOn("plans.id", "runs.plan_id"),
    )
    .where("runs.id", toBinary(runId))
    .first("runs.person_id", "plans.day");
  const { person_id, day } = checkedIn.parse(session);
  const said: readonly [MeasuredKind, MeasuredValue | null][] = [
    ["bodyWeight", bodyWeight],
    ["readiness", readiness === null ? null : { thousandths: readiness * 1000, unit: "ofFive" }],
  ];
  for (const [kind, value] of said) {
    if (value === null) continue;
    await scope.insert("measurements", {
      id: toBinary(newId<"measurement">()),
      person_id,
      day,
      kind,
      side: "both",
      value_thousandths: value.thousandths,
      unit: value.unit,
      note: "",
      command_id: toBinary(commandId),
      created_at: scope.now,
      ...scope.by,
    });
  }
}
