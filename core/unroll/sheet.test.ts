import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { count, kg, seconds } from "../kernel/index.ts";
import type { PlannedSet, Slot } from "../plan/index.ts";
import { sheetOf } from "./sheet.ts";
import { stepKeyText } from "./step.ts";
import { unrollSlot } from "./unroll.ts";
import {
  sampleUnrollContext,
  sampleDrop,
  sampleId,
  sampleSet,
  sampleSlot,
  sampleStation,
} from "../../tests/samples/index.ts";
import { anySlot } from "~/tests/arbitrary/plan.ts";
import { atMost } from "~/tests/arbitrary/runs.ts";

const context = sampleUnrollContext([sampleStation()]);
const told = (...sets: readonly PlannedSet[]) => {
  const slot = sampleSlot(sets);
  return sheetOf(slot, unrollSlot(slot, context));
};
const at = (n: number) => ({ load: { kind: "absolute", reading: kg(n) } }) as const;
const pauses = (n: number) =>
  ({
    kind: "restPause",
    id: sampleId<"extension">(n),
    lineageId: sampleId<"lineage">(n),
    pauses: count(2),
    pause: seconds(15),
    waits: "exactly",
    target: { kind: "limit", atLeast: null, likely: count(4) },
  }) as const;

describe("a sheet to train from", () => {
  it("tells sets in a row that are alike together, with a box for each", () => {
    const sheet = told(sampleSet(1, at(60)), sampleSet(2, at(60)), sampleSet(3, at(40)));
    expect(sheet.map((sets) => sets.numbers)).toEqual([[1, 2], [3]]);
    expect(sheet[0]?.lines).toHaveLength(1);
    expect(sheet[0]?.lines[0]?.boxes.map((box) => box.setNumber)).toEqual([1, 2]);
  });

  it("keeps sets apart that only look alike", () => {
    const rest = { kind: "fixed", seconds: seconds(600) } as const;
    expect(told(sampleSet(1), sampleSet(2, { restAfter: rest }))).toHaveLength(2);
    expect(told(sampleSet(1), sampleSet(2, { optional: true }))).toHaveLength(2);
    expect(told(sampleSet(1), sampleSet(2, { effort: 0 }))).toHaveLength(2);
    expect(told(sampleSet(1), sampleSet(2, { setUp: { Stance: "wide" } }))).toHaveLength(2);
    const [fifth, first] = [sampleDrop(11, "first", 0.8), sampleDrop(12, "current", 0.8)];
    const other = sampleSet(2, { extensions: [first] });
    expect(told(sampleSet(1, { extensions: [fifth] }), other)).toHaveLength(2);
    expect(told(sampleSet(1), sampleSet(2), sampleSet(3, at(40)), sampleSet(4))).toHaveLength(3);
  });

  it("has a line for each part, whatever ids it has, and a box for each repeat", () => {
    const [sets] = told(
      sampleSet(1, { extensions: [sampleDrop(11, "first", 0.8), pauses(12)] }),
      sampleSet(2, { extensions: [sampleDrop(21, "first", 0.8), pauses(22)] }),
    );
    expect(sets?.numbers).toEqual([1, 2]);
    expect(sets?.lines.map((line) => line.extension?.kind ?? "set")).toEqual([
      "set",
      "drop",
      "restPause",
    ]);
    expect(sets?.lines.map((line) => line.boxes.length)).toEqual([2, 2, 4]);
  });

  it("keeps drops that say the same apart, since each is written down", () => {
    const [sets] = told(
      sampleSet(1, {
        ...at(20),
        extensions: [sampleDrop(11, "first", 0.8), sampleDrop(12, "first", 0.8)],
      }),
    );
    expect(sets?.lines.map((line) => line.boxes.length)).toEqual([1, 1, 1]);
  });

  it("has a line for each try of a trial, which goes up from one to the next", () => {
    const load = { kind: "trial", from: kg(60), steps: count(1), tries: count(3) } as const;
    const [sets] = told(sampleSet(1, { load }));
    const loads = sets?.lines.map(({ step }) => step.load.kind === "made" && step.load.reading);
    expect(loads).toEqual([kg(60), kg(62.5), kg(65)]);
  });

  it("has a box for each leg, and the rest that follows the second", () => {
    const [sets] = told(
      sampleSet(1, { side: { kind: "each", first: "right", matchFirst: false } }),
    );
    expect(sets?.lines[0]?.boxes.map((box) => box.side)).toEqual(["right", "left"]);
    expect(sets?.rest).toEqual(sampleSet(1).restAfter);
  });

  it("has exactly one box for each step of any exercise, in the order of its sets", () => {
    fc.assert(
      fc.property(anySlot, (slot: Slot) => {
        const steps = unrollSlot(slot, context);
        const sheet = sheetOf(slot, steps);
        expect(sheet.flatMap((sets) => sets.numbers)).toEqual(slot.sets.map((_, i) => i + 1));
        const boxes = sheet.flatMap((sets) => sets.lines.flatMap((line) => line.boxes));
        const count = new Set(steps.map((step) => stepKeyText(step.key))).size;
        expect(boxes).toHaveLength(count);
      }),
      { seed: 7, numRuns: atMost(60) },
    );
  });
});
