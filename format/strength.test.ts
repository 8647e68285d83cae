import { describe, expect, it } from "vitest";
import {
  strengthRecordOf,
  PLAIN_STRICTNESS,
  USUAL_RULES,
  type NoEstimate,
} from "~/core/progress/index.ts";
import { kg, seconds } from "~/core/kernel/index.ts";
import {
  sampleExposed,
  sampleExposure,
  sampleId,
  sampleSet,
  sampleSlot,
  sampleUnrollContext,
  sampleDrop,
  sampleStation,
} from "../tests/samples/index.ts";
import { unrollSlot } from "~/core/unroll/index.ts";
import { formatSetsOfLoad } from "./loading-plan.ts";
import { formatRamp, formatRampReasons } from "./ramp.ts";
import { formatKnown, formatNoEstimate, strictnessExamples } from "./strength.ts";

describe("what is known of somebody's strength", () => {
  const known = (reading: number, reps: number, rir: 0 | 2 | "unknown") =>
    strengthRecordOf(
      [sampleExposure([sampleExposed(kg(reading), reps, rir)], { sessionLogId: sampleId(1) })],
      null,
      USUAL_RULES,
    );

  it("is the estimate with its range, to half a kilogram", () => {
    // 100 × (1 + 5 ⁄ 30) is 116.7; 3.2 % for the reps and 3 % for the curve on either side.
    expect(formatKnown(known(100, 5, 0))).toBe(
      "estimated 1RM 116.5 kg (109.5 kg to 124 kg), including bar, sled or body weight",
    );
  });

  it("says what was taken where no RIR was logged", () => {
    expect(formatKnown(known(100, 5, "unknown"))).toContain("taking RIR 2 where none was logged");
  });

  it("says why there is none, and nothing where nothing is known", () => {
    expect(formatKnown(known(60, 20, 2))).toBe("no estimate: 22 possible reps are more than 15");
    expect(formatKnown(null)).toBeNull();
  });

  it.each<readonly [NoEstimate, string]>([
    [{ code: "totalUnknown" }, "no estimate: bar, sled or body weight is unknown here"],
    [{ code: "repsUnknown" }, "no estimate: reps were not counted"],
    [{ code: "noReps" }, "no estimate: no full rep"],
    [{ code: "afterExtension", after: "drop" }, "no estimate after a drop"],
    [{ code: "afterExtension", after: "restPause" }, "no estimate after a rest-pause"],
    [{ code: "partials" }, "no estimate from partial reps"],
    [
      { code: "shortRest", rest: seconds(40), least: 60 },
      "no estimate: only 40 s of rest before, less than 60 s",
    ],
  ])("%j", (why, text) => {
    expect(formatNoEstimate(why)).toBe(text);
  });
});

describe("a ramp", () => {
  const reasons = {
    isIsolation: false,
    reps: 5,
    distance: 5.04,
    setsBefore: 2,
    preFatigued: false,
  };

  it("says what its rule counted, and leaves out what is not known", () => {
    expect(formatRampReasons(reasons)).toBe(
      "compound lift, at least 5 reps, 5.0 times the lightest load, 2 hard sets for these regions before",
    );
    expect(
      formatRampReasons({
        isIsolation: true,
        reps: null,
        distance: null,
        setsBefore: 0,
        preFatigued: true,
      }),
    ).toBe("isolation, 0 hard sets for these regions before, after a light pre-fatigue");
  });

  it("is offered by its length", () => {
    expect(formatRamp(3)).toBe("Add 3 warm-up sets");
    expect(formatRamp(0)).toBe("Remove the warm-up sets");
  });
});

describe("which sets a load is for", () => {
  const slot = sampleSlot([
    sampleSet(1),
    sampleSet(2),
    sampleSet(3, { extensions: [sampleDrop(9, "current", 0.8)] }),
  ]);
  const steps = unrollSlot(slot, sampleUnrollContext([sampleStation()]));

  it("is one set, several, or what follows one", () => {
    expect(formatSetsOfLoad(steps.slice(0, 1))).toBe("set 1");
    expect(formatSetsOfLoad(steps.slice(0, 3))).toBe("sets 1 to 3");
    expect(formatSetsOfLoad(steps.slice(3))).toBe("behind set 3");
  });
});

describe("what a rule for stricter repetitions takes off", () => {
  it("is told by three usual ways, and never more than its most", () => {
    expect(strictnessExamples(PLAIN_STRICTNESS)).toEqual([
      "lowering over 5 s takes 4% off",
      "a squeeze of 2 s in every rep 5%",
      "8 s down with 3 s in the stretch 17.5%",
    ]);
    expect(strictnessExamples({ ...PLAIN_STRICTNESS, most: 0.05 })[2]).toContain("5%");
  });
});
