import { describe, expect, it } from "vitest";
import { approachOf, exercise, FULL_GYM } from "~/tests/arbitrary/session.ts";
import { EMPTY_BRIEF } from "../person/index.ts";
import { project, usualWeek } from "../phase/index.ts";
import { sampleNewId, sampleUnrollContext } from "../../tests/samples/index.ts";
import { sampleFacts, samplePhase, samplePhaseDay, trainNext } from "../../tests/samples/phase.ts";
import { findingsByWeek } from "./phase-findings.ts";

const context = sampleUnrollContext(FULL_GYM);
const facts = sampleFacts({ stations: FULL_GYM, context });
const press = exercise("leg-press", 4, { effort: 0 }).slot;
const curl = exercise("lying-leg-curl", 3).slot;
/** Monday and Tuesday, the same press to the limit on both. */
const phase = samplePhase([samplePhaseDay(1, press, curl), samplePhaseDay(2, press)], {
  weeks: [usualWeek("normal"), usualWeek("normal")],
});
const judged = (known = facts, of = phase) =>
  findingsByWeek({
    phase: of,
    sessions: project(of, known, sampleNewId),
    stations: FULL_GYM,
    context,
    brief: { ...EMPTY_BRIEF, helper: "spotter" },
    approach: approachOf("even-ground"),
    seen: {},
    neglected: [],
  }).map((week) => week.map(({ on, finding }) => `${on} ${finding.fact.code}`));

describe("what is found of the weeks of a phase", () => {
  it("is what its sessions beside each other come to, told once and with the day", () => {
    const [first, second] = judged();
    expect(first).toContain("2026-03-02 limitTooNear");
    expect(first).toContain("2026-03-03 sameOtherDay");
    expect(second).toContain("2026-03-09 limitTooNear");
    const codes = first!.map((text) => text.split(" ")[1]);
    expect(codes.filter((code) => code === "noSingleLeg")).toHaveLength(1);
  });

  it("looks at the first session of the next week too", () => {
    const back = samplePhase([samplePhaseDay(1, press), samplePhaseDay(7, press)], {
      weeks: phase.weeks,
    });
    const [first, last] = judged(facts, back);
    // Sunday to the limit, Monday again; of the last week nobody knows what follows.
    expect(first).toContain("2026-03-08 limitTooNear");
    expect(last).not.toContain("2026-03-15 limitTooNear");
  });

  it("has weeks apart told apart, and nothing of what was trained", () => {
    const oneDay = samplePhase([samplePhaseDay(1, press)], { weeks: phase.weeks });
    expect(judged(facts, oneDay).flat().join()).not.toContain("limitTooNear");
    const [first, second] = judged(trainNext(oneDay, facts), oneDay);
    expect(first).toEqual([]);
    expect(second?.length).toBeGreaterThan(0);
  });
});
