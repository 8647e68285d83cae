import { describe, expect, it } from "vitest";
import { count, kg, seconds, share, type Mass } from "../kernel/index.ts";
import type { Loading } from "../gym/index.ts";
import { linesOf, type Slot } from "../plan/index.ts";
import { writeLine } from "../plan/notation/index.ts";
import {
  NOTATION,
  RACK,
  sampleNewId,
  sampleStation,
  sampleUnrollContext,
  STACK,
} from "../../tests/samples/index.ts";
import { writtenSlot } from "../../tests/samples/trained.ts";
import type { CellEdit } from "./cell-edit.ts";
import { layered, rirPlus } from "./layers.ts";
import { usualWeek, type PhaseWeek } from "./phase-week.ts";

const NORMAL = usualWeek("normal");
const LIGHTER = usualWeek("lighter");

/** The written line of each layer; `edits` are of the exercise's line at a place. */
function layers(
  slot: Slot,
  week: PhaseWeek,
  edits: readonly (readonly [number, CellEdit])[] = [],
  loading: Loading = RACK,
) {
  const lines = linesOf(slot);
  const changes = edits.flatMap(([at, edit]) => {
    const line = lines[at];
    return line === undefined ? [] : [{ line: line.id, edit }];
  });
  const context = sampleUnrollContext([sampleStation(loading)]);
  const made = layered(slot, week, changes, context, sampleNewId);
  const written = (own: Slot | null) => own && writeLine(own.sets, NOTATION);
  return { week: written(made.inWeek), coach: written(made.final) };
}

describe("a week", () => {
  it("leaves a line as it is where it is plain", () => {
    const slot = writtenSlot("3 x 8 at 100");
    const context = sampleUnrollContext([sampleStation()]);
    expect(layered(slot, NORMAL, [], context, sampleNewId)).toEqual({
      inWeek: slot,
      final: slot,
    });
  });

  it.each([
    ["3 x 8 at 100", LIGHTER, "8 at 90 kg RIR 4"],
    ["4 x 8 at 100", LIGHTER, "2 x 8 at 90 kg RIR 4"],
    // No harder than the share: 0.9 of 102.5 is 92.25.
    ["4 x 8 at 102.5", LIGHTER, "2 x 8 at 90 kg RIR 4"],
    ["2 x 8 at 100 RIR 1-2", { ...NORMAL, effort: 2 }, "2 x 8 at 100 kg RIR 3-4"],
    // A set of a normal week stays a hard one, at four; of a lighter one at five. Ends that meet are one number.
    ["2 x 8 at 100 RIR 3", { ...NORMAL, effort: 2 }, "2 x 8 at 100 kg RIR 4"],
    ["2 x 8 at 100 RIR 5", { ...NORMAL, effort: 2 }, "2 x 8 at 100 kg RIR 5"],
    ["2 x 8 at 100 RIR 3-4", { ...NORMAL, effort: 2 }, "2 x 8 at 100 kg RIR 4"],
    ["2 x 8 at 100 RIR 4", { ...LIGHTER, sets: 0 }, "2 x 8 at 90 kg RIR 5"],
    ["2 x 8 at 100 RIR 1", { ...NORMAL, effort: -2 }, "2 x 8 at 100 kg RIR 0"],
    ["2 x 8 at 100", { ...NORMAL, sets: 2 }, "4 x 8 at 100 kg"],
    ["2 x 8 at 100", { ...NORMAL, sets: -5 }, "8 at 100 kg"],
    // Preparation stays; what follows another set follows.
    [
      "warm-up 8 at 60; 5 at 120; 3 x 8 at 80% of set 2",
      LIGHTER,
      "warm-up 8 at 60 kg; 5 at 107.5 kg RIR 4; 8 at 80% of set 2 RIR 4",
    ],
  ] as const)("makes %s into %s", (line, week, expected) => {
    expect(layers(writtenSlot(line), week as PhaseWeek).week).toBe(expected);
  });

  it("goes down on a stack in its own steps, and stays where one is more than twice as far as asked", () => {
    const slot = writtenSlot("3 x 12 at 65 lb");
    expect(layers(slot, LIGHTER, [], STACK).week).toBe("12 at 65 lb RIR 4");
    const further = { ...LIGHTER, load: share(0.85) };
    expect(layers(slot, further, [], STACK).week).toBe("12 at 50 lb RIR 4");
  });

  it("takes the load of a drop that has its own along, but not of one that follows", () => {
    const own = writtenSlot("3 x 8 at 100 then drop to 80 kg for 6");
    expect(layers(own, LIGHTER).week).toBe("8 at 90 kg RIR 4 then drop to 70 kg for 6");
    const follows = writtenSlot("3 x 8 at 100 then drop to 80% of first for 6");
    expect(layers(follows, LIGHTER).week).toBe("8 at 90 kg RIR 4 then drop to 80% of first for 6");
  });
});

describe("a lighter week on awkward equipment", () => {
  const BELT: Loading = {
    kind: "bodyweight",
    unit: "kg",
    movedShare: share(0.8),
    added: [0, 5, 10, 20].map(kg),
  };
  const SLED: Loading = {
    kind: "plateMachine",
    unit: "kg",
    carriage: null,
    points: 2,
    plates: [20, 10, 5].map((size) => ({ size: kg(size), count: 8 })),
  } as never;
  const ASSIST: Loading = {
    kind: "assisted",
    unit: "kg",
    movedShare: share(1),
    pins: [10, 20, 30, 40].map(kg),
  } as never;
  const load = (line: string, loading: Loading, bodyWeight: Mass | null) => {
    const context = sampleUnrollContext([sampleStation(loading)], { bodyWeight });
    const { final } = layered(writtenSlot(line), LIGHTER, [], context, sampleNewId);
    return final?.sets[0]?.load;
  };
  it.each([
    // 64 + 20 = 84 are moved; nine tenths are 75.6, so 11.6 on the belt: 10.
    ["3 x 8 at 20", BELT, kg(80), { kind: "absolute", reading: kg(10) }],
    // Nothing is known of what is moved, or nothing lighter is made: the load stays, sets and RIR change.
    ["3 x 8 at 20", BELT, null, { kind: "absolute", reading: kg(20) }],
    ["3 x 8 at 0", BELT, kg(80), { kind: "absolute", reading: kg(0) }],
    // A sled of unknown weight: nine tenths of the plates, 90 of 100.
    ["3 x 8 at 100", SLED, kg(80), { kind: "absolute", reading: kg(90) }],
    // 80 less 20 are moved; nine tenths are 54, so 26 are carried: 30, no harder than that.
    ["3 x 8 at 20", ASSIST, kg(80), { kind: "absolute", reading: kg(30) }],
    ["3 x 8", RACK, null, { kind: "open" }],
  ] as const)("%s", (line, loading, bodyWeight, expected) => {
    expect(load(line, loading, bodyWeight)).toEqual(expected);
  });
});

describe("the coach's changes", () => {
  const slot = writtenSlot("5 at 120 RIR 1; 3 x 8 at 100");
  it.each([
    [{ kind: "load", reading: kg(125) }, "5 at 125 kg RIR 1; 3 x 8 at 100 kg"],
    [{ kind: "loadBy", share: share(0.95) }, "5 at 115 kg RIR 1; 3 x 8 at 100 kg"],
    [{ kind: "sets", to: count(2) }, "2 x 5 at 120 kg RIR 1; 3 x 8 at 100 kg"],
    [{ kind: "setsBy", by: -1 }, "5 at 120 kg RIR 1; 3 x 8 at 100 kg"],
    [
      { kind: "target", to: { kind: "reps", min: count(3), max: count(3) } },
      "3 at 120 kg RIR 1; 3 x 8 at 100 kg",
    ],
    [{ kind: "effort", to: 3 }, "5 at 120 kg RIR 3; 3 x 8 at 100 kg"],
    [{ kind: "rest", to: seconds(300) }, "5 at 120 kg RIR 1 rest 5:00; 3 x 8 at 100 kg"],
    [{ kind: "leftOut" }, "3 x 8 at 100 kg"],
  ] as const)("%o", (edit, expected) => {
    expect(layers(slot, NORMAL, [[0, edit]]).coach).toBe(expected);
  });

  it("come after the week: a share of its load, a set on top of its sets", () => {
    const edits = [
      [1, { kind: "loadBy", share: share(0.9) }],
      [1, { kind: "setsBy", by: 1 }],
    ] as const;
    expect(layers(slot, LIGHTER, edits).coach).toBe("5 at 107.5 kg RIR 3; 2 x 8 at 80 kg RIR 4");
  });

  it("give a load of its own to a line that follows another, for this week", () => {
    const from = writtenSlot("5 at 120 RIR 1; 3 x 8 at 80% of set 1");
    const own = layers(from, NORMAL, [[1, { kind: "load", reading: kg(100) }]]).coach;
    expect(own).toBe("5 at 120 kg RIR 1; 3 x 8 at 100 kg");
    const less = layers(from, NORMAL, [[1, { kind: "loadBy", share: share(0.9) }]]).coach;
    expect(less).toBe("5 at 120 kg RIR 1; 3 x 8 at 85 kg");
  });

  it("leave the load of a set that goes from one that is left out", () => {
    const from = writtenSlot("5 at 120 RIR 1; 3 x 8 at 80% of set 1");
    expect(layers(from, NORMAL, [[0, { kind: "leftOut" }]]).coach).toBe("3 x 8 at 95 kg");
  });

  it("leave nothing of an exercise whose every line is left out", () => {
    const out = { kind: "leftOut" } as const;
    const ramped = writtenSlot("warm-up 8 at 60; 5 at 120");
    expect(layers(ramped, NORMAL, [[1, out]]).coach).toBeNull();
  });

  it("do nothing to a line that is gone", () => {
    expect(layers(slot, NORMAL, [[7, { kind: "leftOut" }]]).coach).toBe(
      "5 at 120 kg RIR 1; 3 x 8 at 100 kg",
    );
  });

  it("make no load that the equipment does not have out of a share", () => {
    const own = writtenSlot("3 x 12 at 50 lb");
    const made = layers(own, NORMAL, [[0, { kind: "loadBy", share: share(1.1) }]], STACK).coach;
    expect(made).toBe("3 x 12 at 50 lb");
    const more = layers(own, NORMAL, [[0, { kind: "loadBy", share: share(1.2) }]], STACK).coach;
    expect(more).toBe("3 x 12 at 65 lb");
  });
});

describe("reps in reserve", () => {
  it.each([
    [2, 2, 4],
    [4, 2, 5],
    [1, -2, 0],
    [0.5, 1, 1.5],
    ["more", 2, "more"],
    ["unknown", 2, "unknown"],
    ["past", 1, "past"],
  ] as const)("%s and %i more is %s", (rir, by, expected) => {
    expect(rirPlus(rir, by)).toBe(expected);
  });
});
