import { describe, expect, it } from "vitest";
import { newPhaseCodec } from "~/codec/phase.ts";
import { replanFormCodec } from "~/codec/replan.ts";
import { changePhaseCodec } from "~/codec/change-phase.ts";
import { addDays, day, kg, type Id } from "~/core/kernel/index.ts";
import { isIn, usualWeek, type PhaseEdit } from "~/core/phase/index.ts";
import { slotsOf } from "~/core/plan/index.ts";
import { archive, changePhase, takeBackChange } from "~/server/coaching/change-phase.server.ts";
import { editPhase } from "~/server/coaching/edit-phase.server.ts";
import { acceptReplan, whatIf } from "~/server/coaching/replan.server.ts";
import { addPhaseFor, approveWeek, phaseSheet } from "~/server/coaching/phase.server.ts";
import { getPhase, replansOf, type StoredPhase } from "~/server/db/phases.server.ts";
import { getPlan, listPlansOf, placedSessions, savePlan } from "~/server/db/plans.server.ts";
import { warningsOn } from "~/server/db/warnings.server.ts";
import { trainSquats } from "./sets.ts";
import { addSquats, inStudio } from "./studio.ts";

const here = inStudio();

/** Squats on Mondays and Thursdays, four weeks from today, the first week planned. */
async function begunPhase(): Promise<StoredPhase> {
  const { studio } = here;
  const plan = await addSquats(studio, "2026-02-23");
  const form = newPhaseCodec(day("2026-03-02")).parse({
    name: "Strength 1",
    start: "2026-03-02",
    weeks: "4",
    goal: "strength",
    success: "",
    approach: "",
    easierBy: "0",
    fewerBy: "0",
    personId: studio.person,
    gymId: studio.gym,
    days: [`plan:${plan}`, "", "", `plan:${plan}`],
  });
  const added = await addPhaseFor(studio.scope, form);
  if (!added.ok) throw new Error(JSON.stringify(added.error));
  await approveWeek(studio.scope, added.value.id, 1);
  return phaseAt(added.value.id);
}

async function phaseAt(id: Id<"phase">): Promise<StoredPhase> {
  const phase = await getPhase(here.studio.scope, id);
  if (phase === null) throw new Error("no phase");
  return phase;
}

const placedIn = async (id: Id<"phase">) =>
  (await placedSessions(here.studio.scope, id)).toSorted((a, b) => (a.on < b.on ? -1 : 1));
const told = async (id: Id<"phase">) =>
  (await placedIn(id)).map(({ on, week }) => `${on} week ${week}`);
async function change(phase: StoredPhase, ...edits: readonly PhaseEdit[]) {
  const changed = await changePhase(here.studio.scope, phase, phase.revision, edits);
  if (!changed.ok) throw new Error(JSON.stringify(changed.error));
  return changed.value;
}
const loadsIn = async (plan: Id<"plan">) =>
  slotsOf((await getPlan(here.studio.scope, plan))!.document).flatMap(({ sets }) =>
    sets.map(({ load }) => (load.kind === "absolute" ? load.reading : null)),
  );

describe("a phase that is changed", () => {
  it("takes its planned sessions along: another weekday, a week in front, a week out", async () => {
    const phase = await begunPhase();
    expect(await told(phase.id)).toEqual(["2026-03-02 week 1", "2026-03-05 week 1"]);
    const [, thursday] = phase.document.days;
    const { id, gymId, startTime, title } = thursday!;
    await change(phase, { kind: "day", day: id, weekday: 5, gymId, startTime, title });
    expect(await told(phase.id)).toEqual(["2026-03-02 week 1", "2026-03-06 week 1"]);
    await change(await phaseAt(phase.id), { kind: "addWeek", after: 0, week: usualWeek("light") });
    expect(await told(phase.id)).toEqual(["2026-03-09 week 2", "2026-03-13 week 2"]);
    await change(await phaseAt(phase.id), { kind: "removeWeek", week: 2 });
    expect(await told(phase.id)).toEqual([]);
  });

  it("writes what its weeks come to into them, but for one that somebody changed by hand", async () => {
    const phase = await begunPhase();
    const [first, second] = await placedIn(phase.id);
    const byHand = (await getPlan(here.studio.scope, second!.planId))!;
    expect(
      (await savePlan(here.studio.scope, byHand.id, byHand.revision, byHand, byHand.document)).ok,
    ).toBe(true);
    const followed = await change(phase, { kind: "week", week: 1, to: usualWeek("lighter") });
    expect(followed).toEqual({ moved: 0, rewritten: 1, removed: 0 });
    expect(await loadsIn(first!.planId)).toEqual([kg(90)]);
    expect(await loadsIn(second!.planId)).toEqual([kg(100), kg(100), kg(100)]);
  });

  it("leaves what was trained where it is, and refuses what would move it", async () => {
    const phase = await begunPhase();
    const [first] = await placedIn(phase.id);
    await trainSquats(here.studio, first!.planId, [12, 12, 12]);
    const { scope } = here.studio;
    const refused = async (edit: PhaseEdit) => {
      const done = await changePhase(scope, await phaseAt(phase.id), 1, [edit]);
      return done.ok ? "done" : done.error.code;
    };
    expect(await refused({ kind: "removeWeek", week: 1 })).toBe("trained");
    expect(await refused({ kind: "addWeek", after: 0, week: usualWeek("light") })).toBe("trained");
    expect(await refused({ kind: "removeDay", day: first!.day })).toBe("trained");
    expect(await refused({ kind: "start", to: day("2026-03-09") })).toBe("trained");
    expect(await refused({ kind: "addWeek", after: 1, week: usualWeek("light") })).toBe("done");
    expect((await told(phase.id))[0]).toBe("2026-03-02 week 1");
  });

  it("refuses more weeks than a phase has, and says who was faster", async () => {
    const phase = await begunPhase();
    const { scope } = here.studio;
    const many = Array.from({ length: 23 }, (): PhaseEdit => ({
      kind: "addWeek",
      after: 4,
      week: usualWeek("normal"),
    }));
    expect(await changePhase(scope, phase, phase.revision, many)).toMatchObject({
      error: { code: "outOfBounds" },
    });
    await change(phase, { kind: "week", week: 2, to: usualWeek("light") });
    const late = await changePhase(scope, phase, phase.revision, [{ kind: "removeWeek", week: 4 }]);
    expect(late).toMatchObject({ error: { code: "changedMeanwhile" } });
  });

  it("lets an exercise take turns with a variation, each on its own loads", async () => {
    const phase = await begunPhase();
    const [own] = phase.document.days;
    const [slot] = slotsOf(own!.session);
    const asked = changePhaseCodec.parse({
      intent: "turns",
      baseRevision: String(phase.revision),
      day: own!.id,
      lineage: slot!.lineageId,
      every: "1",
      movement: "shipped:back-squat",
    });
    // The rack serves nothing else: the same exercise is no variation of itself.
    expect(await editPhase(here.studio.scope, phase, asked)).toMatchObject({
      error: { code: "noStandIn" },
    });
  });
});

describe("a technique every so many weeks", () => {
  it("is done in each third week by sets and lines of its own", async () => {
    const phase = await begunPhase();
    const [own] = phase.document.days;
    const [slot] = slotsOf(own!.session);
    const asked = (line: string) =>
      changePhaseCodec.parse({
        intent: "technique",
        baseRevision: String(phase.revision),
        day: own!.id,
        lineage: slot!.lineageId,
        every: "3",
        line,
      });
    const { scope } = here.studio;
    expect(await editPhase(scope, phase, asked("3 x lots"))).toMatchObject({
      error: { code: "notSets", error: { code: "expected" } },
    });
    expect((await editPhase(scope, phase, asked("1 x 8 at 90 then 2 drops to 80% for 8"))).ok).toBe(
      true,
    );
    const after = await phaseAt(phase.id);
    const [, special] = slotsOf(after.document.days[0]!.session);
    // What is not said is as the exercise has it otherwise.
    expect(special!.sets[0]?.restAfter).toEqual(slot!.sets[0]?.restAfter);
    expect(special!.sets[0]?.effort).toBe(slot!.sets[0]?.effort);
    expect(special).toMatchObject({ movement: slot!.movement, station: slot!.station });
    expect(special!.sets.map(({ extensions }) => extensions.length)).toEqual([2]);
    expect(special!.lineageId).not.toBe(slot!.lineageId);
    const lines = new Set(slot!.sets.map(({ line }) => line));
    expect(special!.sets.some(({ line }) => lines.has(line))).toBe(false);
    const there = { day: own!.id, lineage: special!.lineageId };
    expect([1, 2, 3, 4].filter((week) => isIn(after.document, there, week))).toEqual([3]);
    expect(
      await editPhase(scope, after, {
        ...asked("1 x 8 at 90"),
        baseRevision: after.revision,
      } as never),
    ).toMatchObject({ error: { code: "takesTurns" } });
  });
});

describe("a stated target", () => {
  it("warns while it slips, and no more once it is in reach", async () => {
    const phase = await begunPhase();
    const [own] = phase.document.days;
    const [slot] = slotsOf(own!.session);
    const line = slot!.sets[0]!.line!;
    const to = (kilos: number, week: number): PhaseEdit => ({
      kind: "statedTarget",
      day: own!.id,
      line,
      to: { day: own!.id, lineage: slot!.lineageId, line, reading: kg(kilos), reps: 5, week },
    });
    const { scope, person } = here.studio;
    await change(phase, to(200, 4));
    expect(await warningsOn(scope, person)).toMatchObject([
      { kind: "targetSlips", reading: kg(200), week: 4, arrives: null, chance: null },
    ]);
    await change(await phaseAt(phase.id), to(100, 4));
    expect(await warningsOn(scope, person)).toEqual([]);
    await change(await phaseAt(phase.id), to(200, 4));
    expect(await warningsOn(scope, person)).toHaveLength(1);
    await archive(scope, await phaseAt(phase.id));
    expect(await warningsOn(scope, person)).toEqual([]);
  });
});

describe("a phase that is replanned", () => {
  const ill = replanFormCodec.parse({
    kind: "away",
    why: "ill",
    from: "2026-03-03",
    to: "2026-03-08",
  });
  const ALL = { left: [], instead: [] };

  it("shows what would be and changes nothing, accepts it as shown, and takes it back", async () => {
    const { scope } = here.studio;
    const phase = await begunPhase();
    const before = await placedIn(phase.id);
    const shown = await whatIf(scope, phase, ill, ALL);
    expect(shown?.steps.map(({ because }) => because.code)).toEqual(["dropped", "easierReturn"]);
    expect(shown?.differences[0]).toMatchObject({ from: "2026-03-05", to: null });
    expect(await phaseAt(phase.id)).toEqual(phase);
    expect((await acceptReplan(scope, phase, phase.revision, ill, ALL)).ok).toBe(true);
    expect(await told(phase.id)).toEqual(["2026-03-02 week 1"]);
    const replanned = await phaseAt(phase.id);
    expect(replanned.document.weeks[1]?.kind).toBe("light");
    expect((await replansOf(scope, phase.id)).map(({ event }) => event)).toEqual([ill]);
    const sheet = await phaseSheet(scope, replanned);
    expect(sheet?.sheet.days[1]?.sessions[0]?.source).toBe("dropped");
    const back = await takeBackChange(scope, replanned, replanned.revision);
    expect(back.ok).toBe(true);
    expect((await phaseAt(phase.id)).document).toEqual(phase.document);
    expect((await replansOf(scope, phase.id)).map((own) => own.isTakenBack)).toEqual([true]);
    // What went with it is planned again like any other session.
    await approveWeek(scope, phase.id, 1);
    const again = await placedIn(phase.id);
    expect(again.map(({ on, week }) => [on, week])).toEqual(
      before.map(({ on, week }) => [on, week]),
    );
  });

  it("takes single steps, and another way instead of the proposed one", async () => {
    const { scope } = here.studio;
    const phase = await begunPhase();
    const light = { left: ["light 2"], instead: [] };
    expect((await acceptReplan(scope, phase, phase.revision, ill, light)).ok).toBe(true);
    expect((await phaseAt(phase.id)).document.weeks[1]?.kind).toBe("normal");
    const none = { left: ["light 2"], instead: [] };
    const next = await phaseAt(phase.id);
    expect(await acceptReplan(scope, next, next.revision, ill, none)).toMatchObject({
      error: { code: "nothingTaken" },
    });
  });

  it("cannot be taken back once something else was changed", async () => {
    const { scope } = here.studio;
    const phase = await begunPhase();
    await acceptReplan(scope, phase, phase.revision, ill, ALL);
    const replanned = await phaseAt(phase.id);
    await change(replanned, { kind: "week", week: 3, to: usualWeek("light") });
    const late = await takeBackChange(scope, await phaseAt(phase.id), replanned.revision);
    expect(late).toMatchObject({ error: { code: "changedMeanwhile" } });
  });

  it("reads no event that is none", () => {
    const refused = (form: object) => replanFormCodec.safeParse(form).success;
    expect(refused({ kind: "away", why: "ill", from: "2026-03-08", to: "2026-03-03" })).toBe(false);
    expect(refused({ kind: "away", why: "bored", from: "2026-03-03", to: "2026-03-08" })).toBe(
      false,
    );
    expect(refused({ kind: "flood", from: "2026-03-03" })).toBe(false);
    expect(refused({ kind: "missed", session: "x 1" })).toBe(false);
    expect(refused({ kind: "showEarlier", by: "soon" })).toBe(false);
  });
});

it("keeps sessions of other phases and of none out of it", async () => {
  const { scope, person } = here.studio;
  const own = await addSquats(here.studio, addDays(day("2026-03-02"), 1));
  const phase = await begunPhase();
  await change(phase, { kind: "start", to: day("2026-03-09") });
  const plans = await listPlansOf(scope, person, { many: 50 });
  expect(plans.find(({ id }) => id === own)?.day).toBe("2026-03-03");
});
