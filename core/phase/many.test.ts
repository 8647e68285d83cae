import { describe, expect, it } from "vitest";
import { parseMany } from "./many.ts";

const ROWS = [
  { names: ["back squat", "squat", "quads", "monday"] },
  { names: ["leg press", "press", "quads", "monday"] },
  { names: ["romanian deadlift", "hinge", "hamstrings", "thursday"] },
  { names: ["good morning", "hinge", "hamstrings", "thursday"] },
  { names: ["standing calf raise", "calf", "calves", "thursday"] },
];
const many = (typed: string) => {
  const read = parseMany(typed, ROWS, 6);
  return read.ok ? [read.value.rows, read.value.weeks, read.value.text] : read.error;
};

describe("one line into many cells", () => {
  it.each([
    ["all hinges -1 set in week 4", [[2, 3], [4], "-1 set"]],
    ["Hinges 95% weeks 5-6", [[2, 3], [5, 6], "95%"]],
    ["leg press 4 x 8 at 100 in weeks 2 to 3", [[1], [2, 3], "4 x 8 at 100"]],
    ["presses out week 6", [[1], [6], "out"]],
    ["quads +1 set, week 1", [[0, 1], [1], "+1 set"]],
    ["calves -1 set week 2", [[4], [2], "-1 set"]],
    ["everything out in week 6", [[0, 1, 2, 3, 4], [6], "out"]],
    ["all 95% in week 3", [[0, 1, 2, 3, 4], [3], "95%"]],
    ["thursday 4 sets weeks 4–3", [[2, 3, 4], [3, 4], "4 sets"]],
  ])("%s", (typed, expected) => expect(many(typed)).toEqual(expected));

  it.each([
    ["all hinges -1 set", { code: "noWeeks" }],
    ["all hinges -1 set in week 9", { code: "weekOut", week: 9, most: 6 }],
    ["all hinges -1 set in week 0", { code: "weekOut", week: 0, most: 6 }],
    ["deadlifts -1 set week 2", { code: "nobody", who: "deadlifts -1 set" }],
    ["hinges week 2", { code: "nothing" }],
    ["week 2", { code: "nobody", who: "" }],
    ["", { code: "noWeeks" }],
  ])("%s is told", (typed, error) => expect(many(typed)).toEqual(error));
});
