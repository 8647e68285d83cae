import { describe, expect, it } from "vitest";
import { kg, lb, seconds, type Mass } from "../../kernel/index.ts";
import { AS_USUAL, OPEN_TEMPO, shortTempoOrder, TEMPO_PHASES, type PlannedSet } from "../index.ts";
import type { NotationContext } from "./context.ts";
import { parseItems, parseLine, saidIn } from "./parse.ts";
import { RIR_SAID, writeLine } from "./line.ts";
import { sampleNewId } from "../../../tests/samples/index.ts";

/**
 * What each word means, by hand: the round trip alone would not notice two words that were swapped in reading
 * and in writing alike.
 */
const CONTEXT: NotationContext = {
  unit: "kg",
  defaults: { effort: 1, rest: { kind: "fixed", seconds: seconds(75) }, side: { kind: "both" } },
  tempo: TEMPO_PHASES,
  exercises: [[]],
  own: 0,
  nameOf: () => null,
  movementNamed: (name) => (name === "Leg press" ? "shipped:leg-press" : null),
};
const setsOf = (line: string): readonly PlannedSet[] => {
  const read = parseLine(line, [], CONTEXT, sampleNewId);
  if (!read.ok) throw new Error(JSON.stringify(read.error));
  return read.value;
};
const setOf = (line: string): PlannedSet => {
  const [set] = setsOf(line);
  if (set === undefined) throw new Error("no set");
  return set;
};

describe("a target", () => {
  it.each([
    ["8", { kind: "reps", min: 8, max: 8 }],
    ["8-12 reps", { kind: "reps", min: 8, max: 12 }],
    ["8-12 until knees-cave", { kind: "repsUntil", min: 8, max: 12, criterion: "kneesCave" }],
    ["10 reps until depth-cut", { kind: "repsUntil", min: 10, max: 10, criterion: "depthCut" }],
    ["8 to 12", { kind: "reps", min: 8, max: 12 }],
    ["30-40 s", { kind: "seconds", min: 30, max: 40 }],
    ["2 min", { kind: "seconds", min: 120, max: 120 }],
    ["1:30", { kind: "seconds", min: 90, max: 90 }],
    ["1:30-2:00", { kind: "seconds", min: 90, max: 120 }],
    ["20 steps", { kind: "steps", steps: 20, counted: "perSide", outAndBack: false }],
    ["20 steps each", { kind: "steps", steps: 20, counted: "perSide", outAndBack: false }],
    [
      "20 steps in all out and back",
      { kind: "steps", steps: 20, counted: "inAll", outAndBack: true },
    ],
    ["40 m", { kind: "metres", metres: 40, outAndBack: false }],
    ["40 m out and back", { kind: "metres", metres: 40, outAndBack: true }],
    ["max", { kind: "limit", atLeast: null, likely: 10 }],
    ["AMRAP", { kind: "limit", atLeast: null, likely: 10 }],
    ["max least 12", { kind: "limit", atLeast: 12, likely: 12 }],
    ["max least 6 about 9", { kind: "limit", atLeast: 6, likely: 9 }],
    ["total 60 reps", { kind: "total", of: "reps", amount: 60, likelySets: 4, pause: 20 }],
    [
      "total 100 steps in 5 sets pause 1:00",
      { kind: "total", of: "steps", amount: 100, likelySets: 5, pause: 60 },
    ],
    ["intervals 8 x 20 s", { kind: "intervals", rounds: 8, work: 20, pause: 30 }],
    ["intervals 6 x 1:00 pause 45 s", { kind: "intervals", rounds: 6, work: 60, pause: 45 }],
    ["until hips-lift", { kind: "untilForm", criterion: "hipsLift", likely: 10 }],
    [
      "until low-back-arches about 14",
      { kind: "untilForm", criterion: "lowBackArches", likely: 14 },
    ],
    ["burn plus 8 about 20", { kind: "afterBurn", reps: 8, likely: 20 }],
  ])("%s", (line, target) => {
    expect(setOf(line).target).toEqual(target);
  });
});

const more = (by: string, mass: Mass, counted: string) => ({
  kind: "massFrom",
  by,
  mass,
  counted,
  basis: { kind: "last" },
});
const plates = (by: string, n: number, size: Mass | null) => ({
  kind: "platesFrom",
  by,
  plates: n,
  size,
  basis: { kind: "last" },
});

describe("a load", () => {
  it.each([
    ["at 80", { kind: "absolute", reading: kg(80) }],
    ["at 80 lb", { kind: "absolute", reading: lb(80) }],
    ["at 1,25", { kind: "absolute", reading: kg(1.25) }],
    ["", { kind: "open" }],
    ["at open", { kind: "open" }],
    ["at 75% of max", { kind: "shareOfMaximum", upTo: null, share: 0.75 }],
    [
      'at 60% of "Leg press"',
      { kind: "shareOfMovement", upTo: null, movement: "shipped:leg-press", share: 0.6 },
    ],
    [
      'at 60% of "shipped:hack-squat"',
      { kind: "shareOfMovement", upTo: null, movement: "shipped:hack-squat", share: 0.6 },
    ],
    ["at 70-75% of max", { kind: "shareOfMaximum", share: 0.7, upTo: 0.75 }],
    ["at 60% of usual 10", { kind: "shareOfUsual", share: 0.6, reps: 10 }],
    ["at 60% of usual 10 reps", { kind: "shareOfUsual", share: 0.6, reps: 10 }],
    ["at 50% of plates of last", { kind: "shareOfPlates", share: 0.5, basis: { kind: "last" } }],
    ["at last minus 5 kg", more("minus", kg(5), "asRead")],
    ["at last plus 10 lb a side", more("plus", lb(10), "perSide")],
    ["at last minus 2 plates", plates("minus", 2, null)],
    ["at last plus 1 plate of 20", plates("plus", 1, kg(20))],
    ["at last", { kind: "fromLast", steps: 0 }],
    ["at last plus 2 steps", { kind: "fromLast", steps: 2 }],
    ["at last minus 1", { kind: "fromLast", steps: -1 }],
    ["at effort", { kind: "byEffort" }],
    ["at body", { kind: "bodyWeight", by: "plus", mass: kg(0) }],
    ["at body plus 10", { kind: "bodyWeight", by: "plus", mass: kg(10) }],
    ["at body weight minus 20 kg", { kind: "bodyWeight", by: "minus", mass: kg(20) }],
    ["at trial 60", { kind: "trial", from: kg(60), steps: 1, tries: 3 }],
    ["at trial 60 up 2 tries 4", { kind: "trial", from: kg(60), steps: 2, tries: 4 }],
    ["at 100 else 100 else 95", { kind: "fallback", reading: kg(100), then: [kg(100), kg(95)] }],
  ])("8 %s", (load, rule) => {
    expect(setOf(`8 ${load}`).load).toEqual(rule);
  });

  it("goes from the set before or the one that is named, exactly or by so much", () => {
    const [first, second, third, fourth] = setsOf(
      "10 at 50; 8 at as before; 8 at set 1 minus 10 kg; 8 at 50% of plates of set 2",
    );
    expect(second?.load).toEqual({ kind: "sameAsSet", set: first?.id, part: null });
    expect(third?.load).toEqual({
      ...more("minus", kg(10), "asRead"),
      basis: { kind: "set", set: first?.id, part: null },
    });
    expect(fourth?.load).toMatchObject({ basis: { set: second?.id } });
  });

  it("follows from the set that is named, up or down, or from a part of it", () => {
    const [first, second, third, fourth] = setsOf(
      "10 at 50 then drop to 40 then drop to 30; 8 at 110% of set 1 part 2; 8 at set 1 plus 3 steps; 6 at before minus 2",
    );
    expect(second?.load).toEqual({
      kind: "shareOfSet",
      upTo: null,
      set: first?.id,
      part: first?.extensions[1]?.id,
      share: 1.1,
    });
    expect(third?.load).toEqual({ kind: "stepsFromSet", set: first?.id, steps: 3 });
    expect(fourth?.load).toEqual({ kind: "stepsFromSet", set: third?.id, steps: -2 });
  });

  it("is written as the set before only where the set itself is meant, not a part of it", () => {
    const written = (line: string) => writeLine(setsOf(line), CONTEXT);
    expect(written("10 at 50; 8 at set 1 minus 10 kg")).toContain("8 at before minus 10 kg");
    const ofDrop = "10 at 50 then drop to 40; 8 at set 1 part 1 minus 10 kg";
    expect(written(ofDrop)).toContain("8 at set 1 part 1 minus 10 kg");
  });

  it("follows, in each of several sets, from the one before it", () => {
    const sets = setsOf("10 at 90; 3 x 10 at before minus 1");
    expect(sets.slice(1).map((set) => "set" in set.load && set.load.set)).toEqual(
      sets.slice(0, 3).map((set) => set.id),
    );
  });
});

describe("what else is said of a set", () => {
  it.each([
    ["8", 1],
    ["ramp 8", "more"],
    ["primer 8", "more"],
    ["top 8", 1],
    ["8 leave 0", 0],
    ["8 leave none", 0],
    ["8 RIR 2.5", 2.5],
    ["8 rir2", 2],
    ["8 RIR over 5", "more"],
    // A plus begins what follows the set, also right behind the number.
    ["8 RIR 2 + drop to 80%", 2],
    ["8 leave 5+ drop to 80%", 5],
    ["8 to failure", 0],
    ["8 beyond failure", "past"],
    ["8 RPE 8", 2],
    ["8 leave 2.5", 2.5],
    ["8 leaving 3", 3],
    ["8 leave many", "more"],
    ["8 leave unknown", "unknown"],
    ["8 past limit", "past"],
    ["8 effort 8", 2],
    ["8 effort 9.5", 0.5],
    ["8 effort 10", 0],
    ["8 effort 4", "more"],
  ])("%s leaves %s", (line, effort) => {
    expect(setOf(line).effort).toBe(effort);
  });

  it.each([
    ["warm-up", "ramp"],
    ["warmup", "ramp"],
    ["feeder", "primer"],
    ["work-up", "calibration"],
    ["ramp", "ramp"],
    ["primer", "primer"],
    ["calibration", "calibration"],
    ["work", "work"],
    ["top", "top"],
    ["back-off", "backOff"],
    ["backoff", "backOff"],
    ["burnout", "burnout"],
  ])("%s, before the number or behind it", (word, role) => {
    expect(setsOf(`${word} 2 x 8`).map((set) => set.role)).toEqual([role, role]);
    expect(setsOf(`2 x ${word} 8`).map((set) => set.role)).toEqual([role, role]);
  });

  it.each([
    ["rest 90", { kind: "fixed", seconds: 90 }],
    ["rest 2 min", { kind: "fixed", seconds: 120 }],
    ["rest 1:30-2:00", { kind: "range", min: 90, max: 120 }],
    ["rest 20 s to 40 s", { kind: "range", min: 20, max: 40 }],
    ["rest most 1:00", { kind: "atMost", seconds: 60 }],
    ["rest breath", { kind: "breath", likely: 120 }],
    ["rest partner about 45 s", { kind: "partner", likely: 45 }],
    ["rest heart below 110 about 1:30", { kind: "heartRate", below: 110, likely: 90 }],
    ["", { kind: "fixed", seconds: 75 }],
  ])("8 %s", (words, rest) => {
    expect(setOf(`8 ${words}`).restAfter).toEqual(rest);
  });

  it.each([
    ["both", { kind: "both" }],
    ["left", { kind: "left" }],
    ["right", { kind: "right" }],
    ["alternating", { kind: "alternating" }],
    ["left then right", { kind: "each", first: "left", matchFirst: false }],
    ["right then left matched", { kind: "each", first: "right", matchFirst: true }],
  ])("8 %s", (words, side) => {
    expect(setOf(`8 ${words}`).side).toEqual(side);
  });

  it("reads tempo by its phases, each accent, another set-up, and what is optional", () => {
    const set = setOf(
      '8 lower 3 stretch 1 lift fast squeeze 2 s dead stop 1 s second squeeze 2 s last rep lower 8 s with "Stance" "wide" "Toes" "out" optional',
    );
    expect(set.tempo).toEqual({ lower: 3, stretch: 1, lift: "explosive", squeeze: 2 });
    expect(set.accents).toEqual([
      { kind: "deadStop", seconds: 1 },
      { kind: "secondSqueeze", seconds: 2 },
      { kind: "slowLastRep", phase: "lower", seconds: 8 },
    ]);
    expect(set.setUp).toEqual({ Stance: "wide", Toes: "out" });
    expect(set.optional).toBe(true);
    expect(setOf("8")).toMatchObject({
      tempo: OPEN_TEMPO,
      accents: [],
      setUp: {},
      optional: false,
      ...AS_USUAL,
    });
  });

  it("reads what holds a load, a range of effort, a short range, gear, and another set's tempo", () => {
    const [first, second] = setsOf(
      '8 lower 4; 8 at last plus 1 at least 40 at most 140 lb leave 1-3 range stretched wear "belt" "straps" tempo as set 1',
    );
    expect(second).toMatchObject({
      load: { kind: "fromLast", steps: 1 },
      loadBounds: { least: kg(40), most: lb(140) },
      effort: 1,
      effortUpTo: 3,
      range: "stretched",
      gear: ["belt", "straps"],
      tempo: OPEN_TEMPO,
      tempoAs: first?.id,
    });
  });

  it("refuses a least load above the most, in whatever order and units", () => {
    const wrong = (line: string) => {
      const read = parseLine(line, [], CONTEXT, sampleNewId);
      return read.ok ? [] : read.error.map(({ code }) => code);
    };
    expect(wrong("8 at least 60 at most 60")).toEqual([]);
    expect(wrong("8 at least 62.5 at most 60")).toEqual(["noLoadBetween"]);
    expect(wrong("8 at most 60 at least 62.5")).toEqual(["noLoadBetween"]);
    // 60 lb are 27.2 kg.
    expect(wrong("8 at least 40 kg at most 60 lb")).toEqual(["noLoadBetween"]);
  });

  it("says once for all what one set may still say otherwise", () => {
    const sets = setsOf("all lower 3 rest 60 at 40: 8; 6 lower 5; 4 at 50 rest 2:00");
    expect(sets.map((set) => set.tempo.lower)).toEqual([3, 5, 3]);
    expect(sets.map((set) => set.load)).toMatchObject(
      [40, 40, 50].map((n) => ({ reading: kg(n) })),
    );
    expect(sets.map((set) => set.restAfter)).toMatchObject(
      [60, 60, 120].map((n) => ({ seconds: n })),
    );
  });
});

describe("what follows a set", () => {
  const eight = { kind: "reps", min: 8, max: 8 };
  const few = { kind: "limit", atLeast: null, likely: 4 };
  it.each([
    [
      "drop to 80%",
      {
        kind: "drop",
        to: { kind: "share", of: "current", share: 0.8 },
        target: eight,
        restBefore: 10,
      },
    ],
    ["drop to 70% of last", { kind: "drop", to: { kind: "share", of: "current", share: 0.7 } }],
    ["drop to 60% of first", { kind: "drop", to: { kind: "share", of: "first", share: 0.6 } }],
    [
      "drop to 40 kg after 5 s",
      { kind: "drop", to: { kind: "reading", reading: kg(40) }, restBefore: 5 },
    ],
    ["drop by 20% of first", { kind: "drop", to: { kind: "lessBy", of: "first", share: 0.2 } }],
    ["drop by 10%", { kind: "drop", to: { kind: "lessBy", of: "current", share: 0.1 } }],
    ["drop to 40 kg after most 5 s", { kind: "drop", restBefore: 5, waits: "atMost" }],
    ["rest-pause 2 after most 20 s", { kind: "restPause", pause: 20, waits: "atMost" }],
    ["cluster 4 after 30 s", { kind: "cluster", pause: 30, waits: "exactly" }],
    ["drop to body", { kind: "drop", to: { kind: "bodyweight" } }],
    ["drop strip 2 plates", { kind: "drop", to: { kind: "strip", plates: 2 } }],
    ["drop down 3 steps", { kind: "drop", to: { kind: "steps", steps: 3 } }],
    ["drop to 80% for 10-12", { kind: "drop", target: { kind: "reps", min: 10, max: 12 } }],
    ["rest-pause 2", { kind: "restPause", pauses: 2, pause: 15, target: few }],
    ["rest pause 3 after 20 s for 3", { kind: "restPause", pauses: 3, pause: 20 }],
    ["cluster 4", { kind: "cluster", groups: 4, pause: 20, multiple: 1, target: eight }],
    [
      "clusters 5 after 30 s at 105% for 2",
      {
        kind: "cluster",
        groups: 5,
        pause: 30,
        multiple: 1.05,
        target: { kind: "reps", min: 2, max: 2 },
      },
    ],
    ["partials stretched", { kind: "partials", where: "stretched", target: few }],
    ["partials mid for 6", { kind: "partials", where: "mid" }],
    ["forced self", { kind: "forced", by: "self", target: few }],
    ["forced partner for 2", { kind: "forced", by: "partner" }],
    ['position "Toes" "in"', { kind: "positionChange", setUp: { Toes: "in" }, target: eight }],
    ["hold 20 s stretched", { kind: "endHold", seconds: 20, at: { kind: "stretched" } }],
    ["hold 1:00 shortened", { kind: "endHold", seconds: 60, at: { kind: "shortened" } }],
    ["hold 15 s 90°", { kind: "endHold", seconds: 15, at: { kind: "angle", degrees: 90 } }],
    ["breaths 5 for 4", { kind: "breather", breaths: 5, target: { kind: "reps", min: 4, max: 4 } }],
  ])("8 then %s", (part, extension) => {
    expect(setOf(`8 then ${part}`).extensions).toMatchObject([extension]);
    expect(setOf(`8 + ${part}`).extensions).toMatchObject([extension]);
  });

  it("comes in the order in which it is written, a number of drops as so many lighter loads", () => {
    const { extensions } = setOf(
      "8 then 2 drops to 80% then partials stretched then hold 10 s stretched",
    );
    expect(extensions.map((e) => e.kind)).toEqual(["drop", "drop", "partials", "endHold"]);
    expect(new Set(extensions.map((e) => e.id)).size).toBe(4);
  });
});

describe("drills and checks", () => {
  const itemsOf = (text: string) => {
    const read = parseItems(text, [], CONTEXT, sampleNewId);
    if (!read.ok) throw new Error(JSON.stringify(read.error));
    return read.value;
  };

  it("give a pre-fatigue drill its load and tempo", () => {
    expect(
      itemsOf('pre-fatigue "Leg extension" 20 at 15 lower 3 squeeze 1 left then right'),
    ).toMatchObject([
      {
        kind: "preFatigue",
        load: kg(15),
        tempo: { lower: 3, stretch: null, lift: null, squeeze: 1 },
        side: { kind: "each", first: "left" },
      },
    ]);
    expect(itemsOf('pre-fatigue "Leg extension" 20')).toMatchObject([
      { load: null, tempo: OPEN_TEMPO },
    ]);
  });

  it.each([
    ["pulse-raiser", "pulseRaiser"],
    ["mobility", "mobility"],
    ["pre-fatigue", "preFatigue"],
    ["stretch", "stretch"],
    ["steady cardio", "steadyCardio"],
    ["intervals", "intervals"],
    ["cool-down", "coolDown"],
    ["self-massage", "selfMassage"],
  ])("%s", (word, kind) => {
    expect(itemsOf(`${word} "Anything" 30 s`)).toMatchObject([
      { kind, name: "Anything", target: { kind: "seconds", min: 30 }, side: { kind: "both" } },
    ]);
  });

  it("have a movement, a side, and how hard they are", () => {
    expect(
      itemsOf(
        'stretch movement "Leg press" 30 s left then right felt 3; pulse-raiser "Bike" 5 min heart 100-120',
      ),
    ).toMatchObject([
      {
        name: "",
        movement: "shipped:leg-press",
        side: { kind: "each", first: "left" },
        intensity: { kind: "felt", outOfTen: 3 },
      },
      {
        target: { kind: "seconds", min: 300, max: 300 },
        intensity: { kind: "heartRate", min: 100, max: 120 },
      },
    ]);
  });

  it("a check names its region and what it adds only for the tight", () => {
    expect(
      itemsOf('check hip-flexors 20 s if tight stretch "Couch stretch" 45 s left then right'),
    ).toMatchObject([
      {
        kind: "tightnessCheck",
        region: "hipFlexors",
        seconds: 20,
        ifTight: { kind: "stretch", name: "Couch stretch", target: { min: 45 } },
      },
    ]);
  });

  it("stand in the rest of a set, one behind the other", () => {
    const { between } = setOf('8 between stretch "Couch" 30 s and mobility "Ankle" 10');
    expect(between.map((item) => item.kind)).toEqual(["stretch", "mobility"]);
  });
});

describe("shorthand", () => {
  const readings = (line: string) => setsOf(line).map(({ target }) => target);
  const reps = (n: number) => ({ kind: "reps", min: n, max: n });
  it.each([
    "10,8,6",
    "10, 8, 6",
    "10/8/6",
    "3 x 10,8,6",
    "10,8,6 reps",
    "10,8,6 RIR 2",
    "warm-up 10,8,6",
  ])("%s is reps of one set after the other", (line) => {
    expect(readings(line)).toEqual([reps(10), reps(8), reps(6)]);
  });

  it("lists two with a slash or a blank, and keeps a comma before a digit decimal elsewhere", () => {
    expect(readings("12/8 at 60,5 kg")).toEqual([reps(12), reps(8)]);
    expect(setOf("12, 8 at 60,5 kg").load).toEqual({ kind: "absolute", reading: kg(60.5) });
    expect(readings("8, 2 RIR")).toEqual([reps(8)]);
    expect(setOf("8, 2 RIR").effort).toBe(2);
    expect(readings("8, 90 s rest")).toEqual([reps(8)]);
  });

  it("does not guess where more or fewer sets are said than reps are listed", () => {
    const read = parseLine("4 x 10,8,6", [], CONTEXT, sampleNewId);
    expect(read).toMatchObject({ error: [{ code: "listCount", sets: 4, listed: 3 }] });
  });

  it.each([
    ["3 x 8 80%", { kind: "shareOfMaximum", share: 0.8, upTo: null }],
    ["3 x 8 at 70-75%", { kind: "shareOfMaximum", share: 0.7, upTo: 0.75 }],
    ["3 x 8 100 kg", { kind: "absolute", reading: kg(100) }],
    ["3x8x82.5", { kind: "absolute", reading: kg(82.5) }],
    ["3x8 x 180 lb", { kind: "absolute", reading: lb(180) }],
  ])("%s is a load without “at”", (line, load) => {
    expect(setsOf(line).map((set) => set.load)).toEqual([load, load, load]);
  });

  it.each(["8 2 RIR", "8 @ RIR 2", "8 @RPE 8", "8 rir 2"])("%s is RIR 2", (line) => {
    expect(setOf(line)).toMatchObject({ effort: 2, target: reps(8) });
  });

  it.each(["8 90s rest", "8 1:30 rest", "8, 90 sec rest"])("%s is a rest", (line) => {
    expect(setOf(line).restAfter).toEqual({ kind: "fixed", seconds: 90 });
  });

  it("keeps seconds of work and a rest after them apart", () => {
    expect(setOf("45 s rest 60")).toMatchObject({
      target: { kind: "seconds", min: 45, max: 45 },
      restAfter: { kind: "fixed", seconds: 60 },
    });
    expect(setOf("8 60-90 s rest").restAfter).toEqual({ kind: "range", min: 60, max: 90 });
  });

  it.each(["3x12/leg", "3 x 12 per leg", "3x12 each leg", "3x12/side", "3 x 12 per side"])(
    "%s is one leg after the other, left first where nothing else is usual",
    (line) => {
      const each = { kind: "each", first: "left", matchFirst: false };
      expect(setsOf(line).map(({ side }) => side)).toEqual([each, each, each]);
      const usual = { kind: "each" as const, first: "right" as const, matchFirst: true };
      const context = { ...CONTEXT, defaults: { ...CONTEXT.defaults, side: usual } };
      const read = parseLine(line, [], context, sampleNewId);
      expect(read.ok && read.value[0]?.side).toEqual(usual);
    },
  );

  it.each(["12 drop set", "12 + drop set", "12 then drop set"])(
    "%s is one drop to 80%%",
    (line) => {
      expect(setOf(line).extensions).toMatchObject([
        { kind: "drop", to: { kind: "share", of: "current", share: 0.8 }, target: reps(12) },
      ]);
    },
  );

  it("says where a drop set goes, as a drop does", () => {
    expect(setOf("12 drop set to 60% of first for 8").extensions).toMatchObject([
      { kind: "drop", to: { kind: "share", of: "first", share: 0.6 }, target: reps(8) },
    ]);
  });

  it.each(["8 tempo 3-1-X-0", "8 tempo 31X0", "8 3-1-x-0", "8 tempo 3/1/X/0"])(
    "%s is four phases, lowering first",
    (line) => {
      expect(setOf(line).tempo).toEqual({ lower: 3, stretch: 1, lift: "explosive", squeeze: 0 });
    },
  );

  it("takes the four numbers as the exercise happens where the studio says so, and writes them so", () => {
    const context = { ...CONTEXT, tempo: shortTempoOrder("asItHappens", "lift") };
    const read = parseLine("8 tempo 2-0-4-1", [], context, sampleNewId);
    if (!read.ok) throw new Error("not read");
    expect(read.value[0]?.tempo).toEqual({ lift: 2, squeeze: 0, lower: 4, stretch: 1 });
    expect(writeLine(read.value, context)).toBe("8 tempo 2-0-4-1");
    expect(writeLine(read.value, CONTEXT)).toBe("8 tempo 4-1-2-0");
  });

  it("refuses a lowering or lifting that takes no time, in short as in words", () => {
    expect(parseLine("8 tempo 0-1-1-0", [], CONTEXT, sampleNewId)).toMatchObject({
      error: [{ code: "noTime", phase: "lower" }],
    });
  });

  it.each(["8 tempo 3-1-1-0 lower 5", "8 lower 5 tempo 3-1-1-0", "8 3-1-1-0 4-1-1-0"])(
    "refuses a phase that is said twice: %s",
    (line) => {
      expect(parseLine(line, [], CONTEXT, sampleNewId)).toMatchObject({
        error: [{ code: "twice", what: "phase" }],
      });
    },
  );

  it("reads the pause by its name, also of older lines", () => {
    expect(setOf("8 lower 3 pause 2").tempo).toEqual(setOf("8 tempo lower 3 stretch 2").tempo);
    expect(writeLine(setsOf("8 lower 3 stretch 2"), CONTEXT)).toBe("8 tempo lower 3 pause 2");
    expect(setOf("total 60 reps pause 30 s tempo pause 2")).toMatchObject({
      target: { kind: "total", pause: 30 },
      tempo: { stretch: 2 },
    });
  });
});

describe("what was typed and is as usual", () => {
  const typed = "3 x 8 at 60 RIR 1 rest 1:15 both";
  it("is written where it is asked for", () => {
    const said = saidIn(typed, CONTEXT, sampleNewId);
    expect(said).toEqual(new Set(["load", "effort", "rest", "side"]));
    expect(writeLine(setsOf(typed), CONTEXT)).toBe("3 x 8 at 60 kg");
    expect(writeLine(setsOf(typed), CONTEXT, said)).toBe("3 x 8 at 60 kg RIR 1 both rest 1:15");
    expect(writeLine(setsOf("warm-up 5 at 40; 8 at 60"), CONTEXT, RIR_SAID)).toBe(
      "warm-up 5 at 40 kg; 8 at 60 kg RIR 1",
    );
  });

  it("is nothing of a line that cannot be read", () => {
    expect(saidIn("3 x what", CONTEXT, sampleNewId)).toEqual(new Set());
  });
});
