import { describe, expect, it } from "vitest";
import type { Loading } from "../gym/index.ts";
import { kg, seconds, type Fault } from "../kernel/index.ts";
import { OPEN_TEMPO } from "../plan/index.ts";
import { differences as differencesBy, verdictOf, type ComparedContext } from "./comparison.ts";
import type { SetUpParameter } from "../movement/index.ts";
import type { Difference } from "./difference.ts";
import { UNSAID_CONDITIONS, type Conditions } from "./conditions.ts";
import type { LogContext } from "./logged-set.ts";
import type { Observations } from "./observations.ts";
import { RACK, sampleContext, sampleExposed, sampleId } from "../../tests/samples/index.ts";

const differences = (
  a: ComparedContext,
  b: ComparedContext,
  parameters: readonly SetUpParameter[] = [],
) => differencesBy(a, b, { parameters, comparing: [] });
const between = (a: Partial<LogContext>, b: Partial<LogContext>, laterLoading = RACK) =>
  differences(
    { context: sampleContext(a), loading: RACK, sets: [] },
    { context: sampleContext(b), loading: laterLoading, sets: [] },
  );
const HERE = sampleContext();
const BELT = { name: "belt", fromSet: 1 };
const slow = { ...OPEN_TEMPO, lower: 3 };
const slower = { ...OPEN_TEMPO, lower: 5 };

describe("like with like", () => {
  it("is alike when nothing differs, small changes of rest and place included", () => {
    expect(between({}, {})).toEqual([]);
    expect(between({ restSeconds: seconds(120) }, { restSeconds: seconds(140) })).toEqual([]);
    expect(between({ hardSetsBefore: 3 }, { hardSetsBefore: 5 })).toEqual([]);
  });

  it.each<[string, Partial<LogContext>, Difference]>([
    [
      "another station",
      { station: sampleId<"station">(9) },
      { aspect: "station", direction: "other", from: HERE.station, to: sampleId(9) },
    ],
    [
      "another movement",
      { movement: "shipped:front-squat" },
      { aspect: "movement", direction: "other", from: HERE.movement, to: "shipped:front-squat" },
    ],
    [
      "a slower tempo",
      { tempo: slower },
      { aspect: "tempo", direction: "harder", from: slow, to: slower },
    ],
    [
      "less rest",
      { restSeconds: seconds(60) },
      { aspect: "rest", direction: "harder", from: seconds(120), to: seconds(60) },
    ],
    [
      "more rest",
      { restSeconds: seconds(240) },
      { aspect: "rest", direction: "easier", from: seconds(120), to: seconds(240) },
    ],
    [
      "later in the order",
      { hardSetsBefore: 6 },
      { aspect: "order", direction: "harder", from: HERE.hardSetsBefore, to: 6 },
    ],
    [
      "a belt put on",
      { gear: [BELT] },
      { aspect: "gear", direction: "easier", from: [], to: [BELT] },
    ],
    [
      "other shoes",
      { gear: [{ name: "heeled shoes", fromSet: 1 }] },
      { aspect: "gear", direction: "other", from: [], to: [{ name: "heeled shoes", fromSet: 1 }] },
    ],
    [
      "a spotter",
      { helper: "spotter" },
      { aspect: "helper", direction: "easier", from: "alone", to: "spotter" },
    ],
  ])("notes %s, with both values", (_, later, difference) => {
    const first = { tempo: slow, restSeconds: seconds(120), gear: [], helper: "alone" } as const;
    expect(between(first, { ...first, ...later })).toEqual([difference]);
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
      { aspect: "loading", direction: "other" },
    ]);
  });

  it("calls a tempo just another where a phase is not told in seconds, and easier where all is faster", () => {
    const to = (tempo: Partial<typeof OPEN_TEMPO>) =>
      between({ tempo: slow }, { tempo: { ...slow, ...tempo } });
    const other = [expect.objectContaining({ aspect: "tempo", direction: "other" })];
    expect(to({ lower: "explosive" })).toEqual(other);
    expect(between({ tempo: { ...slow, lower: "explosive" } }, { tempo: slow })).toEqual(other);
    expect(to({ lower: 2 })).toMatchObject([{ aspect: "tempo", direction: "easier" }]);
  });

  it("calls a tempo with one phase slower and one faster just another", () => {
    const mixed = { ...OPEN_TEMPO, lower: 4, lift: 1 };
    expect(
      between({ tempo: { ...OPEN_TEMPO, lower: 3, lift: 2 } }, { tempo: mixed }),
    ).toMatchObject([{ aspect: "tempo", direction: "other" }]);
  });

  it("knows which setting is harder where the studio said so, in all that differs or not at all", () => {
    const depth = { name: "Pins", choices: ["3", "4"], usual: "3", rising: ["3", "4"] };
    const stance = { name: "Stance", choices: ["hip", "wide"], usual: "hip" };
    const moved = (from: LogContext["setUp"], to: LogContext["setUp"]) =>
      differences(
        { context: sampleContext({ setUp: from }), loading: RACK, sets: [] },
        { context: sampleContext({ setUp: to }), loading: RACK, sets: [] },
        [depth, stance],
      ).map(({ direction }) => direction);
    expect(moved({ Pins: "3" }, { Pins: "4" })).toEqual(["harder"]);
    expect(moved({ Pins: "4" }, { Pins: "3" })).toEqual(["easier"]);
    expect(moved({ Stance: "hip" }, { Stance: "wide" })).toEqual(["other"]);
    expect(moved({ Pins: "3", Stance: "hip" }, { Pins: "4", Stance: "wide" })).toEqual([
      "harder",
      "other",
    ]);
    expect(moved({ Pins: "3" }, { Pins: "3" })).toEqual([]);
  });

  it("holds settings that change from set to set against each other in their order", () => {
    const depth = { name: "Pins", choices: ["3", "4"], usual: "3", rising: ["3", "4"] };
    const of = (context: string | null, ...sets: readonly (string | null)[]) => ({
      context: sampleContext({ setUp: context === null ? {} : { Pins: context } }),
      loading: RACK,
      sets: sets.map((pins) =>
        sampleExposed(kg(100), 8, 2, { setUp: pins === null ? {} : { Pins: pins } }),
      ),
    });
    const pins = (a: ComparedContext, b: ComparedContext) => differences(a, b, [depth]);
    expect(pins(of("3", "3", "3"), of("3", null, "4"))).toEqual([
      { aspect: "setUp", direction: "harder", name: "Pins", from: "3", to: "3, then 4" },
    ]);
    expect(pins(of("3", "4", "3"), of("3", null, null))).toMatchObject([{ direction: "easier" }]);
    expect(pins(of("3", "4", "3"), of("3", null, "4"))).toMatchObject([{ direction: "other" }]);
    expect(pins(of("3", "4", null), of("3", "4", "3"))).toEqual([]);
    // A set more is held against the last one.
    expect(pins(of("3", "3", "4"), of("3", "3", "4", "4"))).toEqual([]);
    expect(pins(of("3", "3", "3"), of("3", "3", "3", "4"))).toMatchObject([
      { direction: "harder", to: "3, then 3, then 4" },
    ]);
    expect(pins(of(null, "4", null), of("3", "3", "3"))).toEqual([]);
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

describe("what was said of the sets", () => {
  type Said = Partial<Conditions> & Partial<Observations>;
  const sets = (...said: readonly Said[]) =>
    said.map(({ faults, held, feltIn, stuckAt, ...conditions }) =>
      sampleExposed(kg(100), 8, 2, {
        conditions: { ...UNSAID_CONDITIONS, ...conditions },
        observed: {
          faults: faults ?? null,
          held: held ?? null,
          feltIn: feltIn ?? null,
          stuckAt: stuckAt ?? null,
        },
      }),
    );
  const compared = (
    a: readonly Said[],
    b: readonly Said[],
    [planned, then]: readonly [Partial<LogContext>, Partial<LogContext>] = [{}, {}],
  ) =>
    differences(
      { context: sampleContext(planned), loading: RACK, sets: sets(...a) },
      { context: sampleContext(then), loading: RACK, sets: sets(...b) },
    );
  const rest = (n: number | null): Said => ({ restBefore: n === null ? null : seconds(n) });

  it("is the rest as it was taken where both are known, the middle of those between sets; else as planned", () => {
    const [two, four] = [{ restSeconds: seconds(120) }, { restSeconds: seconds(240) }];
    // The first set of an exercise has no rest between its sets before it.
    const taken = [rest(600), rest(110), rest(130)];
    expect(compared(taken, [rest(10), rest(118), rest(122)], [two, four])).toEqual([]);
    expect(compared(taken, [rest(10), rest(60), rest(70), rest(500)])).toEqual([
      { aspect: "rest", direction: "harder", from: 120, to: 70 },
    ]);
    expect(compared(taken, [rest(10), rest(null)], [two, four])).toEqual([
      { aspect: "rest", direction: "easier", from: 120, to: 240 },
    ]);
    expect(compared([rest(50)], [rest(500)])).toEqual([]);
    // Of an even number the middle of the two in the middle, whatever their order.
    expect(compared(taken, [rest(10), rest(200), rest(9), rest(100), rest(60)])).toMatchObject([
      { to: 80 },
    ]);
  });

  it("is a range that all sets kept to: the whole is harder, of two parts neither", () => {
    const range = (...ranges: readonly Conditions["range"][]) => ranges.map((r) => ({ range: r }));
    const found = (a: readonly Said[], b: readonly Said[]) =>
      compared(a, b).map(({ aspect, direction }) => [aspect, direction]);
    expect(found(range("full", "full"), range("full"))).toEqual([]);
    expect(found(range("stretched"), range("full"))).toEqual([["range", "harder"]]);
    expect(found(range("full"), range("shortened"))).toEqual([["range", "easier"]]);
    expect(found(range("stretched"), range("shortened"))).toEqual([["range", "other"]]);
    expect(found(range("full"), range(null))).toEqual([]);
    expect(found(range("full"), range("full", "mid"))).toEqual([]);
  });

  it("is gear from a set on, of the sets where it was said of each, else of the exercise", () => {
    const worn = (...names: readonly (string | null)[]): readonly Said[] =>
      names.map((name) => ({ gear: name === null ? [] : [name] }));
    expect(compared(worn(null, null, "belt"), worn("belt", "belt", "belt"))).toEqual([
      {
        aspect: "gear",
        direction: "easier",
        from: [{ name: "belt", fromSet: 3 }],
        to: [{ name: "belt", fromSet: 1 }],
      },
    ]);
    expect(compared(worn("belt"), worn(null))).toMatchObject([{ direction: "harder" }]);
    expect(compared(worn("belt"), worn("straps"))).toMatchObject([{ direction: "other" }]);
    expect(compared(worn("belt"), worn("belt"))).toEqual([]);
    // Said of some sets only it is as planned.
    const unworn = [{ gear: [BELT] }, { gear: [] }] as const;
    expect(compared(worn("belt", "belt"), [{ gear: ["belt"] }, {}], unworn)).toMatchObject([
      { direction: "harder", to: [] },
    ]);
    const planned = [{ gear: [BELT] }, { gear: [BELT] }] as const;
    expect(compared(worn("belt", "belt"), [{ gear: ["belt"] }, { gear: null }], planned)).toEqual(
      [],
    );
  });

  it("is help in any set before what was said of the exercise", () => {
    const by = (...who: readonly Conditions["helper"][]) => who.map((helper) => ({ helper }));
    const alone = [{ helper: "alone" }, { helper: "alone" }] as const;
    expect(compared(by("alone", "unknown"), by("alone", "spotter"), alone)).toMatchObject([
      { aspect: "helper", direction: "easier", from: "alone", to: "spotter" },
    ]);
    expect(compared(by("unknown"), by("unknown"), alone)).toEqual([]);
    expect(compared(by("spotter"), by("unknown"), [{}, { helper: "alone" }])).toMatchObject([
      { direction: "harder" },
    ]);
    expect(compared(by("spotter"), by("partner"))).toMatchObject([{ direction: "other" }]);
  });

  it("is strictness: a fault more is easier, one less harder, one for another neither; unseen is unknown", () => {
    const seen = (...faults: readonly Fault[]): Said => ({
      faults: faults.map((fault) => ({ fault, fromRep: null })),
    });
    const [clean, bounced] = [seen(), seen("bounce")];
    expect(compared([clean], [seen(), bounced])).toEqual([
      { aspect: "faults", direction: "easier", came: ["bounce"], went: [] },
    ]);
    expect(compared([bounced], [clean])).toEqual([
      { aspect: "faults", direction: "harder", came: [], went: ["bounce"] },
    ]);
    expect(compared([bounced], [seen("swing")])).toMatchObject([{ direction: "other" }]);
    expect(compared([bounced, bounced], [bounced])).toEqual([]);
    expect(compared([bounced], [{}])).toEqual([]);
    expect(compared([{}], [bounced])).toEqual([]);
  });

  it("is what was really held, over all sets, where it is known of each", () => {
    const held = (...all: readonly (number | null)[]): readonly Said[] =>
      all.map((n) => ({ held: n === null ? null : seconds(n) }));
    expect(compared(held(2, 2), held(2, 1))).toEqual([
      { aspect: "held", direction: "easier", from: 4, to: 3 },
    ]);
    expect(compared(held(2, 2), held(3, 3))).toMatchObject([{ direction: "harder" }]);
    expect(compared(held(5, 5), held(5, 4))).toEqual([]);
    expect(compared(held(2, 2), held(2, null))).toEqual([]);
  });
});

describe("body weight", () => {
  const belt = { kind: "bodyweight", unit: "kg", added: [kg(0), kg(5)], movedShare: 1 } as const;
  const weighing = (loading: Loading, a: number | null, b: number | null) => {
    const at = (n: number | null) => ({
      context: sampleContext({ bodyWeight: n === null ? null : kg(n) }),
      loading,
      sets: [],
    });
    return differences(at(a), at(b));
  };

  it("is a condition of what is moved with it, from more than a fiftieth on", () => {
    expect(weighing(belt, 80, 82)).toEqual([
      { aspect: "bodyWeight", direction: "harder", from: kg(80), to: kg(82) },
    ]);
    expect(weighing(belt, 82, 80)).toMatchObject([{ direction: "easier" }]);
    expect(weighing(belt, 80, 81.6)).toEqual([]);
    expect(weighing(belt, 80, null)).toEqual([]);
    expect(weighing(RACK, 80, 90)).toEqual([]);
    const help: Loading = { kind: "assisted", unit: "kg", movedShare: 1, pins: [kg(10)] };
    expect(weighing(help, 80, 90)).toMatchObject([{ direction: "harder" }]);
  });
});
