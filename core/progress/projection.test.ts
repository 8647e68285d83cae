import { describe, expect, it } from "vitest";
import { addDays, kg } from "../kernel/index.ts";
import type { Loading } from "../gym/index.ts";
import { linesOf } from "../plan/index.ts";
import type { Exposure } from "../log/index.ts";
import {
  RACK,
  sampleCircumstances,
  sampleContext,
  sampleDay,
  sampleExposed,
  sampleExposure,
  sampleSet,
  sampleSlot,
} from "../../tests/samples/index.ts";
import type { Facts } from "./judged-line.ts";
import { countedFrom, loadsAfter, projected } from "./projection.ts";
import { factsOn } from "./propose.ts";

const SLOT = sampleSlot([sampleSet(1), sampleSet(2), sampleSet(3)]);
/** Ten reps a week with a step of 2.5 kg from 80 kg on; or at 80 kg with a rep more each week, from four. */
function factsAfter(weeks: number, loading: Loading | null = null): Facts {
  const each = loading === null ? 2.5 : 0;
  const on = loading ?? RACK;
  const exposures = Array.from({ length: weeks }, (_, i): Exposure =>
    sampleExposure(
      [1, 2, 3].map(() => sampleExposed(kg(80 + each * i), loading === null ? 10 : 4 + i)),
      { day: addDays(sampleDay(), 7 * i), loading: on },
    ),
  );
  const facts = factsOn(SLOT, linesOf(SLOT)[0]!, exposures, sampleCircumstances({ loading: on }));
  if (facts === null) throw new Error("no facts");
  return facts;
}
const COARSE: Loading = {
  ...RACK,
  plates: [
    { size: kg(20), count: 8 },
    { size: kg(10), count: 2 },
  ],
} as Loading;

describe("when a load will come", () => {
  it("is later for a heavier load, and never sooner than its steps allow", () => {
    const facts = factsAfter(8);
    const when = [100, 105, 110, 120].map((load) => {
      const answer = projected(facts, kg(load));
      return answer.ok ? (answer.value.sessions.likely ?? Infinity) : NaN;
    });
    expect(when).toEqual([...when].sort((a, b) => a - b));
    const far = projected(facts, kg(120));
    expect(far.ok && far.value.steps).toBe(9);
    expect(far.ok && far.value.sessions.earliest).toBeGreaterThanOrEqual(9);
    expect(far.ok && far.value.daysEach).toBe(7);
  });

  it("has the earliest, the likely and the latest in order", () => {
    for (const load of [100, 110, 130]) {
      const answer = projected(factsAfter(8), kg(load));
      if (!answer.ok) throw new Error(answer.error.code);
      const { earliest, likely, latest } = answer.value.sessions;
      const all = [earliest, likely, latest].map((n) => n ?? Infinity);
      expect(all).toEqual([...all].sort((a, b) => a - b));
    }
  });

  it("is later where the equipment takes large steps, and says when it would be without them", () => {
    const fine = projected(factsAfter(6, RACK), kg(100));
    const coarse = projected(factsAfter(6, COARSE), kg(100));
    if (!fine.ok || !coarse.ok) throw new Error("no projection");
    expect(coarse.value.steps).toBeLessThan(fine.value.steps);
    expect(coarse.value.withoutSteps).toBe(fine.value.withoutSteps);
    expect(coarse.value.sessions.likely ?? Infinity).toBeGreaterThanOrEqual(
      coarse.value.withoutSteps ?? Infinity,
    );
  });

  it("is of the next load that is made, where the one asked about is not", () => {
    const answer = projected(factsAfter(6), kg(101));
    expect(answer.ok && answer.value.reading).toEqual(kg(102.5));
  });

  it("is never later because a target was met once more", () => {
    for (const weeks of [6, 8, 10]) {
      const [before, after] = [weeks, weeks + 1].map((n) => projected(factsAfter(n), kg(125)));
      if (!before?.ok || !after?.ok) throw new Error("no projection");
      // Counted from the last session, which is one later.
      const [was, is] = [before.value.sessions.likely, after.value.sessions.likely];
      expect((is ?? Infinity) + 1).toBeLessThanOrEqual(was ?? Infinity);
    }
  });

  it("is not said where it was met, cannot be made, or nothing is known", () => {
    const code = (facts: Facts, load: number) => {
      const answer = projected(facts, kg(load));
      return answer.ok ? "ok" : answer.error.code;
    };
    expect(code(factsAfter(6), 90)).toBe("met");
    expect(code(factsAfter(6), 900)).toBe("beyondStation");
    expect(code(factsAfter(3), 100)).toBe("tooFew");
  });

  it("is not said of a sled or a body of unknown weight", () => {
    const SLED: Loading = {
      kind: "plateMachine",
      unit: "kg",
      carriage: null,
      points: 2,
      plates: [{ size: kg(2.5), count: 80 }],
    };
    const answer = projected(factsAfter(6, SLED), kg(120));
    expect(answer).toEqual({ ok: false, error: { code: "cannotTell", unknown: "total" } });
  });

  it("is no load that was trained and never came to what is asked", () => {
    const at = (reps: number) => {
      const exposures = Array.from({ length: 6 }, (_, i) =>
        sampleExposure(
          [1, 2, 3].map(() => sampleExposed(kg(i < 5 ? 90 + i : 100), i < 5 ? 9 : reps)),
          { day: addDays(sampleDay(), 7 * i) },
        ),
      );
      const facts = factsOn(SLOT, linesOf(SLOT)[0]!, exposures, sampleCircumstances());
      return projected(facts!, kg(100));
    };
    expect(at(8)).toEqual({ ok: false, error: { code: "met" } });
    const short = at(6);
    expect(short.ok && short.value.steps).toBe(0);
    expect(short.ok && short.value.sessions.likely).toBeGreaterThanOrEqual(1);
  });

  it("is not met by what was done under easier conditions", () => {
    const depth = {
      name: "Depth",
      choices: ["high", "deep"],
      usual: "high",
      rising: ["high", "deep"],
    };
    const met = (before: string, now: string) => {
      const exposures = [before, now].map((choice, i) =>
        sampleExposure(
          [1, 2, 3].map(() => sampleExposed(kg(i === 0 ? 120 : 80), 10)),
          { context: sampleContext({ setUp: { Depth: choice } }) },
        ),
      );
      const known = sampleCircumstances({ parameters: [depth] });
      const answer = projected(factsOn(SLOT, linesOf(SLOT)[0]!, exposures, known)!, kg(110));
      return !answer.ok && answer.error.code === "met";
    };
    expect([met("high", "deep"), met("deep", "high"), met("deep", "deep")]).toEqual([
      false,
      true,
      true,
    ]);
  });

  it("waits for the weakest set, not for the mean", () => {
    const at = (...reps: readonly [number, number, number]) => {
      const exposures = Array.from({ length: 8 }, (_, i) =>
        sampleExposure(
          reps.map((n) => sampleExposed(kg(80 + 2.5 * i), n)),
          { day: addDays(sampleDay(), 7 * i) },
        ),
      );
      const answer = projected(
        factsOn(SLOT, linesOf(SLOT)[0]!, exposures, sampleCircumstances())!,
        kg(120),
      );
      return answer.ok ? (answer.value.sessions.likely ?? Infinity) : NaN;
    };
    expect(at(11, 10, 6)).toBeGreaterThan(at(9, 9, 9));
  });

  it("is of repetitions only", () => {
    const held = Array.from({ length: 6 }, (_, i) =>
      sampleExposure([
        sampleExposed(kg(20), null, 2, {
          measure: "seconds",
          amount: 30 + i,
          demand: { least: 30, most: 60 },
        }),
      ]),
    );
    const facts = factsOn(SLOT, linesOf(SLOT)[0]!, held, sampleCircumstances())!;
    expect(projected(facts, kg(60))).toEqual({
      ok: false,
      error: { code: "cannotTell", unknown: "reps" },
    });
  });

  it("names the step that no session brings", () => {
    const answer = projected(factsAfter(6, COARSE), kg(120));
    expect(answer.ok && answer.value.implausible).toMatchObject({ from: kg(80), to: kg(100) });
    const fine = projected(factsAfter(6, RACK), kg(100));
    expect(fine.ok && fine.value.implausible).toBe(null);
  });

  it("counts from today on where the next session is late", () => {
    const [last, today] = [addDays(sampleDay(), 0), addDays(sampleDay(), 30)];
    expect(countedFrom(last, addDays(last, 3), 7)).toBe(last);
    expect(countedFrom(last, today, 7)).toBe(addDays(today, -7));
  });

  it("comes with the load that is likely by then, never less with more time", () => {
    const facts = factsAfter(8);
    const loads = loadsAfter(facts, [0, 4, 8, 16, 40]).map((load) => load!.thousandths);
    expect(loads).toEqual([...loads].sort((a, b) => a - b));
    expect(loads[0]).toBe(kg(97.5).thousandths);
    expect(loads.at(-1)).toBeGreaterThan(kg(110).thousandths);
  });
});
