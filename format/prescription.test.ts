import { formatPurpose } from "./plan.ts";
import { findMovement } from "~/core/movement/catalogue/index.ts";
import type { Extension, Rest, Target } from "~/core/plan/index.ts";
import { count, degrees, kg, metres, seconds, share } from "~/core/kernel/index.ts";
import { sampleDrop, sampleId, sampleSet, sampleSlot } from "../tests/samples/index.ts";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyExtension, anyItem, anySlot, anyTarget } from "~/tests/arbitrary/plan.ts";
import { formatSets, formatSlot } from "./plan.ts";
import { formatLoadRule, formatOpenBecause } from "./load.ts";
import {
  formatAccent,
  formatExtension,
  formatItem,
  formatRest,
  extensionName,
} from "./prescription.ts";
import { figureOf, formatTarget, formatTargetShort } from "./target.ts";
import { MUSCLES } from "./muscles.ts";

const c = count;
const s = seconds;
const ids = { id: sampleId<"extension">(1), lineageId: sampleId<"lineage">(2) };
const eight: Target = { kind: "reps", min: c(8), max: c(8) };

describe("targets in words", () => {
  it.each<readonly [Target, string, string]>([
    [{ kind: "reps", min: c(8), max: c(12) }, "8–12 reps", "8–12"],
    [{ kind: "limit", atLeast: null, likely: c(9) }, "as many as come", "max"],
    [{ kind: "limit", atLeast: c(6), likely: c(9) }, "as many as come, at least 6", "max, 6+"],
    [{ kind: "seconds", min: s(30), max: s(30) }, "30 s", "30 s"],
    [{ kind: "seconds", min: s(30), max: s(45) }, "30–45 s", "30–45 s"],
    [
      { kind: "steps", steps: c(10), counted: "perSide", outAndBack: true },
      "10 steps per side, out and back",
      "10 steps per side, out and back",
    ],
    [{ kind: "metres", metres: metres(20), outAndBack: false }, "20 m", "20 m"],
    [
      { kind: "total", of: "reps", amount: c(50), likelySets: c(4), pause: s(30) },
      "50 reps in all, about 4 sets",
      "50 in all",
    ],
    [
      { kind: "intervals", work: s(20), pause: s(40), rounds: c(8) },
      "8 × 20 s work, 40 s rest",
      "8 × 20 s work, 40 s rest",
    ],
    [
      { kind: "untilForm", criterion: "kneesCave", likely: c(12) },
      "until the knees cave in, about 12",
      "to form",
    ],
    [{ kind: "afterBurn", reps: c(1), likely: c(9) }, "1 rep after the burn starts", "burn + 1"],
  ])("%j", (target, long, short) => {
    expect(formatTarget(target)).toBe(long);
    expect(formatTargetShort(target)).toBe(short);
  });

  it("give the floor a figure and a unit, never an empty figure", () => {
    fc.assert(
      fc.property(anyTarget, (target) => {
        expect(figureOf(target).figure).not.toBe("");
      }),
    );
    expect(figureOf({ kind: "seconds", min: s(30), max: s(45) })).toEqual({
      figure: "30–45",
      unit: "seconds",
    });
  });
});

describe("rest, loads and extensions in words", () => {
  it.each<readonly [Rest, string]>([
    [{ kind: "fixed", seconds: s(90) }, "1:30"],
    [{ kind: "range", min: s(90), max: s(120) }, "1:30 to 2:00"],
    [{ kind: "atMost", seconds: s(60) }, "at most 1:00"],
    [{ kind: "breath", likely: s(60) }, "until breathing settles"],
    [{ kind: "heartRate", below: c(110), likely: s(60) }, "until below 110 beats a minute"],
    [{ kind: "partner", likely: s(60) }, "while the partner's set lasts"],
  ])("%j is %s", (rest, text) => {
    expect(formatRest(rest)).toBe(text);
  });

  it("says which set a load follows from, and the movement of another", () => {
    const number = (id: string) => (id === sampleId(1) ? 1 : null);
    const share80 = share(0.8);
    expect(
      formatLoadRule(
        { kind: "shareOfSet", upTo: null, set: sampleId(1), part: null, share: share80 },
        number,
        findMovement,
      ),
    ).toBe("80% of set 1");
    expect(
      formatLoadRule(
        { kind: "shareOfSet", upTo: null, set: sampleId(2), part: null, share: share80 },
        number,
        findMovement,
      ),
    ).toBe("80% of another set");
    expect(
      formatLoadRule({ kind: "stepsFromSet", set: sampleId(1), steps: -1 }, number, findMovement),
    ).toBe("1 step down from set 1");
    expect(
      formatLoadRule(
        { kind: "shareOfMovement", upTo: null, movement: "shipped:leg-press", share: share80 },
        number,
        findMovement,
      ),
    ).toBe("80% of Leg press");
    expect(
      formatOpenBecause({ code: "noRecord", movement: "shipped:leg-press" }, findMovement),
    ).toContain("Leg press");
  });

  it.each<readonly [Extension, string]>([
    [
      {
        ...ids,
        kind: "drop",
        line: sampleId<"line">(7001),
        to: { kind: "share", of: "first", share: share(0.7) },
        target: eight,
        restBefore: s(0),
        waits: "exactly",
      },
      "drop to 70% of the first load × 8",
    ],
    [
      {
        ...ids,
        kind: "drop",
        line: sampleId<"line">(7001),
        to: { kind: "strip", plates: c(1) },
        target: eight,
        restBefore: s(0),
        waits: "exactly",
      },
      "drop strip 1 plate per side × 8",
    ],
    [
      { ...ids, kind: "restPause", pauses: c(2), pause: s(15), waits: "exactly", target: eight },
      "rest-pause 2 × 15 s, 8",
    ],
    [
      {
        ...ids,
        kind: "cluster",
        groups: c(3),
        pause: s(20),
        waits: "exactly",
        multiple: share(1.1),
        target: eight,
      },
      "clusters 3 × 8 after 20 s at 110%",
    ],
    [{ ...ids, kind: "partials", where: "mid", target: eight }, "partials in the middle × 8"],
    [{ ...ids, kind: "forced", by: "partner", target: eight }, "forced reps with a partner × 8"],
    [
      { ...ids, kind: "endHold", at: { kind: "angle", degrees: degrees(90) }, seconds: s(20) },
      "hold 20 s at 90°",
    ],
    [{ ...ids, kind: "breather", breaths: c(5), target: eight }, "5 breaths, then 8"],
  ])("%j", (extension, text) => {
    expect(formatExtension(extension)).toBe(text);
  });

  it("finds words for every extension and item that can be written", () => {
    fc.assert(
      fc.property(anyExtension, anyItem, (extension, item) => {
        expect(formatExtension(extension)).not.toMatch(/undefined|null|NaN|\[object/);
        expect(formatItem(item, findMovement, MUSCLES.latin)).not.toMatch(
          /undefined|null|NaN|\[object/,
        );
      }),
    );
    expect(formatAccent({ kind: "slowLastRep", phase: "lower", seconds: s(8) })).toBe(
      "last rep: lower 8 s",
    );
  });
});

describe("an exercise in one line", () => {
  it("puts equal neighbours together and says what differs in a set", () => {
    const slot = sampleSlot([
      sampleSet(1),
      sampleSet(2),
      sampleSet(3, {
        load: { kind: "shareOfSet", upTo: null, set: sampleId(1), part: null, share: share(0.8) },
        setUp: { Stance: "wide" },
        optional: true,
      }),
    ]);
    expect(formatSets(slot, findMovement)).toBe(
      "2 × (8–10 × 100 kg, RIR 2); 8–10 × 80% of set 1, RIR 2, Stance: wide, optional",
    );
  });

  it("has words for every exercise that can be written", () => {
    fc.assert(
      fc.property(anySlot, (slot) => {
        expect(formatSets(slot, findMovement)).not.toMatch(/undefined|NaN|\[object/);
      }),
    );
    expect(
      formatSlot(
        sampleSlot([sampleSet(1, { load: { kind: "absolute", reading: kg(60) } })]),
        findMovement,
      ),
    ).toContain("60 kg");
  });
});

describe("what an exercise is for", () => {
  it("is its purpose and where it should be felt, or nothing", () => {
    const of = (purpose: string, feltIn: readonly ("soleus" | "gastrocnemius")[]) =>
      formatPurpose({ purpose, feltIn }, MUSCLES.latin);
    expect(of("Calves, knee bent", ["soleus"])).toBe("Calves, knee bent · felt in soleus");
    expect(of("", ["soleus", "gastrocnemius"])).toBe("felt in soleus; gastrocnemius");
    expect(of("", [])).toBe("");
  });
});

describe("the name of a part", () => {
  it("counts among its kind, also where other parts stand between", () => {
    const drop = (n: number) => sampleDrop(30 + n, "current", 0.8);
    const hold: Extension = { kind: "endHold", ...ids, at: { kind: "stretched" }, seconds: s(20) };
    const extensions = [drop(1), hold, drop(2), drop(3)];
    expect(extensions.map((extension) => extensionName(extensions, extension))).toEqual([
      "drop 1",
      "hold 1",
      "drop 2",
      "drop 3",
    ]);
  });
});
