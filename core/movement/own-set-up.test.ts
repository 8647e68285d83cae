import { describe, expect, it } from "vitest";
import { catalogueOf, findMovement } from "./catalogue/index.ts";
import { compareChoices, withOwnSetUp } from "./own-set-up.ts";

const squat = findMovement("shipped:back-squat")!;
const [builtIn] = squat.setUp;
const pins = { name: "Pins", choices: ["3", "4", "5"], isRising: true };

describe("what a studio adds to an exercise", () => {
  it("stands behind what is built in, with the order that the studio said", () => {
    const own = withOwnSetUp(squat, { startsWith: "lift", parameters: [pins] });
    expect(own.tempoStart).toBe("lift");
    expect(own.setUp.slice(0, -1)).toEqual(squat.setUp);
    expect(own.setUp.at(-1)).toEqual({
      name: "Pins",
      choices: ["3", "4", "5"],
      usual: "3",
      rising: ["3", "4", "5"],
    });
  });

  it("joins the choices of a parameter that is there, whatever its letters", () => {
    const more = { name: builtIn!.name.toUpperCase(), choices: ["on a slant"], isRising: false };
    const own = withOwnSetUp(squat, { startsWith: null, parameters: [more] });
    expect(own.tempoStart).toBe(squat.tempoStart);
    expect(own.setUp).toHaveLength(squat.setUp.length);
    expect(own.setUp[0]).toEqual({ ...builtIn, choices: [...builtIn!.choices, "on a slant"] });
  });

  it("is found by its reference, and leaves every other exercise as it is", () => {
    const { find, all } = catalogueOf([], {
      "shipped:back-squat": { startsWith: null, parameters: [pins] },
    });
    expect(find("shipped:back-squat")?.setUp.at(-1)?.name).toBe("Pins");
    expect(find("shipped:leg-press")).toBe(findMovement("shipped:leg-press"));
    expect(find("studio:00000000-0000-7000-8000-000000000001")).toBeNull();
    expect(all).toHaveLength(catalogueOf([]).all.length);
  });

  it("says which of two settings is harder, where somebody ordered both", () => {
    const parameter = {
      name: "Pins",
      choices: ["3", "4", "5", "none"],
      usual: "3",
      rising: ["3", "4", "5"],
    };
    expect(compareChoices(parameter, "3", "5")).toBe(1);
    expect(compareChoices(parameter, "5", "4")).toBe(-1);
    expect(compareChoices(parameter, "4", "4")).toBe(0);
    expect(compareChoices(parameter, "3", "none")).toBeNull();
    expect(compareChoices(undefined, "3", "4")).toBeNull();
    expect(compareChoices({ ...parameter, rising: [] }, "3", "4")).toBeNull();
  });
});
