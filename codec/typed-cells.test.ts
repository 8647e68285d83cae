import { describe, expect, it } from "vitest";
import {
  typedAmount,
  typedDropShare,
  typedPhase,
  typedSeconds,
  typedWhole,
} from "./typed-cells.ts";

const value = <T>(typed: { ok: true; value: T } | { ok: false; error: string }) =>
  typed.ok ? typed.value : typed.error;

describe("what is typed into a cell", () => {
  it.each([
    ["90", 90],
    ["1:30", 90],
    ["0", 0],
    ["20:00", 1200],
    ["21:00", "Expected at most 20 minutes of rest."],
    ["a while", "Expected a rest, like 90 or 1:30."],
  ])("reads %j as rest", (text, want) => {
    expect(value(typedSeconds(text))).toBe(want);
  });

  it("reads a drop as per cent and refuses one that does not get lighter", () => {
    expect(value(typedDropShare("80"))).toBeCloseTo(0.8, 10);
    expect(value(typedDropShare("72,5 %"))).toBeCloseTo(0.725, 10);
    expect(value(typedDropShare("100"))).toContain("lighter");
    expect(value(typedDropShare("0"))).toContain("above 0");
  });

  it("reads whole numbers and amounts within a bound, and names the bound", () => {
    expect(value(typedWhole("amount")("12"))).toBe(12);
    expect(value(typedWhole("amount")("0"))).toBe("Expected a whole number from 1 to 1000.");
    expect(value(typedWhole("repeats")("2.5"))).toContain("whole number");
    expect(value(typedAmount("accent")("1,5"))).toBe(1.5);
    expect(value(typedAmount("hold")("3600"))).toBe("Expected a number from 1 to 600.");
    expect(value(typedAmount("percent")(""))).toContain("0.01 to 200");
  });

  it("reads a tempo phase", () => {
    const lower = typedPhase("lower");
    expect(["3", "2,5", "fast", ""].map((text) => value(lower(text)))).toEqual([
      3,
      2.5,
      "explosive",
      null,
    ]);
    expect(value(lower("31"))).toContain("0 to 30");
  });

  it("allows no pause, but no movement without time", () => {
    expect(value(typedPhase("stretch")("0"))).toBe(0);
    expect(value(typedPhase("squeeze")("0,0"))).toBe(0);
    expect(value(typedPhase("lower")("0"))).toContain("To lower takes time");
    expect(value(typedPhase("lift")("0.0"))).toContain("To lift takes time");
  });
});
