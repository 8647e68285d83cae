import type { Knex } from "knex";
import { z } from "zod";
import {
  addDays,
  weekStart,
  type Day,
  type Id,
  type MassUnit,
  fail,
  massUnitField,
  ok,
  type Result,
} from "~/core/kernel/index.ts";
import type { PlanEntry, PlanHead, RulingState } from "~/core/log/index.ts";
import { LEVELS, type Level } from "~/core/person/index.ts";
import type { SessionPlan } from "~/core/plan/index.ts";
import { WAITING_ENGINE, type TrainingWeek } from "~/core/progress/index.ts";
import { trainingWeekCodec } from "~/codec/phase.ts";
import { planCodec } from "~/codec/plan.ts";
import { dayColumn, instantColumn, jsonColumn, storedJson } from "~/codec/rows.ts";
import { newId } from "~/codec/new-id.ts";
import { fromBinary, toBinary } from "./columns.server.ts";
import type { Row, Scope } from "./scope.server.ts";
import { readEach, readOne } from "./set-apart.server.ts";

/** A plan with its current document. */
export interface StoredPlan extends PlanEntry {
  readonly revisionId: Id<"revision">;
  readonly document: SessionPlan;
  /** The session log that was started of it and discarded; null where none was. */
  readonly discarded: Id<"sessionLog"> | null;
  readonly plannedFromSession: Id<"sessionLog"> | null;
  readonly personLevel: Level;
  readonly personUnit: MassUnit;
  readonly place: StoredPlace | null;
}

/** The day and week of a phase that a plan makes real, and what its rules had before week and coach. */
export interface PhasePlace {
  readonly phase: Id<"phase">;
  readonly revision: number;
  readonly day: Id<"phaseDay">;
  readonly week: number;
  readonly training: TrainingWeek;
  readonly ruled: SessionPlan;
}

/** The place of a plan as it is stored, and whether the plan was changed by hand since. */
export interface StoredPlace extends Omit<PhasePlace, "revision"> {
  readonly isEdited: boolean;
}

const trainingColumn = jsonColumn(trainingWeekCodec);

/** The place in a phase that a row with the columns of a plan has; null where it has none. */
export function placeFrom(row: Row): StoredPlace | null {
  if (row["phase_id"] === null) return null;
  const number = z.number();
  return {
    phase: fromBinary(row["phase_id"]),
    day: fromBinary(row["phase_day"]),
    week: number.parse(row["phase_week"]),
    ruled: documentColumn.parse(row["ruled"]),
    training: trainingColumn.parse(row["training_week"]),
    isEdited: number.parse(row["revision"]) > number.parse(row["placed_revision"]),
  };
}

const documentColumn = jsonColumn(planCodec);

function entryFrom(row: Row): PlanEntry {
  const runId = row["run_id"];
  const ended = instantColumn.nullable().parse(row["ended_at"] ?? null);
  return {
    id: fromBinary(row["id"]),
    personId: fromBinary(row["person_id"]),
    gymId: fromBinary(row["gym_id"]),
    day: dayColumn.parse(row["day"]),
    startTime: z.string().nullable().parse(row["start_time"]),
    title: z.string().parse(row["title"]),
    revision: z.number().parse(row["revision"]),
    personName: z.string().parse(row["person_name"]),
    sessionState:
      runId === null || runId === undefined
        ? { kind: row["dropped_at"] === null ? "none" : "deleted" }
        : ended === null
          ? { kind: "running", sessionLogId: fromBinary(runId) }
          : { kind: "ended", sessionLogId: fromBinary(runId), ruling: rulingState(row) },
  };
}

function rulingState(row: Row): RulingState {
  if (row["settled_at"] === null) return "open";
  const position = z.number().nullable();
  const [last, read] = [
    position.parse(row["last_position"]),
    position.parse(row["settled_position"]),
  ];
  return last !== null && read !== null && last > read ? "changedSince" : "done";
}

/** The session log of a plan, unless it was discarded. */
const itsRun = (join: Knex.JoinClause) =>
  join
    .on("runs.studio_id", "plans.studio_id")
    .andOn("runs.plan_id", "plans.id")
    .andOnNull("runs.discarded_at");

function entryQuery(scope: Scope) {
  return scope
    .from("plans")
    .join("people", (join) =>
      join.on("people.studio_id", "plans.studio_id").andOn("people.id", "plans.person_id"),
    )
    .leftJoin("runs", itsRun)
    .select(
      "plans.*",
      "people.name as person_name",
      "people.level as person_level",
      "people.unit as person_unit",
      "runs.id as run_id",
      "runs.ended_at",
      "runs.settled_at",
      "runs.last_position",
      "runs.settled_position",
    );
}

/** Plans of current clients from one day to another, both included, in order of time. */
export async function listPlans(scope: Scope, from: Day, to: Day): Promise<readonly PlanEntry[]> {
  const rows = (await entryQuery(scope)
    .whereBetween("plans.day", [from, to])
    .whereNull("plans.dropped_at")
    .whereNull("people.archived_at")
    .orderBy(["plans.day", "plans.start_time", "people.name"])) as Row[];
  return readEach(scope, "session", rows, entryFrom);
}

/** So many days after a week its next sessions still bear on how far this week's may go. */
const DAYS_AFTER = 3;

/** A person's planned sessions in the week of a day and in the days right after it, with their documents, in order. */
export async function plansAround(
  scope: Scope,
  person: Id<"person">,
  day: Day,
): Promise<
  readonly {
    readonly id: Id<"plan">;
    readonly day: Day;
    readonly isOpen: boolean;
    readonly document: SessionPlan;
  }[]
> {
  const monday = weekStart(day);
  const rows = (await scope
    .from("plans")
    .join("plan_revisions", (join) =>
      join
        .on("plan_revisions.studio_id", "plans.studio_id")
        .andOn("plan_revisions.id", "plans.revision_id"),
    )
    .leftJoin("runs", itsRun)
    .where({ "plans.person_id": toBinary(person) })
    .where((query) => query.whereNull("plans.dropped_at").orWhereNotNull("runs.id"))
    .whereBetween("plans.day", [monday, addDays(monday, 6 + DAYS_AFTER)])
    .orderBy(["plans.day", "plans.start_time"])
    .select(
      "plans.id",
      "plans.title",
      "plans.day",
      "runs.id as run_id",
      "plan_revisions.document",
    )) as Row[];
  return readEach(scope, "session", rows, (row) => ({
    id: fromBinary(row["id"]),
    day: dayColumn.parse(row["day"]),
    isOpen: row["run_id"] === null,
    document: documentColumn.parse(row["document"]),
  }));
}

/**
 * Sessions that are running on any day (reopened ones too), ended ones on which nobody has ruled, and those whose
 * log changed after somebody did; with whether it is known what of them waits for the coach.
 */
export async function listOpenSessions(
  scope: Scope,
): Promise<readonly (PlanEntry & { readonly isWaitingKnown: boolean })[]> {
  const rows = (await entryQuery(scope)
    .where({ "runs.is_open": 1 })
    // One who is archived is decided about no more; what they train just now is still to be ended.
    .where((query) => query.whereNull("people.archived_at").orWhereNull("runs.ended_at"))
    .orderBy("runs.started_at", "desc")
    .select("runs.waiting_position", "runs.waiting_engine")) as Row[];
  return readEach(scope, "session", rows, (row) => ({
    ...entryFrom(row),
    isWaitingKnown:
      row["settled_at"] !== null ||
      row["ended_at"] === null ||
      (row["waiting_position"] === row["last_position"] &&
        row["waiting_engine"] === WAITING_ENGINE),
  }));
}

/** A person's next planned session that is not begun, on a day or later; null where there is none. */
export async function nextPlanOf(
  scope: Scope,
  person: Id<"person">,
  from: Day,
): Promise<Id<"plan"> | null> {
  const row: unknown = await scope
    .from("plans")
    .leftJoin("runs", itsRun)
    .where({ "plans.person_id": toBinary(person) })
    .where("plans.day", ">=", from)
    .whereNull("plans.dropped_at")
    .whereNull("runs.id")
    .orderBy(["plans.day", "plans.start_time", "plans.id"])
    .first("plans.id");
  return row === undefined ? null : fromBinary((row as Row)["id"]);
}

/** So many of a person's plans, newest first, after so many newer ones are left out. */
export async function listPlansOf(
  scope: Scope,
  person: Id<"person">,
  { many, skip = 0 }: { readonly many: number; readonly skip?: number },
): Promise<readonly PlanEntry[]> {
  const rows = (await entryQuery(scope)
    .where("plans.person_id", toBinary(person))
    .orderBy([
      { column: "plans.day", order: "desc" },
      { column: "plans.id", order: "desc" },
    ])
    .limit(many)
    .offset(skip)) as Row[];
  return readEach(scope, "session", rows, entryFrom);
}

/** A plan with its current document, or null. */
export async function getPlan(scope: Scope, id: Id<"plan">): Promise<StoredPlan | null> {
  const row: unknown = await entryQuery(scope)
    .join("plan_revisions", (join) =>
      join
        .on("plan_revisions.studio_id", "plans.studio_id")
        .andOn("plan_revisions.id", "plans.revision_id"),
    )
    .select(
      "plan_revisions.document",
      scope.raw(
        `(select id from runs gone where gone.studio_id = plans.studio_id
          and gone.plan_id = plans.id and gone.discarded_at is not null) as discarded`,
      ),
    )
    .where("plans.id", toBinary(id))
    .first();
  if (row === undefined) return null;
  return readOne(scope, "session", row as Row, (found) => ({
    ...entryFrom(found),
    discarded: found["discarded"] === null ? null : fromBinary(found["discarded"]),
    revisionId: fromBinary(found["revision_id"]),
    document: documentColumn.parse(found["document"]),
    personLevel: z.enum(LEVELS).parse(found["person_level"]),
    personUnit: massUnitField.parse(found["person_unit"]),
    place: placeFrom(found),
    plannedFromSession:
      found["planned_from_run"] === null ? null : fromBinary(found["planned_from_run"]),
  }));
}

/** What a plan was made from. */
export interface PlanOrigin {
  readonly session?: Id<"sessionLog">;
  readonly place?: PhasePlace;
}

export async function addPlan(
  scope: Scope,
  head: PlanHead,
  document: SessionPlan,
  { session, place }: PlanOrigin = {},
): Promise<Id<"plan">> {
  const id = newId<"plan">();
  const revisionId = newId<"revision">();
  await scope.transaction(async (trx) => {
    await trx.insert("plans", {
      id: toBinary(id),
      ...headColumns(head),
      person_id: toBinary(head.personId),
      revision: 1,
      revision_id: toBinary(revisionId),
      planned_from_run: session === undefined ? null : toBinary(session),
      ...(place === undefined ? {} : placeColumns(place)),
      created_at: trx.now,
      ...trx.by,
    });
    await insertRevision(trx, id, revisionId, 1, document);
  });
  return id;
}

/** Saves a plan as its next revision; fails with what the other edit left where somebody was faster. */
export async function savePlan(
  scope: Scope,
  id: Id<"plan">,
  baseRevision: number,
  head: Omit<PlanHead, "personId">,
  document: SessionPlan,
): Promise<
  Result<number, { code: "changedMeanwhile"; current: StoredPlan } | { code: "missing" }>
> {
  return scope.transaction(async (trx) => {
    const revisionId = newId<"revision">();
    const changed = await trx
      .from("plans")
      .where({ id: toBinary(id), revision: baseRevision })
      .update({
        ...headColumns(head),
        revision: baseRevision + 1,
        revision_id: toBinary(revisionId),
        ...trx.by,
      });
    if (changed !== 1) {
      const current = await getPlan(trx, id);
      return current === null
        ? fail({ code: "missing" })
        : fail({ code: "changedMeanwhile", current });
    }
    await insertRevision(trx, id, revisionId, baseRevision + 1, document);
    return ok(baseRevision + 1);
  });
}

function headColumns(head: Omit<PlanHead, "personId">) {
  return {
    gym_id: toBinary(head.gymId),
    day: head.day,
    start_time: head.startTime,
    title: head.title,
  };
}

function placeColumns({ phase, revision, day, week, training, ruled }: PhasePlace) {
  return {
    phase_id: toBinary(phase),
    phase_revision: revision,
    phase_day: toBinary(day),
    phase_week: week,
    placed_revision: 1,
    training_week: storedJson(trainingWeekCodec, training),
    ruled: storedJson(planCodec, ruled),
  };
}

/** Keeps what the rules of a phase have by now for a plan, and the revision of the plan that follows from it. */
export async function keepRuled(
  scope: Scope,
  id: Id<"plan">,
  ruled: SessionPlan,
  placedRevision: number,
): Promise<void> {
  await scope
    .from("plans")
    .where({ id: toBinary(id) })
    .update({ ruled: storedJson(planCodec, ruled), placed_revision: placedRevision });
}

/** A plan that a phase made real, as it is now or was trained, before what its training changed. */
export interface StoredPlacedSession extends StoredPlace {
  readonly on: Day;
  readonly planId: Id<"plan">;
  readonly document: SessionPlan;
  readonly sessionLog: Id<"sessionLog"> | null;
  readonly isEnded: boolean;
}

/** What a phase made real so far. */
export async function placedSessions(
  scope: Scope,
  phase: Id<"phase">,
): Promise<readonly StoredPlacedSession[]> {
  const rows = (await scope
    .from("plans")
    .leftJoin("runs", itsRun)
    .join("plan_revisions", (join) =>
      join
        .on("plan_revisions.studio_id", "plans.studio_id")
        .andOn("plan_revisions.id", scope.raw("coalesce(runs.revision_id, plans.revision_id)")),
    )
    .where("plans.phase_id", toBinary(phase))
    .select("plans.*", "runs.id as run_id", "runs.ended_at", "plan_revisions.document")) as Row[];
  return readEach(scope, "session", rows, (row) => {
    const place = placeFrom(row);
    if (place === null) throw new Error("a session of a phase without its place");
    return {
      ...place,
      on: dayColumn.parse(row["day"]),
      planId: fromBinary<"plan">(row["id"]),
      document: documentColumn.parse(row["document"]),
      sessionLog: row["run_id"] === null ? null : fromBinary<"sessionLog">(row["run_id"]),
      isEnded: row["ended_at"] !== null,
    };
  });
}

/** The plan that a day in a week of a phase became; null where it is not real yet. */
export async function planAt(
  scope: Scope,
  phase: Id<"phase">,
  day: Id<"phaseDay">,
  week: number,
): Promise<Id<"plan"> | null> {
  const row = await scope
    .from("plans")
    .where({ phase_id: toBinary(phase), phase_day: toBinary(day), phase_week: week })
    .first("id");
  return row === undefined ? null : fromBinary(row["id"]);
}

async function insertRevision(
  scope: Scope,
  plan: Id<"plan">,
  revisionId: Id<"revision">,
  number: number,
  document: SessionPlan,
): Promise<void> {
  await scope.insert("plan_revisions", {
    id: toBinary(revisionId),
    plan_id: toBinary(plan),
    number,
    document: storedJson(planCodec, document),
    created_at: scope.now,
    ...scope.by,
  });
}

/** The plan that was made from a trained session log, or null. */
export async function planFromSession(
  scope: Scope,
  sessionLogId: Id<"sessionLog">,
): Promise<Id<"plan"> | null> {
  const row = (await scope
    .from("plans")
    .where({ planned_from_run: toBinary(sessionLogId) })
    .first("id")) as Row | undefined;
  return row === undefined ? null : fromBinary(row["id"]);
}

/**
 * Takes away the plan that was made from a trained session, and its revision. False where it was changed or begun since;
 * true where there is none, or where it stands for another session as well.
 */
export async function takeBackPlan(scope: Scope, sessionLogId: Id<"sessionLog">): Promise<boolean> {
  const row = (await scope
    .from("plans")
    .leftJoin("runs", (join) =>
      join.on("runs.studio_id", "plans.studio_id").andOn("runs.plan_id", "plans.id"),
    )
    .where({ "plans.planned_from_run": toBinary(sessionLogId) })
    .first("plans.id", "plans.revision", "runs.id as run_id")) as Row | undefined;
  if (row === undefined) return true;
  if (row["revision"] !== 1 || row["run_id"] !== null) return false;
  await scope
    .from("plans")
    .where({ id: row["id"] as Buffer })
    .delete();
  return true;
}

/** Deletes a planned session, which will not be trained, or restores it. False where it is gone or has begun. */
export async function dropPlan(scope: Scope, id: Id<"plan">, isDropped: boolean): Promise<boolean> {
  // The row is held as whoever starts the session holds it, so that it is not both begun and deleted.
  return scope.transaction(async (trx) => {
    const own = { id: toBinary(id) };
    const plan = await trx.from("plans").where(own).forUpdate().first("id");
    const begun = await trx
      .from("runs")
      .where({ plan_id: own.id })
      .whereNull("discarded_at")
      .first("id");
    if (plan === undefined || begun !== undefined) return false;
    const droppedAt = isDropped ? trx.now : null;
    await trx
      .from("plans")
      .where(own)
      .update({ dropped_at: droppedAt, ...trx.by });
    return true;
  });
}

/** Planned sessions from one day to another that nobody began and nobody dropped. */
export async function listUntrained(
  scope: Scope,
  from: Day,
  to: Day,
): Promise<readonly PlanEntry[]> {
  const rows = (await entryQuery(scope)
    .whereBetween("plans.day", [from, to])
    .whereNull("people.archived_at")
    .whereNull("runs.id")
    .whereNull("plans.dropped_at")
    .orderBy("plans.day")) as Row[];
  return readEach(scope, "session", rows, entryFrom);
}

/** The sessions of a day with their documents: as they are trained where somebody began, else as they are planned. */
export async function plansWithDocuments(scope: Scope, on: Day) {
  const rows = (await entryQuery(scope)
    .join("plan_revisions", (join) =>
      join
        .on("plan_revisions.studio_id", "plans.studio_id")
        .andOn("plan_revisions.id", scope.raw("coalesce(runs.revision_id, plans.revision_id)")),
    )
    .where("plans.day", on)
    .whereNull("people.archived_at")
    .whereNull("plans.dropped_at")
    .select("plan_revisions.document")) as Row[];
  return readEach(scope, "session", rows, (row) => ({
    ...entryFrom(row),
    isOpen: row["run_id"] === null,
    document: documentColumn.parse(row["document"]),
  }));
}

/** What of the place of a planned session in its phase becomes otherwise. */
export interface PlacedAt {
  readonly week?: number;
  readonly on?: Day;
  readonly gymId?: Id<"gym">;
  readonly training?: TrainingWeek;
}

/** Moves a planned session within its phase. */
export async function movePlaced(
  scope: Scope,
  id: Id<"plan">,
  { week, on, gymId, training }: PlacedAt,
): Promise<void> {
  await scope
    .from("plans")
    .where({ id: toBinary(id) })
    .update({
      ...(week === undefined ? {} : { phase_week: week }),
      ...(on === undefined ? {} : { day: on }),
      ...(gymId === undefined ? {} : { gym_id: toBinary(gymId) }),
      ...(training === undefined ? {} : { training_week: storedJson(trainingWeekCodec, training) }),
    });
}

/**
 * Takes a planned session away that its phase no longer has; it can be planned again. One that was started and discarded
 * stays, deleted and of no phase, for what was logged of it.
 */
export async function removePlaced(scope: Scope, id: Id<"plan">): Promise<void> {
  const discarded = await scope
    .from("runs")
    .where({ plan_id: toBinary(id) })
    .first("id");
  if (discarded !== undefined) {
    await detachPlan(scope, id);
    await scope
      .from("plans")
      .where({ id: toBinary(id) })
      .update({ dropped_at: scope.now });
    return;
  }
  await scope
    .from("plans")
    .where({ id: toBinary(id) })
    .delete();
}

/** Makes a planned session one of its own, of no phase. */
export async function detachPlan(scope: Scope, id: Id<"plan">): Promise<void> {
  await scope
    .from("plans")
    .where({ id: toBinary(id) })
    .update({
      phase_id: null,
      phase_day: null,
      phase_week: null,
      phase_revision: null,
      placed_revision: null,
      training_week: null,
      ruled: null,
    });
}
