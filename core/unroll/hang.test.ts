import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { amountKg, count, kg, share } from "../kernel/index.ts";
import type { LoadRounding, PlannedSet } from "../plan/index.ts";
import { hungLoads } from "./hang.ts";
import { isSetStep, type SetStep } from "./step.ts";
import { unroll, unrollSlot } from "./unroll.ts";
import {
  sampleUnrollContext,
  sampleDrop,
  sampleId,
  samplePlan,
  sampleSet,
  sampleSlot,
  sampleStation,
} from "../../tests/samples/index.ts";
import { anyPlan } from "~/tests/arbitrary/plan.ts";

const context = sampleUnrollContext([sampleStation()]);
const written = (n: number, load: number, over: Partial<PlannedSet> = {}) =>
  sampleSet(n, { load: { kind: "absolute", reading: kg(load) }, ...over });
const shareOf = (n: number, of: number, fraction: number) =>
  sampleSet(n, {
    load: { kind: "shareOfSet", upTo: null, set: sampleId(of), part: null, share: share(fraction) },
  });
const exact: LoadRounding = { towards: "nearest", within: 0 };

const steps = (sets: readonly PlannedSet[], rounding?: LoadRounding) =>
  unrollSlot(sampleSlot(sets, rounding === undefined ? {} : { rounding }), context);
const readings = (of: readonly SetStep[]) =>
  of.map(({ load }) => (load.kind === "made" ? amountKg(load.reading) : load.kind));
const plates = (of: readonly SetStep[]) =>
  of.map(({ load }) =>
    load.kind === "made" && load.recipe.kind === "plates" ? load.recipe.perPoint.map(amountKg) : [],
  );

describe("what hangs for a block", () => {
  it("is decided for all of its loads together, the plates that stay inside", () => {
    // By itself 80 kg is 25 and 5 a side; after 60 kg the 20 stays.
    const walked = steps([written(1, 60), written(2, 80)]);
    expect(plates(walked)).toEqual([[20], [20, 10]]);
    expect(walked[1]?.change).toMatchObject({ takeOff: [], hang: [kg(10)] });
  });

  it("never moves a load that was written, and moves one that was worked out only within its room", () => {
    // 62.5 % of 100 is 62.5 = 20 + 1.25 a side; 60 needs two pieces less and is 4 % away.
    const sets = [written(1, 100), shareOf(2, 1, 0.625)];
    const moved = steps(sets, { towards: "nearest", within: share(0.05) });
    expect(readings(moved)).toEqual([100, 60]);
    expect(moved[1]?.load).toMatchObject({
      movedFrom: kg(62.5),
      total: kg(60),
      share: { asked: 0.625, made: 0.6 },
    });
    expect(readings(steps(sets, { towards: "nearest", within: share(0.025) }))).toEqual([
      100, 62.5,
    ]);
    expect(steps(sets, exact)[1]?.load).toMatchObject({ movedFrom: null, share: { made: 0.625 } });
    expect(readings(steps([written(1, 100), written(2, 62.5)]))).toEqual([100, 62.5]);
  });

  it("never moves a load that another set goes from, so that ten less is ten less", () => {
    const less = sampleSet(3, {
      load: {
        kind: "massFrom",
        by: "minus",
        mass: kg(10),
        counted: "asRead",
        basis: { kind: "set", set: sampleId(2), part: null },
      },
    });
    const roomy: LoadRounding = { towards: "nearest", within: share(0.05) };
    const sets = [written(1, 100), shareOf(2, 1, 0.625)];
    expect(readings(steps(sets, roomy))).toEqual([100, 60]);
    expect(readings(steps([...sets, less], roomy))).toEqual([100, 62.5, 52.5]);
    // In a block of its own the same load would hang otherwise: it is what the set came to, wherever it is.
    const same = sampleSet(4, { load: { kind: "sameAsSet", set: sampleId(2), part: null } });
    const two = samplePlan(
      sampleSlot(sets, { rounding: roomy }),
      sampleSlot([same], { rounding: roomy, id: sampleId(702) }),
    );
    expect(readings(unroll(two, context).filter(isSetStep))).toEqual([100, 62.5, 62.5]);
  });

  it("never moves a load that plates come off from, and says what a share of a moved drop comes to", () => {
    const roomy: LoadRounding = { towards: "nearest", within: share(0.05) };
    const strip = {
      ...sampleDrop(21, "first", 0.8),
      to: { kind: "strip", plates: count(2) },
    } as PlannedSet["extensions"][number];
    // 62.5 are 20 and 1.25 a side; without both the bar. By itself 62.5 would hang as 60.
    const stripped = steps(
      [written(1, 100), { ...shareOf(2, 1, 0.625), extensions: [strip] }],
      roomy,
    );
    expect(readings(stripped)).toEqual([100, 62.5, 20]);
    const drops = [sampleDrop(21, "first", 0.625), sampleDrop(22, "current", 0.5)];
    const chained = steps([written(1, 100, { extensions: drops })], roomy);
    const [, first, second] = chained;
    expect(first?.load).toMatchObject({ reading: kg(60), movedFrom: kg(62.5) });
    // Half of 62.5 is 31.25, made 30 or 32.5: of the 60 that hang it is what is read over 60.
    expect(second?.load).toMatchObject({ share: { asked: 0.5 } });
    if (second?.load.kind !== "made") throw new Error("no load");
    expect(second.load.share?.made).toBeCloseTo(amountKg(second.load.reading) / 60, 9);
  });

  it("moves only to the side that the rule allows", () => {
    const sets = [written(1, 100), shareOf(2, 1, 0.625)];
    const within = share(0.05);
    expect(readings(steps(sets, { towards: "easier", within }))).toEqual([100, 60]);
    expect(readings(steps(sets, { towards: "harder", within }))).toEqual([100, 62.5]);
  });

  it("rounds a share by the rule of the exercise", () => {
    const sets = [written(1, 100), shareOf(2, 1, 0.63)];
    const by = (towards: LoadRounding["towards"]) =>
      readings(steps(sets, { towards, within: 0 }))[1];
    expect([by("easier"), by("nearest"), by("harder")]).toEqual([62.5, 62.5, 65]);
    const low = [written(1, 20), shareOf(2, 1, 0.5)];
    // Nothing is lighter than the bar.
    expect(readings(steps(low, { towards: "easier", within: 0 }))).toEqual([20, 20]);
  });

  it("keeps a drop below what it drops from, and rounds of a rotation alike", () => {
    const chain = [
      written(1, 100, {
        extensions: [sampleDrop(9, "current", 0.97), sampleDrop(10, "current", 0.97)],
      }),
    ];
    const loads = readings(steps(chain, { towards: "nearest", within: share(0.05) }));
    expect(new Set(loads).size).toBe(3);
    expect(loads).toEqual([...loads].sort((a, b) => Number(b) - Number(a)));
    const again = steps(
      [written(1, 100), shareOf(2, 1, 0.625), written(3, 90), shareOf(4, 1, 0.625)],
      {
        towards: "nearest",
        within: share(0.05),
      },
    );
    expect(readings(again)).toEqual([100, 62.5, 90, 62.5]);
  });

  it("is told load after load, neighbours of one load as one", () => {
    const loads = hungLoads(steps([written(1, 60), written(2, 100), written(3, 100)]));
    expect(loads.map(({ load, steps: own }) => [amountKg(load.reading), own.length])).toEqual([
      [60, 1],
      [100, 2],
    ]);
  });

  it("follows from change to change, in any plan: what is taken off hung outermost, what stays is kept", () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        for (const block of plan.blocks) {
          let hangs: readonly number[] = [];
          const own = unroll({ ...plan, blocks: [block] }, context).filter(isSetStep);
          for (const { load, change } of own) {
            if (load.kind !== "made" || load.recipe.kind !== "plates" || change === null) continue;
            if (change.kind === "plates") {
              const kept = hangs.slice(0, hangs.length - change.takeOff.length);
              const off = hangs.slice(kept.length).toReversed();
              expect(change.takeOff.map(amountKg)).toEqual(off);
              hangs = [...kept, ...change.hang.map(amountKg)];
            }
            expect(hangs).toEqual(load.recipe.perPoint.map(amountKg));
            const asked = amountKg(load.movedFrom ?? load.reading);
            expect(Math.abs(amountKg(load.reading) - asked)).toBeLessThanOrEqual(
              asked * (load.rounding?.within ?? 0) + 1e-9,
            );
          }
        }
      }),
      { numRuns: Number(process.env["KRAVO_RUNS"] ?? 150) },
    );
  });

  it("starts from an empty station in every exercise", () => {
    const [a, b] = [
      sampleSlot([written(1, 60)]),
      sampleSlot([written(2, 60)], { id: sampleId(702) }),
    ];
    const walked = unroll(samplePlan(a, b), context).filter(isSetStep);
    expect(walked.map(({ change }) => change)).toMatchObject([
      { hang: [kg(20)] },
      { hang: [kg(20)] },
    ]);
  });

  it("leaves a station without plates to its own loads", () => {
    const bells = sampleStation({
      kind: "dumbbells",
      unit: "kg",
      present: [16, 20].map(kg),
      counted: "pair",
    });
    const sets = [written(1, 40), shareOf(2, 1, 0.8)];
    const walked = unrollSlot(sampleSlot(sets), sampleUnrollContext([bells]));
    expect(readings(walked)).toEqual([40, 32]);
    expect(walked[1]?.change).toEqual({ kind: "dumbbells", each: kg(16) });
  });
});
