import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { heldSessionCodec, type HeldSession } from "~/codec/hand-in.ts";
import { newId } from "~/codec/new-id.ts";
import type { Id } from "~/core/kernel/index.ts";
import { conflictsOf, foldCommands, loggedSetsOf } from "~/core/log/index.ts";
import { handIn } from "~/server/coaching/hand-in.server.ts";
import { toBinary } from "~/server/db/columns.server.ts";
import { isLocked, openDatabase, type Database } from "~/server/db/connection.server.ts";
import { getGym, listStations } from "~/server/db/gyms.server.ts";
import { erasePerson, getPerson } from "~/server/db/people.server.ts";
import { getPlan } from "~/server/db/plans.server.ts";
import { acceptCommands, commandIds, commandsAfter } from "~/server/db/commands.server.ts";
import { getSessionLog, startSession } from "~/server/db/session-logs.server.ts";
import { scopeFor } from "~/server/db/scope.server.ts";
import { inject } from "vitest";
import { Device } from "../samples/device.ts";
import { deviceAt } from "./sets.ts";
import {
  addSquats,
  closeTestDatabase,
  NOW,
  testDatabase,
  testStudio,
  type TestStudio,
} from "./studio.ts";

let db: Database;
let studio: TestStudio;
let sessionLogId: Id<"sessionLog">;
beforeAll(async () => {
  db = await testDatabase();
});
afterAll(closeTestDatabase);
beforeEach(async () => {
  studio = await testStudio(db);
  const started = await startSession(studio.scope, await addSquats(studio));
  if (!started.ok) throw new Error("not started");
  sessionLogId = started.value;
});

const accept = (...commands: Parameters<typeof acceptCommands>[2]) =>
  acceptCommands(studio.scope, sessionLogId, commands);
const repsHere = async () =>
  loggedSetsOf(foldCommands(await commandsAfter(studio.scope, sessionLogId, 0)))
    .map(({ loggedSet }) => loggedSet.fullReps)
    .sort();

/** As an older backup would leave it: all of the session log behind a position is gone, positions are given anew. */
async function restoreTo(position: number): Promise<void> {
  const gone = await studio.scope.from("commands").where("position", ">", position).select("id");
  const ids = gone.map((row) => row["id"] as Buffer);
  await studio.scope.from("performed_parts").whereIn("command_id", ids).delete();
  await studio.scope.from("performed_exercises").whereIn("id", ids).delete();
  await studio.scope.from("commands").whereIn("id", ids).delete();
  await studio.scope.from("runs").update({ last_position: position, ended_at: null });
}

/** What the floor page keeps on the device. */
async function held(): Promise<HeldSession> {
  const found = (await getSessionLog(studio.scope, sessionLogId))!;
  return heldSessionCodec.parse({
    studioId: studio.scope.studioId,
    run: found,
    gym: await getGym(studio.scope, found.gymId),
    stations: await listStations(studio.scope, found.gymId),
  });
}

describe("after a restore", () => {
  it("takes again what it lost, from the device that said it or from one that had heard of it", async () => {
    const [phone, tablet] = [
      await deviceAt(studio.scope, sessionLogId),
      await deviceAt(studio.scope, sessionLogId),
    ];
    const [a, b, c] = [phone.set(0, 10), tablet.set(1, 9), phone.set(2, 8)];
    await accept(a);
    await accept(b);
    await accept(c);
    await restoreTo(1);
    expect(await repsHere()).toEqual([10]);
    // The phone hands in its own and the tablet's; the tablet then brings only what is known.
    expect(await accept(c, b)).toMatchObject({ ok: true });
    expect(await accept(b)).toMatchObject({ ok: true });
    expect(await repsHere()).toEqual([10, 8, 9].sort());
  });

  it("keeps a correction of a set that is still missing, and shows both when it comes", async () => {
    const [phone, tablet] = [
      await deviceAt(studio.scope, sessionLogId),
      await deviceAt(studio.scope, sessionLogId),
    ];
    const first = tablet.set(0, 10);
    await accept(first);
    const corrected = phone.set(0, 11, { parent: first.commandId });
    await restoreTo(0);
    expect(await accept(corrected)).toMatchObject({ ok: true });
    expect(await accept(first)).toMatchObject({ ok: true });
    const log = foldCommands(await commandsAfter(studio.scope, sessionLogId, 0));
    expect(conflictsOf(log)).toHaveLength(1);
  });

  it("says from which number on a device has to count where it skips or repeats one", async () => {
    const phone = await deviceAt(studio.scope, sessionLogId);
    const [a, b, c] = [phone.set(0, 10), phone.set(1, 9), phone.set(2, 8)];
    await accept(a);
    expect(await accept(c)).toMatchObject({ error: { code: "gap", expectedSeq: 2 } });
    expect(await accept({ ...b, seq: 1 })).toMatchObject({
      error: { code: "gap", expectedSeq: 2 },
    });
    expect(await accept({ ...c, seq: 2 })).toMatchObject({ ok: true });
  });

  it("tells by ids what it holds, up to a position", async () => {
    const phone = await deviceAt(studio.scope, sessionLogId);
    const [a, b] = [phone.set(0, 10), phone.set(1, 9)];
    await accept(a, b);
    expect(await commandIds(studio.scope, sessionLogId)).toEqual([a.commandId, b.commandId]);
    expect(await commandIds(studio.scope, sessionLogId, 1)).toEqual([a.commandId]);
  });

  it("refuses sets on equipment that it does not know, instead of breaking", async () => {
    const phone = await deviceAt(studio.scope, sessionLogId);
    const elsewhere = new Device(phone.sessionLog, newId());
    expect(await accept(elsewhere.set(0, 10))).toMatchObject({
      error: { code: "unknownEquipment" },
    });
    expect(await accept(elsewhere.context())).toMatchObject({
      error: { code: "unknownEquipment" },
    });
  });
});

describe("handing in a session that is gone", () => {
  const loseAll = async () => {
    for (const table of ["runs", "plan_revisions", "plans", "people"] as const)
      await studio.scope.from(table).delete();
    await studio.scope.from("station_versions").delete();
    await studio.scope.from("stations").delete();
    await studio.scope.from("gyms").delete();
  };

  it("puts back the client, the gym, its equipment, the plan and the run under their own ids", async () => {
    const session = await held();
    const phone = await deviceAt(studio.scope, sessionLogId);
    await loseAll();
    expect(await accept(phone.set(0, 10))).toMatchObject({ error: { code: "missing" } });
    expect(await handIn(studio.scope, session)).toBe("handedIn");
    expect(await handIn(studio.scope, session)).toBe("handedIn");
    expect(await accept(phone.set(1, 9))).toMatchObject({ error: { code: "gap" } });
    expect(await accept({ ...phone.set(0, 10), seq: 1 })).toMatchObject({ ok: true });
    const back = await getSessionLog(studio.scope, sessionLogId);
    expect(back).toMatchObject({ ...session.run, startedAt: NOW });
    expect((await getPerson(studio.scope, studio.person))?.name).toBe("Ada");
    expect((await listStations(studio.scope, studio.gym)).map((s) => s.name)).toEqual(["Rack"]);
  });

  it("changes nothing that is here, and leaves a plan to the session that was begun on it since", async () => {
    const session = await held();
    await studio.scope.from("runs").delete();
    const other = await startSession(studio.scope, session.run.planId);
    if (!other.ok) throw new Error("not started");
    await studio.scope.from("people").update({ name: "Ada the Second" });
    expect(await handIn(studio.scope, session)).toBe("handedIn");
    const [theirs, mine] = [
      await getSessionLog(studio.scope, other.value),
      await getSessionLog(studio.scope, sessionLogId),
    ];
    expect(theirs?.planId).toBe(session.run.planId);
    expect(mine?.planId).not.toBe(session.run.planId);
    expect(mine?.document).toEqual(session.run.document);
    expect(await getPlan(studio.scope, mine!.planId)).toMatchObject({ title: "Legs" });
    expect((await getPerson(studio.scope, studio.person))?.name).toBe("Ada the Second");
  });

  it("is refused for an erased client, and by another studio", async () => {
    const session = await held();
    await erasePerson(studio.scope, studio.person);
    expect(await handIn(studio.scope, session)).toBe("erased");
    expect(await studio.scope.from("people")).toEqual([]);
    // Also where the session itself was gone before the client was erased.
    await studio.scope.from("erased_runs").delete();
    expect(await handIn(studio.scope, session)).toBe("erased");
    const other = await testStudio(db);
    expect(await handIn(other.scope, session)).toBe("otherStudio");
    expect(await other.scope.from("runs")).toEqual([]);
  });
});

describe("an empty poll", () => {
  it("writes nothing, so that a store which takes no writes still answers it", async () => {
    const own = openDatabase(inject("databaseUrl"));
    await own.raw("set session transaction read only");
    const scope = scopeFor(own, { ...studio.scope });
    expect(await acceptCommands(scope, sessionLogId, [])).toEqual({ ok: true, value: null });
    const phone = await deviceAt(studio.scope, sessionLogId);
    await expect(acceptCommands(scope, sessionLogId, [phone.set(0, 10)])).rejects.toMatchObject({
      code: "ER_CANT_EXECUTE_IN_READ_ONLY_TRANSACTION",
    });
    await own.destroy();
  });
});

describe("a lock that is stuck", () => {
  it("holds no connection of the pool while others wait for it, and is told in the end", async () => {
    const own = openDatabase(inject("databaseUrl"));
    const scope = scopeFor(own, {
      studioId: studio.scope.studioId,
      actor: studio.scope.actor,
      now: NOW,
    });
    const phones = await Promise.all(
      Array.from({ length: 14 }, () => deviceAt(studio.scope, sessionLogId)),
    );
    let letGo: () => void = () => undefined;
    const stuck = db.transaction(async (trx) => {
      await trx("runs")
        .where({ id: toBinary(sessionLogId) })
        .forUpdate()
        .first();
      await new Promise<void>((resolve) => (letGo = resolve));
    });
    await new Promise((resolve) => setTimeout(resolve, 100));
    const waiting = phones.map((phone) =>
      acceptCommands(scope, sessionLogId, [phone.set(0, 10)]).catch((error: unknown) => error),
    );
    const begun = performance.now();
    for (let i = 0; i < 10; i++) await getPerson(scope, studio.person);
    expect(performance.now() - begun).toBeLessThan(1500);
    // An empty poll asks for no lock.
    expect(await acceptCommands(scope, sessionLogId, [])).toEqual({ ok: true, value: null });
    const outcomes = await Promise.all(waiting);
    expect(outcomes.every((outcome) => isLocked(outcome))).toBe(true);
    letGo();
    await stuck;
    expect((await accept(phones[0]!.set(1, 9))).ok).toBe(false);
    expect((await accept({ ...phones[0]!.set(1, 9), seq: 1 })).ok).toBe(true);
    await own.destroy();
  });
});
