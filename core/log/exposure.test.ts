import { describe, expect, it } from "vitest";
import { count, kg, share } from "../kernel/index.ts";
import { doneInAll, heaviestTotal, onLine, type Exposure, type LineRef } from "./exposure.ts";
import {
  sampleContext,
  sampleExposed,
  sampleExposure,
  sampleId,
} from "../../tests/samples/index.ts";

const range = (min: number, max: number) => ({ min: count(min), max: count(max) });
const OF: LineRef = {
  lineage: sampleId(701),
  line: sampleId(7000),
  role: "work",
  range: range(8, 10),
  within: "full",
};
const set = (amount: number, over: Parameters<typeof sampleExposed>[3] = {}) =>
  sampleExposed(kg(amount), 8, 2, { line: sampleId(7777), ...over });
const readings = (sets: Parameters<typeof sampleExposure>[0], of = OF) =>
  onLine(sampleExposure(sets), of)?.sets.map(({ reading }) => reading) ?? null;

describe("what an exposure says about one line", () => {
  it("is the sets that carry its id, whatever they ask for, where the session knows it", () => {
    const own = set(100, { line: OF.line, role: "top", range: range(3, 5) });
    const context = sampleContext({ lineageId: OF.lineage });
    const known = sampleExposure([own, set(80)], { context });
    expect(onLine(known, OF)?.sets).toEqual([own]);
    // Another exercise that happens to have a line of that id does not know it.
    const other = sampleExposure([own, set(80)], {
      context: sampleContext({ lineageId: sampleId(702) }),
    });
    expect(onLine(other, OF)?.sets.map(({ reading }) => reading)).toEqual([kg(80)]);
  });

  it("is those of its role, range and part of the movement in a session that was planned apart", () => {
    expect(readings([set(100), set(90)])).toEqual([kg(100), kg(90)]);
    expect(readings([set(100, { role: "top" })])).toBeNull();
    expect(readings([set(100, { within: "stretched" })])).toBeNull();
    expect(readings([set(100, { range: range(8, 12) })])).toBeNull();
    expect(readings([set(100, { range: range(6, 10) })])).toBeNull();
    expect(readings([set(100, { range: null })])).toBeNull();
    expect(readings([set(100, { range: null })], { ...OF, range: null })).toEqual([kg(100)]);
    expect(readings([set(100, { role: "top" }), set(90)])).toEqual([kg(90)]);
  });

  it("has the set-up that all of its sets made for themselves", () => {
    const wide = { Stance: "wide" };
    const both = onLine(sampleExposure([set(100, { setUp: wide }), set(90)]), OF);
    expect(both?.context.setUp).toEqual({});
    const alike = onLine(sampleExposure([set(100, { setUp: wide }), set(90, { setUp: wide })]), OF);
    expect(alike?.context.setUp).toEqual(wide);
  });
});

describe("the heaviest total of an exposure", () => {
  const belt = { kind: "bodyweight", unit: "kg", added: [kg(10)], movedShare: share(0.9) } as const;
  const total = (loading: Exposure["loading"], ...amounts: readonly (number | null)[]) =>
    heaviestTotal(
      {
        ...sampleExposure(amounts.map((n) => sampleExposed(n === null ? null : kg(n), 8, 2))),
        loading,
      },
      kg(80),
    );

  it("is what was moved, the body's share with it", () => {
    expect(total(belt, 5, 10, 0)).toEqual(kg(82));
    expect(total(sampleExposure([]).loading, 90, 100, 80)).toEqual(kg(100));
  });

  it("leaves out readings that are not known, and is unknown without any", () => {
    expect(total(belt, null, 5)).toEqual(kg(77));
    expect(total(belt, null)).toBeNull();
    expect(total(belt)).toBeNull();
  });
});

describe("what sets came to in all", () => {
  const held = set(20, { measure: "seconds", amount: 30 });

  it("is a sum of one kind of thing, and nothing of unlike ones, unknown ones, or none", () => {
    expect(doneInAll([set(100), set(100)])).toEqual({ measure: "reps", amount: 16 });
    expect(doneInAll([held, held])).toEqual({ measure: "seconds", amount: 60 });
    expect(doneInAll([set(100), held])).toBeNull();
    expect(doneInAll([set(100), set(100, { amount: null })])).toBeNull();
    expect(doneInAll([])).toBeNull();
  });
});
