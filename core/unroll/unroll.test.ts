import { describe, expect, it } from "vitest";
import { kg, lb } from "../kernel/index.ts";
import type { PlannedSet } from "../plan/index.ts";
import type { SetStep } from "./step.ts";
import { unroll, unrollSlot } from "./unroll.ts";
import {
  RACK,
  sampleDrop,
  sampleId,
  samplePlan,
  sampleSet,
  sampleSlot,
  sampleStation,
  STACK,
  sampleUnrollContext,
} from "../../tests/samples/index.ts";

const context = sampleUnrollContext([sampleStation(RACK, 1), sampleStation(STACK, 2)]);
const readingOf = (step: SetStep | undefined) =>
  step?.load.kind === "made" ? step.load.reading.thousandths / 1000 : null;
const steps = (...sets: PlannedSet[]) => unrollSlot(sampleSlot(sets), context);

describe("unrolling a slot", () => {
  it("gives one step for each set, in order, with number, rest and what to change", () => {
    const [first, second] = steps(
      sampleSet(1),
      sampleSet(2, { load: { kind: "absolute", reading: kg(105) } }),
    );
    expect(first).toMatchObject({
      kind: "set",
      setNumber: 1,
      setCount: 2,
      restAfter: { likely: 120 },
      arrival: "first",
    });
    expect(first?.change).toMatchObject({ hang: [kg(25), kg(15)] });
    expect(second).toMatchObject({ setNumber: 2, arrival: null });
    expect(second?.change).toMatchObject({ takeOff: [], hang: [kg(2.5)] });
  });

  it("makes two drops two lighter loads after the first, each a share of the load just used", () => {
    const set = sampleSet(1, {
      extensions: [sampleDrop(11, "current", 0.8), sampleDrop(12, "current", 0.8)],
    });
    const chain = steps(set);
    expect(chain.map(readingOf)).toEqual([100, 80, 65]); // 64 is not made; 65 is nearer than 62.5
    expect(chain.map((s) => s.kind)).toEqual(["set", "drop", "drop"]);
    expect(chain.map((s) => s.restAfter.likely)).toEqual([10, 10, 120]);
  });

  it("takes each drop of the first load where the chain says so", () => {
    const set = sampleSet(1, {
      extensions: [sampleDrop(11, "first", 0.8), sampleDrop(12, "first", 0.6)],
    });
    expect(steps(set).map(readingOf)).toEqual([100, 80, 60]);
  });

  it("trains each side in turn, the named one first, and rests long only after the second", () => {
    const both = steps(sampleSet(1, { side: { kind: "each", first: "right", matchFirst: false } }));
    expect(both.map((s) => s.key.side)).toEqual(["right", "left"]);
    expect(both.map((s) => s.restAfter.likely)).toEqual([15, 120]);
  });

  it("hands on a load that cannot be made instead of rounding it in silence", () => {
    const [step] = steps(sampleSet(1, { load: { kind: "absolute", reading: kg(101) } }));
    expect(step?.load).toMatchObject({
      kind: "impossible",
      why: { easier: { reading: kg(100) }, harder: { reading: kg(102.5) } },
    });
  });

  it("leaves an open load and its drops open", () => {
    const chain = steps(
      sampleSet(1, { load: { kind: "open" }, extensions: [sampleDrop(11, "current", 0.8)] }),
    );
    expect(chain.map((s) => s.load.kind)).toEqual(["open", "open"]);
  });

  it("leaves the load open where the station is not in this gym", () => {
    const [step] = unrollSlot(sampleSlot([sampleSet(1)], { station: sampleId(77) }), context);
    expect(step?.load.kind).toBe("open");
  });

  it("keys every part so that no two are the same", () => {
    const set = (n: number) =>
      sampleSet(n, {
        side: { kind: "each", first: "left", matchFirst: false },
        extensions: [sampleDrop(n + 50, "current", 0.8)],
      });
    const all = steps(set(1), set(2));
    expect(new Set(all.map((s) => JSON.stringify(s.key))).size).toBe(8);
  });

  it("starts each slot from an empty station", () => {
    const other = sampleSlot([sampleSet(2, { load: { kind: "absolute", reading: lb(35) } })], {
      id: sampleId(702),
      station: sampleId(2),
    });
    const all = unroll(samplePlan(sampleSlot([sampleSet(1)]), other), context);
    expect(all[1]).toMatchObject({ arrival: "first", change: { kind: "pin", pin: lb(35) } });
  });

  it("counts work by tempo, and doubles alternating reps since they are per side", () => {
    const tempo = { lower: 3, stretch: 1, lift: 1, squeeze: 0 } as const;
    const [both] = steps(sampleSet(1, { tempo }));
    const [alternating] = steps(sampleSet(1, { tempo, side: { kind: "alternating" } }));
    expect(both?.workSeconds).toEqual({ min: 40, max: 50 });
    expect(alternating?.workSeconds).toEqual({ min: 80, max: 100 });
  });
});
