import { describe, expect, it } from "vitest";
import { kg, share } from "../kernel/index.ts";
import {
  loadForTotal,
  nextEasier,
  nextHarder,
  shareOfLoad,
  stepsFrom,
  totalMoved,
  withoutOuter,
} from "./choose.ts";
import { changeBetween, piecesHandled } from "./handling.ts";
import type { Loading } from "./loading.ts";
import { allLoads } from "./make.ts";
import { measuresAlike } from "./station.ts";
import { RACK } from "../../tests/samples/index.ts";

const BODY: Loading = { kind: "bodyweight", unit: "kg", movedShare: 0.85, added: [5, 10].map(kg) };
const HELP: Loading = { kind: "assisted", unit: "kg", movedShare: 1, pins: [10, 20, 30].map(kg) };
const BELLS: Loading = { kind: "freeObject", unit: "kg", present: [8, 12, 16].map(kg), held: 2 };
const BANDS: Loading = {
  kind: "band",
  unit: "kg",
  bands: [
    { name: "light", tension: kg(8) },
    { name: "strong", tension: kg(25) },
  ],
};
const NONE: Loading = { kind: "unloaded", unit: "kg" };
const readings = (l: Loading) => allLoads(l).map((made) => made.reading.thousandths / 1000);

describe("loads of stations without plates or pins", () => {
  it("offers the body alone before anything is added", () => {
    expect(readings(BODY)).toEqual([0, 5, 10]);
    expect(totalMoved(BODY, kg(10), kg(80))).toEqual(kg(78));
    expect(totalMoved(BODY, kg(10), null)).toBeNull();
  });

  it("judges a counterweight by what is left to move: a higher reading is easier", () => {
    expect(readings(HELP)).toEqual([30, 20, 10]);
    expect(nextHarder(HELP, kg(20))?.reading).toEqual(kg(10));
    expect(nextEasier(HELP, kg(20))?.reading).toEqual(kg(30));
    expect(nextHarder(HELP, kg(10))).toBeNull();
    expect(totalMoved(HELP, kg(30), kg(80))).toEqual(kg(50));
    // 80 % of the 60 kg left at 20 is 48; 30 leaves 50, 20 leaves 60.
    expect(shareOfLoad(HELP, kg(20), share(0.8), kg(80))?.made.reading).toEqual(kg(30));
  });

  it("counts both objects where two are held, and knows no total for a band or for nothing", () => {
    expect(totalMoved(BELLS, kg(12), null)).toEqual(kg(24));
    expect(totalMoved(BANDS, kg(25), kg(80))).toBeNull();
    expect(readings(NONE)).toEqual([0]);
    expect(shareOfLoad(BANDS, kg(25), share(0.5), null)).toBeNull();
  });

  it("finds the load for a total, or none where totals are unknown", () => {
    expect(loadForTotal(BODY, kg(74), kg(80))?.reading).toEqual(kg(5));
    expect(loadForTotal(BODY, kg(74), null)).toBeNull();
    expect(loadForTotal(RACK, kg(81), null)?.reading).toEqual(kg(80));
    // Of two as near the easier one, on a bar and with a counterweight alike.
    expect(loadForTotal(RACK, kg(81.25), null)?.reading).toEqual(kg(80));
    expect(loadForTotal(HELP, kg(65), kg(80))?.reading).toEqual(kg(20));
    expect(loadForTotal(RACK, kg(81.25), null, "harder")?.reading).toEqual(kg(82.5));
  });

  it("steps along what the station makes and stops where it ends", () => {
    expect(stepsFrom(HELP, kg(30), 2)?.reading).toEqual(kg(10));
    expect(stepsFrom(HELP, kg(30), 3)).toBeNull();
    expect(stepsFrom(RACK, kg(100), -2)?.reading).toEqual(kg(95));
    // From a reading between two that can be made, the first step arrives at the next one.
    expect(stepsFrom(RACK, kg(101), 1)?.reading).toEqual(kg(102.5));
    expect(stepsFrom(RACK, kg(101), 0)).toBeNull();
  });

  it("strips outer plates from each end, and not more than hang", () => {
    const made = allLoads(RACK).find((l) => l.reading.thousandths === 100_000);
    expect(made && withoutOuter(made, 1)?.reading).toEqual(kg(70));
    expect(made && withoutOuter(made, 2)?.reading).toEqual(kg(20));
    expect(made && withoutOuter(made, 3)).toBeNull();
  });

  it("handles one thing for a pin, a band or an added weight, two for a pair, none for the same again", () => {
    const handled = (l: Loading, from: number | null, to: number) => {
      const of = (n: number | null) => (n === null ? null : (allLoads(l)[n]?.recipe ?? null));
      const target = of(to);
      return target && piecesHandled(changeBetween(of(from), target));
    };
    expect(handled(BODY, null, 0)).toBe(0);
    expect(handled(BODY, 0, 1)).toBe(1);
    expect(handled(HELP, 0, 1)).toBe(1);
    expect(handled(BELLS, 0, 1)).toBe(2);
    expect(handled(BANDS, 1, 1)).toBe(0);
    expect(handled(NONE, null, 0)).toBe(0);
  });

  it("compares readings only where they mean the same", () => {
    expect(measuresAlike(BODY, { ...BODY, added: [] })).toBe(true);
    expect(measuresAlike(BODY, { ...BODY, movedShare: 1 })).toBe(false);
    expect(measuresAlike(BELLS, { ...BELLS, held: 1 })).toBe(false);
    expect(measuresAlike(HELP, BODY)).toBe(false);
  });
});
