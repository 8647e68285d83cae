import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { kg, lb, mass, ticksOf, type Mass } from "../kernel/index.ts";
import type { Loading, PlateStock } from "./loading.ts";
import { allLoads, tooManyLoads } from "./make.ts";

const readings = (loading: Loading) =>
  allLoads(loading).map((load) => load.reading.thousandths / 1000);
const stock = (...pairs: [number, number][]): PlateStock[] =>
  pairs.map(([size, count]) => ({ size: kg(size), count }));

describe("what a station can make", () => {
  it("hangs plates in pairs on a bar and reads the bar with them", () => {
    const bar: Loading = { kind: "bar", unit: "kg", bar: kg(20), plates: stock([10, 2], [5, 3]) };
    expect(readings(bar)).toEqual([20, 30, 40, 50]);
  });

  it("reads hung plates only where the bar is of unknown mass", () => {
    const bar: Loading = { kind: "bar", unit: "kg", bar: null, plates: stock([10, 2]) };
    expect(readings(bar)).toEqual([0, 20]);
  });

  it("takes plates one by one on a single loading point", () => {
    const machine: Loading = {
      kind: "plateMachine",
      unit: "kg",
      carriage: null,
      points: 1,
      plates: stock([10, 2], [5, 1]),
    };
    expect(readings(machine)).toEqual([0, 5, 10, 15, 20, 25]);
  });

  it("keeps an irregular stack as it is labelled and puts each add-on on once", () => {
    const stack: Loading = {
      kind: "stack",
      unit: "lb",
      pins: [10, 20, 35].map(lb),
      addOns: [lb(5), lb(2.5)],
      pulleyRatio: 1,
    };
    expect(readings(stack)).toEqual([10, 12.5, 15, 17.5, 20, 22.5, 25, 27.5, 35, 37.5, 40, 42.5]);
  });

  it("makes a load with a pin alone where that is possible, instead of a lighter pin and add-ons", () => {
    const stack: Loading = {
      kind: "stack",
      unit: "kg",
      pins: [kg(10), kg(15)],
      addOns: [kg(5)],
      pulleyRatio: 1,
    };
    const fifteen = allLoads(stack).find((load) => load.reading.thousandths === 15_000);
    expect(fifteen?.recipe).toEqual({ kind: "pin", pin: kg(15), addOns: [] });
  });

  it("mixes a kilogram add-on into a stack in pounds to the nearest thousandth", () => {
    const stack: Loading = {
      kind: "stack",
      unit: "lb",
      pins: [lb(100)],
      addOns: [kg(2.5)],
      pulleyRatio: 1,
    };
    expect(allLoads(stack).map((l) => l.reading)).toEqual([lb(100), mass(105_512, "lb")]);
  });

  it("reads a 45 lb bar in a rack of kilogram plates to the nearest gram", () => {
    const bar: Loading = { kind: "bar", unit: "kg", bar: lb(45), plates: stock([20, 2]) };
    expect(allLoads(bar).map((l) => l.reading)).toEqual([mass(20_412, "kg"), mass(60_412, "kg")]);
  });

  it("reads both dumbbells or one, as the gym counts them", () => {
    const each: Loading = {
      kind: "dumbbells",
      unit: "kg",
      present: [kg(10), kg(12.5)],
      counted: "each",
    };
    expect(readings(each)).toEqual([10, 12.5]);
    expect(readings({ ...each, counted: "pair" })).toEqual([20, 25]);
  });

  it("makes nothing but the bare bar without plates, and nothing at all without dumbbells", () => {
    expect(readings({ kind: "bar", unit: "kg", bar: kg(20), plates: [] })).toEqual([20]);
    expect(readings({ kind: "dumbbells", unit: "kg", present: [], counted: "each" })).toEqual([]);
  });

  it("prefers fewer plates, and among equals the heavier inside", () => {
    const bar: Loading = {
      kind: "bar",
      unit: "kg",
      bar: kg(20),
      plates: stock([25, 2], [15, 2], [20, 4], [10, 4]),
    };
    const perSide = (reading: number): number[] => {
      const recipe = allLoads(bar).find((l) => l.reading.thousandths === reading * 1000)?.recipe;
      return recipe?.kind === "plates" ? recipe.perPoint.map((m) => m.thousandths / 1000) : [];
    };
    const uneven: Loading = { ...bar, plates: stock([10, 2], [6, 4], [1, 4]) };
    const twelve = allLoads(uneven).find((l) => l.reading.thousandths === 44_000)?.recipe;
    expect(twelve).toEqual({ kind: "plates", points: 2, perPoint: [kg(6), kg(6)] }); // not 10 + 1 + 1
    expect(perSide(90)).toEqual([25, 10]); // not 15 + 20
    expect(perSide(60)).toEqual([20]); // not 10 + 10
  });

  it("sees a plate list that would take too long to search", () => {
    const odd = Array.from({ length: 12 }, (_, i) => ({
      size: mass(1001 + i * i * 37, "kg"),
      count: 20,
    }));
    expect(tooManyLoads({ kind: "bar", unit: "kg", bar: kg(20), plates: odd })).toBe(true);
    expect(
      tooManyLoads({
        kind: "bar",
        unit: "kg",
        bar: kg(20),
        plates: stock([25, 8], [20, 8], [1.25, 4]),
      }),
    ).toBe(false);
  });
});

/** Every subset of single plates, by trying them all: slow, obvious, and only for small stocks. */
function bruteForce(sizes: readonly Mass[], points: 1 | 2): Map<number, number> {
  const fewest = new Map<number, number>();
  for (let bits = 0; bits < 1 << sizes.length; bits++) {
    const side = sizes.filter((_, i) => (bits >> i) & 1);
    const other = sizes.filter((_, i) => !((bits >> i) & 1));
    const pool = other.map((m) => m.thousandths);
    const twin = points === 1 || side.every((m) => removeOne(pool, m.thousandths));
    if (!twin) continue;
    const sum = side.reduce((total, m) => total + m.thousandths, 0) * points;
    fewest.set(sum, Math.min(fewest.get(sum) ?? Infinity, side.length));
  }
  return fewest;
}

function removeOne(pool: number[], value: number): boolean {
  const at = pool.indexOf(value);
  if (at >= 0) pool.splice(at, 1);
  return at >= 0;
}

describe("plates against brute force", () => {
  const sizes = fc.uniqueArray(fc.constantFrom(1.25, 2.5, 5, 7.5, 10, 15, 20, 25), {
    minLength: 1,
    maxLength: 4,
  });
  const small = sizes.chain((found) =>
    fc.tuple(
      ...found.map((size) =>
        fc.integer({ min: 1, max: 3 }).map((count) => ({ size: kg(size), count })),
      ),
    ),
  );

  it("finds exactly the loads that exist, each with the fewest plates", () => {
    fc.assert(
      fc.property(small, fc.constantFrom(1 as const, 2 as const), (plates, points) => {
        const machine: Loading = {
          kind: "plateMachine",
          unit: "kg",
          carriage: null,
          points,
          plates,
        };
        const singles = plates.flatMap(({ size, count }) =>
          Array.from({ length: count }, () => size),
        );
        const expected = bruteForce(singles, points);
        const made = allLoads(machine);
        expect(made.map((l) => l.reading.thousandths)).toEqual(
          [...expected.keys()].sort((a, b) => a - b),
        );
        for (const { reading, recipe } of made) {
          if (recipe.kind !== "plates") throw new Error("expected plates");
          expect(recipe.perPoint).toHaveLength(expected.get(reading.thousandths) ?? -1);
          expect(recipe.perPoint.reduce((sum, m) => sum + ticksOf(m), 0) * points).toBe(
            ticksOf(reading),
          );
        }
      }),
      { numRuns: Number(process.env["KRAVO_RUNS"] ?? 200) },
    );
  });
});
