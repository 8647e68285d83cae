import { describe, expect, it } from "vitest";
import { findMovement } from "~/core/movement/catalogue/index.ts";
import type { FittingChange } from "~/core/coach/index.ts";
import { slotsOf } from "~/core/plan/index.ts";
import { kg, minutes } from "~/core/kernel/index.ts";
import { exercise, sessionOf } from "~/tests/arbitrary/session.ts";
import { formatFittingChange } from "./fitting.ts";
import { MUSCLES } from "./muscles.ts";

const before = sessionOf(exercise("back-squat"));
const slot = slotsOf(before)[0]?.id ?? ("" as never);
const squat = "shipped:back-squat" as const;
const notHere = { kind: "notHere" } as const;

describe("what was changed for somebody", () => {
  it.each<readonly [FittingChange, string]>([
    [
      { code: "swapped", from: squat, to: "shipped:leg-press", because: notHere },
      "Back squat becomes Leg press: no equipment for it in this gym.",
    ],
    [
      { code: "leftOut", movement: squat, because: notHere },
      "Back squat is left out, nothing here stands in: no equipment for it in this gym.",
    ],
    [
      {
        code: "filled",
        frame: { form: "machine", region: "gastrocnemius", length: "stretched" },
        movement: "shipped:leg-press",
        brings: [{ kind: "liked" }],
      },
      "Any machine exercise for calves, hardest stretched: Leg press (liked).",
    ],
    [{ code: "load", movement: squat, reading: kg(80) }, "Back squat: 80 kg, as last logged here."],
    [
      { code: "load", movement: squat, reading: null },
      "Back squat: never logged here, the load is found on the day.",
    ],
    [
      { code: "plainSets", movement: squat },
      "Back squat: plain sets, since drops and the like are no beginner’s work.",
    ],
    [
      { code: "shortened", fix: { kind: "dropSet", slot }, before, minutesSaved: minutes(3.6) },
      "One set less of Back squat, to keep the time; saves 4 min.",
    ],
    [
      { code: "fewerSets", fix: { kind: "trimSets", to: 2 }, before },
      "At most 2 work sets of each, since new and returning clients begin with few sets.",
    ],
  ])("%#", (change, text) => {
    expect(formatFittingChange(change, findMovement, MUSCLES.coach)).toBe(text);
  });
});
