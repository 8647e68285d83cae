import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { amountKg, count, kg, lb } from "../kernel/index.ts";
import { allLoads, type Loading } from "../gym/index.ts";
import { readingOf, type PlannedSet } from "../plan/index.ts";
import { unrollSlot } from "../unroll/index.ts";
import { coveredSlots } from "./coverage.ts";
import { rampCount, rampReasons, withRamp, workLoadOf, type RampReasons } from "./ramp.ts";
import {
  COUNTED_ONCE,
  RACK,
  sampleUnrollContext,
  sampleNewId,
  sampleSet,
  sampleSlot,
  sampleStation,
  STACK,
} from "../../tests/samples/index.ts";
import { exercise, FULL_GYM, sessionOf } from "~/tests/arbitrary/session.ts";
import { atMost } from "~/tests/arbitrary/runs.ts";

const RACK_PLATES = RACK.kind === "bar" ? RACK.plates : [];
const MIDDLE: RampReasons = {
  isIsolation: false,
  reps: 8,
  distance: 4,
  setsBefore: 0,
  preFatigued: false,
};

describe("how many rising sets", () => {
  it.each<readonly [string, Partial<RampReasons>, number]>([
    ["a compound lift", {}, 2],
    ["few reps", { reps: 6 }, 3],
    ["seven reps", { reps: 7 }, 2],
    ["far from the lightest load", { distance: 5 }, 3],
    ["few reps and far", { reps: 5, distance: 9 }, 4],
    ["an isolation", { isIsolation: true, reps: 5 }, 1],
    ["regions that are warm", { setsBefore: 3 }, 1],
    ["two sets before", { setsBefore: 2 }, 2],
    ["an isolation on warm regions", { isIsolation: true, setsBefore: 6 }, 0],
    ["a pre-fatigue", { preFatigued: true }, 1],
    ["an unknown total", { distance: null }, 2],
  ])("%s", (_, over, sets) => {
    expect(rampCount({ ...MIDDLE, ...over })).toBe(sets);
  });
});

describe("a ramp", () => {
  const slot = sampleSlot([sampleSet(1), sampleSet(2)]);
  const loads = (made: ReturnType<typeof withRamp>) =>
    made.sets.map((set) => [
      set.role,
      set.load.kind === "absolute" ? amountKg(set.load.reading) : null,
    ]);

  it("rises to the work load in what the station makes, easy and never hard", () => {
    const made = withRamp(slot, sampleStation(RACK), kg(100), 3, null, sampleNewId);
    expect(loads(made)).toEqual([
      ["ramp", 40],
      ["ramp", 60],
      ["ramp", 80],
      ["work", 100],
      ["work", 100],
    ]);
    expect(made.sets.slice(0, 3).every((set) => set.effort === "more")).toBe(true);
  });

  it.each([
    [1, [[60, 6]]],
    [
      2,
      [
        [50, 8],
        [75, 4],
      ],
    ],
    [
      3,
      [
        [40, 8],
        [60, 5],
        [80, 3],
      ],
    ],
    [
      4,
      [
        [35, 10],
        [50, 6],
        [70, 4],
        [85, 2],
      ],
    ],
  ])("of %i sets falls in reps as it rises, and rests longer before the work", (sets, expected) => {
    const made = withRamp(slot, sampleStation(RACK), kg(100), sets, null, sampleNewId);
    const ramp = made.sets.filter((set) => set.role === "ramp");
    expect(
      ramp.map(({ load, target }) => [
        amountKg(readingOf(load) ?? kg(0)),
        target.kind === "reps" && target.max,
      ]),
    ).toEqual(expected);
    expect(ramp.map(({ restAfter }) => restAfter.kind === "fixed" && restAfter.seconds)).toEqual([
      ...Array<number>(sets - 1).fill(60),
      90,
    ]);
  });

  it("takes less and less help where the station helps", () => {
    const help = sampleStation({
      kind: "assisted",
      unit: "kg",
      movedShare: 1,
      pins: [5, 10, 20, 30, 40, 50].map(kg),
    });
    // Of 80 kg body weight 10 kg help leave 70; shares of it of 40, 60 and 80 % need 52, 38 and 24 kg of help.
    const made = withRamp(slot, help, kg(10), 3, kg(80), sampleNewId);
    const ramp = made.sets.filter((set) => set.role === "ramp");
    expect(ramp.map(({ load }) => amountKg(readingOf(load) ?? kg(0)))).toEqual([50, 40, 20]);
  });

  it("takes the place of the ramp that was there", () => {
    const once = withRamp(slot, sampleStation(RACK), kg(100), 3, null, sampleNewId);
    const twice = withRamp(once, sampleStation(RACK), kg(100), 1, null, sampleNewId);
    expect(loads(twice)).toEqual([
      ["ramp", 60],
      ["work", 100],
      ["work", 100],
    ]);
    expect(withRamp(once, sampleStation(RACK), kg(100), 0, null, sampleNewId).sets).toEqual(
      slot.sets,
    );
  });

  it("has fewer sets where the steps are coarse or there is nothing lighter", () => {
    const stack = sampleStation(STACK);
    expect(withRamp(slot, stack, lb(20), 4, null, sampleNewId).sets.length).toBeLessThanOrEqual(3);
    expect(withRamp(slot, stack, lb(10), 3, null, sampleNewId).sets).toEqual(slot.sets);
  });

  it("is judged by lift, reps, distance and what the same regions did before", () => {
    const plan = sessionOf(
      exercise("front-squat", 2),
      exercise("lying-leg-curl", 3),
      exercise("back-squat", 1, { target: { kind: "reps", min: count(5), max: count(5) } }),
    );
    const slots = coveredSlots(plan, sampleUnrollContext(FULL_GYM), COUNTED_ONCE);
    const last = slots[2];
    if (last === undefined) throw new Error("three exercises expected");
    const reasons = (preparation: "lightSets" | "preFatigue") =>
      rampReasons(last.slot, last.movement, sampleStation(RACK), kg(100), {
        bodyWeight: null,
        slots,
        stances: { preparation },
      });
    const light = { isIsolation: false, reps: 5, distance: 5, setsBefore: 2, preFatigued: false };
    expect(reasons("lightSets")).toEqual(light);
    expect(reasons("preFatigue")).toEqual({ ...light, preFatigued: true });
    const distance = (loading: Loading, work: number) =>
      rampReasons(last.slot, last.movement, sampleStation(loading), kg(work), {
        bodyWeight: null,
        slots,
        stances: { preparation: "lightSets" },
      }).distance;
    // A sled of unknown mass has no lightest total, and what weighs nothing is no measure of distance.
    const sled = { kind: "plateMachine", unit: "kg", points: 2, plates: RACK_PLATES } as const;
    expect(distance({ ...sled, carriage: kg(25) }, 100)).toBe(5);
    expect(distance({ ...sled, carriage: null }, 100)).toBeNull();
    expect(distance({ ...sled, carriage: kg(0) }, 100)).toBeNull();
  });

  it("leads to the first work set, and waits while its load is open", () => {
    const steps = (sets: readonly PlannedSet[]) =>
      unrollSlot(sampleSlot(sets), sampleUnrollContext([sampleStation()]));
    const ramp = sampleSet(1, { role: "ramp", load: { kind: "absolute", reading: kg(40) } });
    expect(workLoadOf(steps([ramp, sampleSet(2)]))).toEqual(kg(100));
    expect(workLoadOf(steps([ramp, sampleSet(2, { load: { kind: "open" } })]))).toBeNull();
    expect(workLoadOf(steps([ramp]))).toBeNull();
  });

  it("rises, is easy, and never reaches the work load, whatever the load and the length", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 126 }),
        fc.integer({ min: 0, max: 4 }),
        (pick, sets) => {
          const loads = allLoads(RACK);
          const work = loads[pick % loads.length]?.reading ?? kg(20);
          const made = withRamp(slot, sampleStation(RACK), work, sets, null, sampleNewId).sets;
          const ramp = made.filter((set) => set.role === "ramp");
          expect(ramp.length).toBeLessThanOrEqual(sets);
          const readings = ramp.map((set) => amountKg(readingOf(set.load) ?? kg(999)));
          expect(readings).toEqual([...new Set(readings)].sort((a, b) => a - b));
          for (const reading of readings) expect(reading).toBeLessThan(amountKg(work));
          expect(made.slice(ramp.length)).toEqual(slot.sets);
        },
      ),
      { numRuns: atMost(100) },
    );
  });
});
