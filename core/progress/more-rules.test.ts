import { describe, expect, it } from "vitest";
import { count, kg, seconds, ticksOf, type Fault } from "../kernel/index.ts";
import type { Loading } from "../gym/index.ts";
import { type ProgressionRule, type Rir, type Slot, type Target } from "../plan/index.ts";
import { UNSAID_OBSERVATIONS, type Exposure } from "../log/index.ts";
import {
  RACK,
  sampleCircumstances,
  sampleNewId,
  sampleStation,
  sampleUnrollContext,
} from "../../tests/samples/index.ts";
import { DENSITY, proposed, SLOWER, slotBy } from "../../tests/samples/proposed.ts";
import { trainedAs } from "../../tests/samples/trained.ts";
import { accepted } from "./accept.ts";
import type { Change } from "./change.ts";
import { keep, shownMark } from "./proposal.ts";
import { lineRecord } from "./line-record.ts";
import { judgeLines, proposeFor } from "./propose.ts";

const SMALLEST: ProgressionRule = { kind: "smallestStep", after: count(1) };

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

describe("a limit set every so often", () => {
  const rule = { kind: "limitSets", every: count(3) } as const;
  const plain = slotBy("2 x 8 at 100", rule);
  /** The same exercise with another last set, on the same line. */
  const withLast = (target: Target, effort: Rir): Slot => ({
    ...plain,
    sets: plain.sets.map((set, i) => (i === 1 ? { ...set, target, effort } : set)),
  });
  const open: Target = { kind: "limit", atLeast: count(8), likely: count(8) };
  const limit = withLast(open, 0);
  const left = withLast(open, 1);
  const codes = (slot: Slot, ...exposures: readonly Exposure[]) => proposed(slot, exposures).codes;
  const day = (slot: Slot, week: number) => trainedAs(slot, "8 8", { rir: 2 }, { week });

  it("counts the sessions since the last one that went to the limit", () => {
    expect(codes(plain, day(plain, 0))).toContain("limitSetIn");
    expect(codes(plain, day(plain, 0), day(plain, 1))).toContain("limitSetDue");
    expect(codes(plain, day(limit, 0), day(plain, 1))).toContain("limitSetIn");
    expect(codes(plain, day(limit, 0), day(plain, 1), day(plain, 2))).toContain("limitSetDue");
    // An open end with reps left in reserve is no limit set.
    expect(codes(plain, day(left, 0), day(plain, 1))).toContain("limitSetDue");
    // Nor is a last set to the limit of which a number was asked.
    const asked = withLast({ kind: "reps", min: count(8), max: count(8) }, 0);
    expect(codes(plain, day(asked, 0), day(plain, 1))).toContain("limitSetDue");
  });

  it("says of the limit set how far it came, and nothing of one that was not to the limit", () => {
    expect(codes(limit, trainedAs(limit, "8 12", { rir: 0 }))).toContain("limitSet");
    expect(codes(left, day(left, 0))).toContain("needsReps");
  });
});

describe("add sets", () => {
  const rule = { kind: "addSets", min: count(2), max: count(4), after: count(1) } as const;

  it("takes a set before a lighter load, and the lighter load at the least", () => {
    const of = (line: string, amounts: string) => {
      const slot = slotBy(line, rule);
      const day = trainedAs(slot, amounts, { rir: 0 });
      const { move, reading, changes, codes } = proposed(slot, [day, day]);
      return [move, reading, changes, codes.includes("setTaken")];
    };
    expect(of("3 x 8-10 at 100", "5 5 5")).toEqual([
      "lower",
      kg(100),
      [{ kind: "sets", from: 3, to: 2 }],
      true,
    ]);
    expect(of("2 x 8-10 at 100", "5 5")).toEqual(["lower", kg(97.5), [], false]);
  });
});

describe("what is written of a change", () => {
  const written = (line: string, changes: readonly Change[]) => {
    const slot = slotBy(line, { kind: "byHand" });
    const { line: id } = slot.sets[0]!;
    const context = sampleUnrollContext([sampleStation(RACK)]);
    const step = { reading: kg(60), changes };
    return accepted(slot, new Map([[id, step]]), context, sampleNewId).sets;
  };

  it("is the seconds of a hold at the end, and nothing of what else follows the set", () => {
    const changes = [{ kind: "hold", from: seconds(20), to: seconds(25) }] as const;
    const [set] = written("8 at 60 then drop to 80% for 8 then hold 20s stretched", changes);
    expect(set?.extensions).toMatchObject([{ kind: "drop" }, { kind: "endHold", seconds: 25 }]);
    expect(set?.extensions[0]).not.toHaveProperty("seconds");
  });

  it("is one effort, also where a range of it was written", () => {
    const changes = [{ kind: "effort", set: 1, from: 2, to: 0 }] as const;
    const sets = written("2 x 8 at 60 RIR 1-2", changes);
    expect(sets.map(({ effort, effortUpTo }) => [effort, effortUpTo])).toEqual([
      [1, 2],
      [0, null],
    ]);
  });
});

describe("a drop with a load of its own", () => {
  it("moves in load alone: what else its rule would change is its set's", () => {
    const slot = slotBy("10 at 80 then drop to 40 for 8-10", {
      kind: "addSets",
      min: count(1),
      max: count(4),
      after: count(1),
    });
    const [, drop] = proposeFor(slot, [trainedAs(slot, "10+10")], sampleCircumstances());
    expect(drop).toMatchObject({ move: "keep", reading: kg(40), changes: [], ways: [] });
    const load = slotBy("10 at 80 then drop to 40 for 8-10", SMALLEST);
    const [, lighter] = proposeFor(load, [trainedAs(load, "10+10")], sampleCircumstances());
    expect(lighter).toMatchObject({ move: "raise", reading: kg(42.5) });
  });
});

describe("how sure a proposal is", () => {
  it("is less where rest is not timed after a first session, and after a step that is remarked on", () => {
    const breath = slotBy("3 x 8 at 100 rest breath", DENSITY);
    const day = trainedAs(breath, "8 8 8");
    expect(proposed(breath, [day]).confidence).toBe("medium");
    const again = trainedAs(breath, "8 8 8", {}, { week: 1 });
    expect(proposed(breath, [day, again])).toMatchObject({ confidence: "high", mustRule: true });
    const slot = slotBy("2 x 8 at 20", SMALLEST);
    const easy = (week: number) => trainedAs(slot, "8 8", { rir: 5 }, { week });
    const far = proposed(slot, [easy(0), easy(1)]);
    expect([far.confidence, far.codes.includes("fewLeft")]).toEqual(["medium", true]);
  });
});

describe("a new fault", () => {
  const slot = slotBy("2 x 8 at 100", SMALLEST);
  const seen = (week: number, faults: readonly Fault[] | null) =>
    trainedAs(
      slot,
      "8 8",
      {
        observed: {
          ...UNSAID_OBSERVATIONS,
          faults: faults && faults.map((fault) => ({ fault, fromRep: null })),
        },
      },
      { week },
    );
  const after = (...all: readonly (readonly Fault[] | null)[]) => {
    const { move, codes } = proposed(
      slot,
      all.map((faults, week) => seen(week, faults)),
    );
    return [move, codes.includes("newFaults"), codes.includes("faultReturns")];
  };

  it("is held against the last session at which somebody looked, whoever did not since", () => {
    expect(after([], ["bounce"])).toEqual(["keep", true, false]);
    expect(after([], null, null, null, null, null, ["bounce"])).toEqual(["keep", true, false]);
    expect(after(null, [], ["bounce"])).toEqual(["keep", true, false]);
    expect(after(["bounce"], ["bounce", "depthCut"])).toEqual(["keep", true, false]);
  });

  it("is none where it was there before, where nobody ever looked, or nobody does now", () => {
    expect(after(["bounce"], null, ["bounce"])).toEqual(["raise", false, false]);
    expect(after(null, ["bounce"])).toEqual(["raise", false, false]);
    expect(after([], null)).toEqual(["raise", false, false]);
  });

  it("is one that is back where it was there and went, and told once", () => {
    expect(after(["bounce"], [], ["bounce"])).toEqual(["keep", false, true]);
    // At a session at which nobody looked nothing is back.
    expect(after(["bounce"], [], ["bounce"], null)).toEqual(["raise", false, false]);
  });
});

describe("what a series came to", () => {
  it("is told of its own sessions, not of one that stands aside", () => {
    const parameters = [{ name: "Pins", choices: ["3", "4"], usual: "3", rising: ["3", "4"] }];
    const at = (load: number, Pins: string, week: number) =>
      trainedAs(
        slotBy(`2 x 8 at ${load}`, SMALLEST),
        "8 8",
        {},
        { week, context: { setUp: { Pins } } },
      );
    const exposures = [at(100, "3", 0), at(105, "3", 1), at(90, "4", 2)];
    const slot = slotBy("2 x 8 at 90", SMALLEST);
    const [judged] = judgeLines(slot, exposures, sampleCircumstances({ parameters }));
    const record = lineRecord(judged!.line, judged!.facts, exposures[2]!.sessionLogId);
    expect(record.series).toMatchObject({
      sessions: 2,
      last: "aside",
      since: exposures[0]!.day,
      gained: { loadTicks: ticksOf(kg(5)) },
    });
  });
});
