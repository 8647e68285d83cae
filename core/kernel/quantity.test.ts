import { describe, expect, it } from "vitest";
import { instant } from "./calendar.ts";
import { ticks } from "./mass.ts";
import { count, degrees, metres, minutes, seconds, share } from "./quantity.ts";

describe("a quantity", () => {
  it.each([
    ["a share", share, [0.0001, 1, 5], [0, -1, 5.0001, Number.NaN, Infinity]],
    ["a count", count, [0, 1, 1000], [-1, 1001, 1.5, Number.NaN]],
    ["a distance", metres, [0, 0.5, 100_000], [-0.1, 100_001, Number.NaN]],
    ["an angle", degrees, [0, 90, 180], [-1, 181, 45.5, Number.NaN]],
    ["a duration", seconds, [0, 0.5, 86_400], [-0.1, Infinity, Number.NaN]],
    ["a duration in minutes", minutes, [0, 0.5, 240], [-0.1, Infinity, Number.NaN]],
    ["a mass in ticks", ticks, [-1, 0, 1e17], [Infinity, Number.NaN]],
    ["an instant", instant, [-8.64e15, 0, 8.64e15], [8.65e15, Infinity, Number.NaN]],
  ] as const)(
    "%s is made within its bounds, both included, and nowhere else",
    (_, brand, good, bad) => {
      for (const n of good) expect(brand(n)).toBe(n);
      for (const n of bad) expect(() => brand(n), String(n)).toThrow(String(n));
    },
  );
});
