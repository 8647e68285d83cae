import { describe, expect, it } from "vitest";
import { day, kg } from "../kernel/index.ts";
import { plannedSets, sessionDuration, unroll, volumeOf } from "../unroll/index.ts";
import type { Loading } from "../gym/index.ts";
import { linesOf, slotsOf, workSetsOf, type LoadRule } from "../plan/index.ts";
import {
  COUNTED_ONCE,
  RACK,
  sampleId,
  sampleLoggedSet,
  sampleNewId,
  sampleStation,
} from "../../tests/samples/index.ts";
import { sampleFacts, samplePhase, samplePhaseDay, trainNext } from "../../tests/samples/phase.ts";
import { writtenSlot } from "../../tests/samples/trained.ts";
import { usualWeek } from "./phase-week.ts";
import { project } from "./project.ts";
import { sheetOf } from "./sheet.ts";

const squat = writtenSlot("warm-up 5 at 60; 5 at 120 RIR 1; 2 x 8 at 85% of set 2");
const extension = writtenSlot("3 x 12 at 60", {
  id: sampleId(71),
  lineageId: sampleId(72),
  movement: "shipped:leg-extension",
});
const phase = samplePhase([samplePhaseDay(4, extension), samplePhaseDay(1, squat, extension)], {
  weeks: [usualWeek("light"), usualWeek("normal"), usualWeek("lighter")],
});

function sheetFrom(facts = sampleFacts(), of = phase) {
  const sessions = project(of, facts, sampleNewId);
  return { sessions, sheet: sheetOf(of, sessions, facts, COUNTED_ONCE), facts };
}

describe("a sheet", () => {
  it("has the days in their order, and a row for every line but preparation", () => {
    const { sheet } = sheetFrom();
    expect(sheet.days.map(({ weekday }) => weekday)).toEqual([1, 4]);
    expect(sheet.days[0]?.rows.map(({ movement, isFirst }) => [movement, isFirst])).toEqual([
      ["shipped:back-squat", true],
      ["shipped:back-squat", false],
      ["shipped:leg-extension", true],
    ]);
    expect(sheet.days[0]?.rows[1]?.cells.map((cell) => cell?.reading)).toEqual([
      // 85 % of the top set of its week (112.5, 120, 107.5), within what its rounding may give for fewer plates.
      kg(95),
      kg(100),
      kg(92.5),
    ]);
  });

  it("has the minutes and hard sets of its sessions", () => {
    const { sheet, sessions, facts } = sheetFrom();
    for (const own of sheet.days) {
      for (const [i, { likelySeconds }] of own.sessions.entries()) {
        const session = sessions.find((one) => one.day.id === own.id && one.week === i + 1);
        const steps = unroll(session!.plan, facts.context);
        expect(likelySeconds).toBe(sessionDuration(steps).likely);
      }
    }
    for (const { region, weeks } of sheet.volume) {
      const sums = phase.weeks.map((_, i) =>
        sessions
          .filter(({ week }) => week === i + 1)
          .flatMap(({ plan }) => volumeOf(plannedSets(plan, facts.context), COUNTED_ONCE))
          .filter((one) => one.region === region)
          .reduce((sum, { direct, indirect }) => sum + direct + indirect, 0),
      );
      expect(weeks).toEqual(sums);
    }
    expect(sheet.volume.length).toBeGreaterThan(2);
  });

  it("counts a week that is done as it was done, and any other as it is planned", () => {
    const facts = trainNext(phase, sampleFacts());
    const vasti = (known: typeof facts) =>
      sheetFrom(known).sheet.volume.find(({ region }) => region === "vastusLateralis")?.weeks;
    const planned = vasti(facts)!;
    const [placed] = facts.placed;
    const [first] = slotsOf(placed!.plan);
    const work = workSetsOf(first!);
    // One work set of the squats came off, and nothing else of that session.
    const logged = [sampleLoggedSet(work[0]!, { slotId: first!.id })];
    const done = vasti({ ...facts, placed: [{ ...placed!, loggedSets: logged }] })!;
    const ofSession = volumeOf(plannedSets(placed!.plan, facts.context), COUNTED_ONCE).find(
      ({ region }) => region === "vastusLateralis",
    )!;
    expect(done[0]).toBe(planned[0]! - ofSession.direct - ofSession.indirect + 1);
    expect(done.slice(1)).toEqual(planned.slice(1));
  });

  it("shows what was done, which week it is, and what changed a cell", () => {
    const [line] = linesOf(extension);
    const edit = { kind: "setsBy", by: 1 } as const;
    const at = { day: sampleId<"phaseDay">(10_001), lineage: extension.lineageId, line: line!.id };
    const changed = { ...phase, changes: [{ ...at, week: 2, edit }] };
    const facts = { ...trainNext(changed, sampleFacts()), today: day("2026-03-10") };
    const { sheet } = sheetFrom(facts, changed);
    const [monday, thursday] = sheet.days;
    expect(sheet.weeks.map(({ isNow }) => isNow)).toEqual([false, true, false]);
    expect(monday?.rows[0]?.cells[0]?.done).toEqual([{ reading: kg(112.5), amount: 5 }]);
    expect(monday?.rows[0]?.cells[0]).toMatchObject({ edits: [] });
    expect(monday?.rows[2]?.cells[1]).toMatchObject({ sets: 4, edits: [edit] });
    expect(monday?.sessions.map(({ source }) => source)).toEqual(["done", "next", "projected"]);
    expect(thursday?.sessions.map(({ source }) => source)).toEqual(["missed", "next", "projected"]);
    // The week that went by has the sets of what was trained alone.
    const quads = sheet.volume.find(({ region }) => region === "rectusFemoris");
    expect(quads?.weeks[0]).toBeLessThan(quads?.weeks[1] ?? 0);
  });

  it("tells the body alone from a load of nothing, and an open load from both", () => {
    const BELT = {
      kind: "bodyweight",
      unit: "kg",
      movedShare: 0.8,
      added: [0, 10].map(kg),
    } as never;
    const bare = { kind: "absolute", reading: kg(0) } as const;
    const read = (loading: Loading, load: LoadRule) => {
      const slot = { ...extension, sets: extension.sets.map((set) => ({ ...set, load })) };
      const of = samplePhase([samplePhaseDay(1, slot)]);
      const cell = sheetFrom(sampleFacts({ stations: [sampleStation(loading)] }), of).sheet.days[0]
        ?.rows[0]?.cells[0];
      return [cell?.reading, cell?.isBodyOnly];
    };
    expect(read(BELT, bare)).toEqual([kg(0), true]);
    expect(read(BELT, { kind: "absolute", reading: kg(10) })).toEqual([kg(10), false]);
    expect(read(RACK, { kind: "absolute", reading: kg(20) })).toEqual([kg(20), false]);
    expect(read(BELT, { kind: "open" })).toEqual([null, false]);
  });

  it("leaves a cell empty where an exercise is not in a week", () => {
    const [line] = linesOf(extension);
    const out = { kind: "leftOut" } as const;
    const at = { day: sampleId<"phaseDay">(10_001), lineage: extension.lineageId, line: line!.id };
    const { sheet } = sheetFrom(sampleFacts(), {
      ...phase,
      changes: [{ ...at, week: 2, edit: out }],
    });
    expect(sheet.days[0]?.rows[2]?.cells.map((cell) => cell === null)).toEqual([
      false,
      true,
      false,
    ]);
  });
});
