import { describe, expect, it } from "vitest";
import { count, kg, lb, seconds, share, type Fault } from "../kernel/index.ts";
import type { Loading } from "../gym/index.ts";
import { beginningOf, ruleOfKind, type ProgressionRule } from "../plan/index.ts";
import { UNSAID_CONDITIONS, UNSAID_OBSERVATIONS } from "../log/index.ts";
import { RACK } from "../../tests/samples/index.ts";
import { DENSITY, proposed, SLOWER, slotBy } from "../../tests/samples/proposed.ts";
import { trainedAs, trainedOr, trainedSlot } from "../../tests/samples/trained.ts";

const TAPER: ProgressionRule = {
  kind: "taper",
  min: count(4),
  max: count(8),
  by: count(2),
  steps: count(2),
  lighter: share(0.8),
};

const rested = (restSeconds: number) => ({
  conditions: { ...UNSAID_CONDITIONS, restBefore: seconds(restSeconds) },
});

describe("rules that count repetitions", () => {
  it.each([TAPER, { kind: "limitSets", every: count(1) } as const])(
    "say so where seconds or steps are asked: $kind",
    (rule) => {
      for (const line of ["3 x 30-40 s at 100", "3 x 20 steps at 100"]) {
        const slot = slotBy(line, rule);
        const { move, codes, mustRule } = proposed(slot, [trainedAs(slot, "40 40 40")]);
        expect([line, move, codes, mustRule]).toEqual([
          line,
          "keep",
          ["needsReps", "firstExposure"],
          true,
        ]);
      }
    },
  );

  it("add up full repetitions, and no partial or forced ones", () => {
    const rule = { kind: "totalReps", goal: count(20) } as const;
    const slot = slotBy("10 at 100 then partials stretched for 10", rule);
    const { codes, because } = proposed(slot, [trainedAs(slot, "10+10")]);
    expect(codes).toContain("totalToGain");
    expect(because[0]).toMatchObject({ total: 10, measure: "reps" });
  });
});

describe("the taper", () => {
  it("judges its step by the repetitions that it asks for, not by those that were", () => {
    // 8 with one left at 50 kg come to 5.1 at 52.5 with the two asked left: too few for 8, enough for 6.
    const slot = slotBy("3 x 8 at 50", { ...TAPER, steps: count(1) });
    const { reading, mustRule } = proposed(slot, [trainedAs(slot, "8 8 8", { rir: 1 })]);
    expect([reading, mustRule]).toEqual([kg(52.5), false]);
    const same = slotBy("3 x 8 at 50", { kind: "smallestStep", after: count(1) });
    expect(proposed(same, [trainedAs(same, "8 8 8", { rir: 1 })]).mustRule).toBe(true);
  });

  it("tests in a week for testing, reached or not", () => {
    const week = { number: 4, sinceLighter: 3 };
    const weeks = {
      trained: { ...week, kind: "normal" },
      next: { ...week, kind: "test" },
    } as const;
    const slot = slotBy("3 x 8 at 100", TAPER);
    const test = { kind: "target", to: { kind: "limit", atLeast: 8 } };
    expect(proposed(slot, [trainedAs(slot, "8 8 8")], { weeks })).toMatchObject({
      reading: kg(105),
      changes: [test, { kind: "sets", to: 1 }],
    });
    expect(proposed(slot, [trainedAs(slot, "8 8 7")], { weeks })).toMatchObject({
      reading: kg(100),
      changes: [test, { kind: "sets", to: 1 }],
    });
    const seen = (faults: readonly Fault[], week: number) =>
      trainedAs(
        slot,
        "8 8 8",
        {
          observed: {
            ...UNSAID_OBSERVATIONS,
            faults: faults.map((fault) => ({ fault, fromRep: null })),
          },
        },
        { week },
      );
    // A new fault comes first.
    const faulty = proposed(slot, [seen([], 0), seen(["bounce"], 1)], { weeks });
    expect([faulty.reading, faulty.changes]).toEqual([kg(100), []]);
    const clean = proposed(slot, [seen([], 0), seen([], 1)], { weeks });
    expect(clean.codes).toContain("taperTest");
  });
});

describe("a fixed step a side", () => {
  const rule = { kind: "fixedIncrement", by: kg(5), counted: "perSide", after: count(1) } as const;
  const why = (loading: Loading) => {
    const slot = slotBy("2 x 8 at 100", rule);
    const { because, reading } = proposed(slot, [trainedAs(slot, "8 8", {}, { loading })], {
      loading,
    });
    return [reading, because.find(({ code }) => code === "ownStep")];
  };

  it("is exact where both sides take it, and not where only one side's worth fits", () => {
    expect(why(RACK)).toMatchObject([kg(110), { isExact: true, isPerSide: true }]);
    const coarse = {
      ...RACK,
      plates: [
        { size: kg(20), count: 6 },
        { size: kg(2.5), count: 2 },
      ],
    } as Loading;
    expect(why(coarse)).toMatchObject([kg(105), { isExact: false }]);
  });

  it("begins with a plate of the equipment's own unit", () => {
    const begun = (unit: "kg" | "lb") => ruleOfKind("fixedIncrement", beginningOf([], unit));
    expect(begun("kg")).toMatchObject({ by: kg(2.5) });
    expect(begun("lb")).toMatchObject({ by: lb(5) });
  });
});

describe("less rest", () => {
  const at = (rest: number) => slotBy(`3 x 8 at 100 rest ${rest}`, DENSITY);

  it("waits while the rest was longer than set", () => {
    const slot = at(90);
    expect(proposed(slot, [trainedAs(slot, "8 8 8", rested(95))]).changes).toEqual([
      { kind: "rest", from: 90, to: 75 },
    ]);
    const late = proposed(slot, [trainedAs(slot, "8 8 8", rested(150))]);
    expect([late.move, late.changes, late.codes]).toContainEqual([]);
    expect(late.codes).toContain("restLonger");
  });

  it("takes its own longer rest with the next load for no easier conditions", () => {
    const [short, long] = [at(45), at(120)];
    const before = trainedAs(short, "8 8 8", rested(45), { context: { restSeconds: seconds(45) } });
    const after = trainedAs(long, "8 8 8", rested(120), {
      week: 1,
      context: { restSeconds: seconds(120) },
    });
    const { codes, mustRule } = proposed(long, [before, after]);
    expect([codes, mustRule]).toEqual([["allAtTop", "lessRest"], false]);
  });

  it("sees no stall in sessions that each had less rest", () => {
    const sessions = Array.from({ length: 24 }, (_, week) => {
      const rest = 100 - week;
      const slot = at(rest);
      const reps = week < 12 ? 5 + Math.floor(week / 4) : 7;
      return trainedAs(
        slot,
        `${reps} ${reps} ${reps}`,
        {},
        { week, context: { restSeconds: seconds(rest) } },
      );
    });
    expect(proposed(at(77), sessions).codes).not.toContain("stalled");
  });

  it("calls its own steps no drift", () => {
    const sessions = [120, 105, 90].map((rest, week) =>
      trainedAs(at(rest), "8 8 8", {}, { week, context: { restSeconds: seconds(rest) } }),
    );
    expect(proposed(at(90), sessions)).toMatchObject({
      codes: ["allAtTop", "lessRest"],
      confidence: "high",
    });
  });

  it("says that a superset's rests are not its own", () => {
    const slot = at(90);
    // The other member's set lies within the rest, so that it is longer than the set's own.
    const { codes, mustRule } = proposed(slot, [trainedAs(slot, "8 8 8", rested(240))], {
      isRestShared: true,
    });
    expect([codes.includes("restShared"), mustRule]).toEqual([true, true]);
  });
});

describe("stricter first", () => {
  it("waits while the lowering was faster than asked", () => {
    const slot = slotBy("2 x 8 at 60 lower 4", SLOWER);
    const fast = { tempo: { lower: 2, stretch: null, lift: null, squeeze: null } } as const;
    const loose = trainedOr(
      trainedSlot(slot, (_, i) => ({
        amount: 8,
        conditions: { ...UNSAID_CONDITIONS, ...(i === 1 ? fast : {}) },
      })),
    );
    expect(proposed(slot, [loose])).toMatchObject({ move: "keep", changes: [] });
    expect(proposed(slot, [loose]).codes).toContain("notStrict");
    expect(proposed(slot, [trainedAs(slot, "8 8")]).changes).toEqual([
      { kind: "tempo", phase: "lower", from: 4, to: 5 },
    ]);
  });

  it("waits while the hold was cut short", () => {
    const rule = { ...SLOWER, what: "hold", max: seconds(40), by: seconds(5) } as const;
    const slot = slotBy("8 at 60 then hold 20s stretched", rule);
    const held = (s: number) =>
      proposed(slot, [
        trainedAs(slot, "8+20", { observed: { ...UNSAID_OBSERVATIONS, held: seconds(s) } }),
      ]);
    expect(held(12).codes).toContain("notStrict");
    expect(held(20).changes).toEqual([{ kind: "hold", from: 20, to: 25 }]);
  });
});
