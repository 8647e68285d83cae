import { describe, expect, it } from "vitest";
import { day, kg, lb, seconds, share } from "~/core/kernel/index.ts";
import { findMovement } from "~/core/movement/catalogue/index.ts";
import type { PlanIssue } from "~/core/unroll/index.ts";
import type { Reason } from "~/core/progress/index.ts";
import {
  sampleDrop,
  sampleExposed,
  sampleExposure,
  sampleId,
  sampleSet,
  sampleSlot,
} from "../tests/samples/index.ts";
import { parseMassList, parsePlateList, type Loading } from "~/core/gym/index.ts";
import { formatExposure } from "./exposure.ts";
import {
  formatClock,
  formatDay,
  formatInOtherUnit,
  formatMass,
  formatMinuteRange,
  formatShare,
} from "./numbers.ts";
import { formatSlot } from "./plan.ts";
import { formatPlanNextError } from "./next-session.ts";
import { formatStep } from "./progression.ts";
import { formatAtSets, formatPlanIssue, formatReason } from "./reasons.ts";
import { describeLoading, listText, plateListText, readingMeaning } from "./station.ts";
import { formatChange, formatRecipe, formatRir, formatRotation, formatTempo } from "./training.ts";
import { MUSCLES } from "./muscles.ts";

describe("numbers for people", () => {
  it("carry their unit and no needless zeros", () => {
    expect(formatMass(kg(82.5))).toBe("82.5 kg");
    expect(formatMass(lb(45))).toBe("45 lb");
    expect(formatMass(lb(1250))).toBe("1250 lb"); // grouped, it would be typed back as 1.25
    expect(formatShare(0.025)).toBe("2.5%");
    expect(formatInOtherUnit(kg(100), "lb")).toBe("about 220.5 lb");
    expect(formatInOtherUnit(kg(100), "kg")).toBeNull();
  });

  it("show time as a clock and dates with their weekday", () => {
    expect([formatClock(9), formatClock(125), formatClock(3725), formatClock(-3)]).toEqual([
      "0:09",
      "2:05",
      "1:02:05",
      "0:00",
    ]);
    expect(formatDay(day("2026-11-25"))).toBe("Wed 25 Nov 2026");
    expect(
      formatMinuteRange({ low: seconds(60 * 45), likely: seconds(60), high: seconds(60 * 68) }),
    ).toBe("45 to 68 min");
  });
});

describe("training in words", () => {
  it("says how to make a load and what changes", () => {
    expect(formatRecipe({ kind: "plates", points: 2, perPoint: [kg(20), kg(2.5)] })).toBe(
      "20 + 2.5 kg per side",
    );
    expect(formatRecipe({ kind: "plates", points: 1, perPoint: [kg(20)] })).toBe("20 kg");
    expect(formatRecipe({ kind: "plates", points: 2, perPoint: [] })).toBe("no plates");
    expect(formatRecipe({ kind: "pin", pin: lb(70), addOns: [lb(5)] })).toBe("pin 70 lb + 5");
    expect(formatChange({ kind: "plates", points: 2, takeOff: [kg(10)], hang: [kg(20)] })).toBe(
      "take off 10, add 20 per side",
    );
    expect(formatChange({ kind: "none" })).toBeNull();
  });

  it("orders the tempo as the movement happens", () => {
    const tempo = { lower: 3, stretch: 1, lift: "explosive", squeeze: null } as const;
    expect(formatTempo(tempo, "lower")).toBe("lower 3 s · pause 1 s · lift fast");
    expect(formatTempo(tempo, "lift")).toBe("lift fast · lower 3 s · pause 1 s");
  });

  it("names exercises in turn by how many they are", () => {
    expect([2, 3, 4, 7].map(formatRotation)).toEqual(["Superset", "Tri-set", "Circuit", "Circuit"]);
  });

  it("never shows an RIR that was not logged as failure", () => {
    expect([formatRir(0), formatRir(2), formatRir("unknown"), formatRir("past")]).toEqual([
      "RIR 0 (failure)",
      "RIR 2",
      "RIR not logged",
      "beyond failure",
    ]);
  });

  it("sums up a slot and a session done", () => {
    const slot = sampleSlot([
      sampleSet(1),
      sampleSet(2),
      sampleSet(3, { extensions: [sampleDrop(11, "current", 0.8)] }),
    ]);
    expect(formatSlot(slot, findMovement)).toBe(
      "Back squat: 2 × (8–10 × 100 kg, RIR 2); 8–10 × 100 kg, RIR 2, drop to 80% × 6–8",
    );
    expect(
      formatExposure(
        sampleExposure([sampleExposed(kg(100), 10), sampleExposed(kg(100), null, "unknown")]),
      ),
    ).toBe("100 kg × 10, ? · last set RIR not logged · 2 Mar");
  });
});

describe("reasons", () => {
  const REST = {
    aspect: "rest",
    direction: "harder",
    from: seconds(120),
    to: seconds(60),
  } as const;
  const AT = { measure: "reps", reading: kg(100) } as const;
  /** One of each, so that a reason without a sentence, or without a case here, does not compile. */
  const REASONS: { readonly [C in Reason["code"]]: Omit<Extract<Reason, { code: C }>, "code"> } = {
    allAtTop: { sets: 3, top: 10, ...AT },
    repsToGain: { isOnlySet: false, lowest: 9, top: 10, ...AT },
    reachedInARow: { times: 1, after: 2 },
    smallestStep: { from: kg(100), to: kg(102.5), stepShare: 0.025 },
    ownStep: { by: kg(5), isPerSide: true, to: kg(110), isExact: true, stepShare: 0.1 },
    largeStep: { from: kg(20), to: kg(35), stepShare: 0.75, limit: 0.1 },
    reserveAllows: { expected: 9, least: 8 },
    fewLeft: { expected: 4, least: 8 },
    aheadOfRate: { stepShare: 0.08, rate: 0.01 },
    atCeiling: { reading: lb(90) },
    noLoads: {},
    atBound: { reading: kg(100), would: kg(102.5) },
    harderThanAsked: { asked: 2, lowest: 0 },
    belowRange: { isOnlySet: false, lowest: 6, bottom: 8, measure: "reps", times: 2 },
    nearlyThere: {},
    failedSets: { sets: 2 },
    burstShort: { burst: "restPause", done: 2, asked: 4 },
    oneSideShort: { side: "left", left: 8, right: 10, asked: 9 },
    fellBack: { measure: "reps", before: 45, now: 21, reading: kg(100) },
    stalled: { sessions: 5, rate: 0.01, reading: kg(100) },
    heldWhileCutting: { sessions: 3, reading: kg(100) },
    pain: { joint: "knee", score: 4 },
    lowEnergy: { readiness: 2 },
    firstBack: { days: 30 },
    lightWeek: {},
    away: { days: 40, share: share(0.9) },
    otherLimiter: { limiter: "grip", times: 2 },
    feltElsewhere: { felt: "spinalErectors", meant: ["gluteusMaximus"], times: 1 },
    faultReturns: { fault: "bounce" },
    unknownReps: { sets: 1 },
    unknownEffort: { sets: 2 },
    unknownReading: { sets: 2 },
    setsMissing: { done: 2, planned: 3 },
    mixedLoads: { lightest: kg(90), heaviest: kg(100) },
    notComparable: { differences: [REST] },
    harderConditions: { differences: [REST], inAll: { measure: "reps", before: 30, now: 28 } },
    easierConditions: { differences: [REST], inAll: null },
    newFaults: { faults: ["bounce"] },
    unknownConditions: { conditions: ["gear", "setUp:Foot height"] },
    drifted: { since: day("2026-01-12"), differences: [REST] },
    readingChanged: { from: kg(20), to: kg(40) },
    cannotBeMadeNow: { reading: kg(20) },
    firstExposure: {},
    noExposure: {},
    skipped: { why: "no time" },
    substituted: {},
    heldByRule: {},
    byHand: {},
    followsSet: {},
    workedOutOnTheDay: {},
    openEnd: {},
    needsReps: {},
    totalReached: { measure: "reps", total: 42, goal: 40 },
    totalToGain: { measure: "reps", total: 38, goal: 40 },
    unknownTotal: {},
    setsBeaten: { beaten: 2, of: 3 },
    lessRest: { from: seconds(90), to: seconds(75) },
    restAtLeast: { seconds: seconds(45) },
    restNotTimed: {},
    restShared: {},
    restLonger: { asked: seconds(75), taken: seconds(120) },
    notStrict: { what: "lower" },
    setAdded: { to: 4, most: 5 },
    setsAtMost: { most: 5 },
    setTaken: { to: 3 },
    stricter: { what: "lower" },
    strictEnough: { what: "hold" },
    nothingStricter: { what: "setUp" },
    cleanSessions: { clean: 1, of: 2 },
    faultsSeen: { faults: ["bounce"] },
    nobodyLooked: {},
    byEstimate: { reps: 9, left: 2, allows: kg(105) },
    noEstimate: {},
    heldBack: { most: share(0.05) },
    hardSets: { done: 4, goal: 5, unknown: 1 },
    limitSetDue: { every: 4 },
    limitSetIn: { sessions: 2 },
    limitSet: { done: 11, top: 12 },
    taperOn: { reps: 6, last: 3 },
    taperTest: {},
    taperLighter: { share: share(0.8) },
    taperAgain: {},
  };

  it("are sentences with every number that they rest on", () => {
    const others: readonly Reason[] = [
      { code: "smallestStep", from: kg(20), to: kg(22.5), stepShare: null },
      { code: "readingChanged", from: kg(20), to: null },
    ];
    const all = Object.entries(REASONS).map(([code, rest]) => ({ code, ...rest }) as Reason);
    for (const reason of [...all, ...others]) {
      const text = formatReason(reason, MUSCLES.coach);
      expect(text).toMatch(/^[A-Z0-9].*\.$/);
      for (const [name, value] of Object.entries(reason)) {
        // Shares are said as per cents, and how often in words.
        if (
          typeof value !== "number" ||
          name === "times" ||
          !Number.isInteger(value) ||
          value === 0
        )
          continue;
        expect(text, reason.code).toContain(String(value));
      }
    }
  });

  it("never praise pain, and refer it to professionals", () => {
    expect(formatReason({ code: "pain", joint: "knee", score: 4 }, MUSCLES.coach)).toContain(
      "professional",
    );
  });

  it("say what moves where, and what stood in the way", () => {
    const at = { from: kg(100), reading: kg(100), changes: [] };
    expect(formatStep({ ...at, move: "raise", reading: kg(102.5) })).toBe("Raise to 102.5 kg");
    expect(formatStep({ ...at, move: "keep", reading: null })).toBe("Load still to be found");
    expect(formatStep({ ...at, move: "asPlanned" })).toBe("As planned: 100 kg");
    const rest = { kind: "rest", from: seconds(90), to: seconds(75) } as const;
    expect(formatStep({ ...at, move: "raise", changes: [rest] })).toBe(
      "Stay at 100 kg; rest 75 s, was 90 s",
    );
    expect(
      formatPlanNextError({
        code: "cannotBeMade",
        reading: kg(101),
        easier: { reading: kg(100), recipe: { kind: "dumbbells", each: kg(1) } },
        harder: null,
      }),
    ).toBe("101 kg cannot be made here; the nearest are 100 kg.");
  });
});

describe("what is wrong in a plan, in words", () => {
  const at = { slot: sampleId<"slot">(1), set: sampleId<"set">(2) };
  it.each<readonly [PlanIssue, string]>([
    [
      { code: "idleDrop", blocks: false, ...at, asked: 0.9, reading: kg(10) },
      "The drop to 90% comes out at 10 kg, not easier: the steps here are too coarse. Choose a smaller percentage.",
    ],
    [
      { code: "idleDrop", blocks: false, ...at, asked: null, reading: kg(10) },
      "The drop comes out at 10 kg, not easier. Go down further.",
    ],
    [
      { code: "harderDrop", blocks: true, ...at, reading: kg(80), before: kg(60) },
      "A drop gets easier: 80 kg is not easier than the 60 kg before it.",
    ],
    [
      {
        code: "setUpUnknown",
        blocks: false,
        ...at,
        name: "Stance",
        choice: "sideways",
        choices: ["narrow", "wide"],
      },
      "“sideways” is no choice of Stance here; there are narrow, wide.",
    ],
    [
      { code: "setUpUnknown", blocks: false, ...at, name: "Hat", choice: "on", choices: [] },
      "This exercise has no set-up called “Hat”.",
    ],
    [
      {
        code: "beyondReach",
        by: "estimate",
        blocks: false,
        ...at,
        total: kg(200),
        reach: kg(150.244),
        possible: 6,
      },
      "200 kg in all for 6 possible reps: the estimate allows about 150 kg. Right only if the estimate is too low.",
    ],
  ])("is said with its numbers: %o", (issue, text) => {
    expect(formatPlanIssue(issue, findMovement)).toBe(text);
  });

  it("names the sets that it holds for, each once and in order", () => {
    expect(formatAtSets([], "So.")).toBe("So.");
    expect(formatAtSets([3, 3], "So.")).toBe("Set 3: So.");
    expect(formatAtSets([4, 1, 2], "So.")).toBe("Sets 1, 2 and 4: So.");
  });
});

describe("stations in words", () => {
  const rack: Loading = {
    kind: "bar",
    unit: "kg",
    bar: kg(20),
    plates: [
      { size: kg(20), count: 4 },
      { size: kg(1.25), count: 2 },
    ],
  };

  it("say what a reading means", () => {
    expect(readingMeaning(rack)).toBe("with the 20 kg bar");
    expect(readingMeaning({ ...rack, bar: null })).toBe("plates; bar weight unknown");
    expect(describeLoading(rack)).toBe("bar 20 kg; plates 20×4, 1.25×2");
  });

  it("are written the way they are typed", () => {
    expect(parsePlateList(plateListText(rack.plates), "kg")).toEqual({
      ok: true,
      value: rack.plates,
    });
    const pins = [lb(10), lb(12.5)];
    expect(parseMassList(listText(pins), "lb")).toEqual({ ok: true, value: pins });
  });
});
