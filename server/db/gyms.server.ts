import { z } from "zod";
import {
  type Day,
  dayAt,
  fail,
  ok,
  type Result,
  type Id,
  type MovementRef,
  RESISTANCE_PROFILES,
  type ResistanceProfile,
  movementField,
} from "~/core/kernel/index.ts";
import type { Loading, Station } from "~/core/gym/index.ts";
import { loadingCodec } from "~/codec/loading.ts";
import { jsonColumn, storedJson } from "~/codec/rows.ts";
import { newId } from "~/codec/new-id.ts";
import { fromBinary, toBinary } from "./columns.server.ts";
import type { Row, Scope } from "./scope.server.ts";
import { readEach, readOne } from "./set-apart.server.ts";
import { outdateWaiting } from "./waiting.server.ts";

export interface GymContent {
  readonly name: string;
  readonly timeZone: string;
  readonly houseRules: string;
}

export interface Gym extends GymContent {
  readonly id: Id<"gym">;
  readonly revision: number;
  readonly isArchived: boolean;
}

/** A station with the version number that optimistic locking compares. */
export interface StoredStation extends Station {
  readonly version: number;
  /** True until somebody has looked what is really there. */
  readonly isAssumed: boolean;
}

export interface StationContent {
  readonly name: string;
  readonly loading: Loading;
  readonly serves: readonly MovementRef[];
  readonly profile: ResistanceProfile | null;
  readonly usuallyBusy: boolean;
  readonly room: string;
  /** True for loads that nobody has looked at yet; left out, somebody has. */
  readonly isAssumed?: boolean;
}

const loadingColumn = jsonColumn(loadingCodec);
const profileColumn = z.enum(RESISTANCE_PROFILES).nullable();
const servesCodec = z.array(movementField);
const servesColumn = jsonColumn(servesCodec);

/** The parsed loading of an immutable version, kept so that what core works out for it is kept too. */
function stationFrom(row: Row): StoredStation {
  return {
    id: fromBinary(row["station_id"]),
    versionId: fromBinary(row["id"]),
    gymId: fromBinary(row["gym_id"]),
    name: z.string().parse(row["name"]),
    loading: loadingColumn.parse(row["loading"]),
    serves: servesColumn.parse(row["serves"]),
    profile: profileColumn.parse(row["profile"]),
    usuallyBusy: z.number().parse(row["usually_busy"]) === 1,
    room: z.string().parse(row["room"]),
    version: z.number().parse(row["version"]),
    isAssumed: z.number().parse(row["assumed"]) === 1,
  };
}

function gymFrom(row: Row): Gym {
  return {
    id: fromBinary(row["id"]),
    name: z.string().parse(row["name"]),
    timeZone: z.string().parse(row["time_zone"]),
    houseRules: z.string().parse(row["house_rules"]),
    revision: z.number().parse(row["revision"]),
    isArchived: row["archived_at"] !== null,
  };
}

/** Every gym, by name, those that are used no more as well: what was planned or done there names them. */
export async function listGyms(scope: Scope): Promise<readonly Gym[]> {
  const rows = await scope.from("gyms").select("gyms.*").orderBy("name");
  return readEach(scope, "gym", rows, gymFrom);
}

/** The gyms to choose from, and `also` one that is chosen already. */
export async function gymsToChoose(scope: Scope, also?: Id<"gym">): Promise<readonly Gym[]> {
  return (await listGyms(scope)).filter(({ id, isArchived }) => !isArchived || id === also);
}

/** Archives a gym, which is then offered nowhere, or restores it. */
export async function archiveGym(scope: Scope, id: Id<"gym">, isArchived: boolean): Promise<void> {
  await scope
    .from("gyms")
    .where({ id: toBinary(id) })
    .update({ archived_at: isArchived ? scope.now : null, ...scope.by });
}

export async function getGym(scope: Scope, id: Id<"gym">): Promise<Gym | null> {
  const row = await scope
    .from("gyms")
    .where({ id: toBinary(id) })
    .first();
  return row === undefined ? null : readOne(scope, "gym", row, gymFrom);
}

export async function addGym(scope: Scope, form: GymContent): Promise<Id<"gym">> {
  const id = newId<"gym">();
  await scope.insert("gyms", {
    id: toBinary(id),
    name: form.name,
    time_zone: form.timeZone,
    house_rules: form.houseRules,
    revision: 1,
    changed_at: scope.now,
    ...scope.by,
  });
  return id;
}

/** Saves a gym if nobody else has meanwhile; fails with the current one otherwise. */
export async function changeGym(
  scope: Scope,
  id: Id<"gym">,
  baseRevision: number,
  form: GymContent,
): Promise<Result<null, { code: "changedMeanwhile"; current: Gym } | { code: "missing" }>> {
  const changed = await scope
    .from("gyms")
    .where({ id: toBinary(id), revision: baseRevision })
    .update({
      name: form.name,
      time_zone: form.timeZone,
      house_rules: form.houseRules,
      revision: baseRevision + 1,
      changed_at: scope.now,
      ...scope.by,
    });
  if (changed === 1) return ok(null);
  const current = await getGym(scope, id);
  return current === null ? fail({ code: "missing" }) : fail({ code: "changedMeanwhile", current });
}

/** Copies a gym with all its stations at their current versions; the copies start at version 1. */
export async function copyGym(
  scope: Scope,
  id: Id<"gym">,
  name: string,
): Promise<Id<"gym"> | null> {
  return scope.transaction(async (trx) => {
    const from = await getGym(trx, id);
    if (from === null) return null;
    const copy = await addGym(trx, { ...from, name });
    for (const station of await listStations(trx, id)) await addStation(trx, copy, station);
    return copy;
  });
}

/** Makes a gym of stations that are given, in one go. */
export async function addGymWith(
  scope: Scope,
  form: GymContent,
  stations: readonly StationContent[],
): Promise<Id<"gym">> {
  return scope.transaction(async (trx) => {
    const id = await addGym(trx, form);
    for (const station of stations) await addStation(trx, id, station);
    return id;
  });
}

function stationQuery(scope: Scope) {
  return scope
    .from("station_versions")
    .join("stations", (join) =>
      join
        .on("stations.studio_id", "station_versions.studio_id")
        .andOn("stations.id", "station_versions.station_id"),
    )
    .select("station_versions.*", "stations.gym_id", "stations.removed_at");
}

/**
 * The stations of every gym, or of one, at their current versions, by name. What is archived is left out, but for
 * sessions that were planned on it.
 */
export async function listStations(
  scope: Scope,
  gym?: Id<"gym">,
  which: "standing" | "archived" | "all" = "standing",
): Promise<readonly StoredStation[]> {
  const query = stationQuery(scope).whereRaw("stations.version_id = station_versions.id");
  if (which === "standing") query.whereNull("stations.removed_at");
  if (which === "archived") query.whereNotNull("stations.removed_at");
  if (gym !== undefined) query.where("stations.gym_id", toBinary(gym));
  const rows = (await query.orderBy("station_versions.name")) as Row[];
  return readEach(scope, "equipment", rows, stationFrom);
}

/** One station at its current version, or null. */
export async function getStation(scope: Scope, id: Id<"station">): Promise<StoredStation | null> {
  const row: unknown = await stationQuery(scope)
    .whereRaw("stations.version_id = station_versions.id")
    .where("stations.id", toBinary(id))
    .first();
  return row === undefined ? null : readOne(scope, "equipment", row as Row, stationFrom);
}

/** What can always be said of a station, also where its current version cannot be read. */
export interface StationHead {
  readonly id: Id<"station">;
  readonly gymId: Id<"gym">;
  readonly name: string;
  readonly version: number;
  readonly isArchived: boolean;
  /** Null where it cannot be read, which is then set apart. */
  readonly station: StoredStation | null;
}

/** One station with what can be said of it in any case, or null where this studio has none of that id. */
export async function stationHead(scope: Scope, id: Id<"station">): Promise<StationHead | null> {
  const row: unknown = await stationQuery(scope)
    .whereRaw("stations.version_id = station_versions.id")
    .where("stations.id", toBinary(id))
    .first();
  if (row === undefined) return null;
  const found = row as Row;
  const [station = null] = readEach(scope, "equipment", [found], stationFrom);
  return {
    id,
    gymId: fromBinary(found["gym_id"]),
    name: z.string().parse(found["name"]),
    version: z.number().parse(found["version"]),
    isArchived: found["removed_at"] !== null,
    station,
  };
}

/** Station versions by id, for logs that were made on them. */
export async function stationVersions(
  scope: Scope,
  ids: readonly Id<"stationVersion">[],
): Promise<ReadonlyMap<Id<"stationVersion">, StoredStation>> {
  if (ids.length === 0) return new Map();
  const rows = (await stationQuery(scope).whereIn(
    "station_versions.id",
    [...new Set(ids)].map(toBinary),
  )) as Row[];
  const stations = readEach(scope, "equipment", rows, stationFrom);
  return new Map(stations.map((station) => [station.versionId, station]));
}

export async function addStation(
  scope: Scope,
  gym: Id<"gym">,
  content: StationContent,
): Promise<Id<"station">> {
  const id = newId<"station">();
  const versionId = newId<"stationVersion">();
  await scope.transaction(async (trx) => {
    await trx.insert("stations", {
      id: toBinary(id),
      gym_id: toBinary(gym),
      version_id: toBinary(versionId),
      version: 1,
    });
    await insertVersion(trx, id, versionId, 1, content);
  });
  return id;
}

/** Saves a station as its next version; fails with the current one where somebody was faster. */
export async function changeStation(
  scope: Scope,
  id: Id<"station">,
  baseVersion: number,
  content: StationContent,
): Promise<
  Result<null, { code: "changedMeanwhile"; current: StoredStation } | { code: "missing" }>
> {
  return scope.transaction(async (trx) => {
    const versionId = newId<"stationVersion">();
    const changed = await trx
      .from("stations")
      .where({ id: toBinary(id), version: baseVersion })
      .update({ version: baseVersion + 1, version_id: toBinary(versionId) });
    if (changed !== 1) {
      const current = await getStation(trx, id);
      return current === null
        ? fail({ code: "missing" })
        : fail({ code: "changedMeanwhile", current });
    }
    await insertVersion(trx, id, versionId, baseVersion + 1, content);
    await outdateWaiting(trx, null);
    return ok(null);
  });
}

/** Archives a station, which is then offered nowhere, or restores it. Its versions stay, since logs point to them. */
export async function archiveStation(
  scope: Scope,
  id: Id<"station">,
  isArchived: boolean,
): Promise<void> {
  await scope
    .from("stations")
    .where({ id: toBinary(id) })
    .update({ removed_at: isArchived ? scope.now : null });
  await outdateWaiting(scope, null);
}

async function insertVersion(
  scope: Scope,
  station: Id<"station">,
  versionId: Id<"stationVersion">,
  version: number,
  content: StationContent,
): Promise<void> {
  await scope.insert("station_versions", {
    id: toBinary(versionId),
    station_id: toBinary(station),
    version,
    name: content.name,
    loading: storedJson(loadingCodec, content.loading),
    serves: storedJson(servesCodec, content.serves),
    profile: content.profile,
    usually_busy: content.usuallyBusy ? 1 : 0,
    room: content.room,
    assumed: content.isAssumed === true ? 1 : 0,
    created_at: scope.now,
    ...scope.by,
  });
}

/** The day that it is in the studio: by the zone of its first gym, or UTC while it has none. */
export async function studioDay(scope: Scope): Promise<Day> {
  const [gym] = await listGyms(scope);
  return dayAt(scope.now, gym?.timeZone ?? "UTC");
}
