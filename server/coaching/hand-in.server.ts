import type { HeldSession } from "~/codec/hand-in.ts";
import { loadingCodec } from "~/codec/loading.ts";
import { newId } from "~/codec/new-id.ts";
import { planCodec } from "~/codec/plan.ts";
import { storedJson } from "~/codec/rows.ts";
import { toBinary } from "../db/columns.server.ts";
import { isDuplicate } from "../db/connection.server.ts";
import { addPerson } from "../db/people.server.ts";
import type { Row, Scope, StudioTable } from "../db/scope.server.ts";

export type HandInOutcome = "handedIn" | "erased" | "otherStudio";

/**
 * Brings back a session that a device holds and the server lost: whatever of it is missing (the client, the gym,
 * its stations, the plan, the session log) is put back under its own id, and nothing that is here is changed. Its
 * commands then arrive like any others.
 */
export async function handIn(scope: Scope, held: HeldSession): Promise<HandInOutcome> {
  if (held.studioId !== scope.studioId) return "otherStudio";
  const putBack = () => scope.transaction((trx) => putBackMissing(trx, held));
  try {
    return await putBack();
  } catch (error) {
    // Two devices handed in at the same moment: what the other one put back is here now.
    if (isDuplicate(error)) return putBack();
    throw error;
  }
}

async function putBackMissing(trx: Scope, held: HeldSession): Promise<HandInOutcome> {
  const { run } = held;
  const has = (table: StudioTable, id: string) => isHere(trx, table, id);
  if (await has("erased_people", run.personId)) return "erased";
  if (await has("erased_runs", run.id)) return "erased";
  if (!(await has("people", run.personId))) {
    const person = { name: run.personName, goal: "", level: "beginner", notes: "" } as const;
    await addPerson(trx, { ...person, unit: run.personUnit }, run.personId);
  }
  if (!(await has("gyms", run.gymId))) await addGym(trx, held);
  for (const station of held.stations) await addStation(trx, station);
  if (await has("runs", run.id)) return "handedIn";
  const places = await placesFor(trx, run);
  if (!(await has("plans", places.planId))) await addPlan(trx, held, places);
  if (!(await has("plan_revisions", places.revisionId))) await addRevision(trx, held, places);
  await addSessionLog(trx, held, places);
  return "handedIn";
}

type Places = Pick<HeldSession["run"], "planId" | "revisionId">;

/** The plan's own places, or new ones where another session was begun on the plan since. */
async function placesFor(trx: Scope, run: HeldSession["run"]): Promise<Places> {
  const other: unknown = await trx
    .from("runs")
    .where({ plan_id: toBinary(run.planId) })
    .first("id");
  return other === undefined ? run : { planId: newId(), revisionId: newId() };
}

async function isHere(scope: Scope, table: StudioTable, id: string): Promise<boolean> {
  const row: unknown = await scope
    .from(table)
    .where({ id: toBinary(id) })
    .first("id");
  return row !== undefined;
}

async function addGym(trx: Scope, { run, gym }: HeldSession): Promise<void> {
  await trx.insert("gyms", {
    id: toBinary(run.gymId),
    name: gym.name,
    time_zone: gym.timeZone,
    house_rules: "",
    revision: 1,
    changed_at: trx.now,
    ...trx.by,
  });
}

/** A station that is gone comes back with the version that was trained on; a version that is gone comes beside. */
async function addStation(trx: Scope, station: HeldSession["stations"][number]): Promise<void> {
  if (await isHere(trx, "station_versions", station.versionId)) return;
  const isKnown = await isHere(trx, "stations", station.id);
  if (!isKnown) {
    if (!(await isHere(trx, "gyms", station.gymId))) return;
    await trx.insert("stations", {
      id: toBinary(station.id),
      gym_id: toBinary(station.gymId),
      version_id: toBinary(station.versionId),
      version: 1,
    });
  }
  const newest = (await trx
    .from("station_versions")
    .where({ station_id: toBinary(station.id) })
    .max({ version: "version" })
    .first()) as Row | undefined;
  const version = Number(newest?.["version"] ?? 0) + 1;
  await trx.insert("station_versions", {
    id: toBinary(station.versionId),
    station_id: toBinary(station.id),
    version,
    name: station.name,
    loading: storedJson(loadingCodec, station.loading),
    serves: JSON.stringify(station.serves),
    profile: station.profile,
    usually_busy: station.usuallyBusy ? 1 : 0,
    room: station.room,
    created_at: trx.now,
    ...trx.by,
  });
  if (isKnown) {
    await trx
      .from("stations")
      .where({ id: toBinary(station.id) })
      .update({ version, version_id: toBinary(station.versionId) });
  }
}

async function addPlan(
  trx: Scope,
  { run }: HeldSession,
  { planId, revisionId }: Places,
): Promise<void> {
  await trx.insert("plans", {
    id: toBinary(planId),
    person_id: toBinary(run.personId),
    gym_id: toBinary(run.gymId),
    day: run.day,
    start_time: run.startTime,
    title: run.title,
    revision: 1,
    revision_id: toBinary(revisionId),
    planned_from_run: null,
    created_at: trx.now,
    ...trx.by,
  });
}

/** The revision that was trained, with the next free number; the plan's newest stays what it is. */
async function addRevision(
  trx: Scope,
  { run }: HeldSession,
  { planId, revisionId }: Places,
): Promise<void> {
  const newest = (await trx
    .from("plan_revisions")
    .where({ plan_id: toBinary(planId) })
    .max({ number: "number" })
    .first()) as Row | undefined;
  const number = Number(newest?.["number"] ?? 0) + 1;
  await trx.insert("plan_revisions", {
    id: toBinary(revisionId),
    plan_id: toBinary(planId),
    number,
    document: storedJson(planCodec, run.document),
    created_at: trx.now,
    ...trx.by,
  });
  // What was trained is the newest that is known of this plan.
  await trx
    .from("plans")
    .where({ id: toBinary(planId) })
    .update({ revision: number, revision_id: toBinary(revisionId) });
}

async function addSessionLog(
  trx: Scope,
  { run }: HeldSession,
  { planId, revisionId }: Places,
): Promise<void> {
  await trx.insert("runs", {
    id: toBinary(run.id),
    plan_id: toBinary(planId),
    revision_id: toBinary(revisionId),
    person_id: toBinary(run.personId),
    started_at: Math.min(run.startedAt, trx.now),
    last_position: 0,
    ...trx.by,
  });
}
