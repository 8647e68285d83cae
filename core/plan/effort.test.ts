import { describe, expect, it } from "vitest";
import { hardnessOf, isEffortSpan, isRir, repsLeft, RIR_VALUES, type Rir } from "./effort.ts";

describe("reps in reserve", () => {
  it.each<readonly [Rir, number | null, string]>([
    ["past", 0, "hard"],
    [0, 0, "hard"],
    [0.5, 0.5, "hard"],
    [4, 4, "hard"],
    [4.5, 4.5, "easy"],
    [5, 5, "easy"],
    ["more", 6, "easy"],
    ["unknown", null, "unknown"],
  ])("%s are %s reps for arithmetic, and %s", (rir, left, hardness) => {
    expect(repsLeft(rir)).toBe(left);
    expect(hardnessOf(rir)).toBe(hardness);
  });

  it("are a range from fewer to more, both said as numbers", () => {
    expect([isEffortSpan(1, 2), isEffortSpan(2, 2), isEffortSpan(2, 1)]).toEqual([
      true,
      false,
      false,
    ]);
    expect([isEffortSpan("past", 2), isEffortSpan(1, "more")]).toEqual([false, false]);
  });

  it("go by halves from none to five, and no further", () => {
    const numbers = RIR_VALUES.filter((rir) => typeof rir === "number");
    expect(numbers).toEqual([0, 0.5, 1, 1.5, 2, 2.5, 3, 3.5, 4, 4.5, 5]);
    expect([0.25, 5.5, -1, "0", null, "many", Number.NaN].some(isRir)).toBe(false);
    expect(RIR_VALUES.every(isRir)).toBe(true);
  });
});
