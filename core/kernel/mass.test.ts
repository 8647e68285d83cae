import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  compareMass,
  kg,
  lb,
  mass,
  massFromTicks,
  MAX_COMPUTED,
  MAX_THOUSANDTHS,
  parseMass,
  sameReading,
  ticksOf,
} from "./mass.ts";

const units = fc.constantFrom("kg" as const, "lb" as const);
const masses = fc
  .record({ thousandths: fc.integer({ min: 0, max: MAX_THOUSANDTHS }), unit: units })
  .map((m) => mass(m.thousandths, m.unit));

describe("a mass", () => {
  it("is read with a decimal point or comma", () => {
    expect(parseMass("82,5", "kg")).toEqual({ ok: true, value: kg(82.5) });
    expect(parseMass(" 82.5 ", "lb")).toEqual({ ok: true, value: lb(82.5) });
    expect(parseMass("1.133", "kg")).toEqual({ ok: true, value: mass(1133, "kg") });
  });

  it.each([
    ["", "notANumber"],
    ["-5", "notANumber"],
    ["1e3", "notANumber"],
    ["12.5 kg", "notANumber"],
    ["1,2,3", "notANumber"],
    ["0.0005", "tooFine"],
    ["10000", "outOfRange"],
  ])("refuses %j as %s and gives the text back", (text, code) => {
    expect(parseMass(text, "kg")).toEqual({ ok: false, error: { code, text } });
  });

  it("compares a pound with the kilogram exactly: 100 lb are 45.359237 kg", () => {
    expect(ticksOf(lb(100))).toBe(45_359_237 * 100_000);
    expect(compareMass(lb(100), kg(45.359))).toBeGreaterThan(0);
    expect(compareMass(lb(100), kg(45.36))).toBeLessThan(0);
    expect(compareMass(lb(1000), kg(453.592))).toBeGreaterThan(0);
  });

  it("survives ticks and back in its own unit without a change", () => {
    fc.assert(
      fc.property(masses, (m) => {
        expect(sameReading(massFromTicks(ticksOf(m), m.unit, "nearest"), m)).toBe(true);
      }),
    );
  });

  it("is ordered the same way by exact rational arithmetic", () => {
    const exact = (m: { thousandths: number; unit: string }) =>
      BigInt(m.thousandths) * (m.unit === "kg" ? 100_000_000n : 45_359_237n);
    fc.assert(
      fc.property(masses, masses, (a, b) => {
        const want = exact(a) < exact(b) ? -1 : exact(a) > exact(b) ? 1 : 0;
        expect(Math.sign(compareMass(a, b))).toBe(want);
      }),
    );
  });

  it("cannot be made from a negative, broken or boundless number", () => {
    for (const bad of [-1, 0.5, Number.NaN, MAX_COMPUTED + 1]) {
      expect(() => mass(bad, "kg")).toThrow(String(bad));
    }
  });

  it("rounds as asked when a total goes into another unit", () => {
    const ticks = ticksOf(lb(45));
    expect(massFromTicks(ticks, "kg", "down")).toEqual(mass(20_411, "kg"));
    expect(massFromTicks(ticks, "kg", "up")).toEqual(mass(20_412, "kg"));
    expect(massFromTicks(ticks, "kg", "nearest")).toEqual(mass(20_412, "kg"));
  });
});
