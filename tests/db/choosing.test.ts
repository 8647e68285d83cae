import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import {
  EMPTY_BRIEF,
  findShippedApproach,
  studioApproach,
  bodyWeightOf,
  sideDifference,
} from "~/core/person/index.ts";
import { day, kg, lb, type Id } from "~/core/kernel/index.ts";
import { slotsOf } from "~/core/plan/index.ts";
import { STACK } from "../samples/index.ts";
import {
  changeApproach,
  copyApproach,
  getApproach,
  listApproaches,
} from "~/server/db/approaches.server.ts";
import { briefHistory, currentBrief, saveBrief } from "~/server/db/briefs.server.ts";
import type { Database } from "~/server/db/connection.server.ts";
import { dismiss, dismissalsOn, withdrawDismissal } from "~/server/db/dismissals.server.ts";
import {
  addStation,
  changeGym,
  copyGym,
  getGym,
  getStation,
  listStations,
  archiveGym,
  listGyms,
  archiveStation,
  gymsToChoose,
  stationVersions,
} from "~/server/db/gyms.server.ts";
import {
  addMeasurement,
  listMeasurements,
  removeMeasurement,
} from "~/server/db/measurements.server.ts";
import { erasePerson } from "~/server/db/people.server.ts";
import { moveSlotToOtherDay } from "~/server/coaching/move-slot.server.ts";
import { addPlan, getPlan, plansAround } from "~/server/db/plans.server.ts";
import { startSession } from "~/server/db/session-logs.server.ts";
import {
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

const BRIEF = {
  ...EMPTY_BRIEF,
  goal: "returning",
  limits: [
    { joint: "knee", provokedBy: "kneeLoad", since: day("2026-01-05"), severity: 4, allowed: 3 },
  ],
  gear: ["belt"],
} as const;

describe("a brief", () => {
  it("starts empty, comes back as saved with the person's level, and keeps every state", async () => {
    const { scope, person } = studio;
    expect(await currentBrief(scope, { id: person, level: "advanced" })).toMatchObject({
      goal: "size",
      level: "advanced",
    });
    await saveBrief(scope, person, 0, BRIEF);
    await saveBrief(studio.at(NOW + 1000), person, 1, { ...BRIEF, goal: "size" });
    const brief = await currentBrief(scope, { id: person, level: "trained" });
    expect(brief.limits).toEqual(BRIEF.limits);
    expect(brief.level).toBe("trained");
    const history = await briefHistory(scope, person);
    expect(history.map((h) => [h.revision, h.document.goal, h.at])).toEqual([
      [2, "size", NOW + 1000],
      [1, "returning", NOW],
    ]);
  });

  it("is not saved over what somebody else saved meanwhile, also at the same moment", async () => {
    const { scope, person } = studio;
    const both = await Promise.all([
      saveBrief(scope, person, 0, BRIEF),
      saveBrief(scope, person, 0, { ...BRIEF, goal: "strength" }),
    ]);
    expect(both.filter((r) => r.ok)).toHaveLength(1);
    const lost = both.find((r) => !r.ok);
    expect(lost).toMatchObject({ error: { code: "changedMeanwhile", current: { revision: 1 } } });
  });

  it("is not seen from another studio, and goes with the person who is erased", async () => {
    await saveBrief(studio.scope, studio.person, 0, BRIEF);
    expect((await briefHistory(other.scope, studio.person))[0]?.revision).toBe(0);
    await addMeasurement(studio.scope, studio.person, {
      kind: "waist",
      side: "both",
      value: { thousandths: 80_000, unit: "cm" },
      day: day("2026-03-01"),
      note: "",
    });
    expect(await erasePerson(studio.scope, studio.person)).toBe(true);
    expect((await briefHistory(studio.scope, studio.person))[0]?.revision).toBe(0);
    expect(await listMeasurements(studio.scope, studio.person)).toEqual([]);
  });
});

describe("measurements", () => {
  it("come back by day as they were read, each in its unit, without what was removed", async () => {
    const { scope, person } = studio;
    const add = (on: string, thousandths: number, unit: "kg" | "lb") =>
      addMeasurement(scope, person, {
        kind: "bodyWeight",
        side: "both",
        value: { thousandths, unit },
        day: day(on),
        note: "",
      });
    await add("2026-03-02", 160_400, "lb");
    await add("2026-02-02", 73_100, "kg");
    const list = await listMeasurements(scope, person);
    expect(list.map((m) => m.value)).toEqual([
      { thousandths: 73_100, unit: "kg" },
      { thousandths: 160_400, unit: "lb" },
    ]);
    expect(bodyWeightOf(list, day("2026-03-02"))).toEqual(lb(160.4));
    const last = list.at(-1);
    expect(last && (await removeMeasurement(other.scope, person, last.id))).toBe(false);
    expect(last && (await removeMeasurement(scope, person, last.id))).toBe(true);
    expect(last && (await removeMeasurement(scope, person, last.id))).toBe(false);
    expect(bodyWeightOf(await listMeasurements(scope, person), day("2026-03-02"))).toEqual(
      kg(73.1),
    );
  });

  it("tell left from right", async () => {
    const { scope, person } = studio;
    for (const [side, cm] of [
      ["left", 54],
      ["right", 55.2],
    ] as const) {
      await addMeasurement(scope, person, {
        kind: "thigh",
        side,
        value: { thousandths: cm * 1000, unit: "cm" },
        day: day("2026-03-01"),
        note: "",
      });
    }
    const list = await listMeasurements(scope, person);
    expect(sideDifference(list, "thigh")).toBe(-1200);
    expect(sideDifference(list, "calf")).toBeNull();
  });
});

describe("approaches of a studio", () => {
  it("are copies that can be changed, and stay in their studio", async () => {
    const even = findShippedApproach("shipped:even-ground")!;
    const id = await copyApproach(studio.scope, even);
    const own = await getApproach(studio.scope, studioApproach(id));
    expect(own).toMatchObject({ name: "Even Ground, ours", stances: even.stances });
    const changed = {
      summary: even.summary,
      holds: even.holds,
      disputed: even.disputed,
      suits: even.suits,
      ownVolume: even.ownVolume,
      name: "Ours",
      stances: { ...even.stances, volume: "high" as const },
    };
    expect(await changeApproach(studio.scope, id, 1, changed)).toEqual({ ok: true, value: null });
    expect(await changeApproach(studio.scope, id, 1, changed)).toMatchObject({ ok: false });
    expect((await listApproaches(studio.scope)).at(-1)).toMatchObject({
      name: "Ours",
      stances: { volume: "high" },
    });
    expect(await getApproach(other.scope, studioApproach(id))).toBeNull();
    expect(even.stances.volume).toBe("moderate");
  });
});

describe("findings set aside", () => {
  it("keep their reason for their plan until they are taken back", async () => {
    const { scope } = studio;
    const head = { personId: studio.person, gymId: studio.gym, startTime: null, title: "Legs" };
    const plan = await addPlan(scope, { ...head, day: day("2026-03-02") }, squats(studio.station));
    await dismiss(scope, plan, { key: "noSingleLeg", fact: { code: "noSingleLeg" } }, "She knows");
    const [kept] = await dismissalsOn(scope, plan);
    expect(kept).toMatchObject({ key: "noSingleLeg", reason: "She knows" });
    expect(await dismissalsOn(other.scope, plan)).toEqual([]);
    if (kept === undefined) return;
    await withdrawDismissal(other.scope, kept.id);
    expect(await dismissalsOn(scope, plan)).toHaveLength(1);
    await withdrawDismissal(scope, kept.id);
    expect(await dismissalsOn(scope, plan)).toEqual([]);
  });
});

describe("findings left to another day", () => {
  it("are told on that day and on none before, of the same client alone", async () => {
    const { scope } = studio;
    const head = { personId: studio.person, gymId: studio.gym, startTime: null, title: "Legs" };
    const [monday, wednesday, friday] = await Promise.all(
      ["2026-03-02", "2026-03-04", "2026-03-06"].map((on) =>
        addPlan(scope, { ...head, day: day(on) }, squats(studio.station)),
      ),
    );
    const found = { key: "oneLength/gastrocnemius", fact: { code: "oneLength" } };
    await dismiss(scope, monday!, found, "Bent knee on Friday", day("2026-03-06"));
    const told = async (plan: Id<"plan">) => (await dismissalsOn(scope, plan)).map((d) => d.leftTo);
    expect(await told(monday!)).toEqual(["2026-03-06"]);
    expect(await told(wednesday!)).toEqual(["2026-03-06"]);
    expect(await told(friday!)).toEqual([]);
    // What is set aside for one session says nothing of the next.
    await dismiss(scope, monday!, { ...found, key: "noSingleLeg" }, "Knee");
    expect(await told(wednesday!)).toEqual(["2026-03-06"]);
    const [left] = await dismissalsOn(scope, wednesday!);
    await withdrawDismissal(scope, left!.id);
    expect(await told(wednesday!)).toEqual([]);
  });
});

describe("the sessions around a plan", () => {
  it("are this person's from Monday to Sunday, and of the three days after", async () => {
    const { scope } = studio;
    const head = { personId: studio.person, gymId: studio.gym, startTime: null, title: "Legs" };
    // 2026-03-02 is a Monday.
    for (const on of ["2026-03-01", "2026-03-02", "2026-03-08", "2026-03-11", "2026-03-12"]) {
      await addPlan(scope, { ...head, day: day(on) }, squats(studio.station));
    }
    const week = await plansAround(scope, studio.person, day("2026-03-05"));
    expect(week.map((plan) => plan.day)).toEqual(["2026-03-02", "2026-03-08", "2026-03-11"]);
    expect(await plansAround(other.scope, studio.person, day("2026-03-05"))).toEqual([]);
  });
});

describe("gyms", () => {
  const form = { name: "New name", timeZone: "America/Chicago", houseRules: "No chalk" };

  it("are changed unless somebody else was faster", async () => {
    expect(await changeGym(studio.scope, studio.gym, 1, form)).toMatchObject({ ok: true });
    expect(await changeGym(studio.scope, studio.gym, 1, form)).toMatchObject({
      error: { code: "changedMeanwhile", current: { houseRules: "No chalk", revision: 2 } },
    });
    expect(await changeGym(other.scope, studio.gym, 2, form)).toMatchObject({
      error: { code: "missing" },
    });
  });

  it("are copied with what stands there now, as stations of their own", async () => {
    const { scope, gym } = studio;
    const gone = await addStation(scope, gym, {
      name: "Old stack",
      loading: STACK,
      serves: [],
      profile: "even",
      usuallyBusy: true,
      room: "",
    });
    await archiveStation(scope, gone, true);
    const copy = await copyGym(scope, gym, "Copy");
    expect(copy).not.toBeNull();
    if (copy === null) return;
    const [from, to] = await Promise.all([listStations(scope, gym), listStations(scope, copy)]);
    expect(to.map((s) => s.name)).toEqual(["Rack"]);
    expect(to[0]?.loading).toEqual(from[0]?.loading);
    expect(to[0]?.id).not.toBe(from[0]?.id);
    expect(await getGym(scope, copy)).toMatchObject({ name: "Copy", timeZone: "Europe/Vienna" });
    expect(await copyGym(other.scope, gym, "Copy")).toBeNull();
  });

  it("lose a station without losing what was logged on it", async () => {
    const { scope, station } = studio;
    const standing = await getStation(scope, station);
    await archiveStation(other.scope, station, true);
    expect(await listStations(scope)).toHaveLength(1);
    await archiveStation(scope, station, true);
    expect(await listStations(scope)).toEqual([]);
    expect(await listStations(scope, studio.gym, "archived")).toHaveLength(1);
    expect(await listStations(scope, studio.gym, "all")).toHaveLength(1);
    await archiveStation(scope, station, false);
    expect((await listStations(scope)).map(({ id }) => id)).toEqual([station]);
    await archiveStation(scope, station, true);
    if (standing === null) return;
    expect((await stationVersions(scope, [standing.versionId])).size).toBe(1);
  });

  it("are offered no more once they are archived, but where one is chosen already", async () => {
    const { scope, gym } = studio;
    await archiveGym(other.scope, gym, true);
    expect((await gymsToChoose(scope)).map(({ id }) => id)).toContain(gym);
    await archiveGym(scope, gym, true);
    expect((await gymsToChoose(scope)).map(({ id }) => id)).not.toContain(gym);
    expect((await gymsToChoose(scope, gym)).map(({ id }) => id)).toContain(gym);
    expect((await listGyms(scope)).map(({ id }) => id)).toContain(gym);
    await archiveGym(scope, gym, false);
    expect((await gymsToChoose(scope)).map(({ id }) => id)).toContain(gym);
  });

  it("keep profile and crowding of a station", async () => {
    const { scope, gym } = studio;
    const id = await addStation(scope, gym, {
      name: "Cam stack",
      loading: STACK,
      serves: [],
      profile: "even",
      usuallyBusy: true,
      room: "",
    });
    expect(await getStation(scope, id)).toMatchObject({ profile: "even", usuallyBusy: true });
  });
});

describe("moving an exercise to the other day", () => {
  const head = () => ({
    personId: studio.person,
    gymId: studio.gym,
    startTime: null,
    title: "Legs",
  });

  it("changes both plans as their next revisions, or neither", async () => {
    const { scope } = studio;
    const from = await addPlan(
      scope,
      { ...head(), day: day("2026-03-02") },
      squats(studio.station),
    );
    const to = await addPlan(scope, { ...head(), day: day("2026-03-05") }, squats(studio.station));
    const before = await getPlan(scope, from);
    const slot = before && slotsOf(before.document)[0];
    if (!slot) throw new Error("no squats planned");
    expect(await moveSlotToOtherDay(other.scope, from, slot.id, to)).toBe(false);
    expect(await moveSlotToOtherDay(scope, from, slot.id, from)).toBe(false);
    expect(await moveSlotToOtherDay(scope, from, slot.id, to)).toBe(true);
    const [left, grown] = [await getPlan(scope, from), await getPlan(scope, to)];
    expect(left && slotsOf(left.document)).toEqual([]);
    expect(grown && slotsOf(grown.document).map((s) => s.id)).toContain(slot.id);
    expect([left?.revision, grown?.revision]).toEqual([2, 2]);
    expect(await moveSlotToOtherDay(scope, from, slot.id, to)).toBe(false);
  });

  it("leaves a session alone that is being trained", async () => {
    const { scope } = studio;
    const from = await addPlan(
      scope,
      { ...head(), day: day("2026-03-02") },
      squats(studio.station),
    );
    const to = await addPlan(scope, { ...head(), day: day("2026-03-05") }, squats(studio.station));
    await startSession(scope, to);
    const before = await getPlan(scope, from);
    const slot = before && slotsOf(before.document)[0];
    expect(slot && (await moveSlotToOtherDay(scope, from, slot.id, to))).toBe(false);
    expect(
      (await plansAround(scope, studio.person, day("2026-03-02"))).map((p) => p.isOpen),
    ).toEqual([true, false]);
  });
});
