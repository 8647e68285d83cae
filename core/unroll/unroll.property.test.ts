import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addDurations, kg, lb, NO_TIME, type Duration } from "../kernel/index.ts";
import { howToMake, type Loading } from "../gym/index.ts";
import { copyPlan, type SessionPlan } from "../plan/index.ts";
import { checkPlan } from "./check.ts";
import { sessionDuration, slotDurations } from "./duration.ts";
import { isSetStep, stepKeyText } from "./step.ts";
import { unroll } from "./unroll.ts";
import {
  RACK,
  sampleNewId,
  sampleStation,
  sampleUnrollContext,
} from "../../tests/samples/index.ts";
import { anyPlan } from "~/tests/arbitrary/plan.ts";

const context = sampleUnrollContext([sampleStation(RACK, 1)], {
  bodyWeight: kg(80),
  lastTotal: () => kg(150),
});
const runs = { numRuns: Number(process.env["KRAVO_RUNS"] ?? 150) };
const rounded = (d: Duration) => [d.low, d.likely, d.high].map((s) => Math.round(s * 1000));

describe("unrolling any plan", () => {
  it("gives every part a key of its own", () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const keys = unroll(plan, context)
          .filter(isSetStep)
          .map((step) => stepKeyText(step.key));
        expect(new Set(keys).size).toBe(keys.length);
      }),
      runs,
    );
  });

  it("never says of a load that it is made when the station cannot make it, or not that way", () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        for (const step of unroll(plan, context).filter(isSetStep)) {
          if (step.load.kind !== "made" || step.load.recipe.kind !== "plates") continue;
          const { reading, recipe } = step.load;
          const hung = recipe.perPoint.reduce((sum, plate) => sum + plate.thousandths, 0);
          expect(20_000 + hung * recipe.points).toBe(reading.thousandths);
          expect(howToMake(RACK, reading).ok).toBe(true);
        }
      }),
      runs,
    );
  });

  it("breaks at no load that can be stored, on any station, however often shares are taken of shares", () => {
    const masses = fc.constantFrom(0, 1, 500_000, 9_999_000);
    const shares = fc.constantFrom(0.0001, 0.5, 1.1, 2);
    const extremes = fc
      .tuple(anyPlan, fc.array(masses, { minLength: 3 }), fc.array(shares, { minLength: 2 }))
      .map(([plan, grams, fractions]) => {
        let n = 0;
        return JSON.parse(JSON.stringify(plan), (key, value: unknown) => {
          n += 1;
          if (key === "thousandths") return grams[n % grams.length];
          return key === "share" || key === "multiple" ? fractions[n % fractions.length] : value;
        }) as SessionPlan;
      });
    const heavy = [kg(1500), kg(20), kg(0.05)].map((size) => ({ size, count: 2 }));
    const stations: readonly Loading[] = [
      { kind: "bar", unit: "kg", bar: kg(0), plates: heavy },
      { kind: "plateMachine", unit: "lb", carriage: kg(3000), points: 1, plates: [] },
      { kind: "stack", unit: "kg", pins: [kg(0), kg(3000)], addOns: [], pulleyRatio: 4 },
      { kind: "bodyweight", unit: "lb", movedShare: 1, added: [lb(3000)] },
      { kind: "assisted", unit: "kg", movedShare: 1, pins: [kg(0), kg(3000)] },
      { kind: "dumbbells", unit: "kg", present: [kg(1500)], counted: "pair" },
    ];
    fc.assert(
      fc.property(extremes, fc.constantFrom(...stations), (plan, loading) => {
        const there = sampleUnrollContext([sampleStation(loading, 1)], {
          bodyWeight: kg(300),
          lastTotal: () => kg(9999),
        });
        const steps = unroll(plan, there);
        expect(sessionDuration(steps).likely).toBeGreaterThanOrEqual(0);
        expect(checkPlan(plan, there)).toBeInstanceOf(Array);
      }),
      runs,
    );
  });

  it("says that work and rest are possible times: low, likely and high in order", () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const d = sessionDuration(unroll(plan, context));
        expect(d.low).toBeLessThanOrEqual(d.likely);
        expect(d.likely).toBeLessThanOrEqual(d.high);
      }),
      runs,
    );
  });

  it("adds up: the slots of a plan without items take as long as the session", () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const blocks = plan.blocks.filter((b) => b.kind === "exercise" || b.kind === "rotation");
        const steps = unroll({ ...plan, blocks }, context);
        const sum = addDurations(NO_TIME, ...slotDurations(steps).values());
        expect(rounded(sum)).toEqual(rounded(sessionDuration(steps)));
      }),
      runs,
    );
  });

  it("is the same for a copy, up to ids", () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const bare = (p: typeof plan) =>
          unroll(p, context)
            .filter(isSetStep)
            .map(({ load, target, restAfter, workSeconds, change }) => ({
              load: load.kind === "open" ? load.because.code : load,
              target,
              restAfter,
              workSeconds,
              change,
            }));
        expect(bare(copyPlan(plan, sampleNewId))).toEqual(bare(plan));
      }),
      runs,
    );
  });
});
