import { describe, expect, it } from "vitest";
import { kg, type Region, type StickingPoint } from "../kernel/index.ts";
import { UNSAID_OBSERVATIONS } from "../log/index.ts";
import { curveFrom, seenIn } from "./seen.ts";
import { sampleContext, sampleExposed, sampleExposure } from "../../tests/samples/index.ts";

const stuck = (...points: readonly (StickingPoint | null)[]) =>
  sampleExposure(
    points.map((stuckAt) =>
      sampleExposed(kg(100), 8, 0, { observed: { ...UNSAID_OBSERVATIONS, stuckAt } }),
    ),
  );
const feltIn = (regions: readonly (Region | null)[], setUp: Record<string, string> = {}) =>
  sampleExposure(
    regions.map((felt) =>
      sampleExposed(kg(100), 8, 2, { observed: { ...UNSAID_OBSERVATIONS, feltIn: felt } }),
    ),
    { context: sampleContext({ movement: "shipped:leg-press", setUp }) },
  );
const feltOf = (...sessions: readonly ReturnType<typeof feltIn>[]) =>
  seenIn(new Map([["key", sessions]]))["key"]?.felt ?? null;

describe("where an exercise is hardest", () => {
  it.each([
    ["three sets say too little", [stuck("top", "top", "top")], null],
    ["four agree, in two sessions", [stuck("top", "top"), stuck("top", null, "top")], "top"],
    ["three of four agree", [stuck("top", "top", "top", "bottom")], "top"],
    ["two of four do not", [stuck("top", "top", "bottom", "middle")], null],
    [
      "eight that do not agree",
      [stuck("top", "bottom", "top", "bottom"), stuck("top", "bottom", "middle", "middle")],
      "even",
    ],
    ["nobody said", [stuck(null, null, null, null)], null],
  ])("%s", (_, sessions, curve) => {
    expect(curveFrom(sessions)).toBe(curve);
  });

  it("forgets what is more than ten sessions ago", () => {
    const later = Array.from({ length: 10 }, () => stuck("bottom"));
    expect(curveFrom([stuck("top", "top", "top", "top"), ...later])).toBe("bottom");
  });
});

describe("where an exercise is felt", () => {
  const knee = { "Foot height": "low" };
  it("is known once two sessions behind each other say the same, with the set-up of the last", () => {
    const glutes = ["upperBack", null] as const;
    expect(feltOf(feltIn(glutes), feltIn(glutes, knee))).toEqual({
      region: "upperBack",
      setUp: knee,
    });
    expect(feltOf(feltIn(glutes))).toBeNull();
    expect(feltOf(feltIn(glutes), feltIn([null]))).toBeNull();
    expect(feltOf(feltIn(glutes), feltIn(["trunk"]))).toBeNull();
  });
});
