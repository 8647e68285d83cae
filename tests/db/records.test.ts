import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { newId } from "~/codec/new-id.ts";
import { day, instant } from "~/core/kernel/index.ts";
import { RACK, STACK } from "../samples/index.ts";
import {
  openSignIn,
  closeSignIn,
  findSignIn,
  register,
  SIGN_IN_DAYS,
} from "~/server/db/accounts.server.ts";
import { toBinary } from "~/server/db/columns.server.ts";
import {
  inTransaction,
  isUnreachable,
  openDatabase,
  type Database,
} from "~/server/db/connection.server.ts";
import {
  changeStation,
  getStation,
  listStations,
  stationVersions,
} from "~/server/db/gyms.server.ts";
import { addPerson, changePerson, getPerson, listPeople } from "~/server/db/people.server.ts";
import { addPlan, getPlan, savePlan } from "~/server/db/plans.server.ts";
import { isMigrated, migrate } from "~/server/db/schema.server.ts";
import {
  ADA,
  addSquats,
  closeTestDatabase,
  NOW,
  squats,
  testDatabase,
  testStudio,
  type TestStudio,
} from "./studio.ts";

let db: Database;
let studio: TestStudio;
let other: TestStudio;
beforeAll(async () => {
  db = await testDatabase();
});
afterAll(closeTestDatabase);
beforeEach(async () => {
  [studio, other] = await Promise.all([testStudio(db), testStudio(db)]);
});

describe("the schema", () => {
  it("is brought up to date again without harm", async () => {
    await migrate(db);
    expect(await isMigrated(db)).toBe(true);
  });

  it("leads every studio table's primary key with the studio, and every reference between them too", async () => {
    const [keys] = (await db.raw(
      "select table_name t, group_concat(column_name order by ordinal_position) cols from information_schema.key_column_usage where table_schema = database() and constraint_name = 'PRIMARY' group by table_name",
    )) as [{ t: string; cols: string }[]];
    const above = [
      "users",
      "studios",
      "sign_ins",
      "failed_sign_ins",
      "known_devices",
      "knex_migrations",
      "knex_migrations_lock",
    ];
    for (const { t, cols } of keys) if (!above.includes(t)) expect(cols, t).toMatch(/^studio_id/);
    const [references] = (await db.raw(
      "select table_name t, referenced_table_name r, group_concat(column_name order by ordinal_position) cols from information_schema.key_column_usage where table_schema = database() and referenced_table_name is not null group by table_name, constraint_name, referenced_table_name",
    )) as [{ t: string; r: string; cols: string }[]];
    expect(references.length).toBeGreaterThan(15);
    for (const { t, r, cols } of references)
      if (r !== "users" && r !== "studios") expect(cols, `${t} → ${r}`).toMatch(/^studio_id,/);
    expect(keys.length).toBeGreaterThan(15);
  });

  it("uses InnoDB everywhere and counts nothing up by itself", async () => {
    const [tables] = (await db.raw(
      "select table_name t, engine e, auto_increment a from information_schema.tables where table_schema = database() and table_name not like 'knex%'",
    )) as [{ t: string; e: string; a: number | null }[]];
    for (const { t, e, a } of tables) expect([e, a], t).toEqual(["InnoDB", null]);
  });
});

describe("a studio", () => {
  it("sees nothing of another one by list or by id", async () => {
    expect((await listPeople(studio.scope)).map((p) => p.id)).toEqual([studio.person]);
    expect(await getPerson(studio.scope, other.person)).toBeNull();
    expect(await getStation(studio.scope, other.station)).toBeNull();
    expect(await getPlan(studio.scope, await addSquats(other))).toBeNull();
    expect(await listStations(studio.scope, other.gym)).toEqual([]);
  });

  it("cannot write into another one: updates miss, and references are refused by the database", async () => {
    expect(await changePerson(studio.scope, other.person, 1, ADA)).toEqual({
      ok: false,
      error: { code: "missing" },
    });
    expect((await getPerson(other.scope, other.person))?.revision).toBe(1);
    const head = {
      personId: other.person,
      gymId: studio.gym,
      day: day("2026-03-02"),
      startTime: null,
      title: "Legs",
    };
    await expect(addPlan(studio.scope, head, squats(studio.station))).rejects.toThrow(
      /foreign key/,
    );
  });
});

describe("two edits at once", () => {
  it("of a person: the second is told what the first left, and nothing is overwritten", async () => {
    const [first, second] = await Promise.all([
      changePerson(studio.scope, studio.person, 1, { ...ADA, goal: "Strength" }),
      changePerson(studio.scope, studio.person, 1, { ...ADA, goal: "Size" }),
    ]);
    const lost = first.ok ? second : first;
    expect(first.ok).not.toBe(second.ok);
    expect(lost).toMatchObject({ error: { code: "changedMeanwhile", current: { revision: 2 } } });
  });

  it("of a station: a new version each, the old one kept for what was logged on it", async () => {
    const [station] = await listStations(studio.scope);
    const content = {
      name: "Stack now",
      loading: STACK,
      serves: [],
      profile: null,
      usuallyBusy: false,
      room: "",
    };
    expect(await changeStation(studio.scope, studio.station, 1, content)).toMatchObject({
      ok: true,
    });
    expect(await changeStation(studio.scope, studio.station, 1, content)).toMatchObject({
      error: { code: "changedMeanwhile", current: { version: 2 } },
    });
    const versions = await stationVersions(studio.scope, [station!.versionId]);
    expect(versions.get(station!.versionId)).toMatchObject({ name: "Rack", loading: RACK });
  });

  it("of a plan: both revisions stay, the loser's is not written", async () => {
    const plan = await addSquats(studio);
    const head = { gymId: studio.gym, day: day("2026-03-02"), startTime: null, title: "Mine" };
    const results = await Promise.all([
      savePlan(studio.scope, plan, 1, head, squats(studio.station)),
      savePlan(studio.scope, plan, 1, { ...head, title: "Theirs" }, squats(studio.station)),
    ]);
    expect(results.filter((r) => r.ok)).toHaveLength(1);
    expect(results.find((r) => !r.ok)).toMatchObject({
      error: { code: "changedMeanwhile", current: { revision: 2 } },
    });
    expect(
      await studio.scope.from("plan_revisions").where({ plan_id: toBinary(plan) }),
    ).toHaveLength(2);
  });
});

describe("every write", () => {
  it("names its actor", async () => {
    const [row] = await studio.scope.from("people").select("actor_kind", "actor_id");
    expect(row).toEqual({ actor_kind: "user", actor_id: toBinary(studio.userId) });
  });

  it("of several rows is all or nothing", async () => {
    const before = (await listPeople(studio.scope)).length;
    await expect(
      studio.scope.transaction(async (trx) => {
        await addPerson(trx, ADA);
        throw new Error("broke half way");
      }),
    ).rejects.toThrow("broke half way");
    expect(await listPeople(studio.scope)).toHaveLength(before);
  });

  it("is tried again after a real deadlock, and both get through", async () => {
    const [a, b] = [studio.person, await addPerson(studio.scope, ADA)];
    let tries = 0;
    const both = (first: typeof a, second: typeof a) =>
      inTransaction(db, async (trx) => {
        tries += 1;
        const studio_id = toBinary(studio.scope.studioId);
        await trx("people")
          .where({ studio_id, id: toBinary(first) })
          .increment("revision", 1);
        await new Promise((resolve) => setTimeout(resolve, 150));
        await trx("people")
          .where({ studio_id, id: toBinary(second) })
          .increment("revision", 1);
      });
    await Promise.all([both(a, b), both(b, a)]);
    expect(tries).toBeGreaterThan(2);
    expect((await getPerson(studio.scope, a))?.revision).toBe(3);
  });

  it("tells an absent database from a wrong query", async () => {
    const gone = openDatabase("mysql://nobody:x@127.0.0.1:1/none");
    expect(isUnreachable(await gone("people").catch((e: unknown) => e))).toBe(true);
    expect(isUnreachable(await db("no_such_table").catch((e: unknown) => e))).toBe(false);
    await gone.destroy();
  });
});

describe("signing in", () => {
  const DAY = 86_400_000;

  it("knows a token until it expires or is closed, and stores only its hash", async () => {
    const who = { userId: studio.userId, studioId: studio.scope.studioId };
    const token = await openSignIn(db, who, "Firefox on Linux", NOW);
    expect(await findSignIn(db, token, NOW)).toMatchObject(who);
    expect(await findSignIn(db, token, instant(NOW + (SIGN_IN_DAYS + 1) * DAY))).toBeNull();
    expect(await findSignIn(db, `${token}x`, NOW)).toBeNull();
    const rows: unknown = await db("sign_ins");
    expect(JSON.stringify(rows)).not.toContain(token);
    await closeSignIn(db, token);
    expect(await findSignIn(db, token, NOW)).toBeNull();
  });

  it("registers an address once, and leaves no half studio behind", async () => {
    const form = {
      email: `${newId()}@test.example`,
      displayName: "A",
      studioName: "B",
      passwordHash: "-",
    };
    expect((await register(db, form, NOW)).ok).toBe(true);
    const studios = async () => Number((await db("studios").count({ n: "*" }).first())?.["n"]);
    const before = await studios();
    expect(await register(db, form, NOW)).toEqual({ ok: false, error: { code: "emailTaken" } });
    expect(await studios()).toBe(before);
  });
});
