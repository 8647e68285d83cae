import { describe, expect, it } from "vitest";
import { share } from "../kernel/index.ts";
import {
  phaseWeekField,
  trainingWeek,
  usualWeek,
  weeksOf,
  type WeekPattern,
} from "./phase-week.ts";

const PATTERN: WeekPattern = {
  weeks: 6,
  isFirstLight: false,
  lighterEvery: null,
  isLastTest: false,
  easierBy: 0,
  fewerBy: 0,
};
const N3 = "normal normal normal";
const kinds = (over: Partial<WeekPattern>) =>
  weeksOf({ ...PATTERN, ...over }).map(({ kind }) => kind);

describe("the weeks of a pattern", () => {
  it.each([
    [{}, "normal normal normal normal normal normal"],
    [{ isFirstLight: true }, "light normal normal normal normal normal"],
    [{ lighterEvery: 3 }, "normal normal lighter normal normal lighter"],
    [{ lighterEvery: 3, isLastTest: true }, "normal normal lighter normal normal test"],
    [{ lighterEvery: 5, isLastTest: true }, "normal normal normal normal normal test"],
    [{ weeks: 1, isFirstLight: true, isLastTest: true }, "test"],
    [{ weeks: 2, lighterEvery: 1 }, "normal lighter"],
    [{ weeks: 9, lighterEvery: "afterHardest" }, N3 + " lighter " + N3 + " lighter normal"],
    [{ lighterEvery: "afterHardest", isFirstLight: true }, `light ${N3} lighter normal`],
    [{ weeks: 5, lighterEvery: "afterHardest", isLastTest: true }, `${N3} normal test`],
    [{ lighterEvery: "afterHardest", easierBy: 4 }, `${N3} normal normal lighter`],
  ] as const)("%o", (over, expected) => {
    expect(kinds(over).join(" ")).toBe(expected);
  });

  it("brings effort down and sets up to what is written over the normal weeks alone", () => {
    const weeks = weeksOf({
      ...PATTERN,
      isFirstLight: true,
      lighterEvery: 4,
      easierBy: 3,
      fewerBy: 1,
    });
    expect(weeks.map(({ kind, effort, sets }) => [kind, effort, sets])).toEqual([
      ["light", 2, -1],
      ["normal", 3, -1],
      ["normal", 2, -1],
      ["lighter", 2, -2],
      ["normal", 1, 0],
      ["normal", 0, 0],
    ]);
  });

  it("builds up anew after each lighter week where one follows the hardest", () => {
    const weeks = weeksOf({
      ...PATTERN,
      weeks: 8,
      lighterEvery: "afterHardest",
      easierBy: 2,
      fewerBy: 1,
    });
    expect(weeks.map(({ kind, effort, sets }) => [kind, effort, sets])).toEqual(
      [1, 2].flatMap(() => [
        ["normal", 2, -1],
        ["normal", 1, -1],
        ["normal", 0, 0],
        ["lighter", 2, -2],
      ]),
    );
  });

  it("asks what is written where there is one normal week only", () => {
    expect(weeksOf({ ...PATTERN, weeks: 1, easierBy: 3, fewerBy: 2 })).toEqual([
      usualWeek("normal"),
    ]);
  });
});

describe("a week", () => {
  it("trains a share of the load only where it is light or lighter", () => {
    expect(phaseWeekField.safeParse({ ...usualWeek("lighter"), load: 0.8 }).success).toBe(true);
    expect(phaseWeekField.safeParse({ ...usualWeek("normal"), load: 0.8 }).success).toBe(false);
    expect(phaseWeekField.safeParse({ ...usualWeek("test"), load: 0.8 }).success).toBe(false);
  });

  it("keeps its changes within what a week can have", () => {
    for (const bad of [{ sets: 11 }, { effort: 5 }, { effort: -4 }, { load: share(0.2) }])
      expect(phaseWeekField.safeParse({ ...usualWeek("light"), ...bad }).success).toBe(false);
  });

  it("knows how many weeks ago the last lighter one was", () => {
    const weeks = [usualWeek("light"), ...Array.from({ length: 3 }, () => usualWeek("normal"))];
    expect([1, 2, 4].map((n) => trainingWeek(weeks, n))).toEqual([
      { number: 1, kind: "light", sinceLighter: null },
      { number: 2, kind: "normal", sinceLighter: 1 },
      { number: 4, kind: "normal", sinceLighter: 3 },
    ]);
  });
});
