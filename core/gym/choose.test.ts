import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { kg, lb, share, ticksOf } from "../kernel/index.ts";
import {
  howToMake,
  loadsBetween,
  nearestLoad,
  nextEasier,
  nextHarder,
  shareOfLoad,
  totalMoved,
  type Towards,
} from "./choose.ts";
import type { Loading } from "./loading.ts";
import { allLoads } from "./make.ts";
import { measuresAlike } from "./station.ts";
import { atMost } from "~/tests/arbitrary/runs.ts";

const RACK: Loading = {
  kind: "bar",
  unit: "kg",
  bar: kg(20),
  plates: [20, 10, 5, 2.5].map((size) => ({ size: kg(size), count: 4 })),
};
const SLED: Loading = {
  kind: "plateMachine",
  unit: "kg",
  carriage: kg(47),
  points: 2,
  plates: [
    { size: kg(20), count: 8 },
    { size: kg(10), count: 2 },
    { size: kg(5), count: 2 },
  ],
};
const STACK: Loading = {
  kind: "stack",
  unit: "lb",
  pins: [10, 20, 35, 50, 65, 90].map(lb),
  addOns: [],
  pulleyRatio: 1,
};

describe("a share that comes to the middle of two loads", () => {
  const fives: Loading = {
    ...RACK,
    plates: [20, 10, 5, 2.5].map((size) => ({ size: kg(size), count: 8 })),
  };

  it.each([
    [75, 1.1, 80],
    [50, 1.05, 50],
    [50, 0.95, 45],
    [100, 1.025, 100],
  ])("%d kg times %d is exact, and takes the easier", (load, part, want) => {
    expect(shareOfLoad(fives, kg(load), share(part), null)?.made.reading).toEqual(kg(want));
  });

  it("never takes the farther of two, whatever the share", () => {
    const loads = allLoads(fives).map(({ reading }) => reading);
    fc.assert(
      fc.property(
        fc.constantFrom(...loads.filter((l) => l.thousandths > 0)),
        fc.integer({ min: 1, max: 2000 }),
        (load, perMille) => {
          const target = load.thousandths * perMille; // thousandths of thousandths, exactly
          const made = shareOfLoad(fives, load, share(perMille / 1000), null)?.made.reading;
          const gap = (m: { thousandths: number }) => Math.abs(m.thousandths * 1000 - target);
          const least = Math.min(...loads.map(gap));
          const easiest = loads.find((l) => gap(l) === least);
          expect(made).toEqual(easiest);
        },
      ),
    );
  });
});

describe("choosing a load", () => {
  it("says exactly how to make a reading", () => {
    const made = howToMake(RACK, kg(95));
    expect(made.ok && made.value.recipe).toEqual({
      kind: "plates",
      points: 2,
      perPoint: [kg(20), kg(10), kg(5), kg(2.5)],
    });
  });

  it("offers the loads on either side of one that cannot be made", () => {
    expect(howToMake(STACK, lb(40))).toMatchObject({
      ok: false,
      error: { code: "cannotBeMade", easier: { reading: lb(35) }, harder: { reading: lb(50) } },
    });
  });

  it("does not take the same mass in another unit for the same reading", () => {
    expect(howToMake(STACK, kg(10)).ok).toBe(false);
  });

  it("names no heavier load at the ceiling and no lighter one at the floor", () => {
    expect(nextHarder(STACK, lb(90))).toBeNull();
    expect(nextEasier(STACK, lb(10))).toBeNull();
    expect(nextHarder(STACK, lb(35))?.reading).toEqual(lb(50));
    expect(nextEasier(STACK, lb(36))?.reading).toEqual(lb(35));
  });

  it("takes the easier of two equally near loads, and stays on the side it is told", () => {
    const between = lb(42.5);
    expect(nearestLoad(STACK, between, "nearest")?.reading).toEqual(lb(35));
    expect(nearestLoad(STACK, between, "up")?.reading).toEqual(lb(50));
    expect(nearestLoad(STACK, lb(49), "down")?.reading).toEqual(lb(35));
    expect(nearestLoad(STACK, lb(5), "down")).toBeNull();
    expect(nearestLoad(STACK, lb(500), "up")).toBeNull();
  });

  it("compares a target in the other unit exactly", () => {
    expect(nearestLoad(STACK, kg(22.7), "nearest")?.reading).toEqual(lb(50));
  });

  it("lists the loads between two, both included", () => {
    expect(loadsBetween(STACK, lb(20), lb(65)).map((l) => l.reading)).toEqual(
      [20, 35, 50, 65].map(lb),
    );
  });
});

describe("the total moved", () => {
  it("is bar and plates, carriage and plates, both dumbbells, or the pulley's part", () => {
    const bells: Loading = { kind: "dumbbells", unit: "kg", present: [kg(20)], counted: "each" };
    expect(totalMoved(RACK, kg(60), null)).toEqual(kg(60));
    expect(totalMoved(SLED, kg(100), null)).toEqual(kg(147));
    expect(totalMoved(bells, kg(20), null)).toEqual(kg(40));
    expect(totalMoved({ ...bells, counted: "pair" }, kg(40), null)).toEqual(kg(40));
    expect(totalMoved({ ...STACK, pulleyRatio: 0.5 }, lb(50), null)).toEqual(lb(25));
  });

  it("is unknown with an unknown carriage or bar", () => {
    expect(totalMoved({ ...SLED, carriage: null }, kg(100), null)).toBeNull();
    expect(totalMoved({ ...RACK, bar: null }, kg(60), null)).toBeNull();
  });
});

describe("a share of a load", () => {
  it("is taken of the total moved, the carriage included", () => {
    // 147 kg moved; 80 % are 117.6; less 47 of carriage 70.6; the sled makes 70.
    const shared = shareOfLoad(SLED, kg(100), share(0.8), null);
    expect(shared?.made.reading).toEqual(kg(70));
    expect(shared?.basis).toBe("totalMoved");
    expect(shared?.shareMade).toBeCloseTo(117 / 147, 10);
  });

  it("comes out exactly where the plates are fine enough", () => {
    const fine: Loading = {
      ...SLED,
      plates: [10, 5, 2, 1, 0.5, 0.25].map((size) => ({ size: kg(size), count: 20 })),
    };
    // 0.75 of 147 kg moved is 110.25, less 47 of carriage 63.25; half kilograms are made.
    expect(shareOfLoad(fine, kg(100), share(0.75), null)?.made.reading).toEqual(kg(63));
    expect(shareOfLoad(fine, kg(53), share(0.8), null)?.made.reading).toEqual(kg(33));
    expect(shareOfLoad(fine, kg(53), share(0.8), null)?.shareMade).toBe(0.8);
  });

  it("is taken of the hung plates where the carriage is unknown, and says so", () => {
    const shared = shareOfLoad({ ...SLED, carriage: null }, kg(100), share(0.8), null);
    expect(shared?.made.reading).toEqual(kg(80));
    expect(shared?.basis).toBe("hungPlates");
  });

  it("counts both dumbbells on both sides of the sum", () => {
    const bells: Loading = {
      kind: "dumbbells",
      unit: "kg",
      present: [10, 16, 20].map(kg),
      counted: "each",
    };
    expect(shareOfLoad(bells, kg(20), share(0.8), null)?.made.reading).toEqual(kg(16));
    // As a pair the reading is the sum of both already.
    const pair: Loading = { ...bells, counted: "pair" };
    expect(shareOfLoad(pair, kg(40), share(0.8), null)?.made.reading).toEqual(kg(32));
    expect(shareOfLoad(pair, kg(40), share(0.5), null)?.made.reading).toEqual(kg(20));
  });

  it("by a rule of the exercise is harder or easier as the station is, with less help where it helps", () => {
    const help: Loading = {
      kind: "assisted",
      unit: "kg",
      movedShare: 1,
      pins: [10, 15, 20, 30].map(kg),
    };
    const made = (loading: Loading, of: number, part: number, towards: Towards) =>
      shareOfLoad(loading, kg(of), share(part), kg(80), towards)?.made.reading;
    // 60 kg moved with 20 of help; 1.1 of it are 66 with 14 of help.
    expect(made(help, 20, 1.1, "harder")).toEqual(kg(10));
    expect(made(help, 20, 1.1, "easier")).toEqual(kg(15));
    expect(made(RACK, 100, 1.01, "harder")).toEqual(kg(105));
    expect(made(RACK, 100, 1.01, "easier")).toEqual(kg(100));
  });

  it("is of the labels on a pulleyed stack, since the pulley cancels out", () => {
    expect(
      shareOfLoad({ ...STACK, pulleyRatio: 0.5 }, lb(50), share(0.7), null)?.made.reading,
    ).toEqual(lb(35));
  });
});

describe("any station", () => {
  const stations = fc.oneof(
    fc.constant(RACK),
    fc.constant(SLED),
    fc
      .uniqueArray(fc.integer({ min: 1, max: 300 }), { minLength: 1, maxLength: 20 })
      .map((pins): Loading => ({
        kind: "stack",
        unit: "lb",
        pins: pins.map(lb),
        addOns: [lb(2.5)],
        pulleyRatio: 1,
      })),
  );

  it("proposes only loads that it can make, nearest first by a slow search", () => {
    fc.assert(
      fc.property(stations, fc.integer({ min: 0, max: 400_000 }), (loading, thousandths) => {
        const target = kg(thousandths / 1000);
        const made = nearestLoad(loading, target, "nearest");
        const gaps = allLoads(loading).map((l) => Math.abs(ticksOf(l.reading) - ticksOf(target)));
        if (made === null) throw new Error("a station with loads has a nearest one");
        expect(howToMake(loading, made.reading).ok).toBe(true);
        expect(Math.abs(ticksOf(made.reading) - ticksOf(target))).toBe(Math.min(...gaps));
      }),
      { numRuns: Number(process.env["KRAVO_RUNS"] ?? 200) },
    );
  });

  it("has next harder and next easier as each other's inverse on loads it makes", () => {
    fc.assert(
      fc.property(stations, (loading) => {
        const made = allLoads(loading);
        made.forEach(({ reading }, i) => {
          expect(nextHarder(loading, reading)).toEqual(made[i + 1] ?? null);
          expect(nextEasier(loading, reading)).toEqual(made[i - 1] ?? null);
        });
      }),
      { numRuns: atMost(50) },
    );
  });
});

describe("two loading models", () => {
  it("measure alike when only plates or pins were added", () => {
    expect(measuresAlike(RACK, { ...RACK, plates: [] })).toBe(true);
    expect(measuresAlike(STACK, { ...STACK, addOns: [lb(5)] })).toBe(true);
  });

  it("do not when what a reading means has changed", () => {
    expect(measuresAlike(RACK, { ...RACK, bar: kg(15) })).toBe(false);
    expect(measuresAlike(SLED, { ...SLED, carriage: null })).toBe(false);
    expect(measuresAlike(STACK, { ...STACK, pulleyRatio: 0.5 })).toBe(false);
    expect(measuresAlike(STACK, RACK)).toBe(false);
  });
});
