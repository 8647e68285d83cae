import { describe, expect, it } from "vitest";
import { findMovement } from "../movement/catalogue/index.ts";
import { OPEN_TEMPO } from "../plan/index.ts";
import type { Level } from "./brief.ts";
import type { Stances } from "./questions.ts";
import { defaultsFor, isIsolation, orderRank, wantedLength, weeklyBands } from "./settings.ts";
import { findShippedApproach } from "./shipped-approaches.ts";

const middle = findShippedApproach("shipped:even-ground")!.stances;
const movement = (slug: string) => findMovement(`shipped:${slug}`)!;
const [squat, extension, curl, calf] = [
  "back-squat",
  "leg-extension",
  "seated-leg-curl",
  "standing-calf-raise",
].map(movement);
const of = (over: Partial<Stances>, which = squat!, level: Level = "trained") =>
  defaultsFor(which, { stances: { ...middle, ...over } }, level);

describe("how hard a new exercise begins", () => {
  it.each<readonly [Stances["effort"], readonly unknown[], readonly unknown[]]>([
    ["reserve", [2, 2], [2, 1]],
    ["lastSet", [2, 0], [2, 0]],
    ["isolationOnly", [2, 2], [0, 0]],
    ["everything", [0, 0], [0, 0]],
  ])(
    "%s: a squat leaves %j, an extension %j in the sets and the last",
    (effort, compound, isolated) => {
      const pair = ({ effort: sets, lastEffort }: ReturnType<typeof of>) => [sets, lastEffort];
      expect(pair(of({ effort }))).toEqual(compound);
      expect(pair(of({ effort }, extension))).toEqual(isolated);
    },
  );
});

describe("how many sets and reps", () => {
  it.each<readonly [Stances["volume"], number]>([
    ["few", 2],
    ["moderate", 3],
    ["high", 4],
  ])("%s volume begins with %i sets", (volume, sets) => {
    expect(of({ volume }).sets).toBe(sets);
  });

  it.each([
    ["a squat with long rest", of({ rest: "long" }), 4, 6],
    ["an extension with long rest", of({ rest: "long" }, extension), 8, 12],
    ["a squat with two minutes", of({ rest: "twoMinutes" }), 6, 10],
    ["an extension with two minutes", of({ rest: "twoMinutes" }, extension), 10, 15],
    ["heavy calves", of({ calfRepetitions: "heavy" }, calf), 6, 10],
    ["high-rep calves", of({ calfRepetitions: "highRep" }, calf), 10, 20],
    ["heavy curls", of({ curlRepetitions: "low" }, curl), 6, 10],
    ["curls, never few", of({ curlRepetitions: "eightUp" }, curl), 8, 12],
  ])("%s: %# ", (_, { target }, min, max) => {
    expect(target).toEqual({ kind: "reps", min, max });
  });
});

describe("how an exercise moves on where nobody says", () => {
  it("is reps first, but for a beginner's compound lift where load must rise, and isolation to the limit", () => {
    const kind = (...args: Parameters<typeof of>) => of(...args).progression.kind;
    const must = { load: "mustRise" } as const;
    expect(kind(must, squat, "beginner")).toBe("smallestStep");
    expect(kind(must, squat, "trained")).toBe("doubleProgression");
    expect(kind(must, extension, "beginner")).toBe("doubleProgression");
    expect(kind({ load: "oneIndicator" }, squat, "beginner")).toBe("doubleProgression");
    expect(of({ effort: "everything" }, extension).progression).toEqual({
      kind: "beatLast",
      by: 1,
      from: 10,
    });
    expect(kind({ effort: "everything" })).toBe("doubleProgression");
    expect(kind({ effort: "everything" }, movement("wall-sit"))).toBe("doubleProgression");
  });
});

describe("how long the rest, how slow the repetition", () => {
  it.each<readonly [Stances["rest"], unknown, unknown]>([
    ["none", { kind: "fixed", seconds: 20 }, { kind: "fixed", seconds: 20 }],
    ["seconds", { kind: "fixed", seconds: 60 }, { kind: "fixed", seconds: 45 }],
    ["twoMinutes", { kind: "fixed", seconds: 120 }, { kind: "fixed", seconds: 90 }],
    ["long", { kind: "range", min: 180, max: 300 }, { kind: "range", min: 180, max: 180 }],
    ["breath", { kind: "breath", likely: 150 }, { kind: "breath", likely: 90 }],
  ])("%s: a squat %j, an extension %j", (rest, compound, isolated) => {
    expect(of({ rest }).rest).toEqual(compound);
    expect(of({ rest }, extension).rest).toEqual(isolated);
  });

  it.each<readonly [Stances["tempo"], unknown]>([
    ["continuous", { lower: 2, stretch: 0, lift: 1, squeeze: 0 }],
    ["pauses", { lower: 2, stretch: 1, lift: 1, squeeze: 1 }],
    ["slowLowering", { lower: 4, stretch: 1, lift: 1, squeeze: 0 }],
    ["lessLoad", OPEN_TEMPO],
  ])("%s: %j", (tempo, phases) => {
    expect(of({ tempo }).tempo).toEqual(phases);
  });
});

describe("what is isolation", () => {
  it.each([
    ["back-squat", false],
    ["leg-press", false],
    ["romanian-deadlift", false],
    ["barbell-hip-thrust", false],
    ["leg-extension", true],
    ["seated-leg-curl", true],
    ["standing-calf-raise", true],
  ])("%s: %s", (slug, is) => {
    expect(isIsolation(movement(slug))).toBe(is);
  });
});

describe("what else a school settles", () => {
  it("wants the stretch, the squeeze, or all lengths alike", () => {
    expect(wantedLength({ ...middle, emphasis: "stretch" })).toBe("stretched");
    expect(wantedLength({ ...middle, emphasis: "squeeze" })).toBe("shortened");
    expect(wantedLength({ ...middle, emphasis: "allLengths" })).toBeNull();
  });

  it("asks nothing of the rectus femoris where extensions are light work only, and keeps the ceiling", () => {
    const usual = weeklyBands({ ...middle, kneeExtension: "everyWeek" }).rectusFemoris;
    const light = weeklyBands({ ...middle, kneeExtensionEffort: "lightOnly" }).rectusFemoris;
    const seldom = weeklyBands({ ...middle, kneeExtension: "sometimes" }).rectusFemoris;
    expect(usual.low).toBeGreaterThan(0);
    expect(seldom).toEqual(light);
    expect(light).toEqual({ low: 0, high: usual.high });
  });

  it.each([
    ["back-squat", 1],
    ["leg-press", 2],
    ["walking-lunge", 3],
    ["single-leg-press", 4],
    ["leg-extension", 5],
    ["dead-bug", 7],
    ["standing-calf-raise", 8],
  ])("puts %s at place %i of compounds first", (slug, rank) => {
    expect(orderRank(movement(slug), { ...middle, order: "compoundFirst" })).toBe(rank);
  });

  it.each<readonly [Stances["order"], readonly string[]]>([
    ["compoundFirst", ["squat", "extension", "curl", "calf"]],
    ["isolationFirst", ["extension", "curl", "squat", "calf"]],
    ["kneeFlexionFirst", ["curl", "squat", "extension", "calf"]],
    ["hamstringsLast", ["squat", "extension", "curl", "calf"]],
    ["calvesFirst", ["calf", "squat", "extension", "curl"]],
  ])("%s: %j", (order, names) => {
    const ranked = Object.entries({ squat, extension, curl, calf })
      .map(([name, m]) => ({ name, rank: orderRank(m!, { ...middle, order }) }))
      .toSorted((a, b) => a.rank - b.rank);
    expect(ranked.map(({ name }) => name)).toEqual(names);
  });
});

describe("an isolation", () => {
  it.each([
    ["leg-extension", true],
    ["seated-leg-curl", true],
    ["back-squat", false],
    ["romanian-deadlift", false],
    ["barbell-hip-thrust", false],
  ])("%s: %s", (slug, is) => {
    expect(isIsolation(movement(slug))).toBe(is);
  });

  it("is a thrust only where neither bar nor loaded machine lies on it", () => {
    const thrust = movement("barbell-hip-thrust");
    const loaded = (...loadings: (typeof thrust)["loadings"][number][]) =>
      isIsolation({ ...thrust, jointActions: ["hipExtension"], loadings });
    expect(loaded("bodyweight", "band")).toBe(true);
    expect(loaded("bodyweight", "bar")).toBe(false);
    expect(loaded("plateMachine", "band")).toBe(false);
  });
});

it("conditioning and mobility come last, whatever the approach", () => {
  const last = { ...squat!, pattern: "conditioning" } as const;
  const also = { ...squat!, pattern: "mobility" } as const;
  for (const order of ["compoundFirst", "calvesFirst"] as const) {
    expect(orderRank(last, { ...middle, order })).toBe(9);
    expect(orderRank(also, { ...middle, order })).toBe(9);
    expect(orderRank(squat!, { ...middle, order })).toBeLessThan(9);
  }
});
