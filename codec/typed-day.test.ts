import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addDays, day } from "~/core/kernel/index.ts";
import { formatDay } from "~/format/numbers.ts";
import { readDay, readTypedDay, readTypedTime } from "./typed-day.ts";

// A Wednesday.
const TODAY = day("2026-12-02");

describe("a day as it is typed", () => {
  it.each([
    ["2026-12-24", "2026-12-24"],
    ["24 Dec 2026", "2026-12-24"],
    ["Thu 24 Dec 2026", "2026-12-24"],
    ["thursday, 24 december 2026", "2026-12-24"],
    ["24.12.2026", "2026-12-24"],
    ["24/12/26", "2026-12-24"],
    ["Dec 24 2026", "2026-12-24"],
    ["24 dec", "2026-12-24"],
    ["24.12.", "2026-12-24"],
    ["fri 4 dec", "2026-12-04"],
    ["12 jan", "2027-01-12"],
    ["3 november", "2026-11-03"],
    ["29 feb", "none"],
    ["today", "2026-12-02"],
    ["Tomorrow", "2026-12-03"],
    ["yesterday", "2026-12-01"],
    ["+7", "2026-12-09"],
    ["-3", "2026-11-29"],
    ["wed", "2026-12-02"],
    ["fri", "2026-12-04"],
    ["Tuesday", "2026-12-08"],
    ["31.11.", "none"],
    ["2026-02-30", "none"],
    ["24", "none"],
    ["soon", "none"],
    ["", "none"],
  ])("%s is %s", (typed, means) => {
    expect(readTypedDay(typed, TODAY, "ahead") ?? "none").toBe(means);
  });

  it("a weekday of something that lies back is the last one", () => {
    expect(readTypedDay("fri", TODAY, "back")).toBe("2026-11-27");
    expect(readTypedDay("wed", TODAY, "back")).toBe("2026-12-02");
    expect(readTypedDay("thu", TODAY, "back")).toBe("2026-11-26");
  });

  it("what nobody types is no day, and is told so at once", () => {
    const began = performance.now();
    for (const part of ["9", "a", " ", "jan ", "1.", "mon"]) {
      expect(readDay(part.repeat(20_000))).toBeNull();
      expect(readTypedDay(part.repeat(20_000), TODAY, "ahead")).toBeNull();
    }
    expect(performance.now() - began).toBeLessThan(500);
  });

  it("every day reads back as the pages write it, whatever today is", () => {
    fc.assert(
      fc.property(fc.integer({ min: -20_000, max: 40_000 }), (away) => {
        const on = addDays(TODAY, away);
        expect(readDay(formatDay(on))).toBe(on);
        expect(readTypedDay(formatDay(on), TODAY, "back")).toBe(on);
      }),
    );
  });
});

describe("a time as it is typed", () => {
  it.each([
    ["17:30", "17:30"],
    ["1730", "17:30"],
    ["17.30", "17:30"],
    ["9:05", "09:05"],
    ["5:30 pm", "17:30"],
    ["5pm", "17:00"],
    ["12 am", "00:00"],
    ["12pm", "12:00"],
    ["7", "07:00"],
    ["24:00", null],
    ["13pm", null],
    ["17:60", null],
    ["later", null],
  ])("%s is %s", (typed, means) => {
    expect(readTypedTime(typed)).toBe(means);
  });
});
