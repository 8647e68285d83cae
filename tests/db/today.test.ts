import { describe, expect, it, vi } from "vitest";
import { day, instant, kg, type Id } from "~/core/kernel/index.ts";
import { subjectOf } from "~/core/coach/index.ts";
import { newId } from "~/codec/new-id.ts";
import { newItemBlock, slotsOf } from "~/core/plan/index.ts";
import { correct } from "~/server/coaching/corrections.server.ts";
import {
  acceptUnremarkable,
  decideOne,
  takeBackOne,
  takeBackPlanned,
} from "~/server/coaching/decide.server.ts";
import { todayOf } from "~/server/coaching/today.server.ts";
import { takeCommands, workOutSome } from "~/server/coaching/waiting.server.ts";
import { acceptCommands, commandsAfter } from "~/server/db/commands.server.ts";
import { addMeasurement } from "~/server/db/measurements.server.ts";
import {
  addPerson,
  archivePerson,
  erasePerson,
  getPerson,
  listPeople,
} from "~/server/db/people.server.ts";
import { joinByInvitation } from "~/server/db/accounts.server.ts";
import { makeGrant } from "~/server/db/grants.server.ts";
import { showMine } from "~/server/db/coaches.server.ts";
import {
  addPlan,
  dropPlan,
  getPlan,
  listOpenSessions,
  listPlans,
  listPlansOf,
  plansAround,
  savePlan,
} from "~/server/db/plans.server.ts";
import { rulingsOn } from "~/server/db/rulings.server.ts";
import { discardSession, getSessionLog, startSession } from "~/server/db/session-logs.server.ts";
import { listWaiting, outdatedSessions, putOff } from "~/server/db/waiting.server.ts";
import { replaceWarnings, warningsOn } from "~/server/db/warnings.server.ts";
import * as waitingRows from "~/server/db/waiting.server.ts";
import { scopeFor, type Scope } from "~/server/db/scope.server.ts";
import { deviceAt } from "./sets.ts";
import { addSquats, ADA, inStudio, NOW, squats, testStudio } from "./studio.ts";

const here = inStudio();
const TODAY = day("2026-03-02");

let sessions = 0;
/** Trains squats through the way of a device, which works out what waits; each session a minute after the one before. */
async function trained(reps: readonly number[], pain: number | null = null) {
  sessions += 1;
  const scope = here.studio.at(NOW - 86_400_000 + sessions * 60_000);
  const started = await startSession(scope, await addSquats(here.studio));
  if (!started.ok) throw new Error("not started");
  const device = await deviceAt(scope, started.value);
  const accepted = await takeCommands(scope, started.value, [
    device.context(),
    ...reps.map((n, i) => device.set(i, n)),
    ...(pain === null ? [] : [device.pain(pain)]),
    device.end(),
  ]);
  expect(accepted.ok).toBe(true);
  const sessionLog = await getSessionLog(scope, started.value);
  if (sessionLog === null) throw new Error("no session");
  return { sessionLog, device };
}

async function waitingOf(id: Id<"sessionLog">) {
  const own = (await listWaiting(here.studio.scope)).filter((row) => row.sessionLog === id);
  expect(own).toHaveLength(1);
  return own[0]!;
}
const at = ({ facts }: Awaited<ReturnType<typeof waitingOf>>) => ({
  slotId: facts.slot,
  line: facts.line,
});
const shownOf = (own: Awaited<ReturnType<typeof waitingOf>>) => ({
  id: own.sessionLog,
  lines: [{ ...at(own), shown: own.facts.shown }],
});

/** Everything that a studio stores of decisions and plans, but when rows were worked out. */
async function rowsOf(scope: Scope) {
  const [plans, revisions, runs, waiting] = await Promise.all([
    scope.from("plans").orderBy("id"),
    scope.from("plan_revisions").orderBy("id"),
    scope.from("runs").orderBy("id"),
    scope.from("waiting").orderBy("subject").select("run_id", "subject", "facts", "ruling_id"),
  ]);
  return { plans, revisions, runs, waiting };
}

describe("what waits for the coach", () => {
  it("is worked out with the end of a session, and leaves when its next one is planned", async () => {
    const { sessionLog } = await trained([12, 12, 12]);
    const own = await waitingOf(sessionLog.id);
    expect(own).toMatchObject({
      isRuled: false,
      facts: { move: "raise", reading: kg(102.5), from: kg(100), why: { kind: "progress" } },
    });
    expect(own.facts.done.map(({ amount }) => amount)).toEqual([12, 12, 12]);
    const { ready, decisions } = await todayOf(here.studio.scope);
    expect(ready.map((one) => one.sessionLog)).toContain(sessionLog.id);
    expect(decisions.some((d) => d.of === "line" && d.sessionLog === sessionLog.id)).toBe(false);
    const done = await acceptUnremarkable(here.studio.scope, [shownOf(own)], TODAY);
    expect(done).toEqual({ planned: [sessionLog.id], changed: [] });
    expect((await listWaiting(here.studio.scope)).some((w) => w.sessionLog === sessionLog.id)).toBe(
      false,
    );
  });

  it("puts pain before everything, and takes no session with pain as unremarkable", async () => {
    const { sessionLog } = await trained([12, 12, 12], 4);
    const own = await waitingOf(sessionLog.id);
    expect(own.facts.why).toEqual({ kind: "pain", joint: "knee", score: 4 });
    const { decisions, ready } = await todayOf(here.studio.scope);
    expect(decisions[0]).toMatchObject({ of: "line", facts: { why: { kind: "pain" } } });
    expect(ready.some((one) => one.sessionLog === sessionLog.id)).toBe(false);
    const done = await acceptUnremarkable(here.studio.scope, [shownOf(own)], TODAY);
    expect(done).toEqual({ planned: [], changed: [sessionLog.id] });
  });

  it("is worked out anew after a correction, and after something that proposals rest on", async () => {
    const { scope, person } = here.studio;
    const { sessionLog } = await trained([12, 12, 12]);
    const commands = await commandsAfter(scope, sessionLog.id, 0);
    const set = commands.find(({ command }) => command.body.kind === "part");
    await correct(scope, sessionLog, {
      intent: "correct",
      command: set!.command.commandId,
      load: "100",
      done: 6,
      rir: 2,
      why: "miscounted",
    } as never);
    expect((await waitingOf(sessionLog.id)).facts).toMatchObject({ move: "keep" });
    expect(await outdatedSessions(scope, 50)).not.toContain(sessionLog.id);
    const weighed = { day: TODAY, kind: "bodyWeight", side: "both", note: "" } as const;
    await addMeasurement(scope, person, {
      ...weighed,
      value: { thousandths: 70_000, unit: "kg" },
    } as never);
    expect(await outdatedSessions(scope, 50)).toContain(sessionLog.id);
    while ((await workOutSome(scope)) > 0);
    expect(await outdatedSessions(scope, 50)).toEqual([]);
  });

  it("costs no set where it cannot be worked out, and is worked out later", async () => {
    const broken = vi
      .spyOn(waitingRows, "replaceWaiting")
      .mockImplementation(() => Promise.reject(new Error("broken")));
    const { sessionLog } = await trained([12, 11, 10]).finally(() => broken.mockRestore());
    const commands = await commandsAfter(here.studio.scope, sessionLog.id, 0);
    expect(commands.filter(({ command }) => command.body.kind === "part")).toHaveLength(3);
    expect(sessionLog.endedAt).not.toBeNull();
    expect(await outdatedSessions(here.studio.scope, 50)).toContain(sessionLog.id);
    while ((await workOutSome(here.studio.scope)) > 0);
    await waitingOf(sessionLog.id);
  });
});

describe("deciding on one line", () => {
  it("keeps the decision as a ruling, and it stands when the session is planned", async () => {
    const { scope } = here.studio;
    const { sessionLog } = await trained([12, 12, 12], 4);
    const own = await waitingOf(sessionLog.id);
    const word = { kind: "change", load: "90", reason: "Knee first" } as const;
    expect(await decideOne(scope, sessionLog.id, at(own), own.facts.shown, word)).toEqual({
      ok: true,
      value: null,
    });
    expect((await waitingOf(sessionLog.id)).isRuled).toBe(true);
    const { ready } = await todayOf(scope);
    const mine = ready.find((one) => one.sessionLog === sessionLog.id);
    expect(mine?.lines).toEqual([]);
    await acceptUnremarkable(scope, [{ id: sessionLog.id, lines: [] }], TODAY);
    const [ruling, ...others] = await rulingsOn(scope, sessionLog.id);
    expect(others).toEqual([]);
    expect(ruling).toMatchObject({ decision: "overruled", chosen: kg(90), reason: "Knee first" });
    // Said once: planning wrote no second one.
    expect(
      await scope.from("rulings").where({ run_id: (await runRow(scope, sessionLog.id)).id }),
    ).toHaveLength(1);
    const plan = await planOf(scope, sessionLog.id);
    expect(slotsOf(plan!.document)[0]?.sets[0]?.load).toEqual({
      kind: "absolute",
      reading: kg(90),
    });
  });

  it("refuses what is no longer proposed, what cannot be made and a change without a reason", async () => {
    const { scope } = here.studio;
    const { sessionLog } = await trained([12, 12, 12], 5);
    const own = await waitingOf(sessionLog.id);
    const decide = (shown: string, word: Parameters<typeof decideOne>[4]) =>
      decideOne(scope, sessionLog.id, at(own), shown, word);
    const { shown } = own.facts;
    expect(await decide("other", { kind: "accept" })).toMatchObject({
      error: { code: "proposalChanged" },
    });
    expect(await decide(shown, { kind: "change", load: "91.1", reason: "x" })).toMatchObject({
      error: { code: "cannotBeMade" },
    });
    expect(await decide(shown, { kind: "change", load: "90", reason: " " })).toMatchObject({
      error: { code: "reasonMissing" },
    });
    expect(await decide(shown, { kind: "change", load: "heavy", reason: "x" })).toMatchObject({
      error: { code: "notALoad" },
    });
    expect((await waitingOf(sessionLog.id)).isRuled).toBe(false);
  });

  it("is taken back: the line waits again, and both words are kept", async () => {
    const { scope } = here.studio;
    const { sessionLog } = await trained([12, 12, 12], 4);
    const own = await waitingOf(sessionLog.id);
    await decideOne(scope, sessionLog.id, at(own), own.facts.shown, { kind: "accept" });
    expect(await takeBackOne(scope, sessionLog.id, at(own))).toBe(true);
    expect((await waitingOf(sessionLog.id)).isRuled).toBe(false);
    expect(await rulingsOn(scope, sessionLog.id)).toEqual([]);
    const kept = await scope.from("rulings").orderBy("id");
    expect(kept.slice(-2).map((row) => row["decision"])).toEqual(["accepted", "withdrawn"]);
  });
});

describe("accepting all that is unremarkable", () => {
  it("is taken back without a trace but the rulings and those that withdraw them", async () => {
    const { scope } = here.studio;
    const sessions = [await trained([12, 12, 12]), await trained([12, 11, 10])];
    const shown = [];
    for (const { sessionLog } of sessions) shown.push(shownOf(await waitingOf(sessionLog.id)));
    const before = await rowsOf(scope);
    const later = here.studio.at(NOW + 60_000);
    const { planned } = await acceptUnremarkable(later, shown, TODAY);
    expect(planned).toHaveLength(2);
    expect((await rowsOf(scope)).plans.length).toBe(before.plans.length + 2);
    for (const id of planned) expect(await takeBackPlanned(later, id)).toBe(true);
    expect(await rowsOf(scope)).toEqual(before);
  });

  it("does not take back a next session that somebody changed or began", async () => {
    const { scope } = here.studio;
    const { sessionLog } = await trained([12, 12, 12]);
    await acceptUnremarkable(scope, [shownOf(await waitingOf(sessionLog.id))], TODAY);
    const plan = (await planOf(scope, sessionLog.id))!;
    expect((await savePlan(scope, plan.id, plan.revision, plan, plan.document)).ok).toBe(true);
    expect(await takeBackPlanned(scope, sessionLog.id)).toBe(false);
    expect(await getPlan(scope, plan.id)).not.toBeNull();
  });
});

describe("the day", () => {
  it("asks after sessions that nobody trained until they are dropped, and puts off until tomorrow", async () => {
    const { scope, gym } = here.studio;
    const bea = await addPerson(scope, { ...ADA, name: "Bea" });
    const document = (await getPlan(scope, await addSquats(here.studio)))!.document;
    const plan = await addPlan(
      scope,
      { personId: bea, gymId: gym, day: day("2026-02-27"), startTime: "17:00", title: "Legs" },
      document,
    );
    const asked = async (when = scope) =>
      (await todayOf(when)).decisions.some(
        (item) => item.of === "untrained" && item.plan.id === plan,
      );
    expect(await asked()).toBe(true);
    await putOff(scope, bea, `untrained ${plan}`, day("2026-03-03"));
    expect(await asked()).toBe(false);
    expect(await asked(here.studio.at(instant(NOW + 86_400_000)))).toBe(true);
    await dropPlan(scope, plan, true);
    expect(await asked(here.studio.at(instant(NOW + 86_400_000)))).toBe(false);
    await dropPlan(scope, plan, false);
    expect(await asked(here.studio.at(instant(NOW + 86_400_000)))).toBe(true);
  });
});

describe("a client who is archived", () => {
  it("stands in no list and waits for nobody, and is back with everything once restored", async () => {
    const { scope, gym } = here.studio;
    const cleo = await addPerson(scope, { ...ADA, name: "Cleo" });
    const document = (await getPlan(scope, await addSquats(here.studio)))!.document;
    const planOn = (on: string) =>
      addPlan(
        scope,
        { personId: cleo, gymId: gym, day: day(on), startTime: null, title: "Legs" },
        document,
      );
    await planOn("2026-02-27");
    await planOn(TODAY);
    const started = await startSession(scope, await planOn("2026-03-01"));
    if (!started.ok) throw new Error("not started");
    const device = await deviceAt(scope, started.value);
    await takeCommands(scope, started.value, [device.context(), device.set(0, 12), device.end()]);
    const seen = async () => {
      const { plans, decisions, running } = await todayOf(scope);
      const isHers = ({ personId }: { readonly personId: Id<"person"> }) => personId === cleo;
      return {
        listed: (await listPeople(scope)).some(({ id }) => id === cleo),
        planned: plans.filter(isHers).length,
        waiting: decisions.filter(isHers).length + running.filter(isHers).length,
        kept: (await listPlansOf(scope, cleo, { many: 9 })).length,
      };
    };
    const before = await seen();
    expect(before).toMatchObject({ listed: true, planned: 1, kept: 3 });
    expect(before.waiting).toBeGreaterThan(0);
    await archivePerson(scope, cleo, true);
    expect(await seen()).toEqual({ listed: false, planned: 0, waiting: 0, kept: 3 });
    expect((await listPeople(scope, "archived")).map(({ id }) => id)).toEqual([cleo]);
    expect((await getPerson(scope, cleo))?.isArchived).toBe(true);
    await archivePerson(scope, cleo, false);
    expect(await seen()).toEqual(before);
  });
});

describe("a session that is deleted", () => {
  it("counts no more in its week, and cannot be deleted once it has begun", async () => {
    const { scope, gym } = here.studio;
    const dora = await addPerson(scope, { ...ADA, name: "Dora" });
    const document = (await getPlan(scope, await addSquats(here.studio)))!.document;
    const head = { personId: dora, gymId: gym, day: TODAY, startTime: null, title: "Legs" };
    const plan = await addPlan(scope, head, document);
    const ofWeek = async () => (await plansAround(scope, dora, TODAY)).map(({ id }) => id);
    expect(await ofWeek()).toEqual([plan]);
    expect(await dropPlan(scope, plan, true)).toBe(true);
    expect(await ofWeek()).toEqual([]);
    expect((await getPlan(scope, plan))?.sessionState).toEqual({ kind: "deleted" });
    expect(await startSession(scope, plan)).toEqual({ ok: false, error: { code: "deleted" } });
    expect(await dropPlan(scope, plan, false)).toBe(true);
    expect(await ofWeek()).toEqual([plan]);
    expect((await startSession(scope, plan)).ok).toBe(true);
    expect(await dropPlan(scope, plan, true)).toBe(false);
    expect(await ofWeek()).toEqual([plan]);
  });
});

describe("a session that was started and is discarded", () => {
  it("is planned again, keeps what was logged, and goes on where it was", async () => {
    const { scope } = here.studio;
    const plan = await addSquats(here.studio, TODAY);
    const started = await startSession(scope, plan);
    if (!started.ok) throw new Error("not started");
    const id = started.value;
    const state = async () => (await getPlan(scope, plan))?.sessionState.kind;
    expect(await state()).toBe("running");
    expect(await discardSession(scope, id, true)).toBe(true);
    expect(await state()).toBe("none");
    expect((await getPlan(scope, plan))?.discarded).toBe(id);
    expect((await listOpenSessions(scope)).map((own) => own.id)).not.toContain(plan);
    expect((await listPlans(scope, TODAY, TODAY)).map((own) => own.id)).toContain(plan);
    expect(await discardSession(scope, id, false)).toBe(true);
    expect(await state()).toBe("running");

    // Started again, it is the same log; one that is discarded can be deleted, and then not started.
    await discardSession(scope, id, true);
    expect(await startSession(scope, plan)).toEqual({ ok: true, value: id });
    expect(await state()).toBe("running");
    await discardSession(scope, id, true);
    expect(await dropPlan(scope, plan, true)).toBe(true);
    expect(await startSession(scope, plan)).toEqual({ ok: false, error: { code: "deleted" } });
  });

  it("is restored by a set that still comes from a device, and not discarded once it has ended", async () => {
    const { db, studio } = here;
    const plan = await addSquats(studio, TODAY);
    const started = await startSession(studio.scope, plan);
    if (!started.ok) throw new Error("not started");
    await discardSession(studio.scope, started.value, true);
    const other = await testStudio(db);
    expect(await discardSession(other.scope, started.value, false)).toBe(false);
    const device = await deviceAt(studio.scope, started.value);
    await acceptCommands(studio.scope, started.value, [device.context(), device.set(0, 5)]);
    expect((await getPlan(studio.scope, plan))?.sessionState.kind).toBe("running");
    await acceptCommands(studio.scope, started.value, [device.end()]);
    const after = await getPlan(studio.scope, plan);
    expect(after?.discarded).toBeNull();
    expect(after?.sessionState.kind).toBe("ended");
    expect(await discardSession(studio.scope, started.value, true)).toBe(false);
  });
});

describe("the clients of one coach", () => {
  it("are all that Today shows who asked for it, with those who are nobody's", async () => {
    const { db, studio } = here;
    const { scope, userId, gym } = studio;
    const mate = { email: `${newId()}@test.example`, displayName: "Mate", passwordHash: "-" };
    const invitation = await makeGrant(scope, "invitation", null);
    const joined = await joinByInvitation(db, invitation, mate, scope.now);
    if (!joined.ok) throw new Error("not joined");
    const asMate = scopeFor(db, { ...scope, actor: { kind: "user", id: joined.value.userId } });
    const owned = { ours: null, mine: userId, theirs: joined.value.userId };
    const names = new Map<Id<"person">, string>();
    for (const [name, coach] of Object.entries(owned)) {
      const personId = await addPerson(scope, { ...ADA, name, coach });
      names.set(personId, name);
      for (const on of [TODAY, day("2026-02-27")]) {
        const head = { personId, gymId: gym, day: on, startTime: null, title: "Legs" };
        await addPlan(scope, head, squats(studio.station));
      }
      await replaceWarnings(scope, personId, [{ kind: "limitNoBreak", weeks: 6, sets: 30 }]);
    }
    const seen = async (as: Scope) => {
      const { plans, decisions, isMine } = await todayOf(as);
      const of = (own: readonly { readonly personId: Id<"person"> }[]) =>
        [...new Set(own.flatMap(({ personId }) => names.get(personId) ?? []))].toSorted();
      const [asked, warned] = [
        decisions.filter((item) => item.of === "untrained"),
        decisions.filter((item) => item.of === "warning"),
      ];
      return [isMine, of(plans), of(asked), of(warned)];
    };
    const all = ["mine", "ours", "theirs"];
    expect(await seen(scope)).toEqual([false, all, all, all]);
    await showMine(scope, true);
    const own = ["mine", "ours"];
    expect(await seen(scope)).toEqual([true, own, own, own]);
    // Of one coach only: the other one sees everybody still.
    expect(await seen(asMate)).toEqual([false, all, all, all]);
    await showMine(scope, false);
    expect(await seen(scope)).toEqual([false, all, all, all]);
  });
});

async function runRow(scope: Scope, id: Id<"sessionLog">) {
  const rows = await scope.from("runs").select("id");
  const row = rows.find((one) => (one["id"] as Buffer).toString("hex") === id.replaceAll("-", ""));
  return { id: row?.["id"] as Buffer };
}

async function planOf(scope: Scope, id: Id<"sessionLog">) {
  const { planFromSession } = await import("~/server/db/plans.server.ts");
  const plan = await planFromSession(scope, id);
  return plan === null ? null : getPlan(scope, plan);
}

describe("what weeks of a client warn of", () => {
  it("is worked out when a session ends, put off, and gone once it no longer holds", async () => {
    const { scope } = here.studio;
    const client = await addPerson(scope, ADA);
    const train = async (pain: number | null, plusMinutes: number) => {
      const at = here.studio.at(NOW + plusMinutes * 60_000);
      const plan = await addPlan(
        at,
        {
          personId: client,
          gymId: here.studio.gym,
          title: "Legs",
          day: day("2026-03-02"),
          startTime: null,
        },
        squats(here.studio.station),
      );
      const started = await startSession(at, plan);
      if (!started.ok) throw new Error("not started");
      const device = await deviceAt(at, started.value);
      const said = pain === null ? [] : [device.pain(pain)];
      await takeCommands(at, started.value, [
        device.context(),
        device.set(0, 8),
        ...said,
        device.end(),
      ]);
    };
    for (const [i, pain] of [3, 3, 3].entries()) await train(pain, i);
    expect(await warningsOn(scope, client)).toEqual([
      { kind: "painStays", joint: "knee", times: 3, of: 3, from: 3, to: 3 },
    ]);
    const own = async () =>
      (await todayOf(scope)).decisions.filter(
        (item) => item.of === "warning" && item.personId === client,
      );
    const [item] = await own();
    expect(item).toMatchObject({ warning: { kind: "painStays" } });
    // Of a client who stays away nothing is told any more, though the page of the client keeps it.
    const later = here.studio.at(NOW + 22 * 86_400_000);
    expect((await todayOf(later)).decisions.map(({ of }) => of)).not.toContain("warning");
    expect(await warningsOn(later, client)).toHaveLength(1);
    await putOff(scope, client, subjectOf(item!), day("2026-03-03"));
    expect(await own()).toEqual([]);
    // Two sessions without pain: two of four are not most of them.
    await train(null, 4);
    await train(null, 5);
    expect(await warningsOn(scope, client)).toEqual([]);
  });

  it("hears from the floor whether the warm-up was done", async () => {
    const { scope, gym, station } = here.studio;
    const client = await addPerson(scope, ADA);
    for (const [i, isDone] of [false, true, false].entries()) {
      const at = here.studio.at(NOW + i * 60_000);
      const warmUp = newItemBlock("prepare", newId);
      const document = squats(station);
      const plan = await addPlan(
        at,
        { personId: client, gymId: gym, title: "Legs", day: TODAY, startTime: null },
        { ...document, blocks: [warmUp, ...document.blocks] },
      );
      const started = await startSession(at, plan);
      if (!started.ok) throw new Error("not started");
      const device = await deviceAt(at, started.value);
      await takeCommands(at, started.value, [
        device.command({ kind: "items", blockId: warmUp.id, isDone }),
        device.context(),
        device.set(0, 8),
        device.end(),
      ]);
    }
    expect(await warningsOn(scope, client)).toEqual([{ kind: "warmUpSkipped", times: 2, of: 3 }]);
  });

  it("is erased with its client, and no other studio's", async () => {
    const { scope } = here.studio;
    const client = await addPerson(scope, ADA);
    await replaceWarnings(scope, client, [
      { kind: "prioritySkipped", region: "soleus", times: 2, of: 4 },
      {
        kind: "sameForLong",
        movement: "shipped:leg-press",
        since: day("2025-01-01"),
        sessions: 44,
      },
    ]);
    expect(await warningsOn(scope, client)).toHaveLength(2);
    await erasePerson(scope, client);
    expect(await warningsOn(scope, client)).toEqual([]);
  });
});
