import { describe, expect, it } from "vitest";
import { count } from "../kernel/index.ts";
import type { CommandBody } from "./command.ts";
import { mostDirect, reviewOf } from "./review.ts";
import {
  COUNTED_ONCE,
  RACK,
  sampleCommand,
  sampleId,
  sampleLoggedSet,
  samplePlan,
  sampleSet,
  sampleSlot,
  sampleStation,
  sampleUnrollContext,
} from "../../tests/samples/index.ts";

const SLOT = sampleSlot([sampleSet(1, { role: "ramp" }), sampleSet(2), sampleSet(3)]);
const PLAN = samplePlan(SLOT);
const CONTEXT = sampleUnrollContext([sampleStation(RACK, 1)]);
const review = (...bodies: readonly CommandBody[]) =>
  reviewOf(
    PLAN,
    bodies.map((body, i) => ({ command: sampleCommand(1, i + 1, body), position: i + 1 })),
    CONTEXT,
    COUNTED_ONCE,
  );
const logged = (n: number): CommandBody => ({
  kind: "part",
  part: sampleLoggedSet(sampleSet(n), { slotId: SLOT.id, fullReps: count(8), rir: 2 }),
});

describe("a session as it is looked back at", () => {
  it("counts sets and hard sets, planned and done", () => {
    const found = review(logged(1), logged(2));
    expect([found.doneSets, found.plannedSets]).toEqual([2, 3]);
    expect([mostDirect(found.done), mostDirect(found.planned)]).toEqual([1, 2]);
    expect(mostDirect([])).toBe(0);
  });

  it("has each note with its exercise, and what the plan does not hold apart", () => {
    const found = review(
      { kind: "note", slotId: SLOT.id, text: "Feet lower" },
      { kind: "note", slotId: null, text: "Slept badly" },
      logged(9),
    );
    expect(found.slots.map(({ notes }) => notes)).toEqual([["Feet lower"]]);
    expect(found.notes).toEqual(["Slept badly"]);
    expect(found.unplanned.map(({ key }) => key.setId)).toEqual([sampleId(9)]);
    expect(found.conflicts).toEqual([]);
  });
});
