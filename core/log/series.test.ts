import { describe, expect, it } from "vitest";
import { addDays, kg, seconds } from "../kernel/index.ts";
import type { SetUpParameter } from "../movement/index.ts";
import { UNSAID_CONDITIONS, type Conditions } from "./conditions.ts";
import type { Exposure } from "./exposure.ts";
import type { LogContext } from "./logged-set.ts";
import { seriesAt } from "./series.ts";
import {
  sampleContext,
  sampleDay,
  sampleExposed,
  sampleExposure,
  sampleId,
} from "../../tests/samples/index.ts";

const DEPTH: SetUpParameter = {
  name: "Depth",
  choices: ["high", "parallel", "deep"],
  usual: "parallel",
  rising: ["high", "parallel", "deep"],
};
const STANCE: SetUpParameter = { name: "Stance", choices: ["hip", "wide"], usual: "hip" };

type On = Partial<LogContext> & { readonly said?: Partial<Conditions> };
/** Sessions a week apart, each with what was otherwise about it; the places of those of the last one's series. */
function placed(...all: readonly On[]) {
  const exposures = all.map(({ said, ...context }, week): Exposure =>
    sampleExposure(
      [sampleExposed(kg(100), 8, 2, { conditions: { ...UNSAID_CONDITIONS, ...said } })],
      {
        sessionLogId: sampleId(600 + week),
        day: addDays(sampleDay(), 7 * week),
        context: sampleContext(context),
      },
    ),
  );
  const found = seriesAt(exposures as [Exposure], { parameters: [DEPTH, STANCE], comparing: [] });
  return { ...found, at: found.sessions.map((exposure) => exposures.indexOf(exposure)) };
}
const rest = (n: number): On => ({ restSeconds: seconds(n) });
const depth = (choice: string): On => ({ setUp: { Depth: choice } });
const stance = (choice: string): On => ({ setUp: { Stance: choice } });

describe("the series of the last session", () => {
  it("is every session under the same conditions, and goes on behind those that were otherwise", () => {
    expect(placed(rest(60), rest(60), rest(60)).at).toEqual([0, 1, 2]);
    expect(placed(rest(60), rest(180), rest(60), rest(180), rest(60)).at).toEqual([0, 2, 4]);
    expect(placed(rest(60), rest(180), rest(60), rest(180)).at).toEqual([1, 3]);
    expect(placed(rest(60), rest(180))).toMatchObject({ at: [1], last: "in", drift: [] });
  });

  it("ends where small changes add up against its first session, and says by how much", () => {
    // Each step is within a fifth of the one before; the third is not within a fifth of the first.
    const { at, drift, driftedFrom } = placed(rest(100), rest(90), rest(81), rest(73));
    expect(at).toEqual([3]);
    expect(drift).toEqual([{ aspect: "rest", direction: "harder", from: 100, to: 73 }]);
    expect(driftedFrom?.day).toBe(sampleDay());
    expect(placed(rest(100), rest(90), rest(81)).at).toEqual([0, 1, 2]);
    // And the next one goes on from there, with nothing more to say.
    expect(placed(rest(100), rest(90), rest(81), rest(73), rest(73))).toMatchObject({
      at: [3, 4],
      driftedFrom: null,
    });
  });

  it("is not ended by a set-up that was harder or easier once", () => {
    const once = placed(depth("parallel"), depth("parallel"), depth("deep"));
    expect([once.at, once.last]).toEqual([[0, 1], "aside"]);
    const back = placed(depth("parallel"), depth("parallel"), depth("deep"), depth("parallel"));
    expect([back.at, back.last]).toEqual([[0, 1, 3], "in"]);
    const higher = placed(depth("parallel"), depth("high"));
    expect([higher.at, higher.last]).toEqual([[0], "aside"]);
  });

  it("begins anew where the change stays, from the first session that had it", () => {
    const stays = placed(depth("parallel"), depth("parallel"), depth("deep"), depth("deep"));
    expect([stays.at, stays.last]).toEqual([[2, 3], "in"]);
    const further = placed(depth("high"), depth("parallel"), depth("deep"));
    expect([further.at, further.last]).toEqual([[0], "aside"]);
  });

  it("begins anew at once where neither setting is the harder, or something else differs too", () => {
    expect(placed(stance("hip"), stance("hip"), stance("wide"))).toMatchObject({
      at: [2],
      last: "in",
    });
    expect(placed(depth("parallel"), { ...depth("deep"), restSeconds: seconds(60) })).toMatchObject(
      { at: [1], last: "in" },
    );
  });

  it("is neither joined nor ended where a condition is unknown that it knows", () => {
    const belt = { gear: [{ name: "belt", fromSet: 1 }] };
    const unsaid = { gear: null };
    expect(placed(belt, belt, unsaid)).toMatchObject({
      at: [0, 1],
      last: "unsure",
      unknown: ["gear"],
    });
    expect(placed(belt, belt, unsaid, belt).at).toEqual([0, 1, 3]);
    expect(placed({ helper: "alone" }, { helper: "unknown" })).toMatchObject({
      unknown: ["helper"],
    });
    expect(placed(depth("deep"), { setUp: {} })).toMatchObject({ unknown: ["setUp:Depth"] });
    // What nobody knew keeps nothing apart, nor does what was said once in a while.
    expect(placed(unsaid, unsaid, belt, unsaid).at).toEqual([0, 1, 2, 3]);
    expect(placed(belt, unsaid, unsaid).at).toEqual([0, 2]);
    // Known otherwise is no longer unknown.
    expect(placed(belt, belt, { gear: [] }).at).toEqual([2]);
  });

  it("leaves out what a coach said does not matter, known or not", () => {
    const word = { movement: "shipped:back-squat", person: null, station: null } as const;
    const gear = { ...word, condition: "gear", parameter: null } as const;
    const deep = { ...word, condition: "setUp", parameter: "Depth" } as const;
    const exposures = [{ gear: [] }, { gear: null }, { setUp: {} }].map((context) =>
      sampleExposure([sampleExposed(kg(100), 8, 2)], {
        context: sampleContext({ setUp: { Depth: "deep" }, ...context }),
      }),
    );
    const by = { parameters: [DEPTH], comparing: [gear, deep] };
    expect(seriesAt(exposures as [Exposure], by).sessions).toHaveLength(3);
    const without = seriesAt(exposures as [Exposure], { ...by, comparing: [gear] });
    expect(without).toMatchObject({ last: "unsure", unknown: ["setUp:Depth"] });
  });

  it("takes what nobody looked for, such as faults, as no condition", () => {
    const looked = { ...sampleExposed(kg(100), 8, 2) };
    const clean = sampleExposure([{ ...looked, observed: { ...looked.observed, faults: [] } }]);
    const found = seriesAt([clean, sampleExposure([looked])], { parameters: [], comparing: [] });
    expect(found).toMatchObject({ last: "in", unknown: [] });
    expect(found.sessions).toHaveLength(2);
  });
});
