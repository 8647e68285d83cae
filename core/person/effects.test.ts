import { describe, expect, it } from "vitest";
import { minutes } from "../kernel/index.ts";
import { findMovement, SHIPPED_MOVEMENTS } from "../movement/catalogue/index.ts";
import { shareOf } from "../movement/index.ts";
import { EMPTY_BRIEF, type Brief } from "./brief.ts";
import { effectsOf, type BriefField, type Watched } from "./effects.ts";
import { provocationIn } from "./exclusion.ts";
import { sampleId } from "../../tests/samples/index.ts";

const effect = (field: BriefField, over: Partial<Brief> = {}) =>
  effectsOf({ ...EMPTY_BRIEF, level: "advanced", ...over }, SHIPPED_MOVEMENTS, 2026).find(
    (known) => known.field === field,
  );

describe("what is watched because of a field", () => {
  it.each<readonly [BriefField, Partial<Brief>, Watched]>([
    ["trainingYears", { trainingYears: 0.2 }, "bandsHalved"],
    ["birthYear", { birthYear: 2012 }, "clearingAsked"],
    ["birthYear", { birthYear: 1950 }, "clearingAsked"],
    ["cautions", { cautions: ["surgery"] }, "clearingAsked"],
    ["approach", { approach: "shipped:even-ground" }, "settings"],
    ["limbs", { limbs: "longThighs" }, "supportedSquats"],
    ["tight", { tight: ["ankle"] }, "heelsAndDepth"],
    ["notToGrow", { notToGrow: ["adductors"] }, "noGrowth"],
    ["weakerSide", { weakerSide: "left" }, "weakSideFirst"],
    ["gyms", { gyms: [sampleId(1)] }, "gyms"],
    ["daysPerWeek", { daysPerWeek: 2 }, "weekSpread"],
    ["minutesCap", { minutesCap: minutes(45) }, "timeCap"],
    ["helper", { helper: "alone" }, "limitAlone"],
    ["gear", { gear: ["straps"] }, "strapsAnswerGrip"],
  ])("%s: %j", (field, over, what) => {
    expect(effect(field, over)).toEqual({ kind: "watches", field, what });
    expect(effect(field)).toEqual({ kind: "none", field });
  });

  it.each<readonly [BriefField, Partial<Brief>]>([
    ["limbs", { limbs: "longTrunk" }],
    ["helper", { helper: "spotter" }],
    ["birthYear", { birthYear: 1990 }],
    ["trainingYears", { trainingYears: 4 }],
  ])("is nothing where %s says what needs no watching: %j", (field, over) => {
    expect(effect(field, over)?.kind).toBe("none");
  });

  it("is whether the load is held while weight goes down, else whether it rises", () => {
    expect(effect("goal", { goal: "definition" })).toMatchObject({ what: "loadHeld" });
    expect(effect("goal", { goal: "size" })).toMatchObject({ what: "progressCounts" });
  });
});

describe("what equipment that a client does not train with takes out", () => {
  it("is what nothing else does, and nothing where none is ruled out", () => {
    const barAlone = SHIPPED_MOVEMENTS.filter(
      ({ loadings }) => loadings.length === 1 && loadings[0] === "bar",
    ).length;
    expect(barAlone).toBeGreaterThan(0);
    expect(effect("noEquipment", { noEquipment: ["bar"] })).toEqual({
      kind: "takesOut",
      field: "noEquipment",
      movements: barAlone,
    });
    expect(effect("noEquipment")).toEqual({ kind: "none", field: "noEquipment" });
  });
});

describe("what is ranked up", () => {
  it("is what trains a priority directly, each movement once", () => {
    const direct = SHIPPED_MOVEMENTS.filter(
      (m) => shareOf(m, "adductors") === 1 || shareOf(m, "soleus") === 1,
    ).length;
    expect(effect("priorities", { priorities: ["adductors", "soleus"] })).toEqual({
      kind: "ranksUp",
      field: "priorities",
      movements: direct,
    });
    expect(effect("likes", { likes: ["shipped:leg-press"] })).toMatchObject({ movements: 1 });
    expect(effect("likes")?.kind).toBe("none");
  });
});

describe("what is taken out", () => {
  it("is counted by its own reason alone", () => {
    const both: Partial<Brief> = {
      dislikes: ["shipped:leg-press", "shipped:hack-squat"],
      clearances: [{ verdict: "forbidden", pattern: "calf", by: "x", on: null }],
    };
    const calves = SHIPPED_MOVEMENTS.filter((m) => m.pattern === "calf").length;
    expect(effect("dislikes", both)).toMatchObject({ kind: "takesOut", movements: 2 });
    expect(effect("clearances", both)).toMatchObject({ kind: "takesOut", movements: calves });
    expect(effect("limits", both)).toMatchObject({ kind: "takesOut", movements: 0 });
  });
});

describe("how much of a provocation a movement holds", () => {
  const squat = findMovement("shipped:back-squat")!;
  const grip = (share: 1 | 0.5 | 0.25) => ({
    ...squat,
    regions: [{ region: "grip" as const, share }],
  });
  it.each([
    ["the load on the spine", provocationIn({ ...squat, spinalLoad: "low" }, "loadOnSpine"), "low"],
    ["the knee's stress", provocationIn({ ...squat, kneeStress: "high" }, "kneeLoad"), "high"],
    ["the hip's stress", provocationIn({ ...squat, hipStress: "none" }, "hipLoad"), "none"],
    [
      "a stretch that is hardest at the bottom",
      provocationIn({ ...squat, length: "stretched", profile: "bottom" }, "deepStretch"),
      "high",
    ],
    [
      "a stretch that is hardest elsewhere",
      provocationIn({ ...squat, length: "stretched", profile: "even" }, "deepStretch"),
      "moderate",
    ],
    [
      "no stretch, though hardest at the bottom",
      provocationIn({ ...squat, length: "mid", profile: "bottom" }, "deepStretch"),
      "low",
    ],
    ["half a grip", provocationIn(grip(0.5), "grip"), "high"],
    ["a quarter of a grip", provocationIn(grip(0.25), "grip"), "moderate"],
    ["no grip", provocationIn({ ...squat, regions: [] }, "grip"), "none"],
    [
      "balance that gives out first",
      provocationIn({ ...squat, givesOutFirst: "balance", stability: "supported" }, "balance"),
      "high",
    ],
    [
      "a free movement",
      provocationIn({ ...squat, givesOutFirst: "back", stability: "free" }, "balance"),
      "moderate",
    ],
    [
      "a guided movement",
      provocationIn({ ...squat, givesOutFirst: "back", stability: "guided" }, "balance"),
      "none",
    ],
  ])("%s", (_, found, stress) => {
    expect(found).toBe(stress);
  });
});
