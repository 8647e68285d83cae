import { z } from "zod";
import type { Id, Instant } from "~/core/kernel/index.ts";
import { instantColumn } from "~/codec/rows.ts";
import { fromBinary } from "../db/columns.server.ts";
import { listMembers } from "../db/coaches.server.ts";
import type { Row, Scope, StudioTable } from "../db/scope.server.ts";

/** What is told of, each read from rows that name who wrote them; the only list. */
const SOURCES = {
  session: {
    table: "plan_revisions",
    at: "created_at",
    through: ["plans", "plan_id"],
    of: "title",
  },
  phase: {
    table: "phase_revisions",
    at: "created_at",
    through: ["phases", "phase_id"],
    of: "name",
  },
  brief: { table: "briefs", at: "created_at", through: null, of: null },
  measurement: { table: "measurements", at: "created_at", through: null, of: "kind" },
  training: { table: "runs", at: "started_at", through: ["plans", "plan_id"], of: "title" },
  decision: { table: "rulings", at: "created_at", through: null, of: "decision" },
  equipment: { table: "station_versions", at: "created_at", through: null, of: "name" },
  link: { table: "grants", at: "created_at", through: null, of: "kind" },
} as const satisfies Readonly<
  Record<
    string,
    {
      readonly table: StudioTable;
      readonly at: string;
      /** The table that says more of it, and the column that leads there. */
      readonly through: readonly [StudioTable, string] | null;
      /** The column that says what it is about. */
      readonly of: string | null;
    }
  >
>;
export type ChangeKind = keyof typeof SOURCES;
const KINDS = Object.keys(SOURCES) as readonly ChangeKind[];

/** Something that somebody wrote. */
export interface Change {
  readonly kind: ChangeKind;
  readonly at: Instant;
  /** Null for the system itself, and for whoever is no longer known. */
  readonly by: string | null;
  /** Whose client it is about; null where it is about none. */
  readonly client: { readonly id: Id<"person">; readonly name: string } | null;
  readonly about: string;
  /** The revision or version that it became; null where it has none. */
  readonly number: number | null;
}

/** So many are told at once. */
export const CHANGES_SHOWN = 100;

/** What was changed before a moment, the latest first. */
export async function changesBefore(scope: Scope, before: Instant): Promise<readonly Change[]> {
  const [members, ...found] = await Promise.all([
    listMembers(scope),
    ...KINDS.map((kind) => changesOf(scope, kind, before)),
  ]);
  const names = new Map<string, string>(members.map(({ id, name }) => [id, name]));
  return found
    .flat()
    .toSorted((a, b) => b.at - a.at)
    .slice(0, CHANGES_SHOWN)
    .map(({ actor, ...change }) => ({
      ...change,
      by: actor === null ? null : (names.get(actor) ?? null),
    }));
}

async function changesOf(scope: Scope, kind: ChangeKind, before: Instant) {
  const { table, at, through, of } = SOURCES[kind];
  const [more, leads] = through ?? [null, null];
  const isOfClient = kind !== "equipment" && kind !== "link";
  const query = scope.from(table).where(`${table}.${at}`, "<", before);
  if (more !== null)
    query.join(more, (on) =>
      on.on(`${more}.studio_id`, `${table}.studio_id`).andOn(`${more}.id`, `${table}.${leads}`),
    );
  if (isOfClient)
    query.join("people", (on) =>
      on
        .on("people.studio_id", `${table}.studio_id`)
        .andOn("people.id", `${more ?? table}.person_id`),
    );
  const numbers = { session: "number", phase: "number", brief: "revision", equipment: "version" };
  const number = kind in numbers ? numbers[kind as keyof typeof numbers] : null;
  // Ids rise with time, so that the primary key has the order.
  const rows = (await query
    .orderBy(`${table}.id`, "desc")
    .limit(CHANGES_SHOWN)
    .select(`${table}.${at} as at`, `${table}.actor_kind`, `${table}.actor_id`)
    .modify((q) => {
      if (of !== null) void q.select(`${more ?? table}.${of} as about`);
      if (number !== null) void q.select(`${table}.${number} as number`);
      if (isOfClient) void q.select("people.id as client", "people.name as client_name");
    })) as Row[];
  return rows.map((row) => ({
    kind,
    at: instantColumn.parse(row["at"]),
    actor: row["actor_kind"] === "user" ? fromBinary<"user">(row["actor_id"]) : null,
    about: z.string().nullish().parse(row["about"]) ?? "",
    number: z.number().nullish().parse(row["number"]) ?? null,
    client: isOfClient
      ? {
          id: fromBinary<"person">(row["client"]),
          name: z.string().parse(row["client_name"]),
        }
      : null,
  }));
}
