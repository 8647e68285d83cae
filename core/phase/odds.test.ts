import { describe, expect, it } from "vitest";
import { kg, seededRandom } from "../kernel/index.ts";
import { linesOf, slotsOf } from "../plan/index.ts";
import { sampleNewId } from "../../tests/samples/index.ts";
import { sampleFacts, samplePhase, samplePhaseDay, trainNext } from "../../tests/samples/phase.ts";
import { writtenSlot } from "../../tests/samples/trained.ts";
import { targetOdds, targetsStanding } from "./odds.ts";
import type { StatedTarget } from "./phase.ts";
import { withEdit } from "./phase-edit.ts";
import { usualWeek } from "./phase-week.ts";
import { project } from "./project.ts";

const DAY = samplePhaseDay(1, writtenSlot("3 x 8-9 at 100"));
const [SLOT] = slotsOf(DAY.session);
const [LINE] = linesOf(SLOT!);
/** Twelve weeks: each load takes two of them. */
const PLAIN = samplePhase([DAY], { weeks: Array.from({ length: 12 }, () => usualWeek("normal")) });
const stated = (kilos: number, week: number): StatedTarget => ({
  day: DAY.id,
  lineage: SLOT!.lineageId,
  line: LINE!.id,
  reading: kg(kilos),
  reps: 8,
  week,
});
const phaseFor = (to: StatedTarget) =>
  withEdit(PLAIN, { kind: "statedTarget", day: DAY.id, line: LINE!.id, to });

function oddsAfter(trained: number, to: StatedTarget) {
  const phase = phaseFor(to);
  let facts = sampleFacts();
  for (let i = 0; i < trained; i++) facts = trainNext(phase, facts);
  const [own] = targetsStanding(phase, project(phase, facts, sampleNewId), facts);
  return { ...own!, ...targetOdds(own!, seededRandom(1)) };
}

describe("a stated target", () => {
  it("arrives in the week in which the projection has its load", () => {
    // 100 kg for 8 and 9, 102.5 for 8 and 9, and 105 in the fifth week.
    expect(oddsAfter(0, stated(105, 8))).toMatchObject({ metIn: null, arrives: 5 });
    expect(oddsAfter(0, stated(150, 8)).arrives).toBeNull();
  });

  it("says nothing of how likely it is before enough was trained, and then more by later weeks", () => {
    expect(oddsAfter(2, stated(105, 8)).chance).toBeNull();
    const own = oddsAfter(5, stated(107.5, 12));
    expect(own.chance).toBeGreaterThan(0.5);
    const chances = own.byWeek.map(({ chance }) => chance);
    expect(chances).toEqual(chances.toSorted((a, b) => a - b));
    expect(oddsAfter(5, stated(107.5, 6)).chance).toBeLessThan(own.chance ?? 0);
  });

  it("is met where it was done, and says in which week", () => {
    expect(oddsAfter(6, stated(102.5, 8))).toMatchObject({ metIn: 3, arrives: 3, chance: null });
  });

  it("goes with its week where weeks come or go", () => {
    const more = withEdit(phaseFor(stated(105, 8)), {
      kind: "addWeek",
      after: 2,
      week: usualWeek("light"),
    });
    expect(more.targets[0]?.week).toBe(9);
    expect(withEdit(more, { kind: "removeWeek", week: 9 }).targets[0]?.week).toBe(8);
  });
});
