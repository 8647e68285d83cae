import { describe, expect, it } from "vitest";
import { DROP_LOADS, EXTENSIONS, LOAD_RULES, TARGETS } from "~/core/plan/index.ts";
import { typedNumber, typedPhase, typedSeconds } from "./typed-cells.ts";

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

  const { share } = DROP_LOADS.share.definition.fields;
  const typedDrop = typedNumber(share, "dropPercent");

  it("reads a drop as per cent and refuses one that does not get lighter", () => {
    expect(value(typedDrop("80"))).toBeCloseTo(0.8, 10);
    expect(value(typedDrop("72,5 %"))).toBeCloseTo(0.725, 10);
    expect(value(typedDrop("100"))).toContain("lighter");
    expect(value(typedDrop("0"))).toContain("0.01 to 99.99");
  });

  it("reads what a field takes, and names its bound", () => {
    const { restPause, endHold, cluster } = EXTENSIONS;
    const pauses = typedNumber(restPause.definition.fields.pauses, "repeats");
    expect(value(pauses("12"))).toBe(12);
    expect(value(pauses("0"))).toBe("Expected a whole number from 1 to 60.");
    expect(value(pauses("2.5"))).toContain("whole number");
    const hold = typedNumber(endHold.definition.fields.seconds, "hold");
    expect(value(hold("1,5"))).toBe(1.5);
    expect(value(hold("3600"))).toBe("Expected a number from 1 to 600.");
    expect(value(typedNumber(cluster.definition.fields.multiple, "percent")(""))).toContain(
      "0.01 to 500",
    );
    const steps = typedNumber(LOAD_RULES.stepsFromSet.definition.fields.steps, "stepsEitherWay");
    expect(["−2", "-2", "3"].map((text) => value(steps(text)))).toEqual([-2, -2, 3]);
    expect(value(steps("0"))).toContain("-30 to 30");
    const way = typedNumber(TARGETS.metres.definition.fields.metres, "metres");
    expect(value(way("5000"))).toBe(5000);
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
