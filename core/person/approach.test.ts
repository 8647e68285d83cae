import { describe, expect, it } from "vitest";
import { findMovement, SHIPPED_MOVEMENTS } from "../movement/catalogue/index.ts";
import { isApproachRef } from "./approach.ts";
import { QUESTION_GROUPS, QUESTION_NAMES, sideSays, sidesOfQuestion } from "./questions.ts";
import { defaultsFor, orderRank, sessionsAWeek, weeklyBands } from "./settings.ts";
import {
  approachAmong,
  DEFAULT_APPROACH,
  findShippedApproach,
  SHIPPED_APPROACHES,
} from "./shipped-approaches.ts";

const approach = (slug: string) => findShippedApproach(`shipped:${slug}`)!;
const movement = (slug: string) => findMovement(`shipped:${slug}`)!;

describe("the questions that coaches disagree about", () => {
  it("are each asked once, and have two sides at least", () => {
    const asked: readonly string[] = Object.values(QUESTION_GROUPS).flat();
    expect(asked.toSorted()).toEqual(QUESTION_NAMES.toSorted());
    for (const question of QUESTION_NAMES)
      expect(sidesOfQuestion(question).length, question).toBeGreaterThan(1);
  });
});

describe("the approaches that ship", () => {
  it("are at least six, with a side on every question and a page that says what is disputed", () => {
    expect(SHIPPED_APPROACHES.length).toBeGreaterThanOrEqual(6);
    for (const a of SHIPPED_APPROACHES) {
      expect(isApproachRef(a.ref)).toBe(true);
      for (const q of QUESTION_NAMES) expect(sidesOfQuestion(q), q).toContain(a.stances[q]);
      expect(Math.min(a.holds.length, a.disputed.length)).toBeGreaterThanOrEqual(2);
    }
    expect(findShippedApproach(DEFAULT_APPROACH)).not.toBeNull();
  });

  it("differ from each other, and every question has somebody on two of its sides at most times", () => {
    const views = SHIPPED_APPROACHES.map((a) => JSON.stringify(a.stances));
    expect(new Set(views).size).toBe(views.length);
  });

  it("answer null for a side that is not one", () => {
    expect(sideSays("order", "calvesFirst")).toContain("Calves first");
    expect(sideSays("order", "whatever")).toBeNull();
  });
});

it("the approach of a brief is the one it names, or the middle one where it names none that is there", () => {
  const chosen = SHIPPED_APPROACHES.find(({ ref }) => ref !== DEFAULT_APPROACH)!;
  const among = (ref: Parameters<typeof approachAmong>[1]) =>
    approachAmong(SHIPPED_APPROACHES, ref);
  expect(among(chosen.ref)).toBe(chosen);
  expect(among(null).ref).toBe(DEFAULT_APPROACH);
  expect(among("shipped:gone").ref).toBe(DEFAULT_APPROACH);
  expect(() => approachAmong([chosen], null)).toThrow("missing");
});

describe("what follows from an approach", () => {
  it("halves the bands for few sets and raises them for many", () => {
    expect(weeklyBands(approach("even-ground").stances).vastusLateralis).toEqual({
      low: 8,
      high: 16,
    });
    expect(weeklyBands(approach("brief-and-hard").stances).vastusLateralis).toEqual({
      low: 4,
      high: 8,
    });
    expect(weeklyBands(approach("dense-work").stances).vastusLateralis).toEqual({
      low: 11,
      high: 23,
    });
  });

  it("asks nothing of the soleus where bent-knee work is held dispensable", () => {
    expect(weeklyBands(approach("heavy-iron").stances).soleus.low).toBe(0);
    expect(weeklyBands(approach("even-ground").stances).soleus.low).toBe(2);
  });

  it("sets effort, reps, rest and tempo of a new exercise", () => {
    expect(defaultsFor(movement("back-squat"), approach("heavy-iron"))).toMatchObject({
      target: { min: 4, max: 6 },
      rest: { kind: "range", min: 180, max: 300 },
      effort: 2,
    });
    expect(defaultsFor(movement("leg-extension"), approach("brief-and-hard"))).toMatchObject({
      sets: 2,
      effort: 0,
      rest: { kind: "breath" },
    });
    expect(defaultsFor(movement("seated-leg-curl"), approach("long-muscle"))).toMatchObject({
      effort: 2,
      lastEffort: 0,
      tempo: { lower: 4, stretch: 1 },
    });
    expect(defaultsFor(movement("wall-sit"), approach("even-ground")).target.kind).toBe("seconds");
  });

  it("orders by the school: isolation first, curls first, calves last", () => {
    const order = (slug: string, ...slugs: string[]) =>
      slugs
        .map(movement)
        .sort((a, b) => orderRank(a, approach(slug).stances) - orderRank(b, approach(slug).stances))
        .map((m) => m.ref.slice(8));
    const session = [
      "standing-calf-raise",
      "leg-extension",
      "leg-press",
      "back-squat",
      "lying-leg-curl",
    ];
    expect(order("even-ground", ...session)).toEqual([
      "back-squat",
      "leg-press",
      "leg-extension",
      "lying-leg-curl",
      "standing-calf-raise",
    ]);
    expect(order("brief-and-hard", ...session).slice(0, 2)).toEqual([
      "leg-extension",
      "lying-leg-curl",
    ]);
    expect(order("dense-work", ...session)[0]).toBe("lying-leg-curl");
  });

  it("plans one to three sessions a week", () => {
    expect(SHIPPED_APPROACHES.map((a) => sessionsAWeek(a.stances))).toContain(1);
    expect(sessionsAWeek(approach("even-ground").stances)).toBe(2);
  });

  it("has defaults for every shipped movement", () => {
    for (const m of SHIPPED_MOVEMENTS) {
      for (const a of SHIPPED_APPROACHES) expect(defaultsFor(m, a).sets).toBeGreaterThan(0);
    }
  });
});
