import { describe, expect, it } from "vitest";
import { day, kg, lb } from "~/core/kernel/index.ts";
import { keep, shownMark } from "~/core/progress/index.ts";
import { sampleId } from "../tests/samples/index.ts";
import { formatListError } from "~/format/station.ts";
import { innerPath, registerCodec, signInCodec } from "./account.ts";
import { fieldOf, readDecisions } from "./decisions.ts";
import { setAsideCodec } from "./set-aside.ts";
import { personFormCodec } from "./person.ts";
import { newPlanCodec } from "./plan-form.ts";
import { gymFormCodec, stationFormCodec } from "./station-form.ts";
import { strengthRulesFormCodec } from "./strength-rules.ts";

const TODAY = day("2026-03-02");
const stationCodec = stationFormCodec(formatListError);
const station = (over: Record<string, unknown>) =>
  stationCodec.safeParse({
    name: "Press",
    kind: "bar",
    unit: "kg",
    baseMass: "20",
    plates: "20x4, 10x2",
    serves: [],
    ...over,
  });
const complaints = (result: ReturnType<typeof station>) =>
  result.success ? [] : result.error.issues.map((issue) => [issue.path[0], issue.message]);

describe("the station form", () => {
  it("reads a rack, a carriage, an irregular stack and dumbbells", () => {
    expect(station({}).data?.loading).toMatchObject({
      kind: "bar",
      bar: kg(20),
      plates: [
        { size: kg(20), count: 4 },
        { size: kg(10), count: 2 },
      ],
    });
    expect(
      station({ kind: "plateMachine", points: "1", baseMass: "" }).data?.loading,
    ).toMatchObject({ carriage: null, points: 1 });
    expect(
      station({ kind: "stack", unit: "lb", pins: "35 10 20", addOns: "5", pulleyRatio: "0,5" }).data
        ?.loading,
    ).toMatchObject({ pins: [10, 20, 35].map(lb), addOns: [lb(5)], pulleyRatio: 0.5 });
    expect(
      station({ kind: "dumbbells", present: "12,5, 10", counted: "pair" }).data?.loading,
    ).toMatchObject({ present: [kg(10), kg(12.5)], counted: "pair" });
  });

  it.each([
    ["a bar that is no mass", { baseMass: "olympic" }, "baseMass"],
    ["no plates at all", { plates: "" }, "plates"],
    ["plates without a count", { plates: "20" }, "plates"],
    ["repeated pins", { kind: "stack", pins: "10, 20, 20" }, "pins"],
    [
      "a pulley that gives weight away",
      { kind: "stack", pins: "10", pulleyRatio: "-1" },
      "pulleyRatio",
    ],
    ["no dumbbells", { kind: "dumbbells", present: "" }, "present"],
    ["no name", { name: " " }, "name"],
  ])("refuses %s at its field", (_, over, field) => {
    expect(complaints(station(over)).map(([at]) => at)).toEqual([field]);
  });

  it("says what was repeated", () => {
    expect(complaints(station({ kind: "stack", pins: "10, 20, 20" }))).toEqual([
      ["pins", "20 kg stands twice; give each once."],
    ]);
  });

  it("refuses a plate list that combines to too many loads", () => {
    const odd = Array.from(
      { length: 14 },
      (_, i) => `${(1.001 + i * i * 0.037).toFixed(3)}x30`,
    ).join(", ");
    expect(complaints(station({ plates: odd }))).toEqual([
      ["plates", expect.stringContaining("too many loads")],
    ]);
  });
});

describe("a finding set aside", () => {
  const aside = (over: object) =>
    setAsideCodec.safeParse({
      kind: "setAside",
      key: "noSingleLeg",
      fact: { code: "noSingleLeg", sets: 3 },
      reason: "Only squats today",
      ...over,
    }).success;

  it("is a fact of a known code and of a fact's size, with a reason that can be read", () => {
    expect(aside({})).toBe(true);
    expect(aside({ fact: { code: "nothingOfOurs" } })).toBe(false);
    expect(aside({ fact: { code: "noSingleLeg", more: "x".repeat(12_000_000) } })).toBe(false);
    expect(aside({ reason: "\u200B" })).toBe(false);
  });
});

describe("a place to go to after signing in", () => {
  it.each([
    ["/people?a=b#c", "/people?a=b#c"],
    ["/people\r\nset-cookie: a=b", "/peopleset-cookie:%20a=b"],
    ["/\tpeople", "/people"],
    ["//elsewhere.example", "/"],
    ["/\\elsewhere.example", "/"],
    ["/\t/elsewhere.example", "/"],
    ["https://elsewhere.example", "/"],
    ["javascript:alert(1)", "/"],
    ["", "/"],
    [null, "/"],
  ])("%j leads to %j", (to, place) => {
    expect(innerPath(to)).toBe(place);
  });
});

describe("other forms", () => {
  it("trim names and say what was expected", () => {
    expect(personFormCodec([]).parse({ name: " Ada ", level: "trained", unit: "kg" })).toEqual({
      name: "Ada",
      goal: "",
      level: "trained",
      unit: "kg",
      notes: "",
      coach: null,
    });
    expect(
      personFormCodec([])
        .safeParse({ name: "", level: "expert", unit: "kg" })
        .error?.issues.map((i) => i.message),
    ).toEqual(["Expected a name.", "Expected one of the three levels."]);
  });

  it("take a coach of this studio, everybody, and nobody else", () => {
    const [here, elsewhere] = [sampleId<"user">(1), sampleId<"user">(2)];
    const read = (coach: string) =>
      personFormCodec([{ id: here }]).safeParse({
        name: "Ada",
        level: "trained",
        unit: "kg",
        coach,
      });
    expect(read(here).data?.coach).toBe(here);
    expect(read("").data?.coach).toBeNull();
    for (const other of [elsewhere, "x"])
      expect(read(other).error?.issues).toMatchObject([{ path: ["coach"] }]);
  });

  it("take an e-mail address in any case, and no short password for a new account", () => {
    expect(signInCodec.parse({ email: " Coach@Kravo.Example ", password: "x" }).email).toBe(
      "coach@kravo.example",
    );
    expect(
      registerCodec.safeParse({
        displayName: "A",
        studioName: "B",
        email: "a@b.example",
        password: "short",
      }).success,
    ).toBe(false);
  });

  it("lead back only inside Kravo after signing in", () => {
    expect(innerPath("/people/1")).toBe("/people/1");
    for (const outside of [
      "https://elsewhere.example",
      "//elsewhere.example",
      "/\\elsewhere.example",
      undefined,
    ]) {
      expect(innerPath(outside)).toBe("/");
    }
  });

  it("need a date that exists and a time of day", () => {
    const head = {
      title: "Leg day",
      day: "2026-03-02",
      startTime: "17:30",
      gymId: sampleId(1),
      personId: sampleId(2),
    };
    expect(newPlanCodec(TODAY).safeParse(head).success).toBe(true);
    expect(newPlanCodec(TODAY).parse({ ...head, startTime: "" }).startTime).toBeNull();
    expect(newPlanCodec(TODAY).safeParse({ ...head, day: "2026-02-30" }).success).toBe(false);
    expect(newPlanCodec(TODAY).safeParse({ ...head, startTime: "25:00" }).success).toBe(false);
    expect(gymFormCodec.safeParse({ name: "Here", timeZone: "Mars/Olympus" }).success).toBe(false);
  });

  it("say of each line what was chosen, and leave it open where nothing was", () => {
    const form = new FormData();
    const [slotId, lines] = [sampleId<"slot">(1), [11, 12, 13].map((n) => sampleId<"line">(n))];
    const at = (n: number) => ({ slotId, line: lines[n]! });
    const proposals = [
      {
        slot: { id: slotId },
        station: { loading: { unit: "lb" as const } },
        lines: lines.map((line, n) => ({
          ...keep(kg(80), [], "high", false, [
            { code: "fullStep", step: { move: "raise", reading: kg(85), changes: [] } },
          ]),
          line,
          isDecided: n < 2,
        })),
      },
    ];
    const read = () => readDecisions(form, proposals);
    const mark = shownMark(proposals[0]!.lines[0]!);
    for (const n of [0, 1, 2]) form.set(fieldOf("shown", at(n)), mark);
    form.set(fieldOf("choice", at(0)), "accept");
    form.set(fieldOf("choice", at(2)), "accept");
    expect(read()).toEqual({ ok: true, value: [{ ...at(0), kind: "accept" }] });
    form.set(fieldOf("choice", at(1)), "overrule");
    form.set(fieldOf("load", at(1)), "82,5");
    form.set(fieldOf("reason", at(1)), "Tired");
    expect(read()).toMatchObject({
      value: [{}, { ...at(1), kind: "overrule", reading: lb(82.5), reason: "Tired" }],
    });
    form.set(fieldOf("load", at(1)), "much");
    expect(read()).toEqual({ ok: false, error: { code: "notALoad", ...at(1), text: "much" } });
    form.set(fieldOf("choice", at(1)), "perhaps");
    expect(read()).toEqual({ ok: false, error: { code: "malformed" } });
    form.set(fieldOf("choice", at(1)), "fullStep");
    expect(read()).toMatchObject({ value: [{}, { ...at(1), kind: "way", way: "fullStep" }] });
    form.set(fieldOf("shown", at(1)), "0");
    expect(read()).toEqual({ ok: false, error: { code: "proposalChanged", ...at(1) } });
  });
});

describe("the form of the strength rules", () => {
  const typed = (over: Record<string, string>) =>
    strengthRulesFormCodec.safeParse({
      equation: "brzycki",
      perSlowSecond: "2",
      freeLowering: "3",
      perHeldSecond: "2,5",
      most: "20",
      ...over,
    });

  it("reads per cent with a comma or a point", () => {
    expect(typed({ most: "12.5" }).data).toEqual({
      equation: "brzycki",
      strictness: { perSlowSecond: 0.02, freeLowering: 3, perHeldSecond: 0.025, most: 0.125 },
    });
  });

  it.each([
    ["equation", "guess"],
    ["perSlowSecond", ""],
    ["perSlowSecond", "11"],
    ["freeLowering", "-1"],
    ["perHeldSecond", "two"],
    ["most", "51"],
  ])("refuses %s of %j at the field", (field, text) => {
    const read = typed({ [field]: text });
    expect(read.success ? [] : read.error.issues.map((issue) => issue.path)).toEqual([[field]]);
  });
});
