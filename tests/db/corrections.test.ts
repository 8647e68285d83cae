import { describe, expect, it } from "vitest";
import { day, kg, type Id } from "~/core/kernel/index.ts";
import { correctionsIn, foldCommands, loggedSetsOf } from "~/core/log/index.ts";
import { slotsOf } from "~/core/plan/index.ts";
import { authorsOf, correct } from "~/server/coaching/corrections.server.ts";
import { planNext, proposalsFor } from "~/server/coaching/next-session.server.ts";
import { changedSince, reconsider } from "~/server/coaching/reconsider.server.ts";
import { performedIn } from "~/server/db/performed.server.ts";
import { getPlan, listOpenSessions } from "~/server/db/plans.server.ts";
import { rulingsOn } from "~/server/db/rulings.server.ts";
import { acceptCommands, commandsAfter } from "~/server/db/commands.server.ts";
import {
  getSessionLog,
  startSession,
  type StoredSessionLog,
} from "~/server/db/session-logs.server.ts";
import { deviceAt, trainSquats } from "./sets.ts";
import { addSquats, NOW, inStudio } from "./studio.ts";

const here = inStudio();

const train = async (reps: readonly number[]) =>
  trainSquats(here.studio, await addSquats(here.studio), reps);
const again = async (sessionLog: StoredSessionLog) =>
  (await getSessionLog(here.studio.scope, sessionLog.id))!;
const commands = (sessionLog: StoredSessionLog) =>
  commandsAfter(here.studio.scope, sessionLog.id, 0);
const headOf = async (sessionLog: StoredSessionLog, set: number) =>
  loggedSetsOf(foldCommands(await commands(sessionLog))).find(
    ({ loggedSet }) => loggedSet.key.setId === slotsOf(sessionLog.document)[0]?.sets[set]?.id,
  )!.commandId;
const correctSet = async (
  sessionLog: StoredSessionLog,
  set: number,
  load: string,
  done: number,
  why = "Slip",
) =>
  correct(here.studio.scope, sessionLog, {
    intent: "correct",
    command: await headOf(sessionLog, set),
    load,
    done: done as never,
    rir: 2,
    why,
  });
const slotId = (sessionLog: StoredSessionLog) => slotsOf(sessionLog.document)[0]!.id;
const proposed = async (sessionLog: StoredSessionLog) =>
  (await proposalsFor(here.studio.scope, sessionLog)).slots[0]?.lines[0];
const accepted = async (sessionLog: StoredSessionLog) => {
  const { scope } = here.studio;
  const proposals = await proposalsFor(scope, sessionLog);
  const planned = await planNext(scope, sessionLog, proposals, day("2026-03-09"), [
    {
      slotId: slotId(sessionLog),
      line: slotsOf(sessionLog.document)[0]!.sets[0]!.line,
      kind: "accept",
    },
  ]);
  if (!planned.ok) throw new Error(planned.error.code);
  return planned.value;
};
const loadsOf = async (plan: Id<"plan">) =>
  slotsOf((await getPlan(here.studio.scope, plan))!.document)[0]!.sets.map(({ load }) => load);

describe("a correction of an ended session", () => {
  it("steers the next load, and the log keeps what was said, by whom and why", async () => {
    const sessionLog = await train([12, 12, 12]);
    await correctSet(sessionLog, 0, "950", 12);
    const wild = await proposed(sessionLog);
    expect(wild?.reading).not.toEqual(kg(102.5));
    expect(await correctSet(sessionLog, 0, "100", 12, "Typed a digit too many")).toEqual({
      ok: true,
      value: null,
    });
    const proposal = await proposed(sessionLog);
    expect(proposal).toMatchObject({ move: "raise", reading: kg(102.5) });
    const said = correctionsIn(await commands(sessionLog));
    expect(said).toMatchObject([
      { kind: "changed", before: { reading: kg(100) }, after: { reading: kg(950) } },
      { kind: "changed", after: { reading: kg(100) }, why: "Typed a digit too many" },
    ]);
    const authors = await authorsOf(here.studio.scope, sessionLog.id);
    expect(authors.find((a) => a.commandId === said[1]?.commandId)).toMatchObject({
      name: "Coach",
      at: NOW,
    });
  });

  it("knows which plates hung for a load the rack makes, and that it does not for another", async () => {
    const sessionLog = await train([12, 12, 12]);
    await correctSet(sessionLog, 0, "60", 12);
    await correctSet(sessionLog, 1, "61.3", 12);
    const loggedSets = (await performedIn(here.studio.scope, [sessionLog.id])).get(
      sessionLog.id,
    )!.loggedSets;
    const at = (reading: number) =>
      loggedSets.find((p) => p.reading?.thousandths === reading * 1000);
    expect(at(60)?.platesHung).toEqual([kg(20)]);
    expect(at(61.3)?.platesHung).toBeNull();
  });

  it("removes a set, refuses a set that was corrected meanwhile, and a load that is none", async () => {
    const sessionLog = await train([12, 12, 12]);
    const command = await headOf(sessionLog, 2);
    const remove = { intent: "remove", command, why: "Never done" } as const;
    expect((await correct(here.studio.scope, sessionLog, remove)).ok).toBe(true);
    expect(await correct(here.studio.scope, sessionLog, remove)).toMatchObject({
      error: { code: "changedMeanwhile" },
    });
    expect(
      (await performedIn(here.studio.scope, [sessionLog.id])).get(sessionLog.id)?.loggedSets,
    ).toHaveLength(2);
    expect(await correctSet(sessionLog, 0, "much", 12)).toMatchObject({
      error: { code: "notALoad" },
    });
  });

  it("reopens the session, which runs on and then ends when it ended first", async () => {
    const sessionLog = await train([12, 12]);
    const reopen = { intent: "reopen", why: "One set left" } as const;
    expect((await correct(here.studio.at(NOW + 86_400_000), sessionLog, reopen)).ok).toBe(true);
    expect((await again(sessionLog)).endedAt).toBeNull();
    expect(
      (await listOpenSessions(here.studio.scope)).map(({ sessionState: state }) => state.kind),
    ).toEqual(["running"]);
    const tablet = await deviceAt(here.studio.scope, sessionLog.id);
    const late = here.studio.at(NOW + 2 * 86_400_000);
    await acceptCommands(late, sessionLog.id, [tablet.set(2, 12), tablet.end()]);
    expect((await again(sessionLog)).endedAt).toBe(sessionLog.endedAt);
    expect(
      (await performedIn(here.studio.scope, [sessionLog.id])).get(sessionLog.id)?.loggedSets,
    ).toHaveLength(3);
  });
});

describe("what was decided from a session that changes afterwards", () => {
  it("is told as changed, and the new load goes into the planned session when the coach takes it", async () => {
    const sessionLog = await train([12, 12, 12]);
    const planned = await accepted(sessionLog);
    expect(await changedSince(here.studio.scope, await again(sessionLog))).toBeNull();
    expect(await listOpenSessions(here.studio.scope)).toEqual([]);
    await correctSet(sessionLog, 2, "100", 9, "Counted wrongly");
    expect((await listOpenSessions(here.studio.scope))[0]?.sessionState).toMatchObject({
      ruling: "changedSince",
    });
    const since = await changedSince(here.studio.scope, await again(sessionLog));
    expect(since).toMatchObject({
      open: { id: planned },
      changed: [{ ruling: { shown: { move: "raise" } }, now: { move: "keep", reading: kg(100) } }],
    });
    const decide = (choice: "take" | "leave" | null, reason = "", position = since!.position) =>
      reconsider(here.studio.scope, sessionLog, position, () => choice, reason);
    expect(await decide(null)).toMatchObject({ error: { code: "undecided" } });
    expect(await decide("leave")).toMatchObject({ error: { code: "reasonMissing" } });
    expect(await decide("take", "", 1)).toMatchObject({ error: { code: "changedMeanwhile" } });
    expect(await loadsOf(planned)).toEqual(Array(3).fill({ kind: "absolute", reading: kg(102.5) }));
    expect(await decide("take")).toEqual({ ok: true, value: null });
    expect(await loadsOf(planned)).toEqual(Array(3).fill({ kind: "absolute", reading: kg(100) }));
    expect(await listOpenSessions(here.studio.scope)).toEqual([]);
    expect(await rulingsOn(here.studio.scope, sessionLog.id)).toMatchObject([
      { decision: "accepted", chosen: kg(100), logPosition: since!.position },
    ]);
    expect(await here.studio.scope.from("rulings")).toHaveLength(2);
  });

  it("stays as planned with the reason where the coach leaves it", async () => {
    const sessionLog = await train([12, 12, 12]);
    const planned = await accepted(sessionLog);
    await correctSet(sessionLog, 2, "100", 9);
    const { position } = (await changedSince(here.studio.scope, await again(sessionLog)))!;
    await reconsider(here.studio.scope, sessionLog, position, () => "leave", "It was one rep");
    expect(await loadsOf(planned)).toEqual(Array(3).fill({ kind: "absolute", reading: kg(102.5) }));
    expect(await rulingsOn(here.studio.scope, sessionLog.id)).toMatchObject([
      { decision: "overruled", chosen: kg(102.5), reason: "It was one rep" },
    ]);
    expect(await changedSince(here.studio.scope, await again(sessionLog))).toBeNull();
  });

  it("is not changed where the planned session was begun, whatever is asked", async () => {
    const sessionLog = await train([12, 12, 12]);
    const planned = await accepted(sessionLog);
    await startSession(here.studio.scope, planned);
    await correctSet(sessionLog, 2, "100", 9);
    const since = await changedSince(here.studio.scope, await again(sessionLog));
    expect(since?.open).toBeNull();
    await reconsider(here.studio.scope, sessionLog, since!.position, () => "take", "");
    expect(await loadsOf(planned)).toEqual(Array(3).fill({ kind: "absolute", reading: kg(102.5) }));
  });

  it("is told of sets that a device sends late as well, also where no proposal changes", async () => {
    const sessionLog = await train([12, 12, 12]);
    await accepted(sessionLog);
    const tablet = await deviceAt(here.studio.scope, sessionLog.id);
    await acceptCommands(here.studio.scope, sessionLog.id, [
      tablet.command({ kind: "note", slotId: null, text: "Knee was fine" }),
    ]);
    const since = await changedSince(here.studio.scope, await again(sessionLog));
    expect(since?.changed).toEqual([]);
    expect((await listOpenSessions(here.studio.scope))[0]?.sessionState).toMatchObject({
      ruling: "changedSince",
    });
    await reconsider(here.studio.scope, sessionLog, since!.position, () => null, "");
    expect(await listOpenSessions(here.studio.scope)).toEqual([]);
  });
});
