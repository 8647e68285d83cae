import { describe, expect, it } from "vitest";
import { count, kg, lb, seconds, share, type Mass } from "../kernel/index.ts";
import type { Loading } from "../gym/index.ts";
import {
  OPEN_TEMPO,
  USUAL_PROGRESSION,
  withLines,
  type LoadRule,
  type PlannedSet,
  type Slot,
} from "../plan/index.ts";
import { workOf, type ExposedSet, type Exposure } from "../log/index.ts";
import {
  RACK,
  sampleCircumstances,
  sampleContext,
  sampleDrop,
  sampleNewId,
  sampleStation,
  sampleUnrollContext,
  sampleExposed,
  sampleExposure,
  sampleId,
  sampleSet,
  sampleSlot,
} from "../../tests/samples/index.ts";
import { accepted } from "./accept.ts";
import { proposeFor, type SlotCircumstances } from "./propose.ts";

const reps = (min: number, max = min) =>
  ({ kind: "reps", min: count(min), max: count(max) }) as const;
const at = (load: number): LoadRule => ({ kind: "absolute", reading: kg(load) });
const set = (n: number, over: Partial<PlannedSet>) => sampleSet(n, over);

/** What was done of an exercise, set by set, at these loads. */
const trained = (
  slot: Slot,
  done: readonly (readonly [load: number | null, reps: number | null])[],
  over: Partial<Exposure> = {},
): Exposure => {
  const work = slot.sets.filter(({ role }) => role !== "ramp");
  const sets = done.map(([load, n], i): ExposedSet => {
    const planned = work[i]!;
    return sampleExposed(load === null ? null : kg(load), n, 2, {
      ...workOf(planned, i),
      setUp: planned.setUp,
      tempo: planned.tempo,
    });
  });
  return sampleExposure(sets, { planned: work.map(workOf), ...over });
};
const propose = (
  slot: Slot,
  exposures: readonly Exposure[],
  over: Partial<SlotCircumstances> = {},
) => proposeFor(slot, exposures, sampleCircumstances(over));
const moves = (slot: Slot, ...exposures: readonly Exposure[]) =>
  propose(slot, exposures).map(({ move, reading }) => [
    move,
    reading && reading.thousandths / 1000,
  ]);
const codes = (slot: Slot, exposures: readonly Exposure[], over: Partial<SlotCircumstances> = {}) =>
  propose(slot, exposures, over)[0]?.because.map(({ code }) => code);

const flat = (load: number) => [[load, 9] as const, [load, 8] as const];
/** Steady progress up to a load, then five sessions at it. */
const risenTo = (load: number, of: Slot, over: Partial<Exposure> = {}) =>
  Array.from({ length: 15 }, (_, i) => trained(of, flat(load - 2.5 * Math.max(0, 10 - i)), over));

describe("the lines of an exercise, each judged by itself", () => {
  it("raise the top set while its back-offs, a share of it, only follow", () => {
    const slot = withLines(
      sampleSlot([
        set(1, { role: "ramp", load: at(60) }),
        set(2, { role: "top", target: reps(5), load: at(110) }),
        set(3, {
          role: "backOff",
          load: { kind: "shareOfSet", upTo: null, set: sampleId(2), part: null, share: share(0.8) },
        }),
      ]),
    );
    const [top, backOff, ...others] = propose(slot, [
      trained(slot, [
        [110, 5],
        [87.5, 6],
      ]),
    ]);
    expect(top).toMatchObject({ move: "raise", reading: kg(112.5), isDecided: true });
    expect(backOff).toMatchObject({ isDecided: false, because: [{ code: "followsSet" }] });
    expect(others).toEqual([]);
  });

  it("lower a top set that failed twice although its back-offs went well", () => {
    const slot = withLines(
      sampleSlot([
        set(1, { role: "top", target: reps(5), load: at(110) }),
        set(2, { role: "backOff", load: at(90) }),
      ]),
    );
    const day = trained(slot, [
      [110, 3],
      [90, 10],
    ]);
    expect(moves(slot, day, day)).toEqual([
      ["lower", 107.5],
      ["raise", 92.5],
    ]);
  });

  it("hold each step of a pyramid against its own range", () => {
    const slot = withLines(
      sampleSlot([
        set(1, { target: reps(12), load: at(80) }),
        set(2, { target: reps(8), load: at(90) }),
        set(3, { target: reps(5), load: at(100) }),
        set(4, { target: reps(12), load: at(80) }),
      ]),
    );
    const done = trained(slot, [
      [80, 12],
      [90, 8],
      [100, 4],
      [80, 11],
    ]);
    expect(moves(slot, done)).toEqual([
      ["keep", 80],
      ["raise", 92.5],
      ["keep", 100],
    ]);
    expect(propose(slot, [done])[2]?.because[0]).toEqual({
      code: "belowRange",
      isOnlySet: true,
      lowest: 4,
      bottom: 5,
      measure: "reps",
      times: 1,
    });
  });

  it("say of 3 × 15 and 2 × 5 slow what each of them did", () => {
    const slow = { lower: 5, stretch: null, lift: null, squeeze: null };
    const slot = withLines(
      sampleSlot([
        ...[1, 2, 3].map((n) => set(n, { target: reps(15), load: at(60) })),
        ...[4, 5].map((n) => set(n, { target: reps(5), load: at(60), tempo: slow })),
      ]),
    );
    const done = [15, 15, 15, 5, 4].map((n) => [60, n] as const);
    const [plain, slowly] = propose(slot, [trained(slot, done)]);
    expect(plain?.because[0]).toMatchObject({ code: "allAtTop", sets: 3, top: 15 });
    expect(slowly).toMatchObject({ move: "keep" });
  });

  it("do without a decision where the load is worked out on the day", () => {
    const slot = sampleSlot([set(1, { load: { kind: "byEffort" } })]);
    expect(propose(slot, [trained(slot, [[100, 10]])])).toMatchObject([
      { isDecided: false, reading: null, because: [{ code: "workedOutOnTheDay" }] },
    ]);
  });

  it("are compared with sessions that were planned apart by role and range", () => {
    const slot = sampleSlot([set(1, {}), set(2, {})]);
    const apart = sampleSlot(slot.sets.map((s) => ({ ...s, line: sampleId<"line">(99) })));
    const elsewhere = { context: sampleContext({ lineageId: sampleId(702) }) };
    const today = trained(slot, flat(100));
    expect(codes(slot, [...risenTo(100, apart, elsewhere), today])).toContain("stalled");
  });
});

describe("a drop with a load of its own", () => {
  const drop = {
    ...sampleDrop(11, "first", 0.8),
    to: { kind: "reading", reading: kg(40) },
    target: reps(10),
  } as PlannedSet["extensions"][number];
  const slot = withLines(
    sampleSlot([set(1, { target: reps(8), load: at(80), extensions: [drop] })], {
      progression: USUAL_PROGRESSION,
    }),
  );
  const line = drop.kind === "drop" ? drop.line : null;
  const done = (n: number, dropped: number) => {
    const exposure = trained(slot, [[80, n]]);
    return {
      ...exposure,
      sets: exposure.sets.map((one) => ({
        ...one,
        demand: { least: 8, most: 8 },
        bursts: [
          {
            kind: "drop" as const,
            line,
            reading: kg(40),
            reps: count(dropped),
            demand: { least: 10, most: 10 },
          },
        ],
      })),
    };
  };

  it("is judged by itself, and neither holds its set nor is held by it", () => {
    expect(moves(slot, done(8, 9))).toEqual([
      ["raise", 82.5],
      ["keep", 40],
    ]);
    expect(moves(slot, done(7, 10))).toEqual([
      ["keep", 80],
      ["raise", 42.5],
    ]);
  });

  it("is written where it stands once it is accepted", () => {
    const [, own] = propose(slot, [done(7, 10)]);
    const next = accepted(
      slot,
      new Map([[own!.line, own!]]),
      sampleUnrollContext([sampleStation(RACK)]),
      sampleNewId,
    );
    expect(next.sets[0]?.extensions[0]).toMatchObject({ to: { reading: kg(42.5) } });
    expect(next.sets[0]?.load).toEqual(at(80));
  });
});

describe("what is asked can be stored", () => {
  it("slows no phase beyond what a tempo can hold", () => {
    const slow = { kind: "constraintFirst", what: "lower", min: seconds(2) } as const;
    const slot = (lower: number) =>
      sampleSlot([set(1, { target: reps(8), tempo: { ...OPEN_TEMPO, lower } })], {
        progression: { ...slow, max: seconds(60), by: seconds(5) },
      });
    const next = (lower: number) => propose(slot(lower), [trained(slot(lower), [[100, 8]])])[0];
    expect(next(28)).toMatchObject({ changes: [{ kind: "tempo", from: 28, to: 30 }] });
    expect(next(30)).toMatchObject({
      reading: kg(102.5),
      changes: [{ kind: "tempo", from: 30, to: 2 }],
    });
  });

  it("goes back to no hold shorter than one at the end of a set can be", () => {
    const hold = {
      kind: "endHold",
      id: sampleId<"extension">(31),
      lineageId: sampleId<"lineage">(32),
      at: { kind: "stretched" },
      seconds: seconds(5),
    } as const;
    const slot = sampleSlot([set(1, { target: reps(8), extensions: [hold] })], {
      progression: {
        kind: "constraintFirst",
        what: "hold",
        min: seconds(0.1),
        max: seconds(5),
        by: seconds(1),
      },
    });
    expect(propose(slot, [trained(slot, [[100, 8]])])[0]).toMatchObject({
      reading: kg(102.5),
      changes: [{ kind: "hold", from: 5, to: 1 }],
    });
  });

  it("adds no set beyond what an exercise can have", () => {
    const full = sampleSlot(Array.from({ length: 60 }, (_, i) => set(i + 1, {})));
    const line = full.sets[0]!.line;
    const more = { reading: kg(100), changes: [{ kind: "sets", from: 60, to: 61 } as const] };
    const here = sampleUnrollContext([sampleStation(RACK)]);
    expect(accepted(full, new Map([[line, more]]), here, sampleNewId).sets).toHaveLength(60);
  });
});

describe("what a comparison allows to conclude", () => {
  const slot = sampleSlot([set(1, {}), set(2, {})]);
  const rested = (rest: number, n: number) =>
    trained(slot, [[100, n] as const, [100, n] as const], {
      context: sampleContext({ restSeconds: seconds(rest) }),
    });

  it("asks before it raises what was reached under easier conditions", () => {
    const [proposal] = propose(slot, [rested(120, 10), rested(240, 10)]);
    expect(proposal).toMatchObject({ move: "raise", confidence: "medium", mustRule: true });
    expect(proposal?.because).toContainEqual(expect.objectContaining({ code: "easierConditions" }));
  });

  it("does not lower after a second session below the range under harder conditions", () => {
    const [proposal] = propose(slot, [rested(240, 6), rested(120, 6)]);
    expect(proposal).toMatchObject({ move: "keep" });
    expect(proposal?.because).toContainEqual(expect.objectContaining({ code: "harderConditions" }));
  });

  it("says of a session below the range that its series broke, and asks", () => {
    const moved = trained(slot, [[100, 6] as const, [100, 6] as const], {
      context: sampleContext({ setUp: { Stance: "wide" } }),
    });
    const before = trained(slot, [[100, 10] as const, [100, 10] as const], {
      context: sampleContext({ setUp: { Stance: "narrow" } }),
    });
    const [proposal] = propose(slot, [before, moved]);
    expect(proposal?.because.map(({ code }) => code)).toEqual(["belowRange", "notComparable"]);
    expect(proposal?.mustRule).toBe(true);
  });

  it("compares set-ups that single sets were written with", () => {
    const high = sampleSlot(slot.sets.map((s) => ({ ...s, setUp: { "Foot height": "high" } })));
    const low = sampleSlot(slot.sets.map((s) => ({ ...s, setUp: { "Foot height": "low" } })));
    const today = trained(low, flat(100));
    expect(codes(low, [...risenTo(100, high), today])).not.toContain("stalled");
    expect(codes(low, [...risenTo(100, high), today])).toContain("notComparable");
    expect(codes(low, [...risenTo(100, low), today])).toContain("stalled");
  });

  it("compares with the session shortly before that was under the same conditions", () => {
    const between = [rested(120, 9), rested(240, 10), rested(120, 10)];
    expect(propose(slot, between)[0]).toMatchObject({ move: "raise", confidence: "high" });
    // Long ago is no comparison.
    const longAgo = [rested(240, 9), ...[1, 2, 3, 4].map(() => rested(120, 9)), rested(240, 10)];
    expect(propose(slot, longAgo)[0]).toMatchObject({ move: "raise", mustRule: true });
    expect(codes(slot, longAgo)).toContain("easierConditions");
  });

  it("is less sure, and asks nothing, where something is not known that the others say", () => {
    const worn = (gear: readonly [] | null, n: number) =>
      trained(slot, [[100, n] as const, [100, n] as const], { context: sampleContext({ gear }) });
    const [proposal] = propose(slot, [worn([], 9), worn([], 9), worn(null, 10)]);
    expect(proposal).toMatchObject({ move: "raise", confidence: "medium", mustRule: false });
    expect(proposal?.because).toContainEqual({ code: "unknownConditions", conditions: ["gear"] });
  });

  it("says that a series drifted from where it began, and takes no stall from it", () => {
    const sessions = Array.from({ length: 26 }, (_, i) => rested(120 - i, 9));
    expect(codes(slot, sessions.slice(0, 25))).toContain("stalled");
    expect(codes(slot, sessions)).toContain("drifted");
    expect(codes(slot, sessions)).not.toContain("stalled");
  });

  it("takes no stall, and no end of one, from a set-up that was harder once", () => {
    const depth = { name: "Depth", choices: ["a", "b"], usual: "a", rising: ["a", "b"] };
    const at = (choice: string, load: number, n: number, i: number) =>
      trained(slot, [[load, n] as const, [load, n] as const], {
        sessionLogId: sampleId(600 + i),
        context: sampleContext({ setUp: { Depth: choice } }),
      });
    const flat = Array.from({ length: 15 }, (_, i) => at("a", 75 + 2.5 * Math.min(i, 9), 9, i));
    const deep = at("b", 97.5, 7, 15);
    const known = { parameters: [depth] };
    expect(codes(slot, flat, known)).toContain("stalled");
    expect(codes(slot, [...flat, deep], known)).toEqual([
      "stalled",
      "belowRange",
      "nearlyThere",
      "harderConditions",
    ]);
  });

  it("doubts a session that fell from 15 reps to 7 at one load", () => {
    const long = sampleSlot([set(1, { target: reps(6, 16) })]);
    const [proposal] = propose(long, [trained(long, [[100, 15]]), trained(long, [[100, 7]])]);
    expect(proposal).toMatchObject({ move: "keep", mustRule: true });
    expect(proposal?.confidence).not.toBe("high");
    expect(proposal?.because).toContainEqual({
      code: "fellBack",
      measure: "reps",
      before: 15,
      now: 7,
      reading: kg(100),
    });
    // A fifth less is the least that is a fall.
    expect(codes(long, [trained(long, [[100, 15]]), trained(long, [[100, 12]])])).toContain(
      "fellBack",
    );
    expect(codes(long, [trained(long, [[100, 15]]), trained(long, [[100, 13]])])).not.toContain(
      "fellBack",
    );
  });

  it("takes fewer sets than last time for no fall", () => {
    const three = sampleSlot([1, 2, 3].map((n) => set(n, { target: reps(8, 12) })));
    const nines = (sets: number) =>
      trained(
        three,
        Array.from({ length: sets }, () => [100, 9] as const),
      );
    const found = (...sets: readonly number[]) => codes(three, sets.map(nines));
    expect(found(3, 2)).toContain("setsMissing");
    expect(found(3, 2)).not.toContain("fellBack");
  });

  it("leaves a session of which no count is known to the coach", () => {
    const unknown: readonly (readonly [number, number | null])[] = [
      [100, null],
      [100, null],
    ];
    expect(propose(slot, [trained(slot, unknown)])).toMatchObject([
      {
        move: "keep",
        reading: kg(100),
        confidence: "low",
        mustRule: true,
        because: [{ code: "firstExposure" }, { code: "unknownReps", sets: 2 }],
      },
    ]);
  });

  it("doubts a set whose load nobody read", () => {
    const [proposal] = propose(slot, [
      trained(slot, [
        [100, 10],
        [null, 10],
      ]),
    ]);
    expect(proposal).toMatchObject({ move: "keep", mustRule: true });
    expect(proposal?.because).toContainEqual({ code: "unknownReading", sets: 1 });
  });
});

describe("a step as a share of the load moved", () => {
  const belt: Loading = {
    kind: "bodyweight",
    unit: "kg",
    movedShare: 1,
    added: [0, 2.5, 5, 7.5, 10].map(kg),
  };
  const sled: Loading = { ...RACK, kind: "plateMachine", carriage: null, points: 2 } as Loading;
  const shareAt = (loading: Loading, load: number, bodyWeight: Mass | null) => {
    const slot = sampleSlot([set(1, { load: at(load) })]);
    const [proposal] = propose(slot, [trained(slot, [[load, 10]], { loading })], {
      loading,
      bodyWeight,
    });
    return {
      asks: proposal?.mustRule,
      share: proposal?.because.flatMap((r) => (r.code === "smallestStep" ? [r.stepShare] : []))[0],
    };
  };

  it("counts the body where it moves: 5 to 7.5 kg on the belt is 3 % of 85 kg", () => {
    expect(shareAt(belt, 5, kg(80))).toEqual({ asks: false, share: 2.5 / 85 });
    expect(shareAt(belt, 0, kg(80))).toEqual({ asks: false, share: 2.5 / 80 });
  });

  it("is unknown where a sled, or the body, was not weighed", () => {
    expect(shareAt(sled, 20, null)).toEqual({ asks: false, share: null });
    expect(shareAt(belt, 5, null)).toEqual({ asks: false, share: null });
  });
});

describe("equipment that changed since", () => {
  const each: Loading = {
    kind: "dumbbells",
    unit: "kg",
    counted: "each",
    present: [10, 15, 20, 25].map(kg),
  };
  const slot = sampleSlot([set(1, { load: at(20) })]);

  it("is compared by the total, never by the bare reading", () => {
    const pair: Loading = { ...each, counted: "pair", present: [20, 30, 40, 50].map(kg) };
    const [proposal] = propose(slot, [trained(slot, [[20, 9]], { loading: each })], {
      loading: pair,
    });
    expect(proposal).toMatchObject({ move: "keep", reading: kg(40), mustRule: true });
    expect(proposal?.because[0]).toEqual({
      code: "readingChanged",
      from: kg(20),
      to: kg(40),
    });
  });

  it("keeps nothing that cannot be made any more, but the nearest below", () => {
    const sold: Loading = { ...each, present: [10, 15, 25].map(kg) };
    const [proposal] = propose(slot, [trained(slot, [[20, 9]], { loading: each })], {
      loading: sold,
    });
    expect(proposal).toMatchObject({ move: "keep", reading: kg(15), mustRule: true });
    expect(proposal?.because[0]).toEqual({ code: "cannotBeMadeNow", reading: kg(20) });
  });

  it("says so where totals are unknown and readings mean something else", () => {
    const band: Loading = { kind: "band", unit: "lb", bands: [{ name: "red", tension: lb(30) }] };
    const [proposal] = propose(slot, [trained(slot, [[20, 9]], { loading: each })], {
      loading: band,
    });
    expect(proposal).toMatchObject({ reading: null, mustRule: true });
  });
});
