import { describe, expect, it } from "vitest";
import { count, kg, seconds } from "../kernel/index.ts";
import { OPEN_TEMPO, type PlannedSet } from "../plan/index.ts";
import { UNSAID_CONDITIONS, type Conditions } from "./conditions.ts";
import { exposureOf } from "./expose.ts";
import { plannedContext } from "./planned-context.ts";
import {
  sampleContext,
  sampleDay,
  sampleId,
  sampleLoggedSet,
  samplePlan,
  sampleSet,
  sampleSlot,
  sampleStation,
} from "../../tests/samples/index.ts";

const TOTAL: PlannedSet["target"] = {
  kind: "total",
  of: "reps",
  amount: count(30),
  likelySets: count(3),
  pause: seconds(20),
};
const each = sampleSet(2, { side: { kind: "each", first: "left", matchFirst: false } });
const slot = sampleSlot([sampleSet(1, { role: "ramp" }), each]);
const side = (s: "left" | "right", reps: number | null, rir: 0 | 1 | 2 | "unknown") =>
  sampleLoggedSet(each, {
    key: { setId: each.id, extensionId: null, round: 0, ordinal: 0, side: s },
    fullReps: reps === null ? null : count(reps),
    rir,
  });
const expose = (loggedSets: ReturnType<typeof sampleLoggedSet>[], contexts = [sampleContext()]) =>
  exposureOf(
    { id: sampleId(600), day: sampleDay(), readiness: null },
    slot,
    { loggedSets, contexts, pains: [] },
    sampleStation(),
  );

describe("an exposure", () => {
  it("judges a set with two sides by the weaker side and the one closer to the limit", () => {
    const judged = (...sides: ReturnType<typeof side>[]) => expose(sides)?.sets;
    expect(judged(side("left", 8, 0), side("right", 10, 2))).toMatchObject([{ reps: 8, rir: 0 }]);
    expect(judged(side("left", 10, 2), side("right", 8, 0))).toMatchObject([{ reps: 8, rir: 0 }]);
  });

  it("takes a place where two devices disagree as one set, by the lesser", () => {
    const first = side("left", 9, 1);
    const sets = expose([
      first,
      { ...side("left", 8, 2), id: sampleId(700) },
      side("right", 10, 2),
    ]);
    expect(sets?.sets).toMatchObject([{ reps: 8, bySide: { left: 8, right: 10 }, rir: 1 }]);
    expect(
      expose([side("left", 700, 1), side("left", 701, 1), side("right", 700, 1)])?.sets,
    ).toMatchObject([{ reps: 700 }]);
  });

  it("counts of a short-range set the reps over part of the range, of which nothing else is held", () => {
    const short = sampleSet(3, { range: "stretched" });
    const of = sampleSlot([short, sampleSet(4, { target: TOTAL })]);
    const logged = [
      sampleLoggedSet(short, { fullReps: null, partialReps: count(9) }),
      sampleLoggedSet(of.sets[1]!, { fullReps: count(12) }),
    ];
    const performed = { loggedSets: logged, contexts: [sampleContext()], pains: [] };
    const found = exposureOf(
      { id: sampleId(600), day: sampleDay(), readiness: null },
      of,
      performed,
      sampleStation(),
    );
    // A total over several sets is no set of so many repetitions.
    expect(found?.sets.map(({ reps, amount }) => [reps, amount])).toEqual([
      [9, 9],
      [null, 12],
    ]);
    expect(found?.planned.map(({ place }) => place)).toEqual([0, 1]);
  });

  it("is as the set was done where that was said, else as it was asked for", () => {
    const slow = { ...OPEN_TEMPO, lower: 5 };
    const asked = sampleSet(3, { tempo: slow, setUp: { Stance: "wide" } });
    const exposed = (over: Partial<Conditions>) =>
      exposureOf(
        { id: sampleId(600), day: sampleDay(), readiness: null },
        sampleSlot([asked]),
        {
          loggedSets: [
            sampleLoggedSet(asked, {
              limiter: "grip",
              conditions: { ...UNSAID_CONDITIONS, ...over },
            }),
          ],
          contexts: [sampleContext()],
          pains: [],
        },
        sampleStation(),
      )?.sets[0];
    expect(exposed({})).toMatchObject({ tempo: slow, setUp: { Stance: "wide" }, limiter: "grip" });
    const quick = { ...OPEN_TEMPO, lower: 2 };
    expect(exposed({ tempo: quick, setUp: { Stance: "narrow" } })).toMatchObject({
      tempo: quick,
      setUp: { Stance: "narrow" },
    });
    expect(exposed({ setUp: { Heels: "raised" } })?.setUp).toEqual({
      Stance: "wide",
      Heels: "raised",
    });
  });

  it("keeps unknown reps and effort unknown", () => {
    expect(expose([side("left", null, 1), side("right", 10, "unknown")])?.sets).toMatchObject([
      { reps: null, rir: "unknown" },
    ]);
  });

  it("leaves ramp sets and drops out, and counts the work sets planned", () => {
    const ramp = sampleLoggedSet(slot.sets[0]!, { reading: kg(60) });
    const drop = sampleLoggedSet(each, {
      key: { setId: each.id, extensionId: sampleId(11), round: 0, ordinal: 0, side: "left" },
    });
    expect(expose([ramp, drop, side("left", 9, 1)])).toMatchObject({
      planned: [{ role: "work" }],
      sets: [{ reps: 9 }],
    });
  });

  it("is nothing without a part or without the context that makes it comparable", () => {
    expect(expose([])).toBeNull();
    expect(expose([side("left", 9, 1)], [])).toBeNull();
  });
});

describe("the context planned for today", () => {
  it("counts the hard sets written before the slot and leaves the day's unknowns unknown", () => {
    const before = sampleSlot(
      [sampleSet(5, { role: "ramp" }), sampleSet(6), sampleSet(7, { effort: "more" })],
      { id: sampleId(690) },
    );
    const context = plannedContext(samplePlan(before, slot), slot, sampleStation(), null);
    expect(context).toMatchObject({
      hardSetsBefore: 1,
      restSeconds: 120,
      gear: null,
      helper: "unknown",
      bodyWeight: null,
    });
  });
});
