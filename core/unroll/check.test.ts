import { describe, expect, it } from "vitest";
import { kg, lb, share } from "../kernel/index.ts";
import { newExtension, type PlannedSet, type Slot } from "../plan/index.ts";
import { unrollContextFrom, USUAL_RULES } from "../progress/index.ts";
import { checkPlan } from "./check.ts";
import {
  RACK,
  sampleDrop,
  sampleId,
  sampleNewId,
  samplePlan,
  sampleSet,
  sampleSlot,
  sampleStation,
  STACK,
  sampleUnrollContext,
} from "../../tests/samples/index.ts";

const context = sampleUnrollContext([sampleStation(RACK, 1), sampleStation(STACK, 2)]);
const codes = (slot: Slot) => checkPlan(samplePlan(slot), context).map((issue) => issue.code);

describe("checking a plan", () => {
  it("finds nothing in a sound one", () => {
    expect(
      codes(sampleSlot([sampleSet(1, { extensions: [sampleDrop(11, "current", 0.8)] })])),
    ).toEqual([]);
  });

  it("names a load that cannot be made with the nearest on both sides, once for both legs", () => {
    const set = sampleSet(1, {
      load: { kind: "absolute", reading: kg(101) },
      side: { kind: "each", first: "left", matchFirst: false },
    });
    expect(checkPlan(samplePlan(sampleSlot([set])), context)).toMatchObject([
      {
        code: "cannotBeMade",
        blocks: true,
        easier: { reading: kg(100) },
        harder: { reading: kg(102.5) },
      },
    ]);
  });

  it("warns of a drop that a coarse stack does not make lighter", () => {
    const stuck = sampleSet(1, {
      load: { kind: "absolute", reading: lb(10) },
      extensions: [sampleDrop(11, "current", 0.8)],
    });
    expect(
      checkPlan(samplePlan(sampleSlot([stuck], { station: sampleId(2) })), context),
    ).toMatchObject([{ code: "idleDrop", blocks: false, asked: 0.8, reading: lb(10) }]);
  });

  it.each([
    ["harder", kg(110)],
    ["as hard", kg(100)],
  ])("blocks a drop that is written to a load that is %s", (_, reading) => {
    const drop = sampleDrop(11, "current", 0.8);
    if (drop.kind !== "drop") throw new Error("the sample is a drop");
    const set = sampleSet(1, {
      load: { kind: "absolute", reading: kg(100) },
      extensions: [{ ...drop, to: { kind: "reading", reading } }],
    });
    expect(checkPlan(samplePlan(sampleSlot([set])), context)).toMatchObject([
      { code: "harderDrop", blocks: true, reading, before: kg(100) },
    ]);
  });

  it("doubts a multiple that the line itself shows to be beyond reach, where nothing is logged", () => {
    const known = unrollContextFrom({}, null, USUAL_RULES);
    const here = sampleUnrollContext([sampleStation(RACK, 1)], known);
    const cluster = newExtension("cluster", sampleSet(1), sampleNewId);
    if (cluster.kind !== "cluster") throw new Error("not what was asked for");
    const doubts = (multiple: number) =>
      checkPlan(
        samplePlan(
          sampleSlot([sampleSet(1, { extensions: [{ ...cluster, multiple: share(multiple) }] })]),
        ),
        here,
      );
    // 10 reps and 2 left at 100 kg are a maximum of 140 by Epley; two reps of it are 131.25.
    expect(doubts(1.2)).toEqual([]);
    expect(doubts(2)).toMatchObject([
      { code: "beyondReach", by: "set", total: kg(200), possible: 2, reach: kg(131.25) },
    ]);
    const double = sampleSet(2, {
      load: { kind: "shareOfSet", upTo: null, set: sampleId(1), part: null, share: share(2) },
    });
    expect(checkPlan(samplePlan(sampleSlot([sampleSet(1), double])), here)).toMatchObject([
      { code: "beyondReach", by: "set", possible: 10 },
    ]);
  });

  it("doubts a set by its own load, not what follows near its end", () => {
    const strength = { ofMaximum: () => kg(120), forReps: () => kg(100) };
    const here = sampleUnrollContext([sampleStation(RACK, 1)], { strength: () => strength });
    const found = (load: number, of: number) => {
      const set = sampleSet(1, {
        load: { kind: "absolute", reading: kg(load) },
        extensions: [sampleDrop(11, "first", of)],
      });
      return checkPlan(samplePlan(sampleSlot([set])), here).map((issue) => [
        issue.code,
        issue.code === "beyondReach" ? issue.by : null,
      ]);
    };
    expect(found(80, 2).filter(([code]) => code === "beyondReach")).toEqual([]);
    expect(found(160, 0.5)).toEqual([["beyondReach", "estimate"]]);
  });

  it("doubts a set-up that the movement does not have, in a set or a change of position", () => {
    const extension = newExtension("positionChange", sampleSet(1), sampleNewId);
    if (extension.kind !== "positionChange") throw new Error("not what was asked for");
    const set = sampleSet(1, {
      setUp: { Stance: "sideways" },
      extensions: [{ ...extension, setUp: { Hat: "on" } }],
    });
    const issues = checkPlan(samplePlan(sampleSlot([set])), context);
    expect(issues).toMatchObject([
      { code: "setUpUnknown", blocks: false, name: "Stance", choice: "sideways" },
      { code: "setUpUnknown", name: "Hat", choice: "on", choices: [] },
    ]);
    expect(issues[0]?.code === "setUpUnknown" && issues[0].choices).toContain("wide");
    expect(codes(sampleSlot([sampleSet(1, { setUp: { Stance: "wide" } })]))).toEqual([]);
  });

  it("names a borrowed tempo whose set is gone or comes later", () => {
    const found = (sets: readonly PlannedSet[]) =>
      checkPlan(samplePlan(sampleSlot(sets)), context).map((issue) => [
        issue.code,
        "set" in issue && issue.set,
      ]);
    const as = (n: number, of: number) => sampleSet(n, { tempoAs: sampleId(of) });
    expect(found([sampleSet(1), as(2, 1)])).toEqual([]);
    expect(found([as(1, 2), sampleSet(2)])).toEqual([["tempoMissing", sampleId(1)]]);
    expect(found([sampleSet(1), as(2, 9)])).toEqual([["tempoMissing", sampleId(2)]]);
    expect(found([as(1, 1)])).toEqual([["tempoMissing", sampleId(1)]]);
  });

  it("blocks a slot without sets or without its station, and only notes open loads", () => {
    expect(codes(sampleSlot([]))).toEqual(["noSets"]);
    expect(codes(sampleSlot([sampleSet(1)], { station: sampleId(77) }))).toEqual([
      "stationMissing",
    ]);
    expect(
      checkPlan(samplePlan(sampleSlot([sampleSet(1, { load: { kind: "open" } })])), context),
    ).toMatchObject([{ code: "openLoad", blocks: false, sets: 1 }]);
  });

  it("notes no open load from the set on that finds it, but those before", () => {
    const open = { load: { kind: "open" } } as const;
    const found = { ...open, role: "calibration" } as const;
    expect(codes(sampleSlot([sampleSet(1, found), sampleSet(2, open)]))).toEqual([]);
    expect(
      checkPlan(
        samplePlan(sampleSlot([sampleSet(1, open), sampleSet(2, found), sampleSet(3, open)])),
        context,
      ),
    ).toMatchObject([{ code: "openLoad", sets: 1 }]);
  });
});
