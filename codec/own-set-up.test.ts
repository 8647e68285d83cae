import { describe, expect, it } from "vitest";
import { findMovement } from "~/core/movement/catalogue/index.ts";
import { ownSetUpFormCodec } from "./own-set-up.ts";

const codec = ownSetUpFormCodec(findMovement("shipped:back-squat")!);
const read = (...parameters: readonly Record<string, string>[]) =>
  codec.safeParse({ startsWith: "builtIn", parameters });
const wrong = (...parameters: readonly Record<string, string>[]) =>
  read(...parameters).error?.issues.map(({ path, message }) => [path.join("."), message]) ?? [];
const pins = { name: "Pins", choices: "3, 4 ,4, 5", order: "rising" };

describe("what a studio adds to the set-up of an exercise, as typed", () => {
  it("is each setting once, in the order typed", () => {
    expect(read(pins).data).toEqual({
      startsWith: null,
      parameters: [{ name: "Pins", choices: ["3", "4", "5"], isRising: true }],
    });
    expect(codec.parse({ startsWith: "lift", parameters: [] }).startsWith).toBe("lift");
  });

  it("takes the built-in spelling of a name that is there, and one more choice for it", () => {
    const { data } = read({ name: "STANCE", choices: "on a board", order: "none" });
    expect(data?.parameters[0]).toMatchObject({ name: "Stance", choices: ["on a board"] });
  });

  it("is refused at the field that is wrong, with what was expected", () => {
    expect(wrong({ ...pins, choices: "3" })).toEqual([
      ["parameters.0.choices", "Expected at least two choices."],
    ]);
    expect(wrong({ ...pins, choices: " , " })[0]).toEqual([
      "parameters.0.choices",
      "Expected choices with commas between them.",
    ]);
    expect(wrong({ ...pins, choices: `3, ${"x".repeat(61)}` })[0]?.[0]).toBe(
      "parameters.0.choices",
    );
    expect(wrong({ ...pins, name: " " })[0]?.[0]).toBe("parameters.0.name");
    expect(wrong(pins, { ...pins, name: "pins" })).toEqual([
      ["parameters.1.name", "This one is named twice."],
    ]);
    expect(wrong({ name: "Stance", choices: "wide", order: "rising" })).toEqual([
      ["parameters.0.choices", "An order needs two choices at least."],
    ]);
  });
});
