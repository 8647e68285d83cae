import { describe, expect, it } from "vitest";
import { day, kg, lb } from "../kernel/index.ts";
import {
  bodyWeightOf,
  isPlausible,
  latest,
  readinessOn,
  type MeasuredKind,
  type MeasuredUnit,
  type Measurement,
} from "./measurement.ts";
import { sampleNewId } from "../../tests/samples/index.ts";

const measured = (
  kind: MeasuredKind,
  on: string,
  amount: number,
  unit: MeasuredUnit,
): Measurement => ({
  id: sampleNewId(),
  kind,
  side: "both",
  value: { thousandths: amount * 1000, unit },
  day: day(on),
  note: "",
});

describe("measurements", () => {
  it.each([
    ["bodyWeight", 24.9, "kg", false],
    ["bodyWeight", 25, "kg", true],
    ["bodyWeight", 300, "kg", true],
    ["bodyWeight", 300.1, "kg", false],
    ["bodyWeight", 700, "lb", false],
    ["bodyWeight", 160, "lb", true],
    ["waist", 14, "cm", false],
    ["readiness", 3, "ofFive", true],
    ["readiness", 3.5, "ofFive", false],
    ["readiness", 6, "ofFive", false],
  ] as const)("%s of %d %s is plausible: %s", (kind, amount, unit, want) => {
    expect(isPlausible(kind, { thousandths: Math.round(amount * 1000), unit })).toBe(want);
  });

  it("take the latest day whatever the order, and of one day the later entry", () => {
    const list = [
      measured("bodyWeight", "2026-03-02", 80, "kg"),
      measured("bodyWeight", "2026-02-02", 82, "kg"),
      measured("bodyWeight", "2026-03-02", 176, "lb"),
    ];
    expect(latest(list, "bodyWeight")?.value.unit).toBe("lb");
    expect(bodyWeightOf(list, day("2026-03-02"))).toEqual(lb(176));
    expect(bodyWeightOf(list.slice(0, 2), day("2026-04-01"))).toEqual(kg(80));
    expect(bodyWeightOf([], day("2026-03-02"))).toBeNull();
  });

  it("are of one kind and one side alone", () => {
    const of = (kind: MeasuredKind, side: Measurement["side"], amount: number) => ({
      ...measured(kind, "2026-03-02", amount, "cm"),
      side,
    });
    const list = [of("thigh", "left", 60), of("thigh", "right", 61), of("calf", "left", 38)];
    const amount = (kind: MeasuredKind, side?: Measurement["side"]) =>
      latest(list, kind, side)?.value.thousandths;
    expect(amount("thigh", "left")).toBe(60_000);
    expect(amount("thigh", "right")).toBe(61_000);
    expect(amount("calf", "left")).toBe(38_000);
    expect(amount("calf", "right")).toBeUndefined();
    expect(amount("thigh")).toBeUndefined();
  });

  it("know no body weight before it was measured, also not from a slip of the year", () => {
    const list = [
      measured("bodyWeight", "2026-03-02", 80, "kg"),
      measured("bodyWeight", "2062-03-02", 45, "kg"),
    ];
    expect(bodyWeightOf(list, day("2026-11-26"))).toEqual(kg(80));
    expect(bodyWeightOf(list, day("2026-03-01"))).toBeNull();
  });

  it("let readiness hold for its day and the next, not longer and not backwards", () => {
    const list = [measured("readiness", "2026-03-02", 2, "ofFive")];
    expect(readinessOn(list, day("2026-03-02"))).toBe(2);
    expect(readinessOn(list, day("2026-03-03"))).toBe(2);
    expect(readinessOn(list, day("2026-03-04"))).toBeNull();
    expect(readinessOn(list, day("2026-03-01"))).toBeNull();
  });
});
