import { describe, expect, it } from "vitest";
import { kg } from "~/core/quantity/index.ts";
import {
  typedDropShare,
  typedLoad,
  typedPhase,
  typedReps,
  typedRest,
  typedSeconds,
} from "./typed-cells.ts";

const value = <T>(typed: { ok: true; value: T } | { ok: false; error: string }) =>
  typed.ok ? typed.value : typed.error;

describe("what is typed into a cell", () => {
  it.each([
    ["8-12", { kind: "reps", min: 8, max: 12 }],
    ["8–12", { kind: "reps", min: 8, max: 12 }],
    ["8 to 12", { kind: "reps", min: 8, max: 12 }],
    [" 10 ", { kind: "reps", min: 10, max: 10 }],
    ["12-8", "12 to 8 runs backwards; write the lower number first."],
    ["0", "Expected 1 to 1000 reps."],
    ["ten", "Expected reps, like 10 or 8-12."],
  ])("reads %j as reps", (text, want) => {
    expect(value(typedReps(text))).toEqual(want);
  });

  it("reads a load with point, comma or unit, and nothing as still to be found", () => {
    expect(value(typedLoad("82,5", "kg"))).toEqual({ kind: "absolute", reading: kg(82.5) });
    expect(value(typedLoad("82.5 kg", "kg"))).toEqual({ kind: "absolute", reading: kg(82.5) });
    expect(value(typedLoad("", "kg"))).toEqual({ kind: "open" });
    expect(value(typedLoad("heavy", "kg"))).toContain("heavy");
    expect(value(typedLoad("99999", "kg"))).toContain("out of range");
  });

  it.each([
    ["90", 90],
    ["1:30", 90],
    ["0", 0],
    ["20:00", 1200],
    ["21:00", "Expected at most 20 minutes of rest."],
    ["a while", "Expected a rest, like 90 or 1:30."],
  ])("reads %j as rest", (text, want) => {
    expect(value(typedSeconds(text))).toBe(want);
    const rest = value(typedRest(text));
    expect(rest).toEqual(typeof want === "number" ? { kind: "fixed", seconds: want } : want);
  });

  it("reads a drop as per cent and refuses one that does not get lighter", () => {
    expect(value(typedDropShare("80"))).toBeCloseTo(0.8, 10);
    expect(value(typedDropShare("72,5 %"))).toBeCloseTo(0.725, 10);
    expect(value(typedDropShare("100"))).toContain("lighter");
    expect(value(typedDropShare("0"))).toContain("above 0");
  });

  it("reads a tempo phase", () => {
    expect([
      value(typedPhase("3")),
      value(typedPhase("2,5")),
      value(typedPhase("fast")),
      value(typedPhase("")),
    ]).toEqual([3, 2.5, "explosive", null]);
    expect(value(typedPhase("31"))).toContain("0 to 30");
  });
});
