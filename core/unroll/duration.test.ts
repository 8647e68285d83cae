import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addDurations, count, kg, NO_TIME, seconds } from "../kernel/index.ts";
import type { Item, RotationBlock } from "../plan/index.ts";
import { sessionDuration, slotDurations, stepDurations } from "./duration.ts";
import { unroll } from "./unroll.ts";
import { anyPlan } from "~/tests/arbitrary/plan.ts";
import {
  sampleDrop,
  sampleId,
  samplePlan,
  sampleSet,
  sampleSlot,
  sampleStation,
  sampleUnrollContext,
} from "../../tests/samples/index.ts";
import { atMost } from "~/tests/arbitrary/runs.ts";

const context = sampleUnrollContext([sampleStation()]);
const tempo = { lower: 3, stretch: 0, lift: 2, squeeze: 0 } as const; // 5 s a repetition
const at = (reading: number, n: number, rest = 120) =>
  sampleSet(n, {
    tempo,
    load: { kind: "absolute", reading: kg(reading) },
    restAfter: { kind: "fixed", seconds: seconds(rest) },
  });
const durationOf = (...sets: ReturnType<typeof at>[]) =>
  sessionDuration(unroll(samplePlan(sampleSlot(sets)), context));

describe("the duration of a session", () => {
  it("adds up by hand for one set: station, plates, getting ready, work, and no rest after the last", () => {
    // 60 kg: one 20 a side is two plates. Likely: 90 + 2·6 + 10 + 9·5 = 157.
    expect(durationOf(at(60, 1))).toEqual({
      low: 45 + 8 + 5 + 40,
      likely: 157,
      high: 180 + 18 + 20 + 50,
    });
  });

  it("of eight intervals of 20 s with 40 s between is 440 s, and getting ready once", () => {
    const target = {
      kind: "intervals",
      work: seconds(20),
      pause: seconds(40),
      rounds: count(8),
    } as const;
    // 60 kg: station 90, two plates 12, ready 10.
    expect(durationOf({ ...at(60, 1), target }).likely).toBe(440 + 112);
  });

  it("counts a slow last repetition once, not again with the hold behind it", () => {
    const slow = [{ kind: "slowLastRep", phase: "lower", seconds: seconds(13) }] as const;
    const hold = {
      kind: "endHold",
      id: sampleId<"extension">(70),
      lineageId: sampleId<"lineage">(71),
      at: { kind: "stretched" },
      seconds: seconds(20),
    } as const;
    const plain = durationOf(at(60, 1)).likely;
    const slowed = durationOf({ ...at(60, 1), accents: slow }).likely;
    expect(slowed - plain).toBe(10);
    expect(durationOf({ ...at(60, 1), accents: slow, extensions: [hold] }).likely - slowed).toBe(
      20,
    );
  });

  it("changes plates during the rest, so that only what takes longer than the rest counts", () => {
    const easy = durationOf(at(60, 1), at(100, 2)).likely;
    const same = durationOf(at(60, 1), at(60, 2)).likely;
    expect(easy).toBe(same); // one more 20 a side, 2 pieces in 12 s, fits into 120 s
    const rushed = durationOf(at(60, 1, 10), at(100, 2)).likely;
    expect(rushed - durationOf(at(60, 1, 10), at(60, 2)).likely).toBe(12 - 10);
  });

  it("counts a drop without getting ready again", () => {
    const plain = durationOf(at(60, 1)).likely;
    const dropped = durationOf({
      ...at(60, 1),
      extensions: [sampleDrop(11, "current", 0.83)],
    }).likely;
    // 10 s before the drop hide a part of the change (to 50 kg: a 20 off and a 15 on a side, four pieces, 24 s); 7 reps of 5 s.
    expect(dropped - plain).toBe(10 + (24 - 10) + 35);
  });

  describe("with a stretch in the rest", () => {
    const stretch = (n: number): Item => ({
      kind: "stretch",
      id: sampleId(51),
      lineageId: sampleId(52),
      name: "Couch stretch",
      movement: null,
      target: { kind: "seconds", min: seconds(n), max: seconds(n) },
      side: { kind: "both" },
      intensity: { kind: "unsaid" },
    });
    const stretching = (n: number, rest: number) => ({ ...at(60, 1, rest), between: [stretch(n)] });
    const longer = (n: number, rest: number, then = 60) =>
      durationOf(stretching(n, rest), at(then, 2)).likely -
      durationOf(at(60, 1, rest), at(60, 2)).likely;

    it("takes time only as far as it is longer than the rest", () => {
      expect(longer(30, 120)).toBe(0);
      expect(longer(120, 120)).toBe(0);
      expect(longer(150, 120)).toBe(30);
    });

    it("leaves less of the rest to change plates in", () => {
      // Two pieces take 12 s; of 20 s of rest the stretch leaves 15, then 5.
      expect(longer(5, 20, 100)).toBe(0);
      expect(longer(15, 20, 100)).toBe(12 - 5);
      expect(longer(25, 20, 100)).toBe(5 + 12);
    });

    it("counts whole after the last set, since nobody rests there", () => {
      expect(durationOf(stretching(30, 120)).likely - durationOf(at(60, 1)).likely).toBe(30);
      const last = { ...at(60, 2), between: [stretch(30), stretch(20)] };
      expect(durationOf(at(60, 1), last).likely - durationOf(at(60, 1), at(60, 2)).likely).toBe(50);
    });
  });

  it("counts the way to a station and its plates anew for each exercise", () => {
    const members = [1, 2].map((n) => sampleSlot([at(60, n, 0)], { id: sampleId(700 + n) }));
    const apart = sessionDuration(unroll(samplePlan(...members), context));
    const once = sessionDuration(unroll(samplePlan(members[0]!), context));
    // The second exercise: station and its two plates again, getting ready, work.
    expect(apart.likely - once.likely).toBeCloseTo(once.likely, 9);
  });

  it("finds a station again more quickly than it gets to one the first time", () => {
    const member = (n: number, id: number) =>
      sampleSlot([at(60, n, 0), at(60, n + 1, 0)], { id: sampleId(id) });
    const none = { kind: "fixed", seconds: seconds(0) } as const;
    const rotation: RotationBlock = {
      kind: "rotation",
      id: sampleId(61),
      lineageId: sampleId(62),
      members: [member(1, 701), member(3, 702)],
      restBetween: none,
      restAfterRound: none,
    };
    const steps = unroll({ schemaVersion: 2, blocks: [rotation] }, context);
    // Two stations of 90 s, two plates hung once in 12 s, two returns of 12 s; four times getting ready and 45 s.
    expect(sessionDuration(steps).likely).toBe(2 * 90 + 12 + 2 * 12 + 4 * (10 + 45));
    expect(sessionDuration(steps).low).toBe(2 * 45 + 8 + 2 * 5 + 4 * (5 + 40));
    expect(sessionDuration(steps).high).toBe(2 * 180 + 18 + 2 * 30 + 4 * (20 + 50));
  });

  it("is the sum of its slots, and low, likely and high are in order", () => {
    const slots = fc.array(
      fc
        .array(fc.integer({ min: 8, max: 60 }), { minLength: 1, maxLength: 5 })
        .map((loads) => loads.map((l) => l * 2.5)),
      { minLength: 1, maxLength: 4 },
    );
    fc.assert(
      fc.property(slots, (loads) => {
        let n = 0;
        const plan = samplePlan(
          ...loads.map((own, i) =>
            sampleSlot(
              own.map((l) => at(l, ++n, 60)),
              { id: sampleId(700 + i) },
            ),
          ),
        );
        const steps = unroll(plan, context);
        const whole = sessionDuration(steps);
        const parts = addDurations(NO_TIME, ...slotDurations(steps).values());
        for (const level of ["low", "likely", "high"] as const)
          expect(parts[level]).toBeCloseTo(whole[level], 6);
        expect(whole.low).toBeLessThanOrEqual(whole.likely);
        expect(whole.likely).toBeLessThanOrEqual(whole.high);
      }),
      { numRuns: atMost(60) },
    );
  });

  it("has low, likely and high in order for each step and exercise too, whatever the plan", () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const steps = unroll(plan, context);
        const all = [...stepDurations(steps), ...slotDurations(steps).values()];
        for (const { low, likely, high } of all) {
          expect(low).toBeLessThanOrEqual(likely);
          expect(likely).toBeLessThanOrEqual(high);
        }
      }),
      { numRuns: atMost(80) },
    );
  });

  it("is nothing for no steps", () => {
    expect(sessionDuration([])).toEqual(NO_TIME);
  });
});
