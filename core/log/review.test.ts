import { describe, expect, it } from "vitest";
import { count } from "../kernel/index.ts";
import type { CommandBody } from "./command.ts";
import { reviewOf } from "./review.ts";
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
  it("begins with how the trainee came to it, where that was said", () => {
    expect(review(logged(2)).checkIn).toBeNull();
    const said = { kind: "checkIn", bodyWeight: null, readiness: 3 } as const;
    expect(review(said, logged(2)).checkIn).toEqual(said);
  });

  it("is as it was trained: with what was swapped in and added, and how that came", () => {
    const [other, added] = [801, 802].map((n) => ({
      ...sampleSlot([sampleSet(n)]),
      id: sampleId<"slot">(n),
    }));
    const block = {
      kind: "exercise",
      id: sampleId<"block">(803),
      lineageId: sampleId<"lineage">(804),
      slot: added!,
    } as const;
    const found = review(
      logged(2),
      { kind: "swap", slotId: SLOT.id, slot: other!, forGood: false },
      { kind: "addExercise", block, after: null },
    );
    expect(
      found.slots.map(({ slot, broughtBy, doneSets }) => [slot.id, broughtBy, doneSets]),
    ).toEqual([
      [SLOT.id, null, 1],
      [other!.id, "swapOnce", 0],
      [added!.id, "added", 0],
    ]);
    // Against the plan: two work sets of it were asked for, one was done.
    expect(found.most).toMatchObject({ planned: 2, done: 1 });
    const forGood = review({ kind: "swap", slotId: SLOT.id, slot: other!, forGood: true });
    expect(forGood.slots.map(({ broughtBy }) => broughtBy)).toEqual(["swapForGood"]);
  });

  it("counts sets and hard sets, planned and done", () => {
    const found = review(logged(1), logged(2));
    expect([found.doneSets, found.plannedSets]).toEqual([2, 3]);
    expect(found.most).toMatchObject({ planned: 2, done: 1 });
    expect(found.volume.find(({ region }) => region === found.most?.region)?.direct).toBe(1);
    // A squat trains three vasti, which are one row.
    const vasti = found.volume.filter(({ region }) => region.startsWith("vastus"));
    expect(vasti.map(({ region }) => region)).toEqual(["vastusLateralis"]);
  });

  it("says of the region that was planned most what was done of it, whatever else was trained more", () => {
    const squats = sampleSlot([sampleSet(2), sampleSet(3)]);
    const curls = sampleSlot([sampleSet(4)], {
      id: sampleId(710),
      movement: "shipped:seated-leg-curl",
    });
    const done: CommandBody = {
      kind: "part",
      part: sampleLoggedSet(sampleSet(4), { slotId: curls.id, fullReps: count(8), rir: 2 }),
    };
    const found = reviewOf(
      samplePlan(squats, curls),
      [{ command: sampleCommand(1, 1, done), position: 1 }],
      CONTEXT,
      COUNTED_ONCE,
    );
    expect(found.volume[0]?.region).toBe("hamstringsKneeFlexion");
    expect(found.most).toMatchObject({ planned: 2, done: 0 });
    expect(reviewOf(samplePlan(), [], CONTEXT, COUNTED_ONCE).most).toBeNull();
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
