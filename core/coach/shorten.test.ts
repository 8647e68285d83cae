import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { minutes } from "../kernel/index.ts";
import { slotsOf } from "../plan/index.ts";
import { sessionDuration, unroll } from "../unroll/index.ts";
import { findingsOf } from "./finding-rules.ts";
import { fixed } from "./fixes-for.ts";
import type { Judging } from "./judged.ts";
import { waysToShorten } from "./shorten.ts";
import { sampleNewId } from "../../tests/samples/index.ts";
import { exercise, judging, otherSession, sessionOf } from "~/tests/arbitrary/session.ts";
import { atMost } from "~/tests/arbitrary/runs.ts";

const likelyMinutes = ({ plan, unrollContext: context }: Judging) =>
  sessionDuration(unroll(plan, context)).likely / 60;
const ways = (j: Judging) => waysToShorten(j, sampleNewId);
/** The first number that differs decides. */
const compareAll = (a: readonly number[], b: readonly number[]) =>
  a.map((n, i) => n - (b[i] ?? 0)).find((by) => by !== 0) ?? 0;
const plan = sessionOf(
  exercise("leg-press", 5),
  exercise("lying-leg-curl", 4),
  exercise("standing-calf-raise", 4),
);

describe("ways to shorten a session", () => {
  it("offers pairing, less rest and a set less even where none of them is enough", () => {
    const short = ways(judging(plan, { brief: { minutesCap: minutes(5) } }));
    const kinds = short.filter((way) => !way.isEnough).map(({ fix }) => fix.kind);
    expect(kinds).toEqual(expect.arrayContaining(["pair", "trimRest", "dropSet"]));
  });

  it("says what each costs: no set for pairing and rest, one for a set less", () => {
    const found = ways(judging(plan, { brief: { minutesCap: minutes(5) } }));
    const costOf = (kind: string) => found.find(({ fix }) => fix.kind === kind)?.hardSets;
    expect([costOf("pair"), costOf("trimRest"), costOf("dropSet")]).toEqual([0, 0, 1]);
    // At most three of each: two of the five, one of each four.
    expect(costOf("trimSets")).toBe(4);
  });

  it("tells the least costly first, and one of each kind", () => {
    const found = ways(judging(plan, { brief: { minutesCap: minutes(20) } }));
    const costs = found.map((way) => [way.hardSets, way.brings.length, 0 - way.minutes]);
    const isInOrder = costs.every(
      (cost, i) => i === 0 || compareAll(costs[i - 1] ?? [], cost) <= 0,
    );
    expect(isInOrder).toBe(true);
    expect(costs.length).toBeGreaterThan(4);
    expect(new Set(found.map(({ fix }) => fix.kind)).size).toBe(found.length);
  });

  it("takes the set that saves most among those that cost as little", () => {
    const j = judging(plan, { brief: { minutesCap: minutes(5) } });
    const known = new Set(findingsOf(j).map(({ key }) => key));
    const byHand = slotsOf(plan).map(({ id }) => {
      const after = fixed({ kind: "dropSet", slot: id }, j, sampleNewId);
      const fresh = findingsOf(after).filter(
        ({ key, severity }) => !known.has(key) && severity !== "note",
      );
      return { id, cost: [fresh.length, likelyMinutes(after)] };
    });
    const [best] = byHand.toSorted((a, b) => compareAll(a.cost, b.cost));
    expect(ways(j).find(({ fix }) => fix.kind === "dropSet")?.fix).toMatchObject({
      slot: best?.id,
    });
  });

  it("takes a way that is enough before one of its kind that costs less", () => {
    const long = likelyMinutes(judging(plan));
    const trims = (cap: number) =>
      ways(judging(plan, { brief: { minutesCap: minutes(Math.round(cap)) } })).find(
        ({ fix }) => fix.kind === "trimSets",
      );
    expect(trims(long - 1)).toMatchObject({ fix: { to: 3 }, isEnough: true });
    const ofTwo = fixed({ kind: "trimSets", to: 2 }, judging(plan), sampleNewId);
    expect(trims(likelyMinutes(ofTwo) - 1)).toMatchObject({ fix: { to: 1 }, isEnough: true });
    expect(trims(5)).toMatchObject({ fix: { to: 3 }, isEnough: false });
  });

  it("names what would be missed then", () => {
    const removal = ways(judging(plan, { brief: { minutesCap: minutes(20) } })).find(
      ({ fix }) => fix.kind === "remove",
    );
    expect(removal?.brings.length).toBeGreaterThan(0);
  });

  it("does not take the only exercise", () => {
    const only = judging(sessionOf(exercise("leg-press", 5)), {
      brief: { minutesCap: minutes(5) },
    });
    expect(ways(only).map(({ fix }) => fix.kind)).not.toContain("remove");
  });

  it("does not take the only set of an exercise, and moves nothing to a day that has begun", () => {
    const single = sessionOf(exercise("leg-press", 1), exercise("lying-leg-curl", 1));
    const kinds = (isOpen: boolean) =>
      ways(
        judging(single, { brief: { minutesCap: minutes(5) }, others: [otherSession(isOpen)] }),
      ).map(({ fix }) => fix.kind);
    expect(kinds(true)).not.toContain("dropSet");
    expect(kinds(true)).toContain("moveToOtherDay");
    expect(kinds(false)).not.toContain("moveToOtherDay");
  });

  it("saves what it says, and is enough only where the time is kept, for any cap", () => {
    fc.assert(
      fc.property(fc.integer({ min: 5, max: 60 }), fc.integer({ min: 1, max: 6 }), (cap, sets) => {
        const j = judging(sessionOf(exercise("hack-squat", sets), exercise("seated-leg-curl", 3)), {
          brief: { minutesCap: minutes(cap) },
        });
        for (const way of ways(j)) {
          const after = fixed(way.fix, j, sampleNewId);
          expect(likelyMinutes(j) - likelyMinutes(after)).toBeCloseTo(way.minutes, 9);
          expect(way.minutes).toBeGreaterThanOrEqual(0.5);
          expect(Math.round(likelyMinutes(after)) <= cap).toBe(way.isEnough);
          const keys = new Set(findingsOf(j).map(({ key }) => key));
          for (const { key, severity } of way.brings) {
            expect(keys.has(key)).toBe(false);
            expect(severity).toBe("warning");
          }
          expect(slotsOf(after.plan).length).toBeGreaterThan(0);
        }
      }),
      { seed: 11, numRuns: atMost(25) },
    );
  });
});
