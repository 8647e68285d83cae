import { z } from "zod";
import { recordOf, type Id, type Instant } from "~/core/kernel/index.ts";
import { CHANGE_KINDS, type ToldChange } from "~/format/changes.ts";
import { instantColumn } from "~/codec/rows.ts";
import { fromBinary } from "./columns.server.ts";
import { listMembers } from "./coaches.server.ts";
import type { Row, Scope, StudioTable } from "./scope.server.ts";

/** Rows that say who wrote them, and when. */
interface Source {
  readonly table: StudioTable;
  readonly at?: string;
  /** The table that says more of it, and the column that leads there. */
  readonly through?: readonly [StudioTable, string];
  /** The column that says what it is about, there or in the table itself. */
  readonly about?: string;
  readonly number?: string;
  readonly isOfClient: boolean;
}

const SOURCES: Readonly<Record<ToldChange["kind"], Source>> = {
  session: {
    table: "plan_revisions",
    through: ["plans", "plan_id"],
    about: "title",
    number: "number",
    isOfClient: true,
  },
  phase: {
    table: "phase_revisions",
    through: ["phases", "phase_id"],
    about: "name",
    number: "number",
    isOfClient: true,
  },
  brief: { table: "briefs", number: "revision", isOfClient: true },
  measurement: { table: "measurements", about: "kind", isOfClient: true },
  training: {
    table: "runs",
    at: "started_at",
    through: ["plans", "plan_id"],
    about: "title",
    isOfClient: true,
  },
  decision: { table: "rulings", about: "decision", isOfClient: true },
  equipment: { table: "station_versions", about: "name", number: "version", isOfClient: false },
  link: { table: "grants", about: "kind", isOfClient: false },
};

/** Something that somebody wrote. */
export interface Change extends ToldChange {
  readonly at: Instant;
  /** Null for the system itself, and for whoever is no longer known. */
  readonly by: string | null;
  /** Whose client it is about; null where it is about none. */
  readonly client: { readonly id: Id<"person">; readonly name: string } | null;
}

/** So many are told at once. */
export const CHANGES_SHOWN = 100;

/** What was changed before a moment, the latest first. */
export async function changesBefore(scope: Scope, before: Instant): Promise<readonly Change[]> {
  const [members, ...found] = await Promise.all([
    listMembers(scope),
    ...CHANGE_KINDS.map((kind) => changesOf(scope, kind, before)),
  ]);
  const names = recordOf(
    members.map(({ id }) => id),
    (id) => members.find((own) => own.id === id)?.name ?? null,
  );
  return found
    .flat()
    .toSorted((a, b) => b.at - a.at)
    .slice(0, CHANGES_SHOWN)
    .map(({ actor, ...change }) => ({
      ...change,
      by: actor === null ? null : (names[actor] ?? null),
    }));
}

async function changesOf(scope: Scope, kind: ToldChange["kind"], before: Instant) {
  const { table, at = "created_at", through, about, number, isOfClient } = SOURCES[kind];
  const [more, leads] = through ?? [table, null];
  const query = scope.from(table).where(`${table}.${at}`, "<", before);
  if (leads !== null)
    query.join(more, (on) =>
      on.on(`${more}.studio_id`, `${table}.studio_id`).andOn(`${more}.id`, `${table}.${leads}`),
    );
  if (isOfClient)
    query
      .join("people", (on) =>
        on.on("people.studio_id", `${table}.studio_id`).andOn("people.id", `${more}.person_id`),
      )
      .select("people.id as client", "people.name as client_name");
  if (about !== undefined) query.select(`${more}.${about} as about`);
  if (number !== undefined) query.select(`${table}.${number} as number`);
  // Ids rise with time, so that the primary key has the order.
  const rows = (await query
    .orderBy(`${table}.id`, "desc")
    .limit(CHANGES_SHOWN)
    .select(`${table}.${at} as at`, `${table}.actor_kind`, `${table}.actor_id`)) as Row[];
  return rows.map((row) => ({
    kind,
    at: instantColumn.parse(row["at"]),
    actor: row["actor_kind"] === "user" ? fromBinary<"user">(row["actor_id"]) : null,
    about: z.string().nullish().parse(row["about"]) ?? "",
    number: z.number().nullish().parse(row["number"]) ?? null,
    client: isOfClient
      ? { id: fromBinary<"person">(row["client"]), name: z.string().parse(row["client_name"]) }
      : null,
  }));
}
