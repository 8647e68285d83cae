import { describe, expect, it } from "vitest";
import { seconds } from "../kernel/index.ts";
import {
  comparingField,
  comparingFor,
  isOverruled,
  OVERRULED,
  type Comparing,
} from "./comparing.ts";
import { differences, verdictOf } from "./comparison.ts";
import { RACK, sampleContext, sampleId } from "../../tests/samples/index.ts";

const said = (over: Partial<Comparing>): Comparing => ({
  movement: "shipped:back-squat",
  condition: "rest",
  parameter: null,
  person: null,
  station: null,
  ...over,
});
const at = (over: Parameters<typeof sampleContext>[0]) => ({
  context: sampleContext(over),
  loading: RACK,
  sets: [],
});
const [before, after] = [
  at({ setUp: { Stance: "wide", Heels: "raised" } }),
  at({ setUp: { Stance: "narrow", Heels: "flat" }, restSeconds: seconds(60) }),
];
const left = (...all: readonly Comparing[]) =>
  differences(before, after, { parameters: [], comparing: all }).map((d) =>
    d.aspect === "setUp" ? d.name : d.aspect,
  );

describe("what a coach says does not matter", () => {
  it("leaves out that condition alone, of the set-up the named parameter", () => {
    expect(left()).toEqual(["Stance", "Heels", "rest"]);
    expect(left(said({}))).toEqual(["Stance", "Heels"]);
    expect(left(said({ condition: "setUp", parameter: "Stance" }))).toEqual(["Heels", "rest"]);
    expect(left(said({ condition: "gear" }))).toEqual(["Stance", "Heels", "rest"]);
  });

  it("makes sessions comparable where nothing else differs, or where everything is left out", () => {
    const all = [
      said({}),
      ...["Stance", "Heels"].map((parameter) => said({ condition: "setUp", parameter })),
    ];
    expect(verdictOf(differences(before, after, { parameters: [], comparing: all }))).toBe("alike");
    expect(left(said({ condition: "everything" }))).toEqual([]);
  });

  it("never makes one exercise of two", () => {
    const other = at({ movement: "shipped:leg-press" });
    const found = differences(before, other, {
      parameters: [],
      comparing: [said({ condition: "everything" })],
    });
    expect(found.map(({ aspect }) => aspect)).toEqual(["movement"]);
    expect(
      found.every((difference) => !isOverruled(difference, [said({ condition: "everything" })])),
    ).toBe(true);
  });

  it("holds for its exercise, on its equipment or on all", () => {
    const all = [
      said({}),
      said({ station: sampleId(1) }),
      said({ station: sampleId(2) }),
      said({ movement: "shipped:leg-press" }),
    ];
    expect(comparingFor(all, "shipped:back-squat", sampleId(1))).toEqual(all.slice(0, 2));
  });

  it("names a parameter of the set-up, and only there", () => {
    const of = { movement: "shipped:back-squat" };
    expect(comparingField.safeParse({ ...of, condition: "setUp", parameter: null }).success).toBe(
      false,
    );
    expect(
      comparingField.safeParse({ ...of, condition: "rest", parameter: "Stance" }).success,
    ).toBe(false);
    for (const condition of OVERRULED)
      expect(
        comparingField.safeParse({
          ...of,
          condition,
          parameter: condition === "setUp" ? "Stance" : null,
        }).success,
      ).toBe(true);
  });
});
