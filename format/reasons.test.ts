import { describe, expect, it } from "vitest";
import { idOf, kg, seconds } from "~/core/kernel/index.ts";
import type { Difference } from "~/core/log/index.ts";
import { OPEN_TEMPO, type Measure } from "~/core/plan/index.ts";
import { sampleId } from "~/tests/samples/index.ts";
import { formatDifference, formatReason } from "./reasons.ts";
import { MUSCLES } from "./muscles.ts";

const DEEPER: Difference = {
  aspect: "setUp",
  direction: "harder",
  name: "Depth",
  from: "to parallel",
  to: "below parallel",
};

describe("a difference to last time", () => {
  it.each<readonly [Difference, string]>([
    [DEEPER, "depth below parallel, was to parallel (harder)"],
    [
      { aspect: "movement", direction: "other", from: "shipped:a", to: "shipped:b" },
      "another exercise (different)",
    ],
    [
      { aspect: "station", direction: "other", from: sampleId(1), to: idOf(sampleId(2)) },
      "other equipment (different)",
    ],
    [{ aspect: "loading", direction: "other" }, "the equipment changed since (different)"],
    [
      { aspect: "range", direction: "easier", from: "full", to: "stretched" },
      "short range, stretched end, was full range (easier)",
    ],
    [
      { aspect: "tempo", direction: "harder", from: OPEN_TEMPO, to: { ...OPEN_TEMPO, lower: 4 } },
      "tempo lower 4 s, was no set tempo (harder)",
    ],
    [
      { aspect: "rest", direction: "harder", from: seconds(120), to: seconds(60) },
      "rest 60 s, was 120 s (harder)",
    ],
    [
      { aspect: "order", direction: "harder", from: 1, to: 9 },
      "9 hard sets before it, was 1 (harder)",
    ],
    [
      { aspect: "order", direction: "easier", from: 9, to: 1 },
      "1 hard set before it, were 9 (easier)",
    ],
    [
      {
        aspect: "gear",
        direction: "easier",
        from: [],
        to: [
          { name: "belt", fromSet: 3 },
          { name: "straps", fromSet: 1 },
        ],
      },
      "with belt from set 3 and straps, was without gear (easier)",
    ],
    [
      { aspect: "helper", direction: "easier", from: "alone", to: "spotter" },
      "with a spotter, was alone (easier)",
    ],
    [
      { aspect: "bodyWeight", direction: "harder", from: kg(80), to: kg(82.5) },
      "body weight 82.5 kg, was 80 kg (harder)",
    ],
    [
      { aspect: "faults", direction: "other", came: ["bounce"], went: ["kneesCave"] },
      "new fault: it bounces, fault gone: the knees cave in (different)",
    ],
    [
      { aspect: "held", direction: "easier", from: seconds(4), to: seconds(2) },
      "held 2 s in all, was 4 s (easier)",
    ],
  ])("%j", (difference, text) => {
    expect(formatDifference(difference)).toBe(text);
  });
});

describe("what a one-way comparison comes to", () => {
  const said = (
    code: "harderConditions" | "easierConditions",
    before: number | null,
    now: number | null,
    measure: Measure = "reps",
  ) =>
    formatReason(
      {
        code,
        differences: [DEEPER],
        inAll: before === null || now === null ? null : { measure, before, now },
      },
      MUSCLES.coach,
    );

  it("is progress at no fewer reps under harder conditions, and else no loss", () => {
    const what = "Depth below parallel, was to parallel: harder than last time.";
    expect(said("harderConditions", 10, 10)).toBe(`${what} 10 reps in all after 10: progress.`);
    expect(said("harderConditions", 10, 9)).toBe(
      `${what} 9 reps in all after 10: no loss; 10 would have been progress.`,
    );
    expect(said("harderConditions", 40, 45, "seconds")).toBe(
      `${what} 45 s in all after 40: progress.`,
    );
    expect(said("harderConditions", null, 9)).toBe(
      `${what} An equal or better result is progress; a worse one proves nothing.`,
    );
  });

  it("is a loss at fewer reps under easier conditions, and else no proof", () => {
    const what = "Depth below parallel, was to parallel: easier than last time.";
    expect(said("easierConditions", 10, 9)).toBe(`${what} 9 reps in all after 10: a loss.`);
    expect(said("easierConditions", 10, 10)).toBe(
      `${what} 10 reps in all after 10: no proof of progress.`,
    );
    expect(said("easierConditions", 10, null)).toBe(
      `${what} A worse result is a loss; a better one proves nothing.`,
    );
  });
});
