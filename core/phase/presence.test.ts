import { describe, expect, it } from "vitest";
import { slotsOf } from "../plan/index.ts";
import { sampleId } from "../../tests/samples/index.ts";
import { samplePhase, samplePhaseDay } from "../../tests/samples/phase.ts";
import { writtenSlot } from "../../tests/samples/trained.ts";
import { isBackIn } from "./presence.ts";

const OWN = writtenSlot("3 x 8 at 100");
const other = (over: Parameters<typeof writtenSlot>[1]) =>
  writtenSlot("1 x 8 at 90 then drop to 80% for 8", {
    id: sampleId(801),
    lineageId: sampleId(802),
    ...over,
  });

/** The weeks of eight in which an exercise is back, where the other one has every third turn. */
function backIn(second: ReturnType<typeof other>) {
  const day = samplePhaseDay(1, OWN, second);
  const [a, b] = slotsOf(day.session).map(({ lineageId }) => lineageId);
  const phase = samplePhase([day], {
    rotations: [{ day: day.id, every: 1, members: [a!, a!, b!], startsWith: 0 }],
  });
  const weeks = Array.from({ length: 8 }, (_, i) => i + 1);
  return [a!, b!].map((lineage) =>
    weeks.filter((week) => isBackIn(phase, { day: day.id, lineage }, week)),
  );
}

describe("an exercise that is back", () => {
  it("was away while another exercise had its turn", () => {
    expect(backIn(other({ movement: "shipped:front-squat" }))).toEqual([[4, 7], [6]]);
    expect(backIn(other({ station: sampleId(9) }))).toEqual([[4, 7], [6]]);
  });

  it("was not, where it was only done by other sets", () => {
    expect(backIn(other({}))).toEqual([[], []]);
  });
});
