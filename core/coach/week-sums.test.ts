import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anySlot } from "~/tests/arbitrary/plan.ts";
import { REGIONS } from "../kernel/index.ts";
import { project, sheetOf } from "../phase/index.ts";
import { sampleNewId } from "../../tests/samples/index.ts";
import { sampleFacts, samplePhase, samplePhaseDay } from "../../tests/samples/phase.ts";
import { copyPlan, EXTENSION_KINDS, type VolumePolicy } from "../plan/index.ts";
import { sessionDuration, unroll } from "../unroll/index.ts";
import { coverageOf, coveredSlots, setsTowardsBand } from "./coverage.ts";

const RUNS = Number(process.env["KRAVO_RUNS"] ?? 15);

const anyPolicy = fc.record({
  extensionAdds: fc
    .constantFrom(0, 0.5, 1)
    .map(
      (adds) =>
        Object.fromEntries(
          EXTENSION_KINDS.map((kind) => [kind, adds]),
        ) as VolumePolicy["extensionAdds"],
    ),
  density: fc.constantFrom("withinReach", "half", "all"),
}) as fc.Arbitrary<VolumePolicy>;

describe("a week of any phase", () => {
  it("has the minutes and hard sets of its sessions, as the session editor counts them", () => {
    let counted = 0;
    fc.assert(
      fc.property(
        fc.array(anySlot, { minLength: 1, maxLength: 3 }),
        anySlot,
        anyPolicy,
        (first, second, policy) => {
          const days = [samplePhaseDay(1, ...first), samplePhaseDay(4, second)].map((day) => ({
            ...day,
            session: copyPlan(day.session, sampleNewId),
          }));
          const phase = samplePhase(days);
          const facts = sampleFacts();
          const sessions = project(phase, facts, sampleNewId);
          const sheet = sheetOf(phase, sessions, facts, policy);
          for (const [i] of phase.weeks.entries()) {
            const own = sessions.filter(({ week }) => week === i + 1);
            const covered = coverageOf(
              own.flatMap(({ plan }) => coveredSlots(plan, facts.context, policy)),
            );
            for (const region of REGIONS) {
              const shown = sheet.volume.find((row) => row.region === region)?.weeks[i] ?? 0;
              expect(shown).toBeCloseTo(setsTowardsBand(covered[region]), 9);
              counted += shown;
            }
            const minutes = own.reduce(
              (sum, { plan }) => sum + sessionDuration(unroll(plan, facts.context)).likely,
              0,
            );
            const told = sheet.days.reduce(
              (sum, day) => sum + (day.sessions[i]?.likelySeconds ?? 0),
              0,
            );
            expect(told).toBe(minutes);
          }
        },
      ),
      { numRuns: RUNS },
    );
    expect(counted).toBeGreaterThan(RUNS);
  });
});
