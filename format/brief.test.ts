import { describe, expect, it } from "vitest";
import { EMPTY_BRIEF, type Brief } from "~/core/person/index.ts";
import { day, minutes } from "~/core/kernel/index.ts";
import { sampleId } from "../tests/samples/index.ts";
import {
  BRIEF_FIELDS,
  formatBriefField,
  formatEffect,
  formatExclusion,
  formatMeasurement,
  type BriefNames,
} from "./brief.ts";
import { formatDirectRegions, MUSCLES } from "./muscles.ts";
import { movementOf } from "~/tests/arbitrary/session.ts";

const names: BriefNames = {
  approach: () => "Even Ground",
  gym: (id) => (id === sampleId(1) ? "Hall" : null),
  movement: (ref) => ref.slice(8),
  muscles: MUSCLES.coach,
  year: 2026,
};
const brief = (over: Partial<Brief>): Brief => ({ ...EMPTY_BRIEF, ...over });
const says = (field: (typeof BRIEF_FIELDS)[number], over: Partial<Brief>) =>
  formatBriefField(field, brief(over), names);

describe("a brief in words", () => {
  it("says nothing where nothing is known", () => {
    const silent = BRIEF_FIELDS.filter(
      (field) => formatBriefField(field, EMPTY_BRIEF, names) === "",
    );
    const said = BRIEF_FIELDS.filter((field) => !silent.includes(field));
    expect(said).toEqual(["goal", "level", "approach"]);
  });

  it("says what is known, with units and without a gym that is gone", () => {
    expect(says("birthYear", { birthYear: 1990 })).toBe("1990, turns 36 this year");
    expect(says("minutesCap", { minutesCap: minutes(60) })).toBe("60 minutes at most");
    expect(says("gyms", { gyms: [sampleId(1), sampleId(2)] })).toBe("Hall");
    expect(says("weakerSide", { weakerSide: "left", weakerSideCause: "old sprain" })).toBe(
      "left leg: old sprain",
    );
    expect(
      says("limits", {
        limits: [{ joint: "knee", provokedBy: "kneeLoad", since: null, severity: 4, allowed: 3 }],
      }),
    ).toBe("knee, aggravated by load on the bent knee, 4 of 10 (up to 3 allowed)");
    expect(
      says("cautions", {
        cautions: ["heart"],
        screenedBy: "the clinic",
        screenedOn: day("2026-01-02"),
      }),
    ).toBe("Heart condition; screened by the clinic on 2 Jan");
    expect(says("likes", { likes: ["shipped:leg-press"] })).toBe("leg-press");
  });

  it("says what a field does, one or many, and nothing for what takes nothing out", () => {
    expect(formatEffect({ kind: "takesOut", field: "level", movements: 1 })).toBe(
      "rules out 1 exercise",
    );
    expect(formatEffect({ kind: "takesOut", field: "level", movements: 0 })).toBeNull();
    expect(formatEffect({ kind: "ranksUp", field: "likes", movements: 3 })).toBe(
      "puts 3 exercises first",
    );
    expect(formatEffect({ kind: "none", field: "gear" })).toBeNull();
  });

  it("gives the reason of an exclusion with its numbers", () => {
    expect(
      formatExclusion({
        code: "limit",
        joint: "lowBack",
        provokedBy: "loadOnSpine",
        severity: 4,
        allowed: 2,
        asks: "high",
      }),
    ).toBe("low back hurts at 4 of 10 with load on the spine, and this asks high of it");
  });

  it("writes a measurement as it was read", () => {
    const m = { id: sampleId<"measurement">(1), day: day("2026-03-02"), note: "" };
    expect(
      formatMeasurement({
        ...m,
        kind: "calf",
        side: "left",
        value: { thousandths: 38_500, unit: "cm" },
      }),
    ).toBe("38.5 cm left");
    expect(
      formatMeasurement({
        ...m,
        kind: "readiness",
        side: "both",
        value: { thousandths: 4000, unit: "ofFive" },
      }),
    ).toBe("4 of 5");
  });

  it("says three vasti as one, and a single one by its name", () => {
    expect(formatDirectRegions(movementOf("leg-extension"), MUSCLES.latin)).toBe(
      "Rectus femoris · Vasti",
    );
    expect(formatDirectRegions(movementOf("lateral-step-down"), MUSCLES.coach)).toBe(
      "Quads, inner head · Quads, outer head",
    );
    expect(formatDirectRegions(movementOf("glute-bridge"), MUSCLES.coach)).toBe("Glutes");
  });
});
