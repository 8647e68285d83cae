import { finding, toldOnce } from "~/core/coach/index.ts";
import { findMovement } from "~/core/movement/catalogue/index.ts";
import type { Fact, Finding, Fix, Shortening } from "~/core/coach/index.ts";
import { kg, minutes } from "~/core/kernel/index.ts";
import { sampleDay, sampleId } from "../tests/samples/index.ts";
import { describe, expect, it } from "vitest";
import { FULL_GYM, movementOf } from "~/tests/arbitrary/session.ts";
import {
  formatBrings,
  formatFact,
  formatFirstLoad,
  formatFix,
  formatOutReason,
  formatShortening,
  formatTold,
} from "./findings.ts";
import { MUSCLES } from "./muscles.ts";

const says = (fact: Fact) => formatFact(fact, "Even Ground", findMovement, MUSCLES.coach);
const squat = "shipped:back-squat" as const;

describe("what was found, in one sentence", () => {
  it("has its numbers, and names whose view it is", () => {
    expect(
      says({
        code: "belowBand",
        region: "vastusLateralis",
        sets: 1,
        low: 8,
        high: 16,
        sessions: 2,
      }),
    ).toBe("Quads: 1 set in the week's 2 sessions; Even Ground asks for 8 to 16 a week.");
    expect(says({ code: "regionMissing", region: "soleus", low: 1, sessions: 1 })).toBe(
      "Nothing trains calves (soleus) directly in this session; Even Ground asks for 1 set a week.",
    );
    expect(says({ code: "overCap", minutes: minutes(52), cap: minutes(35) })).toBe(
      "About 52 minutes; there are 35.",
    );
    expect(says({ code: "atCeiling", station: "Rack", reading: kg(200) })).toContain("200 kg");
  });

  it("words what is contested as a view, and what is a caution as a caution", () => {
    expect(says({ code: "schoolOrder", early: "shipped:leg-extension", late: squat })).toBe(
      "Back squat comes after Leg extension; Even Ground would have it before. Order is a preference, not a rule.",
    );
    expect(says({ code: "limitAlone", movement: squat, sets: 1, effort: 0 })).toContain(
      "not safe at failure without a spotter",
    );
    expect(says({ code: "needsClearing", why: "minor" })).toMatch(/^Under eighteen: a qualified/);
    expect(says({ code: "needsClearing", why: "heart" })).toMatch(/^Heart condition: a qualified/);
  });

  it("says one length or the wanted length", () => {
    const fact = { code: "oneLength", region: "adductors", sets: 4, only: "mid" } as const;
    expect(says({ ...fact, wanted: null })).toContain(
      "at one length, mid-length; Even Ground wants more than one.",
    );
    expect(says({ ...fact, wanted: "stretched" })).toContain(
      "hardest stretched, which Even Ground wants first",
    );
  });

  it("names a movement of the studio's own by the studio's name for it", () => {
    const own = { ...movementOf("back-squat"), name: "Quay squat" };
    const fact: Fact = { code: "longThighs", movement: own.ref };
    expect(formatFact(fact, "Even Ground", () => own, MUSCLES.coach)).toContain("Quay squat");
  });
});

describe("what a press does", () => {
  const station = FULL_GYM[0]!;
  const slot = sampleId<"slot">(1);
  const movement = movementOf("leg-press");
  it.each<readonly [Fix, string]>([
    [{ kind: "add", movement, station }, "Add Leg press"],
    [{ kind: "swap", slot, movement, station }, "Swap Squat for Leg press"],
    [{ kind: "remove", slot }, "Remove Squat"],
    [{ kind: "toFront", slot }, "Move Squat to the front"],
    [{ kind: "arrange" }, "Reorder by the approach"],
    [{ kind: "addSet", slot }, "One more set of Squat"],
    [{ kind: "dropSet", slot }, "One set less of Squat"],
    [{ kind: "trimSets", to: 1 }, "At most 1 work set of each"],
    [{ kind: "moveToOtherDay", slot, to: sampleId(2), day: sampleDay() }, "Move Squat to 2 Mar"],
    [{ kind: "setUp", slot, name: "Heels", choice: "raised" }, "Heels: raised"],
    [{ kind: "leaveReserve", slot }, "Leave RIR 2"],
    [{ kind: "moreReps", slot }, "Stay at this load for 12 to 15 reps"],
    [{ kind: "lowerSlowly", slot }, "Stay at this load and lower it in 4 s"],
    [{ kind: "firstSide", slot, first: "left" }, "Begin with the left side"],
  ])("%j", (fix, text) => {
    expect(formatFix(fix, () => "Squat")).toBe(text);
  });
});

describe("what the search and substitutes say", () => {
  it("what is brought, why something is out, and what to begin with", () => {
    expect(formatBrings({ kind: "region", region: "soleus", lacking: 1 }, MUSCLES.coach)).toBe(
      "calves (soleus), 1 set short",
    );
    expect(formatBrings({ kind: "priority", region: "adductors" }, MUSCLES.coach)).toBe(
      "priority: adductors",
    );
    expect(formatOutReason({ code: "notInGym" })).toBe("no equipment for it in this gym");
    expect(formatOutReason({ code: "level", needs: "advanced", has: "beginner" })).toBe(
      "needs an advanced client; the client is a beginner",
    );
    expect(formatFirstLoad({ kind: "related", reading: kg(42.5), share: 0.45 })).toBe(
      "Starts with 42.5 kg, about 45% of what both legs moved.",
    );
  });
});

describe("a way to shorten, in words", () => {
  const fix: Fix = { kind: "trimRest", share: 0.75 };
  const found = (code: "noSingleLeg"): Finding => ({
    key: code,
    severity: "warning",
    family: "hole",
    slots: [],
    fact: { code, sets: 9 },
  });
  const told = (over: Partial<Shortening>) =>
    formatShortening(
      { fix, minutes: minutes(8.6), isEnough: true, hardSets: 0, brings: [], ...over },
      "Even Ground",
      findMovement,
      MUSCLES.coach,
    );

  it("says minutes, whether they are enough, and the sets that they cost", () => {
    expect(told({})).toBe("Saves 9 min, enough; costs no hard set.");
    expect(told({ isEnough: false, hardSets: 1 })).toBe("Saves 9 min; costs 1 hard set.");
    expect(told({ hardSets: 4 })).toContain("costs 4 hard sets.");
  });

  it("says what is missed then, the gravest in full", () => {
    const one = found("noSingleLeg");
    expect(told({ brings: [one] })).toMatch(/ Then: All 9 hard sets are on two legs.*\.$/);
    expect(told({ brings: [one, one, one] })).toMatch(/ And 2 more found\.$/);
  });
});

describe("findings with one cause", () => {
  const told = (facts: readonly [Fact, ...Fact[]]) =>
    toldOnce(facts.map((fact, i) => finding("note", fact, [], String(i)))).map((group) =>
      formatTold(group, "Even Ground", findMovement, MUSCLES.coach),
    );

  it("are one sentence with the numbers of each", () => {
    const below = { code: "belowBand", sessions: 1, low: 4, high: 12 } as const;
    const length = { code: "oneLength", sets: 3, only: "shortened" } as const;
    expect(
      told([
        { ...below, region: "soleus", sets: 2 },
        { ...below, region: "adductors", sets: 3.5 },
        { code: "regionMissing", region: "soleus", low: 4, sessions: 2 },
        { code: "regionMissing", region: "adductors", low: 2, sessions: 2 },
        { ...length, region: "soleus", wanted: null },
        { ...length, region: "adductors", wanted: null },
        { ...length, region: "gluteusMaximus", wanted: "stretched" },
        { ...length, region: "adductors", wanted: "stretched" },
      ]),
    ).toMatchInlineSnapshot(`
      [
        "Under Even Ground’s weekly range: calves (soleus) 2 of 4–12; adductors 3.5 of 4–12.",
        "Not trained directly in the week's 2 sessions, asked for by Even Ground: calves (soleus), 4 sets a week; adductors, 2 sets a week.",
        "All sets hardest at one length, where Even Ground wants more than one: calves (soleus) shortened; adductors shortened.",
        "Not hardest where Even Ground wants it first: glutes stretched; adductors stretched.",
      ]
    `);
  });

  it("say what a single one says where there is one", () => {
    const fact: Fact = { code: "noSingleLeg", sets: 9 };
    expect(told([fact])).toEqual([says(fact)]);
  });
});
