import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { assertNever, compareMass, kg, sameReading, share, type Mass } from "../kernel/index.ts";
import { allLoads, harderBy, howToMake, type Loading } from "../gym/index.ts";
import {
  demandOf,
  PROGRESSION_KINDS,
  progressionField,
  repsLeft,
  RIR_VALUES,
  type PlannedSet,
  type ProgressionRule,
  type Rir,
} from "../plan/index.ts";
import { UNSAID_OBSERVATIONS, type ExposedSet, type Exposure } from "../log/index.ts";
import { anyOf } from "../../tests/arbitrary/kinds.ts";
import {
  RACK,
  sampleCircumstances,
  sampleDrop,
  sampleExposed,
  sampleExposure,
  sampleNewId,
  sampleSet,
  sampleSlot,
  sampleStation,
  sampleUnrollContext,
  STACK,
} from "../../tests/samples/index.ts";
import { accepted, outcomesOf } from "./accept.ts";
import type { Change } from "./change.ts";
import { proposeFor } from "./propose.ts";
import type { LineProposal } from "./proposal.ts";

const RUNS = Number(process.env["KRAVO_RUNS"] ?? 400);

const COUNTERWEIGHT: Loading = {
  kind: "assisted",
  unit: "kg",
  movedShare: 1,
  pins: [5, 10, 15, 20, 25, 30, 35, 40].map(kg),
};
const SLED: Loading = { ...RACK, kind: "plateMachine", carriage: null, points: 2 } as Loading;
const BELT: Loading = {
  kind: "bodyweight",
  unit: "kg",
  movedShare: share(0.8),
  added: [0, 2.5, 5, 10, 20].map(kg),
};
const FLOOR: Loading = { kind: "unloaded", unit: "kg" };
const equipment = fc.constantFrom<Loading>(RACK, STACK, COUNTERWEIGHT, SLED, BELT, FLOOR);
const rules: fc.Arbitrary<ProgressionRule> = anyOf(progressionField);
const efforts = fc.constantFrom<Rir>(...RIR_VALUES);
const knownEfforts = fc.constantFrom<Rir>(0, 1, 2, 3, 4, 5);

interface Case {
  readonly loading: Loading;
  readonly rule: ProgressionRule;
  readonly at: number;
  readonly sessions: readonly (readonly (readonly [reps: number | null, rir: Rir])[])[];
}
const cases = (rir: fc.Arbitrary<Rir>, reps: fc.Arbitrary<number | null>): fc.Arbitrary<Case> =>
  fc.record({
    loading: equipment,
    rule: rules,
    at: fc.nat(40),
    sessions: fc.array(fc.tuple(fc.tuple(reps, rir), fc.tuple(reps, rir), fc.tuple(reps, rir)), {
      minLength: 1,
      maxLength: 6,
    }),
  });

const readingAt = ({ loading, at }: Case): Mass => {
  const loads = allLoads(loading);
  return loads[at % loads.length]?.reading ?? kg(0);
};
const setsOf = (one: Case): readonly PlannedSet[] =>
  [1, 2, 3].map((n) => sampleSet(n, { load: { kind: "absolute", reading: readingAt(one) } }));
const slotOf = (one: Case) => sampleSlot(setsOf(one), { progression: one.rule });

function exposuresOf(one: Case, over: Partial<ExposedSet> = {}): readonly Exposure[] {
  return one.sessions.map((sets) =>
    sampleExposure(
      sets.map(([reps, rir]) => sampleExposed(readingAt(one), reps, rir, over)),
      { loading: one.loading },
    ),
  );
}
function propose(one: Case, exposures = exposuresOf(one)): LineProposal {
  const known = sampleCircumstances({ loading: one.loading, bodyWeight: kg(80) });
  const [proposal] = proposeFor(slotOf(one), exposures, known);
  if (proposal === undefined) throw new Error("no proposal");
  return proposal;
}
/** What each set would be planned with. */
function loadsIn({ reading, changes }: LineProposal, one: Case): readonly Mass[] {
  const own = changes.filter((change) => change.kind === "load");
  return [0, 1, 2].map((i) => {
    const to = own.find(({ set }) => set === i)?.to;
    return to ?? (own.length > 0 ? readingAt(one) : (reading ?? readingAt(one)));
  });
}
/** How close to the limit a reserve is; unknown is as easy as more than five. */
const hardnessRank = (rir: Rir) => (rir === "past" ? 1 : -(repsLeft(rir) ?? 6));

/** Whether a change asks for more, for less, or for neither. `way` is 1 where a higher reading is harder. */
function demandsMore(change: Change, way: 1 | -1): -1 | 0 | 1 {
  switch (change.kind) {
    case "load":
      return sign(way * (change.to.thousandths - change.from.thousandths));
    case "target": {
      const [from, to] = [demandOf(change.from), demandOf(change.to)];
      return sign((to.least ?? 0) - (from.least ?? 0)) || sign((to.most ?? 0) - (from.most ?? 0));
    }
    case "rest":
      return sign(change.from - change.to);
    case "sets":
    case "hold":
      return sign(change.to - change.from);
    case "tempo":
      return sign(change.to - (change.from ?? 0));
    case "setUp":
      return change.isHarder ? 1 : -1;
    case "range":
      return change.to === "full" ? 1 : change.from === "full" ? -1 : 0;
    case "effort":
      return sign(hardnessRank(change.to) - hardnessRank(change.from));
    default:
      return assertNever(change);
  }
}

const sign = (n: number): -1 | 0 | 1 => (n > 0 ? 1 : n < 0 ? -1 : 0);

const anyReps = fc.option(fc.integer({ min: 0, max: 16 }));
const knownReps = fc.integer({ min: 0, max: 12 });

describe("what is proposed, whatever the rule, the equipment and the result", () => {
  it("can always be loaded, and so can every other way", () => {
    fc.assert(
      fc.property(cases(efforts, anyReps), (one) => {
        const proposal = propose(one);
        const steps = [proposal, ...proposal.ways.flatMap(({ step }) => (step ? [step] : []))];
        for (const { reading, changes } of steps) {
          if (reading !== null) expect(howToMake(one.loading, reading).ok).toBe(true);
          for (const change of changes)
            if (change.kind === "load") expect(howToMake(one.loading, change.to).ok).toBe(true);
        }
      }),
      { numRuns: RUNS },
    );
  });

  it("is what is planned once it is accepted", () => {
    const extensions = [[], [sampleDrop(11, "first", 0.8)]];
    fc.assert(
      fc.property(cases(efforts, anyReps), fc.nat(1), fc.nat(6), (one, drops, way) => {
        const slot = {
          ...slotOf(one),
          sets: setsOf(one).map((set) => ({
            ...set,
            extensions: (extensions[drops] ?? []).map((e) => ({ ...e, id: sampleNewId() })),
          })) as readonly PlannedSet[],
        };
        const proposal = propose(one);
        const step = proposal.ways[way]?.step ?? proposal;
        const context = sampleUnrollContext([sampleStation(one.loading)], { bodyWeight: kg(80) });
        const next = accepted(slot, new Map([[proposal.line, step]]), context, sampleNewId);
        const own = step.changes.some(({ kind }) => kind === "load");
        if (step.reading !== null && !own) {
          const [outcome] = outcomesOf(next, context);
          const [reading] = outcome?.readings ?? [];
          expect(reading != null && sameReading(reading, step.reading)).toBe(true);
        }
        for (const change of step.changes) {
          const set = "set" in change ? change.set : null;
          const sets = set === null ? next.sets : [next.sets[set]];
          if (change.kind === "target")
            for (const one of sets) expect(one?.target).toEqual(change.to);
          if (change.kind === "rest")
            for (const one of sets)
              expect(one?.restAfter).toEqual({ kind: "fixed", seconds: change.to });
          if (change.kind === "sets") expect(next.sets).toHaveLength(change.to);
          if (change.kind === "effort") for (const one of sets) expect(one?.effort).toBe(change.to);
          if (change.kind === "load")
            expect(sets[0]?.load).toEqual({ kind: "absolute", reading: change.to });
        }
        expect(new Set(next.sets.map(({ id }) => id)).size).toBe(next.sets.length);
      }),
      { numRuns: RUNS },
    );
  });

  it("never asks for more in two ways at once", () => {
    fc.assert(
      fc.property(cases(efforts, anyReps), (one) => {
        const { reading, from, changes } = propose(one);
        const way = harderBy(one.loading);
        const isHeavier = reading !== null && from !== null && way * compareMass(reading, from) > 0;
        const kinds = new Set(
          changes.filter((change) => demandsMore(change, way) > 0).map(({ kind }) => kind),
        );
        // To the limit is one thing, though it is written as a target and an effort.
        if (one.rule.kind === "limitSets") kinds.delete("effort");
        expect(kinds.size + (isHeavier ? 1 : 0)).toBeLessThanOrEqual(1);
      }),
      { numRuns: RUNS },
    );
  });

  it("never raises over pain or a fault that is new, and asks after pain", () => {
    fc.assert(
      fc.property(cases(knownEfforts, knownReps), (one) => {
        const way = harderBy(one.loading);
        const isHeavier = ({ reading, from }: LineProposal) =>
          reading !== null && from !== null && way * compareMass(reading, from) > 0;
        const seen = (faults: readonly "bounce"[]) =>
          exposuresOf(one, {
            observed: {
              ...UNSAID_OBSERVATIONS,
              faults: faults.map((fault) => ({ fault, fromRep: null })),
            },
          });
        const faulty = [...seen([]), ...seen(["bounce"]).slice(-1)];
        if (one.rule.kind !== "taper") expect(isHeavier(propose(one, faulty))).toBe(false);
        const pains = [
          {
            kind: "pain",
            id: sampleNewId<"pain">(),
            slotId: slotOf(one).id,
            key: null,
            joint: "knee",
            side: "left",
            score: 2,
            note: "",
          },
        ] as const;
        const hurt = exposuresOf(one).map((exposure, i, all) =>
          i === all.length - 1 ? { ...exposure, pains } : exposure,
        );
        const proposal = propose(one, hurt);
        expect(isHeavier(proposal)).toBe(false);
        expect(proposal.changes).toEqual([]);
        expect(proposal.mustRule).toBe(true);
      }),
      { numRuns: RUNS },
    );
  });

  it("is never a lighter load, nor fewer reps at the same load, for a better result", () => {
    const better = fc.tuple(fc.nat(3), fc.nat(2));
    fc.assert(
      fc.property(cases(knownEfforts, knownReps), fc.tuple(better, better, better), (one, more) => {
        const last = one.sessions.at(-1) ?? [];
        const improved: Case = {
          ...one,
          sessions: [
            ...one.sessions.slice(0, -1),
            last.map(([reps, rir], i) => {
              const [r, e] = more[i] ?? [0, 0];
              return [(reps ?? 0) + r, Math.min(5, Number(rir) + e) as Rir] as const;
            }),
          ],
        };
        const [worse, good] = [propose(one), propose(improved)];
        const way = harderBy(one.loading);
        if (worse.reading === null || good.reading === null) return;
        const [low, high] = [loadsIn(worse, one), loadsIn(good, one)];
        high.forEach((load, i) => {
          expect(way * compareMass(load, low[i] ?? load)).toBeGreaterThanOrEqual(0);
        });
        if (!sameReading(good.reading, worse.reading)) return;
        const leastOf = ({ changes }: LineProposal) =>
          slotOf(one).sets.map((set, i) => {
            const change = changes.findLast(
              (c) => c.kind === "target" && (c.set === null || c.set === i),
            );
            return demandOf(change?.kind === "target" ? change.to : set.target).least ?? 0;
          });
        leastOf(good).forEach((least, i) => {
          expect(least).toBeGreaterThanOrEqual(leastOf(worse)[i] ?? 0);
        });
      }),
      { numRuns: RUNS },
    );
  });
});

it("every rule is drawn by the generator", () => {
  const drawn = new Set(fc.sample(rules, 400).map(({ kind }) => kind));
  expect(drawn.size).toBe(PROGRESSION_KINDS.length);
});
