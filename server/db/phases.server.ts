import { z } from "zod";
import { fail, ok, type Day, type Id, type Instant, type Result } from "~/core/kernel/index.ts";
import { replanEventField, type ReplanEvent } from "~/core/coach/replan/index.ts";
import { endOf, phaseEditField, type Phase, type PhaseEdit } from "~/core/phase/index.ts";
import { WEEK_KINDS, type WeekKind } from "~/core/progress/index.ts";
import { newId } from "~/codec/new-id.ts";
import { phaseCodec } from "~/codec/phase.ts";
import { dayColumn, instantColumn, jsonColumn, storedJson } from "~/codec/rows.ts";
import { fromBinary, toBinary } from "./columns.server.ts";
import type { Row, Scope } from "./scope.server.ts";
import { readEach, readOne } from "./set-apart.server.ts";
import { outdateWaiting } from "./waiting.server.ts";

/** What lists and calendars say of a phase. */
export interface PhaseEntry {
  readonly id: Id<"phase">;
  readonly personId: Id<"person">;
  readonly personName: string;
  readonly name: string;
  readonly starts: Day;
  readonly ends: Day;
  readonly revision: number;
}

/** A phase with its newest document. */
export interface StoredPhase extends PhaseEntry {
  readonly document: Phase;
}

const documentColumn = jsonColumn(phaseCodec);

function entryFrom(row: Row): PhaseEntry {
  return {
    id: fromBinary(row["id"]),
    personId: fromBinary(row["person_id"]),
    personName: z.string().parse(row["person_name"]),
    name: z.string().parse(row["name"]),
    starts: dayColumn.parse(row["starts"]),
    ends: dayColumn.parse(row["ends"]),
    revision: z.number().parse(row["revision"]),
  };
}

const phaseFrom = (row: Row): StoredPhase => ({
  ...entryFrom(row),
  document: documentColumn.parse(row["document"]),
});

function entryQuery(scope: Scope) {
  return scope
    .from("phases")
    .join("people", (join) =>
      join.on("people.studio_id", "phases.studio_id").andOn("people.id", "phases.person_id"),
    )
    .whereNull("phases.removed_at")
    .select("phases.*", "people.name as person_name");
}

function phaseQuery(scope: Scope) {
  return entryQuery(scope)
    .join("phase_revisions", (join) =>
      join
        .on("phase_revisions.studio_id", "phases.studio_id")
        .andOn("phase_revisions.phase_id", "phases.id")
        .andOn("phase_revisions.number", "phases.revision"),
    )
    .select("phase_revisions.document");
}

/** A phase with its newest document; null where this studio has none of that id. */
export async function getPhase(scope: Scope, id: Id<"phase">): Promise<StoredPhase | null> {
  const row: unknown = await phaseQuery(scope).where("phases.id", toBinary(id)).first();
  return row === undefined ? null : readOne(scope, "phase", row as Row, phaseFrom);
}

/** A phase as it was in one of its revisions; null where there is none. */
export async function phaseRevision(
  scope: Scope,
  id: Id<"phase">,
  number: number,
): Promise<Phase | null> {
  const row: unknown = await scope
    .from("phase_revisions")
    .where({ phase_id: toBinary(id), number })
    .first();
  return row === undefined
    ? null
    : readOne(scope, "phase", row as Row, ({ document }) => documentColumn.parse(document));
}

/** A person's phases, the latest first. */
export async function listPhasesOf(
  scope: Scope,
  person: Id<"person">,
): Promise<readonly PhaseEntry[]> {
  const rows = (await entryQuery(scope)
    .where("phases.person_id", toBinary(person))
    .orderBy("phases.starts", "desc")) as Row[];
  return readEach(scope, "phase", rows, entryFrom);
}

/** The phase of a person that runs on a day; null where none does. */
export async function phaseOn(
  scope: Scope,
  person: Id<"person">,
  on: Day,
): Promise<StoredPhase | null> {
  const row = (await phaseQuery(scope)
    .where("phases.person_id", toBinary(person))
    .where("phases.starts", "<=", on)
    .where("phases.ends", ">=", on)
    .first()) as Row | undefined;
  return row === undefined ? null : phaseFrom(row);
}

/** A phase as the calendar shows it. */
export interface SeasonPhase extends PhaseEntry {
  readonly weeks: readonly WeekKind[];
  /** True where something of it was trained, or is being trained. */
  readonly isBegun: boolean;
}

const weekKinds = z
  .string()
  .transform((text): unknown => JSON.parse(text))
  .pipe(z.array(z.enum(WEEK_KINDS)));

/** Phases that have a day from one to another, with the kinds of their weeks; one query however many. */
export async function seasonPhases(
  scope: Scope,
  from: Day,
  to: Day,
): Promise<readonly SeasonPhase[]> {
  const rows = (await entryQuery(scope)
    .join("phase_revisions", (join) =>
      join
        .on("phase_revisions.studio_id", "phases.studio_id")
        .andOn("phase_revisions.phase_id", "phases.id")
        .andOn("phase_revisions.number", "phases.revision"),
    )
    .where("phases.starts", "<=", to)
    .where("phases.ends", ">=", from)
    .whereNull("people.archived_at")
    .orderBy("phases.starts")
    .select(
      scope.raw("json_extract(phase_revisions.document, '$.weeks[*].kind') as week_kinds"),
      scope.raw(
        `exists (select 1 from plans join runs on runs.studio_id = plans.studio_id
          and runs.plan_id = plans.id and runs.discarded_at is null
          where plans.studio_id = phases.studio_id
          and plans.phase_id = phases.id) as is_begun`,
      ),
    )) as Row[];
  return readEach(scope, "phase", rows, (row) => ({
    ...entryFrom(row),
    weeks: weekKinds.parse(row["week_kinds"]),
    isBegun: Number(row["is_begun"]) === 1,
  }));
}

/** Phases that end from one day to another and are followed by no later one of their client. */
export async function listEndingPhases(
  scope: Scope,
  from: Day,
  to: Day,
): Promise<readonly PhaseEntry[]> {
  const rows = (await entryQuery(scope)
    .whereBetween("phases.ends", [from, to])
    .whereNull("people.archived_at")
    .whereRaw(
      `not exists (select 1 from phases later where later.studio_id = phases.studio_id
        and later.person_id = phases.person_id and later.removed_at is null
        and later.starts > phases.starts)`,
    )
    .orderBy("phases.ends")) as Row[];
  return readEach(scope, "phase", rows, entryFrom);
}

/**
 * Phases that run on a day, of which so many trained weeks in a row, or more, were neither light nor lighter; with how
 * many those are.
 */
export async function hardWeeksOf(
  scope: Scope,
  on: Day,
  least: number,
): Promise<readonly { readonly phase: StoredPhase; readonly weeks: number }[]> {
  // A week knows how many hard ones came since the last that was not.
  const hard = `case when json_value(plans.training_week, '$.kind') in ('light', 'lighter') then 0
    else coalesce(json_value(plans.training_week, '$.sinceLighter'), plans.phase_week - 1) + 1 end`;
  const rows = (await phaseQuery(scope)
    // Most sessions belong to no phase, so that the database takes the index for a poor one and would read them all.
    .joinRaw(
      `straight_join plans force index (plans_phase)
        on plans.studio_id = phases.studio_id and plans.phase_id = phases.id`,
    )
    .join("runs", (join) =>
      join.on("runs.studio_id", "plans.studio_id").andOn("runs.plan_id", "plans.id"),
    )
    .where("phases.starts", "<=", on)
    .where("phases.ends", ">=", on)
    .whereNull("people.archived_at")
    .whereNotNull("runs.ended_at")
    .whereRaw(
      `plans.phase_week = (select max(p.phase_week) from plans p
        join runs r on r.studio_id = p.studio_id and r.plan_id = p.id
        where p.studio_id = phases.studio_id and p.phase_id = phases.id and r.ended_at is not null)`,
    )
    .whereRaw(`${hard} >= ?`, [least])
    .select(scope.raw(`${hard} as hard_weeks`))) as Row[];
  const byPhase = new Map(rows.map((row) => [fromBinary(row["id"]), row]));
  return readEach(scope, "phase", [...byPhase.values()], (row) => ({
    phase: phaseFrom(row),
    weeks: Number(row["hard_weeks"]),
  }));
}

/** Another phase of the person that has a day in common. */
export interface Overlap {
  readonly code: "overlaps";
  readonly with: PhaseEntry;
}

/** Adds a phase; fails where the person has another one on some of its days, or is gone. */
export async function addPhase(
  scope: Scope,
  person: Id<"person">,
  name: string,
  document: Phase,
): Promise<Result<Id<"phase">, Overlap | { readonly code: "missing" }>> {
  const id = newId<"phase">();
  return scope.transaction(async (trx) => {
    if (!(await lockPerson(trx, person))) return fail({ code: "missing" });
    const other = await overlapping(trx, person, document, id);
    if (other !== null) return fail({ code: "overlaps", with: other });
    await trx.insert("phases", {
      id: toBinary(id),
      person_id: toBinary(person),
      ...headColumns(name, document),
      revision: 1,
      created_at: trx.now,
      ...trx.by,
    });
    await insertRevision(trx, id, 1, document);
    return ok(id);
  });
}

export type SavePhaseError =
  | Overlap
  | { readonly code: "missing" }
  | { readonly code: "changedMeanwhile"; readonly current: StoredPhase };

/** Saves a phase as its next revision; fails with what the other edit left where somebody was faster. */
export async function savePhase(
  scope: Scope,
  id: Id<"phase">,
  baseRevision: number,
  name: string,
  document: Phase,
  done: RevisionDid = NOTHING_SAID,
): Promise<Result<number, SavePhaseError>> {
  return scope.transaction(async (trx) => {
    const before = await getPhase(trx, id);
    if (before === null || !(await lockPerson(trx, before.personId)))
      return fail({ code: "missing" });
    const other = await overlapping(trx, before.personId, document, id);
    if (other !== null) return fail({ code: "overlaps", with: other });
    const changed = await trx
      .from("phases")
      .where({ id: toBinary(id), revision: baseRevision })
      .whereNull("removed_at")
      .update({ ...headColumns(name, document), revision: baseRevision + 1, ...trx.by });
    if (changed !== 1) {
      const current = await getPhase(trx, id);
      return current === null
        ? fail({ code: "missing" })
        : fail({ code: "changedMeanwhile", current });
    }
    await insertRevision(trx, id, baseRevision + 1, document, done);
    await outdateWaiting(trx, before.personId);
    return ok(baseRevision + 1);
  });
}

/** Archives a phase; sessions that it made real stay. */
export async function archivePhase(scope: Scope, id: Id<"phase">): Promise<void> {
  await scope
    .from("phases")
    .where({ id: toBinary(id) })
    .update({ removed_at: scope.now });
}

/** Two phases of one person are never written at once, so that none can overlap with one that is not there yet. */
export async function lockPerson(scope: Scope, person: Id<"person">): Promise<boolean> {
  const row: unknown = await scope
    .from("people")
    .where({ id: toBinary(person) })
    .forUpdate()
    .first("id");
  return row !== undefined;
}

async function overlapping(
  scope: Scope,
  person: Id<"person">,
  phase: Phase,
  but: Id<"phase">,
): Promise<PhaseEntry | null> {
  const row: unknown = await entryQuery(scope)
    .where("phases.person_id", toBinary(person))
    .whereNot("phases.id", toBinary(but))
    .where("phases.starts", "<=", endOf(phase))
    .where("phases.ends", ">=", phase.start)
    .first();
  return row === undefined ? null : entryFrom(row as Row);
}

function headColumns(name: string, document: Phase) {
  return { name, starts: document.start, ends: endOf(document) };
}

/** What a revision did to the one before, and the event that it answers; null where nothing was said. */
export interface RevisionDid {
  readonly edits: readonly PhaseEdit[] | null;
  readonly event: ReplanEvent | null;
  /** The revision that it takes back; null for all others. */
  readonly takesBack: number | null;
}
const NOTHING_SAID: RevisionDid = { edits: null, event: null, takesBack: null };

const editsCodec = z.array(phaseEditField).readonly();
const editsColumn = jsonColumn(editsCodec);
const eventColumn = jsonColumn(replanEventField);

/** A revision of a phase with what it did, and when. */
export interface SaidRevision extends RevisionDid {
  readonly number: number;
  readonly at: Instant;
}

/** A replan of a phase: the revision that it made, and whether that was taken back. */
export interface Replan {
  readonly number: number;
  readonly at: Instant;
  readonly event: ReplanEvent;
  readonly isTakenBack: boolean;
}

/** What was replanned of a phase, the newest first. */
export async function replansOf(scope: Scope, id: Id<"phase">): Promise<readonly Replan[]> {
  const rows = (await scope
    .from("phase_revisions")
    .where({ phase_id: toBinary(id) })
    .where((said) => said.whereNotNull("event").orWhereNotNull("takes_back"))
    .orderBy("number", "desc")
    .select("id", "number", "created_at", "edits", "event", "takes_back")) as Row[];
  const said = readEach(scope, "phase", rows, saidFrom);
  const back = new Set(said.map(({ takesBack }) => takesBack));
  return said.flatMap(({ number, at, event }) =>
    event === null ? [] : [{ number, at, event, isTakenBack: back.has(number) }],
  );
}

/** What a revision of a phase did; null where there is none. */
export async function saidRevision(
  scope: Scope,
  id: Id<"phase">,
  number: number,
): Promise<SaidRevision | null> {
  const row: unknown = await scope
    .from("phase_revisions")
    .where({ phase_id: toBinary(id), number })
    .first("id", "number", "created_at", "edits", "event", "takes_back");
  return row === undefined ? null : readOne(scope, "phase", row as Row, saidFrom);
}

function saidFrom(row: Row): SaidRevision {
  return {
    number: z.number().parse(row["number"]),
    at: instantColumn.parse(row["created_at"]),
    edits: row["edits"] === null ? null : editsColumn.parse(row["edits"]),
    event: row["event"] === null ? null : eventColumn.parse(row["event"]),
    takesBack: z.number().nullable().parse(row["takes_back"]),
  };
}

async function insertRevision(
  scope: Scope,
  phase: Id<"phase">,
  number: number,
  document: Phase,
  { edits, event, takesBack }: RevisionDid = NOTHING_SAID,
): Promise<void> {
  await scope.insert("phase_revisions", {
    id: toBinary(newId<"phaseRevision">()),
    phase_id: toBinary(phase),
    number,
    document: storedJson(phaseCodec, document),
    edits: edits === null ? null : storedJson(editsCodec, edits),
    event: event === null ? null : storedJson(replanEventField, event),
    takes_back: takesBack,
    created_at: scope.now,
    ...scope.by,
  });
}
