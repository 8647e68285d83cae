import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { kg, lb, type Fault } from "../kernel/index.ts";
import { allLoads, howToMake } from "../gym/index.ts";
import { UNSAID_OBSERVATIONS, type PainRecord, type Exposure } from "../log/index.ts";
import type { Proposal } from "./proposal.ts";
import { proposeFor, type SlotCircumstances } from "./propose.ts";
import {
  RACK,
  sampleCircumstances,
  sampleContext,
  sampleExposed as set,
  sampleExposure as exposure,
  sampleId,
  sampleSet,
  sampleSlot,
  STACK,
} from "../../tests/samples/index.ts";

const slot = sampleSlot([sampleSet(1), sampleSet(2), sampleSet(3)]);
const propose = (
  exposures: Exposure[],
  over: Partial<SlotCircumstances> = {},
  of = slot,
): Proposal => {
  const [proposal] = proposeFor(of, exposures, sampleCircumstances(over));
  if (proposal === undefined) throw new Error("an exercise without a line");
  return proposal;
};
const next = (...exposures: Exposure[]): Proposal => propose(exposures);
const at = (...reps: (number | null)[]) => exposure(reps.map((r) => set(kg(100), r)));
const codes = (p: Proposal) => p.because.map((r) => r.code);
const pain: PainRecord = {
  kind: "pain",
  id: sampleId(1),
  slotId: slot.id,
  key: null,
  joint: "knee",
  side: "left",
  score: 3,
  note: "",
};

describe("double progression", () => {
  it("raises by the smallest step of the station once every set is at the top of the range", () => {
    const p = next(at(10, 10, 10), at(10, 10, 10));
    expect(p).toMatchObject({
      move: "raise",
      reading: kg(102.5),
      from: kg(100),
      confidence: "high",
      mustRule: false,
    });
    expect(codes(p)).toEqual(["allAtTop", "smallestStep"]);
    expect(p.because[1]).toMatchObject({ stepShare: 0.025 });
  });

  it("waits with the load while a fault is new, and takes it up once it is gone", () => {
    const seen = (fault: Fault | null) =>
      exposure(
        [1, 2, 3].map(() =>
          set(kg(100), 10, 2, {
            observed: {
              ...UNSAID_OBSERVATIONS,
              faults: fault === null ? [] : [{ fault, fromRep: 8 }],
            },
          }),
        ),
      );
    const [clean, bouncing] = [seen(null), seen("bounce")];
    expect(next(clean, bouncing)).toMatchObject({ move: "keep", reading: kg(100) });
    expect(codes(next(clean, bouncing))).toEqual(["allAtTop", "newFaults"]);
    expect(next(bouncing, clean)).toMatchObject({ move: "raise", reading: kg(102.5) });
    expect(next(clean, clean)).toMatchObject({ move: "raise" });
    // What nobody looked at holds nothing back.
    expect(next(at(10, 10, 10), bouncing)).toMatchObject({ move: "raise" });
  });

  it("keeps the load while one set is short of the top, and says which number is missing", () => {
    const p = next(at(9, 9, 9), at(10, 10, 9));
    expect(p).toMatchObject({
      move: "keep",
      reading: kg(100),
      mustRule: false,
      confidence: "high",
    });
    expect(p.because).toEqual([
      {
        code: "repsToGain",
        isOnlySet: false,
        lowest: 9,
        top: 10,
        measure: "reps",
        reading: kg(100),
      },
    ]);
  });

  it("does not raise when sets are missing, or done at a lighter load", () => {
    expect(
      next(at(10, 10, 10), exposure([set(kg(100), 10)], { planned: at(10, 10, 10).sets })).move,
    ).toBe("keep");
    const lighter = next(at(10, 10, 10), exposure([set(kg(100), 10), set(kg(90), 10)]));
    expect(lighter).toMatchObject({ move: "keep", mustRule: true });
    expect(codes(lighter)).toContain("mixedLoads");
  });

  it("repeats a load whose top was reached much closer to the limit than was asked", () => {
    const strained = exposure([set(kg(100), 10, 0), set(kg(100), 10, 0)]);
    const p = next(strained);
    expect(p.move).toBe("keep");
    expect(p.because).toContainEqual({ code: "harderThanAsked", asked: 2, lowest: 0 });
    expect(next(exposure([set(kg(100), 10, 1), set(kg(100), 10, 1)])).move).toBe("raise");
  });

  it("lowers by one step after two sessions below the range, and asks", () => {
    expect(next(at(8, 8, 6))).toMatchObject({ move: "keep", mustRule: false });
    const p = next(at(8, 8, 6), at(8, 7, 6));
    expect(p).toMatchObject({ move: "lower", reading: kg(97.5), mustRule: true });
    expect(p.because[0]).toEqual({
      code: "belowRange",
      isOnlySet: false,
      lowest: 6,
      bottom: 8,
      measure: "reps",
      times: 2,
    });
  });

  it("never raises over pain and asks the coach", () => {
    const p = next(exposure([set(kg(100), 10), set(kg(100), 10)], { pains: [pain] }));
    expect(p).toMatchObject({ move: "keep", mustRule: true, confidence: "low" });
    expect(p.because[0]).toEqual({ code: "pain", joint: "knee", score: 3 });
    expect(next(exposure([set(kg(100), 10)], { pains: [{ ...pain, score: 0 }] })).move).toBe(
      "raise",
    );
  });

  it("asks about a step that is too large for the load", () => {
    const light = propose([exposure([set(lb(20), 10)], { loading: STACK })], { loading: STACK });
    expect(light).toMatchObject({ move: "raise", reading: lb(35), mustRule: true });
    expect(light.because).toContainEqual(
      expect.objectContaining({ code: "largeStep", stepShare: 0.75, limit: 0.1 }),
    );
  });

  it("names the ceiling of a station instead of a load that it cannot make", () => {
    const p = propose([exposure([set(lb(90), 10)], { loading: STACK })], { loading: STACK });
    expect(p).toMatchObject({ move: "keep", reading: lb(90), mustRule: true });
    expect(codes(p)).toContain("atCeiling");
  });

  /** Two and a half kilograms a session for so many sessions, then nothing more for so many. */
  const rising = (up: number, flat: number, over: Partial<Exposure> = {}) =>
    Array.from({ length: up + flat }, (_, i) => {
      const load = kg(100 + 2.5 * Math.min(i, up - 1));
      return exposure([set(load, 9), set(load, 9), set(load, 8)], over);
    });

  it("calls it a stall where steady progress has stopped, not where it goes on or is new", () => {
    const p = next(...rising(10, 6));
    expect(p.because[0]).toMatchObject({ code: "stalled", sessions: 6 });
    expect(p).toMatchObject({ move: "keep", reading: kg(122.5), mustRule: true });
    expect(p.ways.map(({ code }) => code)).toEqual([
      "sleepAndFood",
      "checkSetUp",
      "lighterWeek",
      "otherRange",
      "moreSets",
      "fewerSets",
      "variation",
    ]);
    expect(p.ways[2]?.step).toEqual({ move: "lower", reading: kg(110), changes: [] });
    expect(codes(next(...rising(16, 0)))).not.toContain("stalled");
    expect(codes(next(...rising(10, 1)))).not.toContain("stalled");
    expect(codes(next(at(9, 9, 8), at(9, 8, 8), at(9, 9, 8)))).not.toContain("stalled");
  });

  it("takes a held load for success while body weight is being cut", () => {
    const p = propose(rising(10, 6), { isHoldingSuccess: true });
    expect(codes(p)).toContain("heldWhileCutting");
    expect(codes(p)).not.toContain("stalled");
    expect(p).toMatchObject({ move: "keep", mustRule: false });
  });

  it("asks for less wear where the sets of a stall were near the limit", () => {
    const hard = rising(10, 6).map((e) => ({
      ...e,
      sets: e.sets.map((s) => ({ ...s, rir: 1 as const })),
    }));
    const ways = next(...hard).ways.map(({ code }) => code);
    expect(ways.indexOf("fewerSets")).toBeLessThan(ways.indexOf("moreSets"));
  });

  it("does not count sessions under other conditions towards a stall, and asks where the series breaks", () => {
    const wide = { context: sampleContext({ setUp: { Stance: "wide" } }) };
    const narrow = { context: sampleContext({ setUp: { Stance: "narrow" } }) };
    const [last] = rising(10, 1, narrow).slice(-1);
    const p = next(...rising(10, 6, wide), last!);
    expect(codes(p)).not.toContain("stalled");
    expect(codes(p)).toContain("notComparable");
    expect(p.mustRule).toBe(true);
  });

  it("does not take an unknown count for a zero", () => {
    const p = next(at(10, null, 10));
    expect(p).toMatchObject({ move: "keep", reading: kg(100), mustRule: true });
    expect(codes(p)).toContain("unknownReps");
    expect(next(at(null, null))).toMatchObject({ move: "keep", reading: kg(100), mustRule: true });
  });

  it("keeps what is planned when nothing was logged, and holds where the slot says so", () => {
    expect(next()).toMatchObject({
      move: "asPlanned",
      reading: kg(100),
      because: [{ code: "noExposure" }],
    });
    const held = propose([at(10, 10, 10)], {}, { ...slot, progression: { kind: "keepLoad" } });
    expect(held).toMatchObject({ move: "keep", because: [{ code: "heldByRule" }] });
  });

  it("never proposes a load that cannot be made, whatever was logged", () => {
    const loads = allLoads(RACK).map((l) => l.reading);
    const sets = fc.array(
      fc.record({
        at: fc.integer({ min: 0, max: loads.length - 1 }),
        reps: fc.option(fc.integer({ min: 0, max: 14 })),
        rir: fc.constantFrom(0, 1, 2, 3, "unknown", "past" as const),
      }),
      { minLength: 1, maxLength: 4 },
    );
    fc.assert(
      fc.property(fc.array(sets, { minLength: 1, maxLength: 4 }), (sessions) => {
        const history = sessions.map((own) =>
          exposure(own.map((s) => set(loads[s.at] ?? kg(20), s.reps, s.rir as 0))),
        );
        const p = propose(history);
        expect(p.reading !== null && howToMake(RACK, p.reading).ok).toBe(true);
        expect(p.because.length).toBeGreaterThan(0);
      }),
      { numRuns: Number(process.env["KRAVO_RUNS"] ?? 300) },
    );
  });
});
