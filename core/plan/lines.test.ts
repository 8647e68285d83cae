import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anySlot } from "~/tests/arbitrary/plan.ts";
import { sampleDrop, sampleId, sampleNewId, sampleSet, sampleSlot } from "~/tests/samples/index.ts";
import { count, idOf, kg, share } from "../kernel/index.ts";
import { linesOf, newBlock, topAndBackOff, withLines, type PlannedSet } from "./index.ts";
import { movementOf } from "~/tests/arbitrary/session.ts";

const at = (n: number, load: number, over: Partial<PlannedSet> = {}) =>
  sampleSet(n, { load: { kind: "absolute", reading: kg(load) }, ...over });
const grouped = (sets: readonly PlannedSet[]) =>
  linesOf(withLines(sampleSlot(sets))).map(({ sets: own }) =>
    own.map(({ id }) => Number(id.slice(-3))),
  );

describe("the lines of an exercise", () => {
  it("are one for sets alike, however a new exercise begins", () => {
    const { slot } = newBlock(sampleNewId, movementOf("back-squat"), sampleId(1), kg(100));
    expect(linesOf(slot)).toHaveLength(1);
    expect(withLines(slot)).toBe(slot);
  });

  it("part where an edit makes sets differ; the most of a line keep it", () => {
    expect(grouped([at(1, 100), at(2, 100), at(3, 110)])).toEqual([[1, 2], [3]]);
    const edited = withLines(sampleSlot([at(1, 110), at(2, 100), at(3, 100)]));
    expect(edited.sets.map(({ line }) => line === sampleId(7000))).toEqual([false, true, true]);
  });

  it("are those of the pyramid's loads, up and down", () => {
    const five = { kind: "reps", min: count(5), max: count(5) } as const;
    expect(grouped([at(1, 80), at(2, 90, { target: five }), at(3, 80)])).toEqual([[1, 3], [2]]);
  });

  it("are a top set and its back-offs, which keep theirs when the top moves", () => {
    const made = withLines(
      sampleSlot(topAndBackOff(at(1, 100), count(2), share(0.8), sampleNewId)),
    );
    const lines = linesOf(made);
    expect(lines.map(({ sets }) => sets.length)).toEqual([1, 2]);
    const moved = withLines({
      ...made,
      sets: made.sets.map((set, i) =>
        i === 0 ? { ...set, load: { kind: "absolute", reading: kg(105) } } : set,
      ),
    });
    expect(linesOf(moved).map(({ id }) => id)).toEqual(lines.map(({ id }) => id));
  });

  it("are never made by a name that another line has already", () => {
    const taken = sampleId<"line">(4711);
    const own = idOf<"lineage">(taken);
    expect(
      grouped([
        at(1, 110, { lineageId: own }),
        at(2, 100),
        at(3, 100),
        at(4, 60, { line: taken, role: "backOff" }),
      ]),
    ).toEqual([[1], [2, 3], [4]]);
  });

  it("take in a set that stood alone and became like them", () => {
    const lone = at(3, 100, { line: sampleId(7009) });
    expect(grouped([at(1, 100), at(2, 100), lone])).toEqual([[1, 2, 3]]);
  });

  it("keep a rule of their own, also the part that left", () => {
    const rule = { kind: "keepLoad" } as const;
    const slot = sampleSlot([at(1, 100), at(2, 100), at(3, 110)], {
      lines: [
        { id: sampleId(7000), rule },
        { id: sampleId(7777), rule },
      ],
    });
    expect(linesOf(withLines(slot)).map((line) => line.rule)).toEqual([rule, rule]);
    expect(withLines(slot).lines).toHaveLength(2);
  });

  it("hold the drops at one place of their chains together", () => {
    const chain = (n: number) => [sampleDrop(n, "first", 0.8), sampleDrop(n + 1, "current", 0.8)];
    const { sets } = withLines(
      sampleSlot([at(1, 100, { extensions: chain(20) }), at(2, 100, { extensions: chain(30) })]),
    );
    const [a, b] = sets.map(({ extensions }) =>
      extensions.map((extension) => (extension.kind === "drop" ? extension.line : null)),
    );
    expect(a).toEqual(b);
    expect(new Set(a).size).toBe(2);
  });

  it("settle at once, each set in exactly one, whatever the exercise", () => {
    fc.assert(
      fc.property(anySlot, (slot) => {
        const settled = withLines(slot);
        expect(withLines(settled)).toBe(settled);
        expect(linesOf(settled).flatMap(({ sets }) => sets).length).toBe(slot.sets.length);
        for (const { sets } of linesOf(settled)) {
          const keys = sets.map(({ role, load, target }) => JSON.stringify([role, load, target]));
          expect(new Set(keys).size).toBe(1);
        }
      }),
      { numRuns: Number(process.env["KRAVO_RUNS"] ?? 100) },
    );
  });
});
