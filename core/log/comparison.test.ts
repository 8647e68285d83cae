import { describe, expect, it } from "vitest";
import { kg, seconds } from "../kernel/index.ts";
import { OPEN_TEMPO } from "../plan/index.ts";
import { differences, verdictOf } from "./comparison.ts";
import type { LogContext } from "./logged-set.ts";
import { RACK, sampleContext, sampleId } from "../../tests/samples/index.ts";

const between = (a: Partial<LogContext>, b: Partial<LogContext>, laterLoading = RACK) =>
  differences(
    { context: sampleContext(a), loading: RACK },
    { context: sampleContext(b), loading: laterLoading },
  );
const slow = { ...OPEN_TEMPO, lower: 3 };
const slower = { ...OPEN_TEMPO, lower: 5 };

describe("like with like", () => {
  it("is alike when nothing differs, small changes of rest and place included", () => {
    expect(between({}, {})).toEqual([]);
    expect(between({ restSeconds: seconds(120) }, { restSeconds: seconds(140) })).toEqual([]);
    expect(between({ hardSetsBefore: 3 }, { hardSetsBefore: 5 })).toEqual([]);
  });

  it.each([
    ["another station", { station: sampleId<"station">(9) }, "station", "other"],
    ["another movement", { movement: "shipped:front-squat" as const }, "movement", "other"],
    ["a slower tempo", { tempo: slower }, "tempo", "harder"],
    ["less rest", { restSeconds: seconds(60) }, "rest", "harder"],
    ["more rest", { restSeconds: seconds(240) }, "rest", "easier"],
    ["later in the order", { hardSetsBefore: 6 }, "order", "harder"],
    ["a belt put on", { gear: [{ name: "belt", fromSet: 1 }] }, "gear", "other"],
    ["a spotter", { helper: "spotter" as const }, "helper", "easier"],
  ])("notes %s", (_, later, aspect, direction) => {
    expect(between({ tempo: slow }, { tempo: slow, ...later })).toEqual([{ aspect, direction }]);
  });

  it("does not take unknown for a difference", () => {
    expect(
      between({ helper: "unknown", gear: null, restSeconds: null }, { helper: "alone", gear: [] }),
    ).toEqual([]);
    const belt = [{ name: "belt", fromSet: 1 }];
    expect(between({ gear: belt }, { gear: null })).toEqual([]);
    expect(between({ gear: null }, { gear: belt })).toEqual([]);
    expect(between({ setUp: { Stance: "wide" } }, { setUp: {} })).toEqual([]);
    expect(between({ setUp: { Stance: "wide" } }, { setUp: { Stance: "hip width" } })).toHaveLength(
      1,
    );
  });

  it("breaks when the bar was exchanged, though the station is the same", () => {
    expect(between({}, {}, { ...RACK, bar: kg(15) } as typeof RACK)).toEqual([
      { aspect: "station", direction: "other" },
    ]);
  });

  it("calls a tempo just another where a phase is not told in seconds, and easier where all is faster", () => {
    const to = (tempo: Partial<typeof OPEN_TEMPO>) =>
      between({ tempo: slow }, { tempo: { ...slow, ...tempo } });
    const other = [{ aspect: "tempo", direction: "other" }];
    expect(to({ lower: "explosive" })).toEqual(other);
    expect(between({ tempo: { ...slow, lower: "explosive" } }, { tempo: slow })).toEqual(other);
    expect(to({ lower: 2 })).toEqual([{ aspect: "tempo", direction: "easier" }]);
  });

  it("calls a tempo with one phase slower and one faster just another", () => {
    const mixed = { ...OPEN_TEMPO, lower: 4, lift: 1 };
    expect(between({ tempo: { ...OPEN_TEMPO, lower: 3, lift: 2 } }, { tempo: mixed })).toEqual([
      { aspect: "tempo", direction: "other" },
    ]);
  });

  it("knows which setting is harder where the studio said so, in all that differs or not at all", () => {
    const depth = { name: "Pins", choices: ["3", "4"], usual: "3", rising: ["3", "4"] };
    const stance = { name: "Stance", choices: ["hip", "wide"], usual: "hip" };
    const moved = (from: LogContext["setUp"], to: LogContext["setUp"]) =>
      differences(
        { context: sampleContext({ setUp: from }), loading: RACK },
        { context: sampleContext({ setUp: to }), loading: RACK },
        [depth, stance],
      ).map(({ direction }) => direction);
    expect(moved({ Pins: "3" }, { Pins: "4" })).toEqual(["harder"]);
    expect(moved({ Pins: "4" }, { Pins: "3" })).toEqual(["easier"]);
    expect(moved({ Stance: "hip" }, { Stance: "wide" })).toEqual(["other"]);
    expect(moved({ Pins: "3", Stance: "hip" }, { Pins: "4", Stance: "wide" })).toEqual(["other"]);
    expect(moved({ Pins: "3" }, { Pins: "3" })).toEqual([]);
  });

  it("concludes one way only under harder or easier conditions", () => {
    expect(verdictOf([])).toBe("alike");
    expect(
      verdictOf(between({ hardSetsBefore: 0 }, { hardSetsBefore: 9, restSeconds: seconds(60) })),
    ).toBe("progressOnly");
    expect(verdictOf(between({}, { restSeconds: seconds(240) }))).toBe("regressionOnly");
    expect(verdictOf(between({}, { hardSetsBefore: 9, restSeconds: seconds(240) }))).toBe(
      "notComparable",
    );
  });
});
