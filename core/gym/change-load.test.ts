import { describe, expect, it } from "vitest";
import { amountKg, kg } from "../kernel/index.ts";
import { withPlates } from "./change-load.ts";
import { nearestLoad } from "./choose.ts";
import type { Loading } from "./loading.ts";

const plates = [20, 10, 5, 2.5].map((size) => ({ size: kg(size), count: 8 }));
const BAR: Loading = { kind: "bar", unit: "kg", bar: kg(20), plates };
const SLED: Loading = { kind: "plateMachine", unit: "kg", carriage: kg(30), points: 2, plates };
const ONE_POINT: Loading = { ...SLED, points: 1 };
const STACK: Loading = {
  kind: "stack",
  unit: "kg",
  pins: [kg(10), kg(20)],
  addOns: [],
  pulleyRatio: 1,
};

/** The reading with so many plates more or less a side, from a load with the fewest plates; null where there is none. */
function changed(loading: Loading, from: number, plates: number, size: number | null) {
  const made = nearestLoad(loading, kg(from), "nearest");
  if (made === null) throw new Error("no load");
  const by = plates < 0 ? -1 : 1;
  const change = { by, plates: Math.abs(plates), size: size === null ? null : kg(size) } as const;
  const reading = withPlates(loading, made, change);
  return reading && amountKg(reading);
}

describe("plates more or less on each side", () => {
  it.each<readonly [string, Loading, number, number, number | null, number | null]>([
    ["a ten a side on a bar", BAR, 60, 1, 10, 80],
    ["two fives a side off a bar", BAR, 60, -2, 5, 40],
    ["a ten on each of two points", SLED, 40, 1, 10, 60],
    ["a ten on the one point", ONE_POINT, 40, 1, 10, 50],
    ["the largest where no size is said", SLED, 40, 1, null, 80],
    ["the outermost off where no size is said", BAR, 110, -1, null, 100],
    ["less than the bar is none", BAR, 40, -1, 20, null],
    ["down to the bare bar", BAR, 60, -1, 20, 20],
    ["nothing is hung on a stack", STACK, 20, 1, 10, null],
  ])("%s", (_, loading, from, plates, size, to) => {
    expect(changed(loading, from, plates, size)).toBe(to);
  });
});
