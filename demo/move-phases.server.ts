import type { Knex } from "knex";
import { addDays, isDay, weekdayOf } from "~/core/kernel/index.ts";
import { endOf, type Phase } from "~/core/phase/index.ts";
import { phaseCodec } from "~/codec/phase.ts";
import { jsonColumn, storedJson } from "~/codec/rows.ts";

const documentColumn = jsonColumn(phaseCodec);

/** Moves phases that only the seed has written forward by whole days, with the weekdays that they are trained on. */
export async function movePhases(trx: Knex, studio: Buffer, days: number): Promise<void> {
  const rows = (await trx("phases")
    .join("phase_revisions", (join) =>
      join
        .on("phase_revisions.studio_id", "phases.studio_id")
        .andOn("phase_revisions.phase_id", "phases.id"),
    )
    .where({ "phases.studio_id": studio, "phases.actor_kind": "system" })
    .orderBy("phase_revisions.number")
    .select(
      "phases.id",
      "phase_revisions.id as revision",
      "phase_revisions.document",
      "phase_revisions.edits",
      "phase_revisions.event",
    )) as {
    readonly id: Buffer;
    readonly revision: Buffer;
    readonly document: unknown;
    readonly edits: string | null;
    readonly event: string | null;
  }[];
  for (const { id, revision, document, edits, event } of rows) {
    const phase = moved(documentColumn.parse(document), days);
    await trx("phases")
      .where({ studio_id: studio, id })
      .update({ starts: phase.start, ends: endOf(phase) });
    await trx("phase_revisions")
      .where({ studio_id: studio, id: revision })
      .update({
        document: storedJson(phaseCodec, phase),
        edits: edits && datesMoved(edits, days),
        event: event && datesMoved(event, days),
      });
  }
}

function moved(phase: Phase, days: number): Phase {
  const start = addDays(phase.start, days);
  const shift = weekdayOf(start) - weekdayOf(phase.start);
  return {
    ...phase,
    start,
    placings: phase.placings.map((own) => ({ ...own, on: own.on && addDays(own.on, days) })),
    days: phase.days.map((day) => ({ ...day, weekday: ((day.weekday - 1 + shift + 7) % 7) + 1 })),
  };
}

/** A JSON text with every date in it moved. */
function datesMoved(text: string, days: number): string {
  return text.replaceAll(/"(\d{4}-\d{2}-\d{2})"/g, (quoted, date: string) =>
    isDay(date) ? `"${addDays(date, days)}"` : quoted,
  );
}
