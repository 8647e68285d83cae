import { describe, expect, it } from "vitest";
import { day } from "../kernel/index.ts";
import { findMovement, SHIPPED_MOVEMENTS } from "../movement/catalogue/index.ts";
import { EMPTY_BRIEF, isNewToThis, needsClearing, type Brief, type Limit } from "./brief.ts";
import { effectsOf } from "./effects.ts";
import { exclusionsOf } from "./exclusion.ts";

const movement = (slug: string) => findMovement(`shipped:${slug}`)!;
const brief = (over: Partial<Brief>): Brief => ({ ...EMPTY_BRIEF, level: "advanced", ...over });
const limit = (over: Partial<Limit>): Limit => ({
  joint: "knee",
  provokedBy: "kneeLoad",
  since: null,
  severity: 5,
  allowed: 3,
  ...over,
});
const codes = (b: Brief, slug: string) => exclusionsOf(b, movement(slug)).map((e) => e.code);

describe("what a brief takes out", () => {
  it("takes out moderate stress above the allowed pain, only high stress within it, and nothing without pain", () => {
    expect(codes(brief({ limits: [limit({})] }), "leg-press")).toEqual(["limit"]);
    expect(codes(brief({ limits: [limit({ severity: 3 })] }), "leg-press")).toEqual([]);
    expect(codes(brief({ limits: [limit({ severity: 3 })] }), "hack-squat")).toEqual(["limit"]);
    expect(codes(brief({ limits: [limit({ severity: 0 })] }), "hack-squat")).toEqual([]);
  });

  it("goes by what provokes the pain, not by the name of the joint", () => {
    const back = brief({ limits: [limit({ joint: "lowBack", provokedBy: "loadOnSpine" })] });
    expect(codes(back, "back-squat")).toEqual(["limit"]);
    expect(codes(back, "leg-press")).toEqual([]);
    const held = (of: 0.25 | 0.5, severity: number) =>
      exclusionsOf(brief({ limits: [limit({ joint: "elbow", provokedBy: "grip", severity })] }), {
        ...movement("leg-press"),
        regions: [{ region: "grip", share: of }],
      }).length;
    // Within the pain that is allowed only high stress is out: half of it or more in the grip.
    expect([held(0.5, 3), held(0.25, 3), held(0.25, 5), held(0.5, 5)]).toEqual([1, 0, 1, 1]);
    const hand = brief({ limits: [limit({ joint: "elbow", provokedBy: "grip" })] });
    expect(codes(hand, "romanian-deadlift")).toEqual(["limit"]);
    expect(codes(hand, "back-extension")).toEqual([]);
  });

  it("gives every reason, not only the first", () => {
    const b = brief({
      level: "beginner",
      limits: [limit({ provokedBy: "loadOnSpine", joint: "lowBack" })],
      clearances: [{ verdict: "forbidden", pattern: "squat", by: "Dr Somebody", on: null }],
      dislikes: ["shipped:front-squat"],
    });
    expect(codes(b, "front-squat")).toEqual(["limit", "forbidden", "level", "disliked"]);
  });

  it("takes out what a second pair of hands is needed for, where nobody else is there", () => {
    const curl = findMovement("shipped:dumbbell-leg-curl")!;
    expect(exclusionsOf(brief({ helper: "alone" }), curl)).toEqual([
      { code: "needsHands", handsFree: "Band leg curl" },
    ]);
    for (const helper of ["partner", "spotter", "unknown"] as const)
      expect(exclusionsOf(brief({ helper }), curl)).toEqual([]);
    expect(codes(brief({ helper: "alone" }), "band-leg-curl")).toEqual([]);
  });

  it("takes nothing out for what was cleared", () => {
    const b = brief({ clearances: [{ verdict: "cleared", pattern: "squat", by: "x", on: null }] });
    expect(codes(b, "back-squat")).toEqual([]);
  });
});

describe("who needs clearing first", () => {
  it.each([
    [{ birthYear: 2009 }, "minor"],
    [{ birthYear: 2008 }, null],
    [{ birthYear: 1961 }, "older"],
    [{ birthYear: 1962 }, null],
    [{ cautions: ["heart"] as const }, "heart"],
    [
      { cautions: ["heart"] as const, screenedBy: "Dr Somebody", screenedOn: day("2026-01-02") },
      null,
    ],
    [{ cautions: ["heart"] as const, screenedBy: "Dr Somebody" }, "heart"],
    [{ cautions: ["heart"] as const, screenedBy: " ", screenedOn: day("2026-01-05") }, "heart"],
  ])("%j → %j", (over, want) => {
    expect(needsClearing(brief(over), 2026)).toBe(want);
  });

  it("counts somebody as new by goal or by months of training", () => {
    expect(isNewToThis(brief({ goal: "returning" }))).toBe(true);
    expect(isNewToThis(brief({ trainingYears: 0.4 }))).toBe(true);
    expect(isNewToThis(brief({ trainingYears: 0.5 }))).toBe(false);
  });
});

describe("what each field of a brief does", () => {
  it("is counted against the catalogue", () => {
    const b = brief({
      level: "beginner",
      limits: [limit({})],
      dislikes: ["shipped:leg-press"],
      priorities: ["adductors"],
    });
    const effects = effectsOf(b, SHIPPED_MOVEMENTS, 2026);
    const of = (field: string) => effects.find((e) => e.field === field);
    // Only what is unsafe before it is learned.
    const advanced = SHIPPED_MOVEMENTS.filter(
      (m) =>
        m.difficulty !== "beginner" &&
        (!m.safeAlone.toTheLimit ||
          (m.stability === "free" && ["moderate", "high"].includes(m.spinalLoad))),
    ).length;
    expect(advanced).toBeGreaterThan(5);
    expect(of("level")).toEqual({ kind: "takesOut", field: "level", movements: advanced });
    expect(of("dislikes")).toEqual({ kind: "takesOut", field: "dislikes", movements: 1 });
    expect(of("priorities")?.kind).toBe("ranksUp");
    expect(of("weakerSide")?.kind).toBe("none");
  });

  it("is said for every field that a coach can fill in, but for who screened and why a side is weak", () => {
    const said = new Set(effectsOf(EMPTY_BRIEF, SHIPPED_MOVEMENTS, 2026).map((e) => e.field));
    const silent = Object.keys(EMPTY_BRIEF).filter((f) => !said.has(f as keyof Brief));
    expect(silent).toEqual(["screenedBy", "screenedOn", "weakerSideCause"]);
  });
});

describe("a set-up that eases the knee", () => {
  const press = findMovement("shipped:leg-press")!;
  const brief = (severity: number, allowed: number) => ({
    ...EMPTY_BRIEF,
    limits: [{ joint: "knee", provokedBy: "kneeLoad", since: null, severity, allowed } as const],
  });
  it("keeps an exercise that its usual set-up would take out", () => {
    expect(exclusionsOf(brief(4, 2), press)).toHaveLength(1);
    expect(exclusionsOf(brief(4, 2), press, { "Foot height": "high" })).toEqual([]);
    expect(exclusionsOf(brief(4, 2), press, { "Foot height": "low" })).toHaveLength(1);
  });

  it("eases the knee and nothing else", () => {
    const hip = { ...brief(4, 2).limits[0]!, joint: "hip", provokedBy: "hipLoad" } as const;
    const limited = { ...EMPTY_BRIEF, limits: [hip] };
    expect(exclusionsOf(limited, press, { "Foot height": "high" })).toHaveLength(1);
  });
});
