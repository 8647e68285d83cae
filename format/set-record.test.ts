import { describe, expect, it } from "vitest";
import { kg, seconds, type Mass } from "~/core/kernel/index.ts";
import { UNSAID_CONDITIONS, UNSAID_OBSERVATIONS } from "~/core/log/index.ts";
import { OPEN_TEMPO } from "~/core/plan/index.ts";
import { formatCheckIn, formatSetRecord } from "./set-record.ts";
import { MUSCLES } from "./muscles.ts";

const UNSAID = { limiter: null, conditions: UNSAID_CONDITIONS, observed: UNSAID_OBSERVATIONS };

describe("what was said of a set", () => {
  it("is nothing where nothing was said", () => {
    expect(formatSetRecord(UNSAID, MUSCLES.coach)).toEqual([]);
  });

  it("is told whole, a fault with its repetition, in the coach's words", () => {
    expect(
      formatSetRecord(
        {
          limiter: "grip",
          conditions: {
            setUp: { "Foot height": "high" },
            tempo: { ...OPEN_TEMPO, lower: 3, lift: "explosive" },
            range: "stretched",
            restBefore: seconds(95),
            gear: ["belt"],
            helper: "spotter",
          },
          observed: {
            faults: [
              { fault: "kneesCave", fromRep: 7 },
              { fault: "bounce", fromRep: null },
            ],
            held: seconds(2),
            feltIn: "adductors",
            stuckAt: "bottom",
          },
        },
        MUSCLES.coach,
      ),
    ).toEqual([
      "the knees cave in from rep 7",
      "it bounces",
      "grip gave out first",
      "felt in adductors",
      "stuck at the bottom",
      "held 2 s",
      "short range, stretched end",
      "lower 3 s · lift fast",
      "foot height high",
      "with belt",
      "with a spotter",
      "after 95 s rest",
    ]);
  });

  it("begins with the check-in: body weight, readiness, or that nothing was said", () => {
    const said = (bodyWeight: Mass | null, readiness: number | null) =>
      formatCheckIn({ kind: "checkIn", bodyWeight, readiness });
    expect(said(kg(80.5), 4)).toBe("80.5 kg, readiness 4 of 5");
    expect(said(null, 1)).toBe("readiness 1 of 5");
    expect(said(null, null)).toBe("nothing said");
  });

  it("tells a clean set and none of anything apart from what nobody said", () => {
    expect(
      formatSetRecord(
        {
          ...UNSAID,
          conditions: { ...UNSAID_CONDITIONS, gear: [] },
          observed: { ...UNSAID_OBSERVATIONS, faults: [] },
        },
        MUSCLES.coach,
      ),
    ).toEqual(["no fault seen", "no gear"]);
  });
});
