import { describe, expect, it } from "vitest";
import { day } from "../kernel/index.ts";
import { sampleId } from "../../tests/samples/index.ts";
import { samplePhase, samplePhaseDay } from "../../tests/samples/phase.ts";
import { writtenSlot } from "../../tests/samples/trained.ts";
import { dateOf, endOf, inOrder, lostChanges, overlaps, phaseSchema, weekAt } from "./phase.ts";
import { usualWeek } from "./phase-week.ts";

const squat = writtenSlot("3 x 8 at 100");
const monday = samplePhaseDay(1, squat);
const thursday = samplePhaseDay(4, squat);

describe("the dates of a phase", () => {
  it("has each day on its weekday, week by week", () => {
    const phase = samplePhase([monday, thursday]);
    expect([1, 2].map((week) => dateOf(phase, thursday, week))).toEqual([
      "2026-03-05",
      "2026-03-12",
    ]);
    expect(endOf(phase)).toBe("2026-03-29");
  });

  it("begins its weeks on the day on which it starts, also in the middle of one", () => {
    const phase = samplePhase([monday, thursday], { start: day("2026-03-04") });
    expect(dateOf(phase, thursday, 1)).toBe("2026-03-05");
    expect(dateOf(phase, monday, 1)).toBe("2026-03-09");
    expect(inOrder(phase).map(({ weekday }) => weekday)).toEqual([4, 1]);
  });

  it("goes over the end of a year and of summer time", () => {
    const phase = samplePhase([monday], { start: day("2026-12-21") });
    expect(dateOf(phase, monday, 3)).toBe("2027-01-04");
    const spring = samplePhase([samplePhaseDay(7, squat)], { start: day("2026-03-23") });
    expect(dateOf(spring, samplePhaseDay(7, squat), 2)).toBe("2026-04-05");
  });

  it.each([
    ["2026-03-01", 0],
    ["2026-03-02", 1],
    ["2026-03-08", 1],
    ["2026-03-09", 2],
    ["2026-03-29", 4],
    ["2026-03-30", 5],
  ])("%s lies in week %i", (on, week) => {
    expect(weekAt(samplePhase([monday]), day(on))).toBe(week);
  });

  it("overlaps with a phase that begins on its last day, not with one that begins on the next", () => {
    const phase = samplePhase([monday]);
    expect(overlaps(phase, { ...phase, start: day("2026-03-29") })).toBe(true);
    expect(overlaps(phase, { ...phase, start: day("2026-03-30") })).toBe(false);
    expect(overlaps({ ...phase, start: day("2026-03-30") }, phase)).toBe(false);
  });
});

describe("the document of a phase", () => {
  const week = usualWeek("normal");
  it.each([
    ["no week", { weeks: [] }],
    ["200 weeks", { weeks: Array.from({ length: 200 }, () => week) }],
    ["no day", { days: [] }],
    ["two sessions on one weekday", { days: [monday, { ...thursday, weekday: 1 }] }],
    ["one day twice", { days: [monday, { ...monday, weekday: 2 }] }],
    ["an eighth weekday", { days: [{ ...monday, weekday: 8 }] }],
    ["a date that does not exist", { start: "2026-02-30" }],
    ["a change in week 0", { changes: [{ ...change(0), week: 0 }] }],
  ])("does not take %s", (_, over) => {
    expect(phaseSchema.safeParse(samplePhase([monday])).success).toBe(true);
    expect(phaseSchema.safeParse({ ...samplePhase([monday]), ...over }).success).toBe(false);
  });

  it("tells the changes whose line, week or day is gone", () => {
    const own = change(2);
    const lost = [
      { ...own, line: sampleId<"line">(1) },
      { ...own, week: 5 },
      { ...own, day: sampleId<"phaseDay">(1) },
    ];
    expect(lostChanges(samplePhase([monday], { changes: [own, ...lost] }))).toEqual(lost);
  });
});

function change(week: number) {
  const [set] = squat.sets;
  if (set === undefined) throw new Error("no set");
  const edit = { kind: "setsBy", by: -1 } as const;
  return { day: monday.id, lineage: squat.lineageId, line: set.line, week, edit };
}
