import { describe, expect, it } from "vitest";
import { newId } from "~/codec/new-id.ts";
import { newPhaseCodec } from "~/codec/phase.ts";
import { day, kg, type Id } from "~/core/kernel/index.ts";
import { linesOf, readingOf, slotsOf } from "~/core/plan/index.ts";
import { addPhaseCopies, phaseCopiesFor } from "~/server/coaching/assign-phase.server.ts";
import { addPhaseFor, approveWeek, phaseSheet } from "~/server/coaching/phase.server.ts";
import { putBack, typeCells, type CellEntry } from "~/server/coaching/phase-cells.server.ts";
import { reconsider } from "~/server/coaching/reconsider.server.ts";
import { standingFor } from "~/server/coaching/standing.server.ts";
import { acceptCommands, commandsAfter } from "~/server/db/commands.server.ts";
import { planNext, proposalsFor } from "~/server/coaching/next-session.server.ts";
import { addPerson, erasePerson } from "~/server/db/people.server.ts";
import {
  addPhaseTemplate,
  getPhaseTemplate,
  listPhaseTemplates,
  putPhaseTemplateAway,
} from "~/server/db/phase-templates.server.ts";
import { getPhase, listPhasesOf, type StoredPhase } from "~/server/db/phases.server.ts";
import { listPlansOf, placedSessions } from "~/server/db/plans.server.ts";
import { rulingsOn } from "~/server/db/rulings.server.ts";
import { getSessionLog, type StoredSessionLog } from "~/server/db/session-logs.server.ts";
import { deviceAt, trainSquats } from "./sets.ts";
import { ADA, addSquats, inStudio } from "./studio.ts";

const here = inStudio();
const FORM = {
  name: "Strength 1",
  start: "2026-03-02",
  weeks: "4",
  goal: "strength",
  success: "",
  approach: "",
  isFirstLight: "on",
  easierBy: "0",
  fewerBy: "0",
};

async function addPhase(over: Readonly<Record<string, unknown>> = {}) {
  const { studio } = here;
  const plan = await addSquats(studio, "2026-02-23");
  const form = newPhaseCodec(day("2026-03-02")).parse({
    ...FORM,
    personId: studio.person,
    gymId: studio.gym,
    days: [`plan:${plan}`],
    ...over,
  });
  return addPhaseFor(studio.scope, form);
}

describe("a phase from what was suggested", () => {
  const SQUATS = "shipped:back-squat";
  const suggested = (over: { station?: string; sets?: number; movement?: string } = {}) => {
    const { movement = SQUATS, station = here.studio.station, sets = 3 } = over;
    return `suggested:${movement}@${station}@${sets}`;
  };

  it("has the exercises that were taken, as they are made here", async () => {
    const phase = await addedPhase({ days: [suggested()] });
    const [own] = phase.document.days;
    expect(own && slotsOf(own.session).map(({ movement }) => movement)).toEqual([SQUATS]);
    expect(own?.session.blocks.map(({ kind }) => kind)).toEqual(["prepare", "exercise"]);
    expect(own && slotsOf(own.session)[0]?.sets).toHaveLength(3);
  });

  it("is refused where one of them cannot be done here, or with as many sets", async () => {
    for (const days of [
      [suggested({ station: newId() })],
      [suggested({ movement: "shipped:leg-press" })],
      [suggested({ sets: 40 })],
    ])
      expect(await addPhase({ days })).toEqual({
        ok: false,
        error: { code: "sourceMissing", weekday: 1 },
      });
    expect(() => newPhaseCodec(day("2026-03-02")).parse({ days: ["suggested:x"] })).toThrow();
  });
});

async function addedPhase(over: Readonly<Record<string, unknown>> = {}): Promise<StoredPhase> {
  const added = await addPhase(over);
  if (!added.ok) throw new Error(JSON.stringify(added.error));
  return phaseAt(added.value.id);
}

async function phaseAt(id: Id<"phase">): Promise<StoredPhase> {
  const phase = await getPhase(here.studio.scope, id);
  if (phase === null) throw new Error("no phase");
  return phase;
}

/** An entry into the first line of a phase in a week. */
function entry({ document }: StoredPhase, week: number, text: string, at = 0): CellEntry {
  const own = document.days[at];
  const [slot] = own === undefined ? [] : slotsOf(own.session);
  const [line] = slot === undefined ? [] : linesOf(slot);
  if (own === undefined || slot === undefined || line === undefined) throw new Error("no line");
  return { day: own.id, lineage: slot.lineageId, line: line.id, week, text };
}

/** The plan of a week of a phase's first day: its date, and the sets and load of its first exercise. */
async function plannedIn(phase: StoredPhase, week: number) {
  const placed = (await placedSessions(here.studio.scope, phase.id)).find((p) => p.week === week);
  if (placed === undefined) return null;
  const [slot] = slotsOf(placed.document);
  const load = slot?.sets[0]?.load;
  return {
    on: placed.on,
    sets: slot?.sets.length,
    load: load === undefined ? null : readingOf(load),
    plan: placed.planId,
  };
}

describe("a new phase", () => {
  it("is read as it was written, with its sessions on their days", async () => {
    const phase = await addedPhase();
    expect(phase).toMatchObject({ name: "Strength 1", starts: "2026-03-02", ends: "2026-03-29" });
    expect(phase.document.weeks.map(({ kind }) => kind)).toEqual([
      "light",
      "normal",
      "normal",
      "normal",
    ]);
    expect(phase.document.days.map(({ weekday }) => weekday)).toEqual([1]);
    expect(await listPhasesOf(here.studio.scope, here.studio.person)).toHaveLength(1);
  });

  it("lets the same session move on by itself on a second day", async () => {
    const plan = await addSquats(here.studio, "2026-02-23");
    const days = [`plan:${plan}`, "", "", `plan:${plan}`];
    const [first, second] = (await addedPhase({ days })).document.days;
    const ids = (own: typeof first) =>
      own === undefined
        ? []
        : slotsOf(own.session).flatMap((slot) => [
            slot.lineageId,
            ...linesOf(slot).map(({ id }) => id),
          ]);
    expect(ids(first)).not.toHaveLength(0);
    expect(ids(first).filter((id) => ids(second).includes(id))).toEqual([]);
  });

  it("cannot overlap with another of the same client", async () => {
    await addedPhase();
    expect(await addPhase({ start: "2026-03-29" })).toMatchObject({
      ok: false,
      error: { code: "overlaps", with: { name: "Strength 1" } },
    });
    expect(await addPhase({ start: "2026-03-30" })).toMatchObject({ ok: true });
  });

  it("is made once where two begin it at the same moment", async () => {
    const both = await Promise.all([addPhase(), addPhase()]);
    expect(both.filter(({ ok }) => ok)).toHaveLength(1);
  });

  it("takes no session of somebody else, and none that is gone", async () => {
    const other = await addedPhase();
    const days = [`plan:${other.document.days[0]?.session.blocks[0]?.id ?? ""}`];
    expect(await addPhase({ days, start: "2026-04-06" })).toMatchObject({
      ok: false,
      error: { code: "sourceMissing", weekday: 1 },
    });
  });

  it("goes with its client", async () => {
    const phase = await addedPhase();
    await approveWeek(here.studio.scope, phase.id, 1);
    expect(await erasePerson(here.studio.scope, here.studio.person)).toBe(true);
    expect(await getPhase(here.studio.scope, phase.id)).toBeNull();
    expect(await typeCells(here.studio.scope, phase, 1, [entry(phase, 2, "110")])).toMatchObject({
      ok: false,
    });
  });
});

describe("a phase assigned to others", () => {
  it("is theirs, on their days, with loads that are still to be found, and without changes of single weeks", async () => {
    const phase = await addedPhase();
    const { scope, gym } = here.studio;
    await typeCells(scope, phase, 1, [entry(phase, 2, "110")]);
    const people = [await addPerson(scope, { ...ADA, name: "Bea" }), here.studio.person];
    const give = { people, gymId: gym, day: day("2026-04-06") };
    const copies = (await phaseCopiesFor(scope, (await phaseAt(phase.id)).document, give))!;
    expect(copies.map(({ changes }) => changes.map(({ code }) => code))).toEqual([
      ["load"],
      ["load"],
    ]);
    expect((await addPhaseCopies(scope, phase.name, copies)).ok).toBe(true);
    const [theirs] = await listPhasesOf(scope, people[0]!);
    expect(theirs).toMatchObject({ starts: "2026-04-06", ends: "2026-05-03", revision: 1 });
    const { document } = await phaseAt(theirs!.id);
    expect(document.changes).toEqual([]);
    expect(slotsOf(document.days[0]!.session)[0]?.sets[0]?.load).toEqual({ kind: "open" });
    expect(document.days[0]?.id).not.toBe(phase.document.days[0]?.id);
  });

  it("is made for all or for none, and says whose days are taken", async () => {
    const phase = await addedPhase();
    const { scope, gym } = here.studio;
    const people = [await addPerson(scope, { ...ADA, name: "Bea" }), here.studio.person];
    const give = { people, gymId: gym, day: day("2026-03-09") };
    const copies = (await phaseCopiesFor(scope, phase.document, give))!;
    expect(copies.map(({ overlap }) => overlap?.name ?? null)).toEqual([null, "Strength 1"]);
    expect(await addPhaseCopies(scope, phase.name, copies)).toMatchObject({
      ok: false,
      error: { code: "overlaps" },
    });
    expect(await listPhasesOf(scope, people[0]!)).toEqual([]);
  });

  it("can be kept, given later as it was written, and put away", async () => {
    const phase = await addedPhase();
    const { scope, gym, person } = here.studio;
    await typeCells(scope, phase, 1, [entry(phase, 2, "110")]);
    const { document } = await phaseAt(phase.id);
    const id = await addPhaseTemplate(scope, "Strength", { ...document, notes: "Slept badly." });
    const kept = (await getPhaseTemplate(scope, id))!;
    expect(kept).toMatchObject({ name: "Strength", isPutAway: false });
    expect(kept.document).toEqual({ ...phase.document, notes: "" });
    const give = { people: [person], gymId: gym, day: day("2026-04-06") };
    const copies = (await phaseCopiesFor(scope, kept.document, give))!;
    expect((await addPhaseCopies(scope, kept.name, copies)).ok).toBe(true);
    expect((await listPhasesOf(scope, person)).map(({ name }) => name)).toEqual([
      "Strength",
      "Strength 1",
    ]);
    await putPhaseTemplateAway(scope, id, true);
    expect((await listPhaseTemplates(scope)).map(({ isPutAway }) => isPutAway)).toEqual([true]);
  });

  it("is for nobody of another studio", async () => {
    const phase = await addedPhase();
    const give = { people: [newId<"person">()], gymId: here.studio.gym, day: day("2026-04-06") };
    expect(await phaseCopiesFor(here.studio.scope, phase.document, give)).toBeNull();
  });
});

describe("a week", () => {
  it("is planned once, through its layers, on its day", async () => {
    const phase = await addedPhase();
    expect(await approveWeek(here.studio.scope, phase.id, 1)).toEqual({ planned: 1, waiting: [] });
    expect(await plannedIn(phase, 1)).toMatchObject({ on: "2026-03-02", sets: 2, load: kg(95) });
    expect(await approveWeek(here.studio.scope, phase.id, 1)).toEqual({ planned: 0, waiting: [] });
    // The second week follows from a first one that is not done: nothing of it can be approved.
    expect(await approveWeek(here.studio.scope, phase.id, 2)).toEqual({ planned: 0, waiting: [] });
    expect(await listPlansOf(here.studio.scope, here.studio.person, { many: 9 })).toHaveLength(2);
  });

  it("is planned once where two approve it at the same moment", async () => {
    const phase = await addedPhase();
    await Promise.all([
      approveWeek(here.studio.scope, phase.id, 1),
      approveWeek(here.studio.scope, phase.id, 1),
    ]);
    expect(await placedSessions(here.studio.scope, phase.id)).toHaveLength(1);
  });

  it("follows from what was done, also where the coach decides on the review", async () => {
    const phase = await addedPhase({ isFirstLight: undefined });
    await typeCells(here.studio.scope, phase, 1, [entry(phase, 2, "+1 set")]);
    await approveWeek(here.studio.scope, phase.id, 1);
    const first = await plannedIn(phase, 1);
    const trained = await trainSquats(here.studio, first!.plan, [12, 12, 12]);
    const { scope } = here.studio;
    const sessionLog = (await getSessionLog(scope, trained.id))!;
    const proposals = await proposalsFor(scope, sessionLog);
    expect(proposals.next).toMatchObject({ week: 2, on: "2026-03-09" });
    expect([...proposals.written.values()][0]).toContain("4 x");
    const decisions = proposals.slots.flatMap(({ slot, lines }) =>
      lines.map(({ line }) => ({ kind: "accept", slotId: slot.id, line }) as const),
    );
    const planned = await planNext(scope, sessionLog, proposals, day("2026-03-09"), decisions);
    expect(planned.ok).toBe(true);
    expect(await plannedIn(phase, 2)).toMatchObject({ on: "2026-03-09", sets: 4, load: kg(102.5) });
    const sheet = (await phaseSheet(scope, await phaseAt(phase.id)))!.sheet;
    expect(sheet.days[0]?.sessions.map(({ source }) => source)).toEqual([
      "done",
      "planned",
      "projected",
      "projected",
    ]);
  });

  it("accepts what is unremarkable when it is approved, and keeps it as ruled", async () => {
    const phase = await addedPhase({ isFirstLight: undefined });
    const { scope } = here.studio;
    await approveWeek(scope, phase.id, 1);
    const { id } = await trainSquats(here.studio, (await plannedIn(phase, 1))!.plan, [12, 12, 12]);
    expect(await approveWeek(scope, phase.id, 2)).toEqual({ planned: 1, waiting: [] });
    expect(await plannedIn(phase, 2)).toMatchObject({ on: "2026-03-09", load: kg(102.5) });
    expect((await getSessionLog(scope, id))?.settledAt).not.toBeNull();
    expect(await rulingsOn(scope, id)).toMatchObject([{ decision: "accepted", chosen: kg(102.5) }]);
  });

  it("waits where a rule asks, and leaves that to the coach", async () => {
    const phase = await addedPhase({ isFirstLight: undefined });
    const { scope } = here.studio;
    await approveWeek(scope, phase.id, 1);
    const plan = (await plannedIn(phase, 1))!.plan;
    const { id } = await trainSquats(here.studio, plan, [12, 12, 12], 0, 4);
    expect(await approveWeek(scope, phase.id, 2)).toEqual({
      planned: 0,
      waiting: [{ title: "Legs", sessionLog: id }],
    });
    expect((await getSessionLog(scope, id))?.settledAt).toBeNull();
    expect(await plannedIn(phase, 2)).toBeNull();
  });
});

describe("what comes next", () => {
  /** The load that comes next, by the review of the last session, by the client's page and by the sheet. */
  async function nextLoads(phase: StoredPhase, last: StoredSessionLog, week: number) {
    const { scope, person } = here.studio;
    const { slots } = await proposalsFor(scope, last);
    const standing = await standingFor(scope, person, { goal: null, today: day("2026-03-03") });
    const sheet = (await phaseSheet(scope, await phaseAt(phase.id)))!.sheet;
    return {
      review: slots[0]?.lines[0]?.reading,
      page: standing[0]?.lines[0]?.proposal.reading,
      sheet: sheet.days[0]?.rows[0]?.cells[week - 1]?.reading,
    };
  }

  it("is the same on the review, the client's page and the sheet, after a light week and a normal one", async () => {
    const phase = await addedPhase();
    const { scope } = here.studio;
    await approveWeek(scope, phase.id, 1);
    const light = await trainSquats(here.studio, (await plannedIn(phase, 1))!.plan, [12, 12]);
    const load = kg(100);
    expect(await nextLoads(phase, light, 2)).toEqual({ review: load, page: load, sheet: load });
    await approveWeek(scope, phase.id, 2);
    const plan = (await plannedIn(phase, 2))!.plan;
    const normal = await trainSquats(here.studio, plan, [12, 12, 12], 7);
    const more = kg(102.5);
    expect(await nextLoads(phase, normal, 3)).toEqual({ review: more, page: more, sheet: more });
  });

  it("goes through its week again where a log is corrected after the next week was planned", async () => {
    const lighterEvery = "2";
    const phase = await addedPhase({ isFirstLight: undefined, lighterEvery });
    const { scope } = here.studio;
    await approveWeek(scope, phase.id, 1);
    const plan = (await plannedIn(phase, 1))!.plan;
    const trained = await trainSquats(here.studio, plan, [12, 12, 12]);
    await approveWeek(scope, phase.id, 2);
    // 90 % of 102.5 kg, no harder than that.
    expect(await plannedIn(phase, 2)).toMatchObject({ load: kg(90), sets: 1 });
    const device = await deviceAt(scope, trained.id);
    const set = device.set(0, 8);
    const first = (await commandsAfter(scope, trained.id, 0)).find(
      ({ command: { body } }) => body.kind === "part",
    );
    await acceptCommands(scope, trained.id, [{ ...set, parent: first!.command.commandId }]);
    const now = (await getSessionLog(scope, trained.id))!;
    const taken = await reconsider(scope, now, now.lastPosition, () => "take", "");
    expect(taken).toMatchObject({ ok: true });
    const [placed] = (await placedSessions(scope, phase.id)).filter(({ week }) => week === 2);
    expect(readingOf(slotsOf(placed!.ruled)[0]!.sets[0]!.load)).toEqual(kg(100));
    expect(await plannedIn(phase, 2)).toMatchObject({ load: kg(90), sets: 1 });
    expect(placed?.isEdited).toBe(false);
  });
});

describe("what is typed into a sheet", () => {
  it("is kept with the phase, and taken back", async () => {
    const phase = await addedPhase();
    const { scope } = here.studio;
    expect(
      await typeCells(scope, phase, 1, [entry(phase, 2, "110"), entry(phase, 3, "-1 set")]),
    ).toEqual({
      ok: true,
      value: 2,
    });
    const changed = await phaseAt(phase.id);
    expect(changed.document.changes.map(({ week, edit }) => [week, edit.kind])).toEqual([
      [2, "load"],
      [3, "setsBy"],
    ]);
    expect(await putBack(scope, changed, 2, phase.document.changes)).toEqual({
      ok: true,
      value: 3,
    });
    expect((await phaseAt(phase.id)).document.changes).toEqual([]);
  });

  it("is written all or not at all", async () => {
    const phase = await addedPhase();
    const entries = [entry(phase, 2, "110"), entry(phase, 3, "hello")];
    expect(await typeCells(here.studio.scope, phase, 1, entries)).toMatchObject({
      ok: false,
      error: { code: "cell", at: { week: 3 }, error: { code: "unread" } },
    });
    expect((await phaseAt(phase.id)).document.changes).toEqual([]);
  });

  it("keeps what another coach typed meanwhile into another cell, and refuses the same cell", async () => {
    const phase = await addedPhase();
    const { scope } = here.studio;
    await typeCells(scope, phase, 1, [entry(phase, 2, "110")]);
    const now = await phaseAt(phase.id);
    expect(await typeCells(scope, now, 1, [entry(phase, 2, "115")])).toMatchObject({
      ok: false,
      error: { code: "cellChanged" },
    });
    expect(await typeCells(scope, now, 1, [entry(phase, 3, "115")])).toEqual({
      ok: true,
      value: 3,
    });
    expect((await phaseAt(phase.id)).document.changes).toHaveLength(2);
    expect(await putBack(scope, await phaseAt(phase.id), 1, [])).toMatchObject({
      ok: false,
      error: { code: "changedMeanwhile" },
    });
  });

  it("is refused where a session is planned, or nothing is", async () => {
    const phase = await addedPhase();
    const { scope } = here.studio;
    await approveWeek(scope, phase.id, 1);
    expect(await typeCells(scope, phase, 1, [entry(phase, 1, "110")])).toMatchObject({
      ok: false,
      error: { code: "isReal", source: "planned" },
    });
    const gone = { ...entry(phase, 2, "110"), line: newId<"line">() };
    expect(await typeCells(scope, phase, 1, [gone])).toMatchObject({
      ok: false,
      error: { code: "notThere" },
    });
    const nowhere = { ...entry(phase, 2, "110"), week: 9 };
    expect(await typeCells(scope, phase, 1, [nowhere])).toMatchObject({
      ok: false,
      error: { code: "notThere" },
    });
  });
});
