import fc from "fast-check";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { newId } from "~/codec/new-id.ts";
import { commandCodec } from "~/codec/command.ts";
import { type Id, kg, day, seconds } from "~/core/kernel/index.ts";
import {
  conflictsOf,
  foldCommands,
  isEnded,
  parentFor,
  performedOf,
  UNSAID_CONDITIONS,
  UNSAID_OBSERVATIONS,
} from "~/core/log/index.ts";
import type { Database } from "~/server/db/connection.server.ts";
import { listMeasurements } from "~/server/db/measurements.server.ts";
import { erasePerson } from "~/server/db/people.server.ts";
import { performedIn } from "~/server/db/performed.server.ts";
import { savePlan } from "~/server/db/plans.server.ts";
import { acceptCommands, commandsAfter } from "~/server/db/commands.server.ts";
import {
  adoptNewestRevision,
  getSessionLog,
  startSession,
} from "~/server/db/session-logs.server.ts";
import { deviceAt } from "./sets.ts";
import {
  addSquats,
  closeTestDatabase,
  squats,
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
const standing = async () => (await performedIn(studio.scope, [sessionLogId])).get(sessionLogId);
const log = async () => foldCommands(await commandsAfter(studio.scope, sessionLogId, 0));

describe("accepting commands", () => {
  it("commits them once, however often they are sent", async () => {
    const device = await deviceAt(studio.scope, sessionLogId);
    const commands = [device.context(), device.set(0, 10), device.set(1, 9)];
    for (let i = 0; i < 3; i++)
      expect(await accept(...commands)).toEqual({ ok: true, value: null });
    expect((await commandsAfter(studio.scope, sessionLogId, 0)).map((c) => c.position)).toEqual([
      1, 2, 3,
    ]);
    expect((await standing())?.loggedSets.map((p) => p.fullReps)).toEqual([10, 9]);
  });

  it("takes the rest of a batch whose beginning had arrived before", async () => {
    const device = await deviceAt(studio.scope, sessionLogId);
    const [a, b] = [device.set(0, 10), device.set(1, 9)];
    await accept(a);
    await accept(a, b);
    expect((await standing())?.loggedSets).toHaveLength(2);
  });

  it("refuses a gap in a device's sequence and commits nothing of the batch", async () => {
    const device = await deviceAt(studio.scope, sessionLogId);
    const [first, , third] = [device.set(0, 10), device.set(1, 9), device.set(2, 8)];
    expect(await accept(first, third)).toEqual({
      ok: false,
      error: { code: "gap", expectedSeq: 2 },
    });
    expect(await commandsAfter(studio.scope, sessionLogId, 0)).toEqual([]);
    expect((await standing())?.loggedSets).toEqual([]);
  });

  it("keeps a set whose parent nobody can show, and refuses another run's commands", async () => {
    const device = await deviceAt(studio.scope, sessionLogId);
    expect(await accept(device.set(0, 10, { parent: newId() }))).toMatchObject({ ok: true });
    expect((await commandsAfter(studio.scope, sessionLogId, 0))[0]?.command.parent).toBeNull();
    expect((await standing())?.loggedSets.map((p) => p.fullReps)).toEqual([10]);
    const foreign = { ...device.set(0, 10), runId: newId<"sessionLog">() };
    expect(await accept(foreign)).toMatchObject({ error: { code: "foreignRun" } });
  });

  it("keeps both sides when two devices log one set, and shows them as a conflict", async () => {
    const [phone, tablet] = [
      await deviceAt(studio.scope, sessionLogId),
      await deviceAt(studio.scope, sessionLogId),
    ];
    await Promise.all([accept(phone.set(0, 10)), accept(tablet.set(0, 8))]);
    expect((await standing())?.loggedSets.map((p) => p.fullReps).sort()).toEqual([10, 8].sort());
    expect(conflictsOf(await log())).toHaveLength(1);
  });

  it("gives every command a place of its own when many devices send at once", async () => {
    const devices = await Promise.all(
      Array.from({ length: 6 }, () => deviceAt(studio.scope, sessionLogId)),
    );
    const results = await Promise.all(
      devices.map((device) => accept(device.set(0, 10), device.set(1, 9), device.set(2, 8))),
    );
    expect(results.every((r) => r.ok)).toBe(true);
    expect((await commandsAfter(studio.scope, sessionLogId, 0)).map((c) => c.position)).toEqual(
      Array.from({ length: 18 }, (_, i) => i + 1),
    );
  });

  it("marks a superseded row with what superseded it instead of rewriting it", async () => {
    const device = await deviceAt(studio.scope, sessionLogId);
    const first = device.set(0, 10);
    const correction = device.set(0, 11, { parent: first.commandId });
    await accept(first, correction);
    expect((await standing())?.loggedSets.map((p) => p.fullReps)).toEqual([11]);
    const rows = await studio.scope
      .from("performed_parts")
      .select("full_reps", "tombstoned_by")
      .orderBy("full_reps");
    expect(rows.map((r) => [r["full_reps"], r["tombstoned_by"] === null])).toEqual([
      [10, false],
      [11, true],
    ]);
  });

  it("stores unknown reps as unknown, and effort past the limit as that", async () => {
    const device = await deviceAt(studio.scope, sessionLogId);
    await accept(
      device.context(),
      device.set(0, null, { rir: "unknown" }),
      device.set(1, 6, { rir: "past" }),
      device.set(2, 8, { rir: 2.5, reading: kg(102.5) }),
    );
    expect((await standing())?.loggedSets).toMatchObject([
      { fullReps: null, rir: "unknown" },
      { fullReps: 6, rir: "past" },
      { fullReps: 8, rir: 2.5, reading: kg(102.5), platesHung: [kg(25), kg(15)] },
    ]);
  });

  it("keeps how a set was done and what was seen in it; of a device that says nothing, that it is unknown", async () => {
    const device = await deviceAt(studio.scope, sessionLogId);
    const more = {
      limiter: "grip",
      conditions: {
        setUp: { Stance: "wide" },
        tempo: { lower: 3, stretch: null, lift: "explosive", squeeze: 1 },
        range: "full",
        restBefore: seconds(95),
        gear: ["belt"],
        helper: "spotter",
      },
      observed: {
        faults: [{ fault: "kneesCave", fromRep: 7 }],
        held: seconds(2.5),
        feltIn: "adductors",
        stuckAt: "bottom",
      },
    } as const;
    const full = device.set(0, 10, { more });
    const late = device.set(1, 9);
    if (late.body.kind !== "part") throw new Error("no set");
    const ofBefore = { ...late.body.part, conditions: undefined, observed: undefined };
    await accept(full, commandCodec.parse({ ...late, body: { kind: "part", part: ofBefore } }));
    const ofReps = async (reps: number) =>
      (await standing())?.loggedSets.find(({ fullReps }) => fullReps === reps);
    expect(await ofReps(10)).toMatchObject(more);
    expect(await ofReps(9)).toMatchObject({
      conditions: UNSAID_CONDITIONS,
      observed: UNSAID_OBSERVATIONS,
    });
  });

  it("counts a check-in as measured on the day of the session, and one that corrects it instead of it", async () => {
    const device = await deviceAt(studio.scope, sessionLogId);
    const say = (weight: number | null, readiness: number | null, parent: Id<"command"> | null) =>
      device.command(
        { kind: "checkIn", bodyWeight: weight === null ? null : kg(weight), readiness },
        parent,
      );
    const first = say(80.5, 4, null);
    await accept(first, first);
    const session = (await getSessionLog(studio.scope, sessionLogId))!;
    const measured = async () =>
      (await listMeasurements(studio.scope, session.personId)).map(({ kind, value, day: on }) => [
        kind,
        value,
        on,
      ]);
    expect(await measured()).toEqual([
      ["bodyWeight", { thousandths: 80_500, unit: "kg" }, session.day],
      ["readiness", { thousandths: 4000, unit: "ofFive" }, session.day],
    ]);
    await accept(say(81, null, first.commandId));
    expect(await measured()).toEqual([
      ["bodyWeight", { thousandths: 81_000, unit: "kg" }, session.day],
    ]);
  });

  it("ends the run once, and still takes what a device sends late", async () => {
    const [phone, tablet] = [
      await deviceAt(studio.scope, sessionLogId),
      await deviceAt(studio.scope, sessionLogId),
    ];
    await accept(phone.set(0, 10), phone.end());
    const ended = (await getSessionLog(studio.scope, sessionLogId))?.endedAt;
    expect(ended).not.toBeNull();
    expect(
      await acceptCommands(studio.at(Date.UTC(2026, 2, 3)), sessionLogId, [tablet.set(1, 9)]),
    ).toMatchObject({ ok: true });
    expect((await getSessionLog(studio.scope, sessionLogId))?.endedAt).toBe(ended);
    expect((await standing())?.loggedSets).toHaveLength(2);
  });

  it("keeps rows that say the same as the folded commands, whatever was said", async () => {
    const moves = fc.array(
      fc.record({
        device: fc.integer({ min: 0, max: 1 }),
        set: fc.integer({ min: 0, max: 2 }),
        reps: fc.integer({ min: 1, max: 20 }),
        act: fc.constantFrom("log", "correct", "remove", "pain", "end", "reopen"),
      }),
      { minLength: 1, maxLength: 10 },
    );
    await fc.assert(
      fc.asyncProperty(moves, async (said) => {
        const own = await testStudio(db);
        const started = await startSession(own.scope, await addSquats(own));
        if (!started.ok) throw new Error("not started");
        const devices = [
          await deviceAt(own.scope, started.value),
          await deviceAt(own.scope, started.value),
        ];
        await acceptCommands(own.scope, started.value, [devices[0]!.context()]);
        for (const { device: at, set, reps, act } of said) {
          const device = devices[at]!;
          const known = foldCommands(await commandsAfter(own.scope, started.value, 0));
          const setId = device.slot.sets[set]!.id;
          const key = { setId, extensionId: null, round: 0, ordinal: 0, side: "both" } as const;
          const head = [...known.values()]
            .flat()
            .findLast((c) => c.body.kind === "part" && c.body.part.key.setId === setId)?.commandId;
          const command =
            act === "end"
              ? device.end(parentFor(known, { kind: "end", sessionEffort: null }))
              : act === "reopen"
                ? device.command(
                    { kind: "reopen", why: "x" },
                    parentFor(known, { kind: "reopen", why: "x" }),
                  )
                : act === "pain"
                  ? device.pain(3)
                  : act === "remove" && head !== undefined
                    ? device.command({ kind: "removePart", key }, head)
                    : device.set(
                        set,
                        reps,
                        act === "correct" && head !== undefined ? { parent: head } : {},
                      );
          await acceptCommands(own.scope, started.value, [command]);
        }
        const log = foldCommands(await commandsAfter(own.scope, started.value, 0));
        const folded = performedOf(log);
        expect((await getSessionLog(own.scope, started.value))?.endedAt !== null).toBe(
          isEnded(log),
        );
        const rows = (await performedIn(own.scope, [started.value])).get(started.value)!;
        const byId = <T extends { id: string }>(list: readonly T[]) =>
          [...list].sort((a, b) => a.id.localeCompare(b.id));
        expect(byId(rows.loggedSets)).toEqual(byId(folded.loggedSets));
        expect(byId(rows.pains)).toEqual(byId(folded.pains));
        expect(rows.contexts).toEqual(folded.contexts);
      }),
      { numRuns: Number(process.env["KRAVO_DB_RUNS"] ?? 8) },
    );
  });
});

describe("a run", () => {
  it("is started once for a plan, also when pressed twice", async () => {
    const plan = await addSquats(studio);
    const started = await Promise.all([
      startSession(studio.scope, plan),
      startSession(studio.scope, plan),
    ]);
    expect(started[0]).toEqual(started[1]);
  });

  it("keeps the revision it began with until the coach's change is taken in", async () => {
    const before = await getSessionLog(studio.scope, sessionLogId);
    if (before === null) throw new Error("no run");
    const head = { gymId: studio.gym, day: day("2026-03-02"), startTime: null, title: "Changed" };
    await savePlan(studio.scope, before.planId, 1, head, squats(studio.station));
    const during = await getSessionLog(studio.scope, sessionLogId);
    expect(during?.document).toEqual(before.document);
    expect(during?.newestRevisionId).not.toBe(before.revisionId);
    expect(await adoptNewestRevision(studio.scope, sessionLogId)).toBe(true);
    expect((await getSessionLog(studio.scope, sessionLogId))?.document).not.toEqual(
      before.document,
    );
  });
});

describe("erasing a person", () => {
  it("leaves nothing of them but the markers, and refuses a late sync", async () => {
    const device = await deviceAt(studio.scope, sessionLogId);
    const first = device.set(0, 10);
    await accept(
      device.context(),
      first,
      device.set(0, 11, { parent: first.commandId }),
      device.pain(4),
      device.end(),
    );
    expect(await erasePerson(studio.scope, studio.person)).toBe(true);
    for (const table of [
      "people",
      "plans",
      "plan_revisions",
      "runs",
      "commands",
      "performed_parts",
      "performed_exercises",
      "pains",
      "rulings",
    ] as const) {
      expect(await studio.scope.from(table), table).toEqual([]);
    }
    expect(await studio.scope.from("erased_people")).toHaveLength(1);
    expect(await accept(device.set(1, 9))).toEqual({ ok: false, error: { code: "erased" } });
  });
});
