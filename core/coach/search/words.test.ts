import { describe, expect, it } from "vitest";
import { SHIPPED_MOVEMENTS } from "../../movement/catalogue/index.ts";
import type { LoadingKind } from "../../gym/index.ts";
import { judge } from "../judged.ts";
import { ANYTHING, findMovements } from "./find.ts";
import { matchesText, usesOf } from "./words.ts";
import { FULL_GYM, judging, movementOf, sessionOf } from "~/tests/arbitrary/session.ts";

const judged = judge(judging(sessionOf()));
const FULL = { ...judged, brief: { ...judged.brief, level: "advanced" as const } };
const first = (text: string) =>
  findMovements({ ...ANYTHING, text }, { ...FULL, stations: FULL_GYM }).candidates[0]?.movement;

const COMMON = [
  ...["back-squat", "front-squat", "hack-squat", "guided-bar-squat", "goblet-squat", "leg-press"],
  ...["pendulum-squat", "belt-squat", "body-weight-squat", "romanian-deadlift", "good-morning"],
  ...["dumbbell-romanian-deadlift", "stiff-leg-deadlift", "conventional-deadlift", "leg-extension"],
  ...[
    "hexagonal-bar-deadlift",
    "barbell-hip-thrust",
    "cable-kickback",
    "lying-leg-curl",
    "step-up",
  ],
  ...["seated-leg-curl", "nordic-curl", "dumbbell-split-squat", "walking-lunge", "reverse-lunge"],
  ...["rear-foot-elevated-split-squat", "standing-calf-raise", "seated-calf-raise", "bell-swing"],
  ...["abduction-machine", "adduction-machine", "sumo-deadlift", "leg-press-calf-raise"],
];

describe("the names of exercises", () => {
  it.each(COMMON)("%s has four others at least", (slug) => {
    expect(movementOf(slug).alsoCalled.length).toBeGreaterThanOrEqual(4);
  });

  it("are had by every one", () => {
    expect(SHIPPED_MOVEMENTS.filter(({ alsoCalled }) => alsoCalled.length === 0)).toEqual([]);
  });

  it("mean one exercise each", () => {
    const names = SHIPPED_MOVEMENTS.flatMap(({ name, alsoCalled }) => [name, ...alsoCalled]).map(
      (name) => name.toLowerCase().replace(/[^a-z0-9]/g, ""),
    );
    expect(names.filter((name, i) => names.indexOf(name) !== i)).toEqual([]);
  });

  it.each(
    SHIPPED_MOVEMENTS.flatMap(({ ref, name, alsoCalled }) =>
      [name, ...alsoCalled].map((called) => [called, ref] as const),
    ),
  )("%s finds %s first", (called, ref) => {
    expect(first(called)?.ref).toBe(ref);
    expect(first(called.replaceAll("-", " "))?.ref).toBe(ref);
    expect(first(called.toUpperCase())?.ref).toBe(ref);
  });
});

describe("words of a search", () => {
  it.each([
    ["single-leg press", "single-leg-press"],
    ["stiff-leg", "stiff-leg-deadlift"],
    ["dead lift", "conventional-deadlift"],
    ["stepup", "step-up"],
    ["farmers walk", "loaded-carry"],
    ["plie squat", "wide-stance-dumbbell-squat"],
    ["squats back", "back-squat"],
  ])("%s is found as %s, however it is parted", (text, slug) => {
    expect(matchesText(movementOf(slug), text)).toBe(true);
  });

  it.each([
    ["hams", "lying-leg-curl"],
    ["hammies", "romanian-deadlift"],
    ["quadriceps", "leg-extension"],
    ["glute med", "cable-hip-abduction"],
    ["gastroc", "standing-calf-raise"],
    ["inner thigh", "adduction-machine"],
    ["VMO", "leg-press"],
    ["abs", "plank"],
    ["gluteus maximus", "glute-bridge"],
  ])("a muscle by its nickname: %s finds %s", (text, slug) => {
    expect(matchesText(movementOf(slug), text)).toBe(true);
  });

  it("that nothing holds find nothing", () => {
    expect(SHIPPED_MOVEMENTS.filter((own) => matchesText(own, "bench press chest"))).toEqual([]);
    expect(matchesText(movementOf("plank"), "hams")).toBe(false);
  });
});

describe("what new equipment is used for", () => {
  const uses = (name: string, kind: LoadingKind) =>
    [...usesOf(name, kind, SHIPPED_MOVEMENTS)].map((ref) => ref.slice("shipped:".length));

  it.each([
    ["Hack squat by the window", "plateMachine", ["hack-squat"]],
    ["45-degree leg press", "plateMachine", ["leg-press"]],
    ["Prone leg curl", "stack", ["lying-leg-curl"]],
    ["Hip adductor", "stack", ["adduction-machine"]],
    ["Smith machine squat", "bar", ["guided-bar-squat"]],
    ["Something new", "stack", []],
    ["", "plateMachine", []],
  ] as const)("%s is said by its name", (name, kind, slugs) => {
    expect(uses(name, kind)).toEqual(slugs);
  });

  it("is whatever free loads can load, but for what is done with a special bar", () => {
    const rack = uses("Rack by the door", "bar");
    expect(rack).toContain("back-squat");
    expect(rack).toContain("romanian-deadlift");
    expect(rack.filter((slug) => /guided|angled|hexagonal|safety/.test(slug))).toEqual([]);
    expect(uses("", "dumbbells")).toContain("goblet-squat");
  });
});
