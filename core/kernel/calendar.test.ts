import { describe, expect, it } from "vitest";
import {
  addDays,
  day,
  dayAt,
  daysBetween,
  instantAt,
  isDay,
  isTimeZone,
  weekStart,
  instant,
} from "./calendar.ts";

describe("a day", () => {
  it("is a date that exists", () => {
    expect(isDay("2028-02-29")).toBe(true);
    expect(["2027-02-29", "2026-13-01", "2026-3-1", "yesterday"].some(isDay)).toBe(false);
    expect(() => day("2027-02-29")).toThrow("2027-02-29");
  });

  it("is counted across months and the change of the clock", () => {
    expect(addDays(day("2026-03-28"), 2)).toBe("2026-03-30");
    expect(addDays(day("2026-01-01"), -1)).toBe("2025-12-31");
    expect(daysBetween(day("2026-03-28"), day("2026-03-30"))).toBe(2);
  });

  it("depends on the gym's zone, not on the server's", () => {
    const lateEvening = Date.UTC(2026, 10, 25, 23, 30);
    expect(dayAt(instant(lateEvening), "Europe/Vienna")).toBe("2026-11-26");
    expect(dayAt(instant(lateEvening), "America/Chicago")).toBe("2026-11-25");
  });

  it("and a time on the wall give an instant, in summer and winter", () => {
    expect(instantAt(day("2026-07-01"), 18, 30, "Europe/Vienna")).toBe(
      Date.UTC(2026, 6, 1, 16, 30),
    );
    expect(instantAt(day("2026-12-01"), 18, 30, "Europe/Vienna")).toBe(
      Date.UTC(2026, 11, 1, 17, 30),
    );
  });

  it("belongs to the week of the Monday before it", () => {
    expect(weekStart(day("2026-11-25"))).toBe("2026-11-23");
    expect(weekStart(day("2026-11-23"))).toBe("2026-11-23");
    expect(weekStart(day("2026-11-29"))).toBe("2026-11-23");
  });

  it("needs a zone that exists", () => {
    expect(isTimeZone("Europe/Vienna")).toBe(true);
    expect(isTimeZone("Europe/Nowhere")).toBe(false);
  });
});
