import { describe, expect, it } from "vitest";
import { count, kg, lb, seconds, share } from "../kernel/index.ts";
import type { Loading } from "../gym/index.ts";
import { beginningOf, ruleOfKind, type ProgressionRule, type Slot } from "../plan/index.ts";
import { UNSAID_CONDITIONS, UNSAID_OBSERVATIONS, type Exposure } from "../log/index.ts";
import { RACK, sampleCircumstances } from "../../tests/samples/index.ts";
import { trainedAs, trainedOr, trainedSlot, writtenSlot } from "../../tests/samples/trained.ts";
import { keep, shownMark } from "./proposal.ts";
import { proposeFor, type SlotCircumstances } from "./propose.ts";

const TAPER: ProgressionRule = {
  kind: "taper",
  min: count(4),
  max: count(8),
  by: count(2),
  steps: count(2),
  lighter: share(0.8),
};
const DENSITY: ProgressionRule = {
  kind: "density",
  min: seconds(45),
  max: seconds(120),
  by: seconds(15),
};
const SLOWER: ProgressionRule = {
  kind: "constraintFirst",
  what: "lower",
  min: seconds(2),
  max: seconds(5),
  by: seconds(1),
};

const slotBy = (line: string, progression: ProgressionRule) => writtenSlot(line, { progression });
const proposed = (
  slot: Slot,
  exposures: readonly Exposure[],
  over: Partial<SlotCircumstances> = {},
) => {
  const [own] = proposeFor(slot, exposures, sampleCircumstances(over));
  if (own === undefined) throw new Error("nothing was proposed");
  return { ...own, codes: own.because.map(({ code }) => code) };
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

  it("says that a superset's rests are not its own", () => {
    const slot = at(90);
    const { codes, mustRule } = proposed(slot, [trainedAs(slot, "8 8 8")], { isRestShared: true });
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

describe("each set by itself", () => {
  const rule = { kind: "doubleProgression", decides: "eachSet" } as const;
  const slot = slotBy("3 x 8-10 at 100", rule);
  const flatDay = (amounts: string) => ({ ...trainedAs(slot, amounts), readiness: 2 });

  it("takes a low-energy day for no verdict, and what reached the top all the same", () => {
    expect(proposed(slot, [flatDay("7 7 7")]).codes[0]).toBe("lowEnergy");
    expect(proposed(slot, [flatDay("10 7 7")])).toMatchObject({
      move: "raise",
      changes: [{ kind: "load", set: 0, to: kg(102.5) }],
    });
    expect(proposed(slot, [trainedAs(slot, "7 7 7")]).codes[0]).toBe("setsBeaten");
  });

  it("lowers the set that was clearly short twice, and that one alone", () => {
    const day = trainedAs(slot, "9 9 5");
    expect(proposed(slot, [day, day]).changes).toEqual([
      { kind: "load", set: 2, from: kg(100), to: kg(97.5) },
    ]);
  });
});

describe("stricter first, further on", () => {
  it("goes back to the least with the next load, and changes nothing where it is there", () => {
    const top = slotBy("2 x 8 at 60 lower 5", SLOWER);
    expect(proposed(top, [trainedAs(top, "8 8")])).toMatchObject({
      move: "raise",
      reading: kg(62.5),
      changes: [{ kind: "tempo", from: 5, to: 2 }],
    });
    const only = slotBy("2 x 8 at 60 lower 5", { ...SLOWER, min: seconds(5) });
    expect(proposed(only, [trainedAs(only, "8 8")]).changes).toEqual([]);
  });

  it("takes the next harder setting, and the next load behind the hardest", () => {
    const parameters = [
      { name: "Pins", choices: ["3", "4"], usual: "3", rising: ["3", "4"] },
      { name: "Stance", choices: ["hip", "wide"], usual: "hip" },
    ];
    const slot = slotBy("2 x 8 at 60", { ...SLOWER, what: "setUp" });
    const at = (Pins: string) => [trainedAs(slot, "8 8", {}, { context: { setUp: { Pins } } })];
    expect(proposed(slot, at("3"), { parameters }).changes).toEqual([
      { kind: "setUp", name: "Pins", from: "3", to: "4", isHarder: true },
    ]);
    expect(proposed(slot, at("4"), { parameters })).toMatchObject({
      move: "raise",
      reading: kg(62.5),
      changes: [],
    });
    expect(proposed(slot, at("3"), { parameters: parameters.slice(1) })).toMatchObject({
      move: "keep",
      mustRule: true,
    });
  });
});

describe("where there is nothing heavier", () => {
  const FLOOR: Loading = { kind: "unloaded", unit: "kg" };
  const rule = { kind: "doubleProgression", decides: "weakest" } as const;
  const target = (line: string, done: string) => {
    const slot = slotBy(line, rule);
    const known = { loading: FLOOR };
    const { changes } = proposed(slot, [trainedAs(slot, done, {}, known)], known);
    const [change] = changes;
    return change?.kind === "target" ? change.to : null;
  };

  it.each([
    ["2 x 8-10", "10 10", { kind: "reps", min: 9, max: 11 }],
    ["2 x 50", "50 50", null],
    ["2 x 30-40 s", "40 40", { kind: "seconds", min: 35, max: 45 }],
    ["2 x 180 s", "180 180", null],
    ["2 x 20 steps", "40 40", { kind: "steps", steps: 22 }],
    ["2 x 40 m", "40 40", { kind: "metres", metres: 45 }],
    ["total 50 reps in 4 sets pause 30 s", "50", { kind: "total", amount: 55 }],
    ["total 500 reps in 4 sets pause 30 s", "500", null],
    ["max least 12 about 15", "15", { kind: "limit", atLeast: 13 }],
  ] as const)("more of what is counted is asked: %s", (line, done, to) => {
    if (to === null) expect(target(line, done)).toBeNull();
    else expect(target(line, done)).toMatchObject(to);
  });

  it("offers slower lowering from two seconds on, and what to arrange", () => {
    const loading = { ...RACK, plates: [{ size: kg(20), count: 4 }] } as Loading;
    const ways = (line: string) => {
      const slot = slotBy(line, rule);
      const exposure = trainedAs(slot, "8 8", {}, { loading });
      return proposed(slot, [exposure], { loading }).ways;
    };
    const slower = (line: string) =>
      ways(line).find(({ code }) => code === "slower")?.step?.changes[0];
    expect(slower("2 x 8 at 100")).toMatchObject({ from: null, to: 3 });
    expect(slower("2 x 8 at 100 lower 4")).toMatchObject({ from: 4, to: 5 });
    expect(slower("2 x 8 at 100 lower 30")).toMatchObject({ from: 30, to: 30 });
    expect(ways("2 x 8 at 100").map(({ code }) => code)).toEqual([
      "moreReps",
      "slower",
      "addOn",
      "oneLeg",
      "otherEquipment",
    ]);
  });
});

describe("count hard sets", () => {
  const slot = slotBy("2 x 10 at 50", { kind: "hardSets", goal: count(3) });

  it("asks where there were fewer than meant, but not after a low-energy day", () => {
    expect(proposed(slot, [trainedAs(slot, "10 10")]).mustRule).toBe(true);
    const flat = { ...trainedAs(slot, "10 10"), readiness: 1 };
    expect(proposed(slot, [flat])).toMatchObject({ mustRule: false });
    expect(proposed(slot, [flat]).codes[0]).toBe("lowEnergy");
  });
});

describe("beat last time", () => {
  it("asks of an open set for more than it came to, as far as can be stored", () => {
    const rule = { kind: "beatLast", by: count(2), from: count(8) } as const;
    const slot = slotBy("max least 12 about 15 at 40", rule);
    const asked = (done: string) => proposed(slot, [trainedAs(slot, done)]).changes;
    expect(asked("15")).toMatchObject([{ to: { atLeast: 17 } }]);
    expect(asked("999")).toMatchObject([{ to: { atLeast: 1000 } }]);
  });
});

describe("a mark of what is shown", () => {
  it("tells every step and way apart, and the reasons not", () => {
    const step = { move: "raise", reading: kg(85), changes: [] } as const;
    const shown = keep(kg(80), [], "high", false, [{ code: "fullStep", step }]);
    const mark = shownMark(shown);
    expect(shownMark({ ...shown, because: [{ code: "byHand" }], confidence: "low" })).toBe(mark);
    expect(shownMark({ ...shown, reading: kg(82.5) })).not.toBe(mark);
    expect(shownMark({ ...shown, move: "raise" })).not.toBe(mark);
    expect(shownMark({ ...shown, ways: [] })).not.toBe(mark);
    const other = { ...step, reading: kg(90) };
    expect(shownMark({ ...shown, ways: [{ code: "fullStep", step: other }] })).not.toBe(mark);
    expect(shownMark({ ...shown, ways: [{ code: "moreReps", step }] })).not.toBe(mark);
  });
});
