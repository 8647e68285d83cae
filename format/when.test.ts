import { describe, expect, it } from "vitest";
import { day, kg } from "~/core/kernel/index.ts";
import type { NoProjection, Projection } from "~/core/progress/index.ts";
import { formatArrival, formatArrivalBecause, formatNoProjection } from "./when.ts";

const LAST = day("2026-11-02");
const projection = (over: Partial<Projection> = {}): Projection => ({
  asked: kg(140),
  reading: kg(140),
  sessions: { earliest: 6, likely: 9, latest: 15 },
  daysEach: 7,
  withoutSteps: 6,
  yearRate: 0.004,
  steps: 3,
  implausible: null,
  rate: { low: 0.003, likely: 0.006, high: 0.009, noise: 0.02, now: 5, sessions: 12 },
  ...over,
});

describe("when a load will come, in words", () => {
  it("is a day and so many weeks, with the range and what it rests on", () => {
    expect(formatArrival(projection(), LAST)).toBe("Around Mon 4 Jan 2027, in 9 weeks");
    expect(formatArrivalBecause(projection(), LAST)).toEqual([
      "Four times out of five between Mon 14 Dec 2026 and Mon 15 Feb 2027.",
      "The rate so far: about 0.6% a session (0.3% to 0.9%), from 12 sessions that compare, one every 7 days.",
      "3 steps to go: each load has to come to the top of its range first. In steps of any size it would be week 6, not week 9.",
    ]);
  });

  it("says what is not made, what is open, and what would change what does not arrive", () => {
    const far = projection({
      asked: kg(141),
      reading: kg(142.5),
      sessions: { earliest: 80, likely: null, latest: null },
      yearRate: 0.011,
    });
    expect(formatArrival(far, LAST)).toBe("Not within two years");
    const texts = formatArrivalBecause(far, LAST);
    expect(texts[0]).toBe("Not before Mon 15 May 2028; how late is open.");
    expect(texts[2]).toBe("141 kg is not made here; 142.5 kg is the next load that is.");
    expect(texts[3]).toContain("about 1.1% a session");
    const coarse = projection({ implausible: { from: kg(60), to: kg(70), share: 1 / 6 } });
    expect(formatArrivalBecause(coarse, LAST)[2]).toContain("from 60 kg to 70 kg is 16.7%");
    const never = projection({ sessions: { earliest: null, likely: null, latest: null } });
    expect(formatArrivalBecause(never, LAST)[0]).toContain("longer than that");
  });

  it("is a reason and what to do where nothing is said", () => {
    const all: readonly NoProjection[] = [
      { code: "met" },
      { code: "beyondStation", heaviest: kg(200) },
      { code: "cannotTell", unknown: "reps" },
      { code: "cannotTell", unknown: "total" },
      { code: "cannotTell", unknown: "load" },
      { code: "tooFew", sessions: 2 },
      { code: "stalled", sessions: 5 },
    ];
    for (const why of all) expect(formatNoProjection(why)).toMatch(/^[A-Z0-9].*\.$/);
  });
});
