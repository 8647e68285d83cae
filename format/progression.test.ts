import { describe, expect, it } from "vitest";
import { kg } from "~/core/kernel/index.ts";
import type { RuledLine } from "~/core/progress/index.ts";
import { formatRuling } from "./progression.ts";

const RULED: RuledLine = {
  decision: "accepted",
  way: null,
  chosen: kg(102.5),
  reason: "",
  shown: { move: "raise", reading: kg(102.5), from: kg(100), changes: [] },
};

describe("what a coach said of a proposal", () => {
  it("is what was shown, the way that was taken instead, or another load with its reason", () => {
    expect(formatRuling(RULED)).toBe("Accepted: Raise to 102.5 kg.");
    expect(formatRuling({ ...RULED, way: "moreReps", chosen: kg(100) })).toBe("More reps: 100 kg.");
    const changed = { ...RULED, decision: "overruled", chosen: kg(95), reason: "slept badly" };
    expect(formatRuling({ ...changed, decision: "overruled" })).toBe(
      "Changed: 95 kg. “slept badly”",
    );
    expect(formatRuling({ ...RULED, decision: "overruled", chosen: null, reason: "by feel" })).toBe(
      "Changed. “by feel”",
    );
  });
});
