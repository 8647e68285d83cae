import { describe, expect, it } from "vitest";
import { count, day, kg } from "../kernel/index.ts";
import type { Loading } from "../gym/index.ts";
import { OPEN_TEMPO } from "../plan/index.ts";
import { bestsOf as bestsBy } from "./bests.ts";
import type { ComparedBy } from "./comparison.ts";
import type { ExposedSet, Exposure } from "./exposure.ts";
import { UNSAID_CONDITIONS } from "./conditions.ts";
import { UNSAID_OBSERVATIONS } from "./observations.ts";
import {
  sampleContext,
  sampleExposed,
  sampleExposure,
  sampleId,
} from "../../tests/samples/index.ts";

const set = (load: number | null, reps: number | null, over: Partial<ExposedSet> = {}) =>
  sampleExposed(load === null ? null : kg(load), reps, 2, over);
let sessions = 0;
const on = (date: string, sets: readonly ExposedSet[], over: Partial<Exposure> = {}): Exposure =>
  sampleExposure(sets, { day: day(date), sessionLogId: sampleId(900 + (sessions += 1)), ...over });
const bestsOf = (exposures: readonly Exposure[], parameters: ComparedBy["parameters"] = []) =>
  bestsBy(exposures, { parameters, comparing: [] });
const shown = (...of: Parameters<typeof bestsOf>) =>
  bestsOf(...of).map(({ reading, amount, day: at }) => [reading.thousandths / 1000, amount, at]);

describe("the bests of an exercise", () => {
  it("are the sets that none beats in load and reps both, heaviest first, of equals the first", () => {
    const sessions = [
      on("2026-01-05", [set(100, 8), set(100, 7), set(90, 8)]),
      on("2026-01-12", [set(100, 8), set(90, 10), set(105, 5)]),
      on("2026-01-19", [set(95, 9), set(80, 12), set(105, 4)]),
    ];
    expect(shown(sessions)).toEqual([
      [105, 5, "2026-01-12"],
      [100, 8, "2026-01-05"],
      [95, 9, "2026-01-19"],
      [90, 10, "2026-01-12"],
      [80, 12, "2026-01-19"],
    ]);
    expect(bestsOf([])).toEqual([]);
  });

  it("are clean: known, whole, without help and without a fault that was seen", () => {
    const bounced = {
      observed: { ...UNSAID_OBSERVATIONS, faults: [{ fault: "bounce", fromRep: 6 }] },
    } as const;
    const clean = { observed: { ...UNSAID_OBSERVATIONS, faults: [] } };
    const cut = { conditions: { ...UNSAID_CONDITIONS, range: "stretched" } } as const;
    expect(
      shown([
        on("2026-01-05", [
          set(120, 8, bounced),
          set(null, 20),
          set(115, null),
          set(115, 8, { hasPartials: true }),
          set(115, 8, { within: "mid" }),
          set(112, 8, cut),
          set(140, 0),
          set(100, 8, clean),
        ]),
      ]),
    ).toEqual([[100, 8, "2026-01-05"]]);
  });

  it("are of the version that the last session was done in, or of a harder one", () => {
    const depth = {
      name: "Depth",
      choices: ["high", "low"],
      usual: "high",
      rising: ["high", "low"],
    };
    const at = (date: string, choice: string, load: number) =>
      on(date, [set(load, 8)], { context: sampleContext({ setUp: { Depth: choice } }) });
    const [easy, hard] = [at("2026-01-05", "high", 120), at("2026-01-12", "low", 100)];
    // Done high, the low one counts as well; done low, the high one does not.
    expect(shown([hard, easy], [depth])).toEqual([[120, 8, "2026-01-05"]]);
    expect(shown([at("2026-01-12", "low", 130), easy], [depth])[0]).toEqual([130, 8, "2026-01-12"]);
    expect(shown([easy, hard], [depth])).toEqual([[100, 8, "2026-01-12"]]);
    const slow = { context: sampleContext({ tempo: { ...OPEN_TEMPO, lower: 5 } }) };
    const fast = { context: sampleContext({ tempo: { ...OPEN_TEMPO, lower: 2 } }) };
    expect(
      shown([on("2026-01-05", [set(110, 8)], fast), on("2026-01-12", [set(100, 8)], slow)]),
    ).toEqual([[100, 8, "2026-01-12"]]);
  });

  it("say how each was set, which makes no other version: place, order, body weight, gear", () => {
    const gear = [{ name: "belt", fromSet: 1 }];
    const context = sampleContext({ hardSetsBefore: 9, bodyWeight: kg(80), gear });
    const late = on("2026-01-05", [set(90, 8), set(110, 5)], { context });
    const found = bestsOf([late, on("2026-01-12", [set(100, 5)])]);
    expect(found[0]).toMatchObject({
      reading: kg(110),
      amount: 5,
      place: 2,
      hardSetsBefore: 9,
      bodyWeight: kg(80),
      gear,
      rir: 2,
    });
    expect(found.map(({ amount }) => amount)).toEqual([5, 8]);
  });

  it("count a counterweight the other way round", () => {
    const loading: Loading = {
      kind: "assisted",
      unit: "kg",
      movedShare: 1,
      pins: [10, 20, 30].map(kg),
    };
    expect(
      shown([on("2026-01-05", [set(30, 8), set(20, 8), set(30, 10), set(10, 3)], { loading })]),
    ).toEqual([
      [10, 3, "2026-01-05"],
      [20, 8, "2026-01-05"],
      [30, 10, "2026-01-05"],
    ]);
  });

  it("are of seconds held and of reps in all too, each against its own kind", () => {
    const held = (load: number, amount: number) =>
      set(load, null, { measure: "seconds", amount, range: null });
    const chain = (load: number, reps: number, dropped: number | null) =>
      set(load, reps, {
        bursts: [
          {
            kind: "drop",
            line: null,
            reading: kg(60),
            reps: dropped === null ? null : count(dropped),
            demand: { least: null, most: null },
          },
        ],
      });
    const all = bestsOf([
      on("2026-01-05", [held(20, 40), held(20, 45), held(10, 50)]),
      on("2026-01-12", [chain(100, 8, 10), chain(100, 9, 6), chain(100, 7, null)]),
    ]);
    expect(
      all.map(({ counted, reading, amount }) => [counted, reading.thousandths / 1000, amount]),
    ).toEqual([
      ["inAll", 100, 18],
      ["reps", 100, 9],
      ["seconds", 20, 45],
      ["seconds", 10, 50],
    ]);
  });
});
