import { describe, expect, it } from "vitest";
import { amountKg, count, kg, lb, seconds, share } from "../kernel/index.ts";
import type { Loading, Station } from "../gym/index.ts";
import {
  copyPlan,
  readingOf,
  withReading,
  type LoadRule,
  type PlannedSet,
  type SessionPlan,
} from "../plan/index.ts";
import { checkPlan } from "./check.ts";
import type { Strength } from "./load-sources.ts";
import { isSetStep, type SetStep } from "./step.ts";
import { unroll } from "./unroll.ts";
import { type UnrollContext } from "./unroll-context.ts";
import {
  RACK,
  sampleUnrollContext,
  sampleId,
  sampleNewId,
  sampleSet,
  sampleSlot,
  sampleStation,
} from "../../tests/samples/index.ts";

/** A maximum of 120 kg; so many possible reps take 2 % each. */
const STRENGTH: Strength = {
  ofMaximum: (s) => kg(Math.round(120 * s)),
  forReps: (possible) => (possible > 15 ? null : kg(Math.round((120 - possible * 2.4) * 10) / 10)),
};

const planOf = (sets: readonly PlannedSet[]): SessionPlan => ({
  schemaVersion: 2,
  blocks: [{ kind: "exercise", id: sampleId(1), lineageId: sampleId(2), slot: sampleSlot(sets) }],
});

const stepsOf = (
  sets: readonly PlannedSet[],
  known: Partial<Omit<UnrollContext, "station">> = {},
  station: Station = sampleStation(),
): readonly SetStep[] =>
  unroll(planOf(sets), sampleUnrollContext([station], known)).filter(isSetStep);

const loadOf = (load: LoadRule, known: Partial<Omit<UnrollContext, "station">> = {}, over = {}) =>
  stepsOf([sampleSet(1, { load, ...over })], known)[0]?.load;

const massFrom = (
  by: "plus" | "minus",
  amount: number,
  counted: "asRead" | "perSide",
): Extract<LoadRule, { kind: "massFrom" }> => ({
  kind: "massFrom",
  by,
  mass: kg(amount),
  counted,
  basis: { kind: "last" },
});
const reading = (amount: number): LoadRule => ({ kind: "absolute", reading: kg(amount) });

describe("a load by rule", () => {
  it.each<readonly [string, LoadRule, Partial<UnrollContext>, number]>([
    [
      "a share of the estimated maximum",
      { kind: "shareOfMaximum", upTo: null, share: share(0.75) },
      { strength: () => STRENGTH },
      90,
    ],
    ["as last time", { kind: "fromLast", steps: 0 }, { lastReading: () => kg(80) }, 80],
    [
      "a step up from last time",
      { kind: "fromLast", steps: 1 },
      { lastReading: () => kg(80) },
      82.5,
    ],
    [
      "two steps down from last time",
      { kind: "fromLast", steps: -2 },
      { lastReading: () => kg(80) },
      75,
    ],
    // 8–10 reps leaving 2: nine and two are eleven possible; 120 − 11 × 2.4 = 93.6, nearest 92.5.
    ["what the effort allows", { kind: "byEffort" }, { strength: () => STRENGTH }, 92.5],
    [
      "body weight on a bar",
      { kind: "bodyWeight", by: "plus", mass: kg(10) },
      { bodyWeight: kg(80) },
      90,
    ],
    [
      "less than body weight on a bar",
      { kind: "bodyWeight", by: "minus", mass: kg(20) },
      { bodyWeight: kg(80) },
      60,
    ],
    // 120 × 72.5 % is 87.
    [
      "the middle of a range of the maximum",
      { kind: "shareOfMaximum", share: share(0.7), upTo: share(0.75) },
      { strength: () => STRENGTH },
      87.5,
    ],
    // 60 % of 95 is 57.
    [
      "a share of what is usual for ten",
      { kind: "shareOfUsual", share: share(0.6), reps: count(10) },
      { usualTotal: (_, __, reps) => (reps === 10 ? kg(95) : null) },
      57.5,
    ],
    ["5 kg more than last time", massFrom("plus", 5, "asRead"), { lastReading: () => kg(80) }, 85],
    [
      "5 kg a side less than last time",
      massFrom("minus", 5, "perSide"),
      { lastReading: () => kg(80) },
      70,
    ],
    [
      "a 10 a side more than last time",
      { kind: "platesFrom", by: "plus", plates: count(1), size: kg(10), basis: { kind: "last" } },
      { lastReading: () => kg(80) },
      100,
    ],
    // 80 on a bar of 20 are 25 and 5 a side; without the outer one, 25 a side.
    [
      "one plate a side less than last time",
      { kind: "platesFrom", by: "minus", plates: count(1), size: null, basis: { kind: "last" } },
      { lastReading: () => kg(80) },
      70,
    ],
    [
      "the largest plate a side more, where no size is said",
      { kind: "platesFrom", by: "plus", plates: count(1), size: null, basis: { kind: "last" } },
      { lastReading: () => kg(80) },
      130,
    ],
    // 60 of the 80 are plates; half of them and the bar are 50, where half the load would be 40.
    [
      "half the plates of last time",
      { kind: "shareOfPlates", share: share(0.5), basis: { kind: "last" } },
      { lastReading: () => kg(80) },
      50,
    ],
  ])("is %s", (_, rule, known, expected) => {
    const load = loadOf(rule, known);
    expect(load?.kind === "made" && amountKg(load.reading)).toBe(expected);
  });

  it.each<readonly [LoadRule, string]>([
    [{ kind: "shareOfMaximum", upTo: null, share: share(0.75) }, "noEstimate"],
    [{ kind: "byEffort" }, "noEstimate"],
    [{ kind: "fromLast", steps: 1 }, "noLast"],
    [{ kind: "bodyWeight", by: "plus", mass: kg(0) }, "noBodyWeight"],
    [massFrom("plus", 5, "asRead"), "noLast"],
  ])("of %j says why it stays open: %s", (rule, code) => {
    expect(loadOf(rule)).toEqual({ kind: "open", because: { code } });
  });

  it("that goes from another set follows it, on the same equipment alone", () => {
    const [first, second] = [sampleSet(1), sampleSet(2)];
    const from = { kind: "set", set: first.id, part: null } as const;
    const on = (load: LoadRule, station?: Station) =>
      stepsOf(
        [
          { ...first, load: reading(100) },
          { ...second, load },
        ],
        {},
        station,
      ).at(-1)?.load;
    const as = (load: LoadRule) => {
      const made = on(load);
      return made?.kind === "made" ? amountKg(made.reading) : made;
    };
    expect(as({ kind: "sameAsSet", set: first.id, part: null })).toBe(100);
    expect(as({ ...massFrom("minus", 10, "asRead"), basis: from })).toBe(90);
    expect(as({ ...massFrom("minus", 10, "perSide"), basis: from })).toBe(80);
    const half: LoadRule = { kind: "shareOfPlates", share: share(0.5), basis: from };
    expect(as(half)).toBe(60);
    const stack: Loading = {
      kind: "stack",
      unit: "kg",
      pins: [kg(50), kg(100)],
      addOns: [],
      pulleyRatio: 1,
    };
    const why = (load: LoadRule) => on(load, sampleStation(stack));
    expect(why(half)).toEqual({ kind: "open", because: { code: "noPlates" } });
    const aSide = { ...massFrom("minus", 10, "perSide"), basis: from };
    expect(why(aSide)).toEqual({ kind: "open", because: { code: "noSides" } });
    const other = { ...sampleStation(), id: sampleId<"station">(77) };
    const plan = planOf([{ ...first, load: reading(100) }]);
    const there = {
      ...sampleSlot([{ ...second, load: { kind: "sameAsSet", set: first.id, part: null } }]),
      id: sampleId<"slot">(78),
      station: other.id,
    };
    const blocks: SessionPlan["blocks"] = [
      ...plan.blocks,
      { kind: "exercise", id: sampleId(79), lineageId: sampleId(80), slot: there },
    ];
    const context = sampleUnrollContext([sampleStation(), other]);
    const last = unroll({ ...plan, blocks }, context)
      .filter(isSetStep)
      .at(-1);
    expect(last?.load).toEqual({ kind: "open", because: { code: "otherStation" } });
  });

  it("at the bound itself is held by nothing", () => {
    const held = (loadBounds: PlannedSet["loadBounds"]) => {
      const [step] = stepsOf([sampleSet(1, { load: reading(100), loadBounds })]);
      return step?.load.kind === "made" ? step.load.heldFrom : undefined;
    };
    expect(held({ least: kg(100), most: null })).toBeNull();
    expect(held({ least: null, most: kg(100) })).toBeNull();
    expect(held({ least: kg(102.5), most: null })).toEqual(kg(100));
  });

  it("between two shares is not moved out of them, however many plates that would save", () => {
    const after = (from: number, to: number | null) => {
      const load: LoadRule = {
        kind: "shareOfSet",
        set: sampleId(1),
        part: null,
        share: share(from),
        upTo: to === null ? null : share(to),
      };
      const made = stepsOf([sampleSet(1, { load: reading(100) }), sampleSet(2, { load })])[1]?.load;
      return made?.kind === "made" ? amountKg(made.reading) : null;
    };
    // 120 is a ten a side more than 100; 122.5 another small plate, which the usual room of 2.5 % saves.
    expect(after(1.225, null)).toBe(120);
    expect(after(1.19, 1.26)).toBe(120);
    expect(after(1.21, 1.24)).toBe(122.5);
    expect(after(1.225, 1.225)).toBe(122.5);
  });

  it("by effort is refused where the reserve is not said, for time, and beyond fifteen reps", () => {
    const known = { strength: () => STRENGTH };
    const refused = { kind: "open", because: { code: "notForReps" } };
    expect(loadOf({ kind: "byEffort" }, known, { effort: "unknown" })).toEqual(refused);
    const twenty = { kind: "reps", min: count(20), max: count(20) };
    expect(loadOf({ kind: "byEffort" }, known, { target: twenty })).toEqual(refused);
    const held = { kind: "seconds", min: seconds(20), max: seconds(20) } as const;
    expect(loadOf({ kind: "byEffort" }, known, { target: held })).toEqual(refused);
  });

  it("that ends beyond the station stays open", () => {
    const known = { lastReading: () => kg(80) };
    const ended = { kind: "open", because: { code: "stepsEnd" } };
    expect(loadOf({ kind: "fromLast", steps: 500 }, known)).toEqual(ended);
    // The bar is 20 kg: 60 less is the bar, 62.5 less is no bar.
    expect(loadOf(massFrom("minus", 60, "asRead"), known)).toMatchObject({ reading: kg(20) });
    expect(loadOf(massFrom("minus", 62.5, "asRead"), known)).toEqual(ended);
    expect(loadOf(massFrom("plus", 2000, "asRead"), known)).toEqual(ended);
  });

  it("that goes by steps from a set on other equipment says so, and knows a set that is gone", () => {
    const gone: LoadRule = { kind: "stepsFromSet", steps: -1, set: sampleId(99) };
    expect(loadOf(gone)).toEqual({
      kind: "open",
      because: { code: "setMissing", set: sampleId(99) },
    });
  });

  it("of body weight is what is added where the body is moved, and what helps at a counterweight", () => {
    const belt: Loading = {
      kind: "bodyweight",
      unit: "kg",
      movedShare: share(0.9),
      added: [kg(5), kg(10)],
    };
    const on = (loading: Loading, load: LoadRule) =>
      stepsOf([sampleSet(1, { load })], {}, sampleStation(loading))[0]?.load;
    expect(on(belt, { kind: "bodyWeight", by: "plus", mass: kg(10) })).toMatchObject({
      kind: "made",
      reading: kg(10),
    });
    const help: Loading = {
      kind: "assisted",
      unit: "lb",
      movedShare: share(1),
      pins: [lb(20), lb(40)],
    };
    expect(on(help, { kind: "bodyWeight", by: "minus", mass: lb(40) })).toMatchObject({
      kind: "made",
      reading: lb(40),
    });
    expect(on(help, { kind: "bodyWeight", by: "plus", mass: lb(0) })).toMatchObject({
      kind: "impossible",
      why: { reading: lb(0) },
    });
    // A counterweight adds nothing: what is more than the body needs its weight, which nobody said.
    expect(on(help, { kind: "bodyWeight", by: "plus", mass: lb(20) })).toEqual({
      kind: "open",
      because: { code: "noBodyWeight" },
    });
  });
});

describe("a trial", () => {
  const trial: LoadRule = { kind: "trial", from: kg(60), steps: count(2), tries: count(3) };

  it("goes up by its steps, one try after the other, and gives later sets nothing to follow from", () => {
    const steps = stepsOf([
      sampleSet(1, { load: trial, role: "calibration" }),
      sampleSet(2, {
        load: { kind: "shareOfSet", upTo: null, set: sampleId(1), part: null, share: share(0.9) },
      }),
    ]);
    expect(
      steps.slice(0, 3).map((s) => s.load.kind === "made" && amountKg(s.load.reading)),
    ).toEqual([60, 65, 70]);
    expect(steps.slice(0, 3).map((s) => s.repeat)).toEqual(
      [1, 2, 3].map((number) => ({ number, of: 3 })),
    );
    expect(steps[3]?.load).toEqual({ kind: "open", because: { code: "basisOpen" } });
  });

  it("stays within the bounds of its set, and tries what holds it once", () => {
    const tries = (loadBounds: PlannedSet["loadBounds"]) =>
      stepsOf([sampleSet(1, { load: trial, loadBounds })]).map(
        ({ load }) => load.kind === "made" && amountKg(load.reading),
      );
    // 60, 65, 70 by its steps.
    expect(tries({ least: null, most: kg(66) })).toEqual([60, 65]);
    expect(tries({ least: null, most: kg(55) })).toEqual([55]);
    expect(tries({ least: kg(65), most: null })).toEqual([65, 70]);
    expect(tries({ least: kg(200), most: null })).toEqual([200]);
  });

  it("ends where the station does", () => {
    const heavy: LoadRule = { ...trial, from: kg(335) };
    expect(stepsOf([sampleSet(1, { load: heavy })], {}, sampleStation(RACK))).toHaveLength(1);
  });
});

describe("a fallback", () => {
  const rule: LoadRule = { kind: "fallback", reading: kg(100), then: [kg(100), kg(95)] };

  it("goes with the step, and is checked at the station like the load itself", () => {
    const [step] = stepsOf([sampleSet(1, { load: rule })]);
    expect(step?.load).toMatchObject({ reading: kg(100) });
    expect(step?.fallback).toEqual([kg(100), kg(95)]);
    const bad = planOf([sampleSet(1, { load: { ...rule, then: [kg(96)] } })]);
    expect(checkPlan(bad, sampleUnrollContext([sampleStation()]))).toMatchObject([
      { code: "cannotBeMade", blocks: true, reading: kg(96), easier: { reading: kg(95) } },
    ]);
  });

  it("takes another reading and keeps what was decided", () => {
    expect(withReading(rule, kg(105))).toEqual({ ...rule, reading: kg(105) });
    expect(readingOf(rule)).toEqual(kg(100));
    expect(readingOf({ kind: "byEffort" })).toBeNull();
    expect(withReading({ kind: "byEffort" }, kg(105))).toEqual({ kind: "byEffort" });
  });
});

describe("a share of a part of another set", () => {
  const drop = {
    kind: "drop",
    line: sampleId<"line">(7001),
    id: sampleId<"extension">(50),
    lineageId: sampleId<"lineage">(51),
    to: { kind: "share", of: "current", share: share(0.8) },
    target: { kind: "reps", min: count(8), max: count(8) },
    restBefore: 10,
  } as unknown as PlannedSet["extensions"][number];
  const sets = [
    sampleSet(1, { extensions: [drop] }),
    sampleSet(2, {
      load: { kind: "shareOfSet", upTo: null, set: sampleId(1), part: drop.id, share: share(1.25) },
    }),
  ];

  it("is taken of what the part came to", () => {
    const last = stepsOf(sets).at(-1);
    expect(last?.load.kind === "made" && amountKg(last.load.reading)).toBe(100);
    const own = sampleSet(2, {
      load: {
        kind: "shareOfSet",
        upTo: null,
        set: sampleId(1),
        part: sampleId(99),
        share: share(1),
      },
    });
    expect(stepsOf([sets[0] ?? own, own]).at(-1)?.load).toMatchObject({
      because: { code: "setMissing" },
    });
  });

  it("is led to the copy of the part when the plan is copied", () => {
    const copy = stepsOf(
      (copyPlan(planOf(sets), sampleNewId).blocks[0] as { slot: { sets: readonly PlannedSet[] } })
        .slot.sets,
    ).at(-1);
    expect(copy?.load.kind === "made" && amountKg(copy.load.reading)).toBe(100);
  });
});

describe("a load beyond what the estimate allows", () => {
  const at = (reading: number) =>
    checkPlan(
      planOf([sampleSet(1, { load: { kind: "absolute", reading: kg(reading) } })]),
      sampleUnrollContext([sampleStation()], { strength: () => STRENGTH }),
    ).filter((issue) => issue.code === "beyondReach");

  it("is doubted with its numbers, and only when it is well beyond", () => {
    // Eight and two left are ten possible: 96 kg; a tenth more is 105.6.
    expect(at(105)).toEqual([]);
    expect(at(107.5)).toMatchObject([
      { blocks: false, total: kg(107.5), reach: kg(96), possible: 10 },
    ]);
  });
});
