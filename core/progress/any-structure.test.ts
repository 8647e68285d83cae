import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { kg, lb, share } from "../kernel/index.ts";
import { allLoads, howToMake, type Loading } from "../gym/index.ts";
import {
  amountAsked,
  progressionField,
  slotField,
  withLines,
  type PlannedSet,
  type Slot,
} from "../plan/index.ts";
import { anyOf } from "../../tests/arbitrary/kinds.ts";
import { anySlot } from "../../tests/arbitrary/plan.ts";
import {
  RACK,
  sampleCircumstances,
  sampleNewId,
  sampleStation,
  sampleUnrollContext,
  STACK,
} from "../../tests/samples/index.ts";
import { trainedSlot } from "../../tests/samples/trained.ts";
import { accepted } from "./accept.ts";
import { changeField } from "./change.ts";
import { proposeFor } from "./propose.ts";

const RUNS = Number(process.env["KRAVO_RUNS"] ?? 400);

const POUNDS: Loading = { ...RACK, unit: "lb", plates: [{ size: lb(10), count: 40 }] } as Loading;
const BELT: Loading = {
  kind: "bodyweight",
  unit: "kg",
  movedShare: share(0.8),
  added: [0, 2.5, 5, 10, 20].map(kg),
};
const equipment = fc.constantFrom<Loading>(RACK, STACK, POUNDS, BELT, {
  kind: "unloaded",
  unit: "kg",
});
/** The drawn exercise with work sets at a load that can be made, alike from set to set or each with its own target. */
function atLoad(drawn: Slot, loading: Loading, at: number, isAlike: boolean): Slot {
  const loads = allLoads(loading);
  const reading = loads[at % loads.length]?.reading ?? kg(0);
  const sets = drawn.sets.slice(0, 3).map((set): PlannedSet => ({
    ...(isAlike ? { ...drawn.sets[0]!, id: set.id, lineageId: set.lineageId } : set),
    role: "work",
    load: { kind: "absolute", reading },
    loadBounds: { least: null, most: null },
    effort: 2,
    effortUpTo: null,
    tempoAs: null,
    extensions: set.extensions,
  }));
  return withLines({ ...drawn, sets });
}

/** Shares of what was asked that were done in a session, and how many sessions there were. */
const sessions = fc.array(fc.constantFrom(0, 0.6, 0.95, 1, 1, 1, 1.2), {
  minLength: 1,
  maxLength: 4,
});

describe("whatever was prescribed, by whatever rule, on whatever equipment", () => {
  it("what is proposed and each other way can be loaded, written, accepted and stored", () => {
    const seen = new Set<string>();
    fc.assert(
      fc.property(
        anySlot,
        anyOf(progressionField),
        equipment,
        sessions,
        fc.tuple(fc.nat(60), fc.boolean()),
        (drawn, progression, loading, shares, [at, isAlike]) => {
          const slot = atLoad({ ...drawn, progression, lines: [] }, loading, at, isAlike);
          const station = sampleStation(loading);
          const context = sampleUnrollContext([station], { bodyWeight: kg(80) });
          const exposures = shares.flatMap((done, week) => {
            const amount = (target: Parameters<typeof amountAsked>[0]) =>
              Math.round(amountAsked(target).max * done);
            const trained = trainedSlot(slot, ({ target }) => ({ amount: amount(target) }), {
              loading,
              week,
            });
            return trained === null ? [] : [trained];
          });
          if (exposures.length === 0) return;
          const known = sampleCircumstances({ loading, bodyWeight: kg(80) });
          for (const proposal of proposeFor(slot, exposures, known)) {
            const ways = proposal.ways.flatMap(({ step }) => step ?? []);
            for (const step of [proposal, ...ways]) {
              seen.add(step.changes[0]?.kind ?? step.move);
              if (step.reading !== null && step.move === "raise")
                expect(howToMake(loading, step.reading).ok).toBe(true);
              for (const change of step.changes)
                expect(changeField.safeParse(JSON.parse(JSON.stringify(change))).error).toBe(
                  undefined,
                );
              if (!proposal.isDecided) continue;
              const next = accepted(slot, new Map([[proposal.line, step]]), context, sampleNewId);
              const stored = slotField.safeParse(JSON.parse(JSON.stringify(next)));
              expect(stored.error?.issues[0]).toBe(undefined);
            }
          }
        },
      ),
      { numRuns: RUNS },
    );
    // What was drawn comes to more than keeping, or this says nothing.
    expect(seen.size).toBeGreaterThan(2);
  });
});
