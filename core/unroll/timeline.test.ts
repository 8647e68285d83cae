import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { count, kg, seconds, share } from "../kernel/index.ts";
import type { SessionPlan } from "../plan/index.ts";
import { sessionDuration } from "./duration.ts";
import { timelineOf, type TimelineScale } from "./timeline.ts";
import { unroll } from "./unroll.ts";
import { anyPlan } from "../../tests/arbitrary/plan.ts";
import {
  sampleUnrollContext,
  sampleId,
  sampleSet,
  sampleSlot,
  sampleStation,
} from "../../tests/samples/index.ts";
import { atMost } from "~/tests/arbitrary/runs.ts";

const context = sampleUnrollContext([sampleStation()]);

describe("the profile of a session", () => {
  it("shows a ramp, a top set and its drop as heights against the heaviest", () => {
    const at = (n: number, load: number) =>
      sampleSet(n, { load: { kind: "absolute", reading: kg(load) } });
    const drop = {
      kind: "drop",
      line: sampleId<"line">(7001),
      id: sampleId<"extension">(50),
      lineageId: sampleId<"lineage">(51),
      to: { kind: "share", of: "current", share: share(0.5) },
      target: { kind: "reps", min: count(8), max: count(8) },
      restBefore: seconds(10),
      waits: "exactly",
    } as const;
    const slot = sampleSlot([at(1, 50), { ...at(2, 100), extensions: [drop] }]);
    const plan: SessionPlan = {
      schemaVersion: 2,
      blocks: [{ kind: "exercise", id: sampleId(1), lineageId: sampleId(2), slot }],
    };
    const bars = timelineOf(unroll(plan, context));
    expect(bars.map((bar) => bar.height)).toEqual([0.5, 1, 0.5]);
    const [first, second, third] = bars;
    const gap = (a: typeof first, b: typeof first) =>
      (b?.start ?? 0) - (a?.start ?? 0) - (a?.workSeconds ?? 0);
    expect(gap(first, second)).toBeGreaterThan(100);
    expect(gap(second, third)).toBeLessThan(60);
  });

  it("is scaled to the session where that is asked, so that a light exercise is low", () => {
    const at = (n: number, load: number) =>
      sampleSlot([sampleSet(n, { load: { kind: "absolute", reading: kg(load) } })]);
    const blocks = [100, 25].map((load, i): SessionPlan["blocks"][number] => ({
      kind: "exercise",
      id: sampleId(10 + i),
      lineageId: sampleId(20 + i),
      slot: { ...at(30 + i, load), id: sampleId(40 + i) },
    }));
    const steps = unroll({ schemaVersion: 2, blocks }, context);
    const heights = (scale: TimelineScale) => timelineOf(steps, scale).map((bar) => bar.height);
    expect(heights("exercise")).toEqual([1, 1]);
    expect(heights("session")).toEqual([1, 0.25]);
  });

  it("has no height where the load is not known", () => {
    const plan: SessionPlan = {
      schemaVersion: 2,
      blocks: [
        {
          kind: "exercise",
          id: sampleId(1),
          lineageId: sampleId(2),
          slot: sampleSlot([sampleSet(1, { load: { kind: "open" } })]),
        },
      ],
    };
    expect(timelineOf(unroll(plan, context))[0]?.height).toBeNull();
  });

  it("never overlaps and ends within the session, whatever the plan", () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const steps = unroll(plan, context);
        const bars = timelineOf(steps);
        let end = 0;
        for (const bar of bars) {
          expect(bar.start).toBeGreaterThanOrEqual(end - 1e-6);
          end = bar.start + bar.workSeconds;
        }
        expect(end).toBeLessThanOrEqual(sessionDuration(steps).likely + 1e-6);
      }),
      { numRuns: atMost(100) },
    );
  });
});
