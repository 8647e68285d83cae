import { describe, expect, it } from "vitest";
import { oddsReport } from "./odds.ts";
import { projectionReport } from "./projections.ts";
import { METHODS, RAISING, ruleReports } from "./rules.ts";
import { stallReport } from "./stalls.ts";

/* A small part of `npm run testbed`; docs/test-bed.md says what is measured. Bounds leave room for few athletes. */

describe("the simulated athletes", () => {
  const reports = ruleReports(24, 7);
  const of = (name: string) => reports.find((report) => report.name === name)!;

  it("are trained by every rule that raises loads, and by holding and always adding", () => {
    expect(reports.map(({ name }) => name)).toEqual(METHODS.map(({ name }) => name));
    expect(RAISING).toHaveLength(11);
  });

  it("come further with every rule than with a load that is held, and miss far fewer sets than by always adding", () => {
    const [held, added] = [of("hold the load"), of("always add a step")];
    expect(held.load.mean).toBe(0);
    for (const report of reports.slice(2)) {
      expect(report.load.low, report.name).toBeGreaterThan(0.03);
      expect(report.strength.mean, report.name).toBeGreaterThan(held.strength.mean);
      expect(report.missed.mean, report.name).toBeLessThan(added.missed.mean / 2);
    }
  });

  it("keep their load with what they truly gain by double progression", () => {
    const { load, strength } = of("doubleProgression");
    expect(Math.abs(load.mean - strength.mean)).toBeLessThan(0.06);
  });
});

describe("stall alarms", () => {
  it("are rare where there is progress, and find nearly every stall, not far behind a test that knows the athlete", () => {
    const report = stallReport(60, 11);
    expect(report.falseAlarms).toBeLessThanOrEqual(0.12);
    expect(report.found).toBeGreaterThan(0.85);
    expect(report.delay).toBeLessThanOrEqual(2 * report.oracleDelay);
  });
});

describe("projections", () => {
  it("hold what happens in about four of five bands, and say something in most cases", () => {
    const report = projectionReport(90, 3);
    expect(report.held).toBeGreaterThan(0.7);
    expect(report.held).toBeLessThan(0.97);
    expect(report.stated).toBeGreaterThan(70);
    expect(report.width).toBeLessThan(4);
  });
});

describe("the odds of a stated target", () => {
  it("are about what happens, with athletes that they were not fitted on", () => {
    const bands = oddsReport(160, 5);
    const within = (from: number, to: number) => {
      const own = bands.filter(({ low, high }) => low >= from && high <= to);
      const called = own.reduce((sum, band) => sum + band.called, 0);
      return own.reduce((sum, band) => sum + band.met * band.called, 0) / Math.max(1, called);
    };
    expect(within(0, 0.1)).toBeLessThan(0.2);
    expect(within(0.1, 0.5)).toBeLessThan(0.5);
    expect(within(0.65, 1)).toBeGreaterThan(0.7);
    expect(bands.reduce((sum, { called }) => sum + called, 0)).toBeGreaterThan(120);
  });
});
