import { describe, expect, it } from "vitest";
import { count, share } from "../kernel/index.ts";
import type { ProgressionRule } from "../plan/index.ts";
import { sampleFacts, samplePhase, samplePhaseDay, trainNext } from "../../tests/samples/phase.ts";
import { sampleNewId } from "../../tests/samples/index.ts";
import { writtenSlot } from "../../tests/samples/trained.ts";
import { slotsOf } from "../plan/index.ts";
import { usualWeek } from "./phase-week.ts";
import { project } from "./project.ts";
import { longTapers } from "./tapers.ts";

/** From eight repetitions by twos to two, a step heavier each time: 8, 6, 4, 2 and the test. */
const TAPER: ProgressionRule = {
  kind: "taper",
  min: count(2),
  max: count(8),
  by: count(2),
  steps: count(1),
  lighter: share(0.8),
};
const DAY = samplePhaseDay(1, writtenSlot("3 x 8 at 100", { progression: TAPER }));
const phaseOf = (...kinds: readonly ("normal" | "light" | "test")[]) =>
  samplePhase([DAY], { weeks: kinds.map(usualWeek) });
const normal = (weeks: number) => Array.from({ length: weeks }, () => "normal" as const);

describe("a taper longer than its phase", () => {
  it("is one whose test the projection does not reach", () => {
    const isTested = (weeks: number) => {
      const phase = phaseOf(...normal(weeks));
      let facts = sampleFacts();
      for (let i = 0; i < weeks - 1; i += 1) facts = trainNext(phase, facts);
      const last = project(phase, facts, sampleNewId).at(-1);
      return slotsOf(last!.plan)[0]?.sets[0]?.target.kind === "limit";
    };
    expect([4, 5].map(isTested)).toEqual([false, true]);
    expect(longTapers(phaseOf(...normal(5)))).toEqual([]);
    expect(longTapers(phaseOf(...normal(4)))).toEqual([
      { movement: "shipped:back-squat", takes: 5, has: 4, isTested: false },
    ]);
  });

  it("has no session in a light week, nor in one without the exercise", () => {
    expect(longTapers(phaseOf("light", ...normal(4)))).toMatchObject([{ has: 4 }]);
    const [slot] = slotsOf(DAY.session);
    const spans = [{ day: DAY.id, lineage: slot!.lineageId, from: 1, to: 3 }];
    expect(longTapers({ ...phaseOf(...normal(6)), spans })).toMatchObject([{ has: 3 }]);
  });

  it("says where a week for testing brings the test forward", () => {
    expect(longTapers(phaseOf(...normal(3), "test"))).toMatchObject([{ has: 4, isTested: true }]);
    const other = samplePhaseDay(1, writtenSlot("3 x 8 at 100"));
    expect(longTapers(samplePhase([other]))).toEqual([]);
  });
});
