import { describe, expect, it } from "vitest";
import { catalogueOf, findMovement } from "./catalogue/index.ts";
import type { SetUpParameter } from "./movement.ts";
import { compareChoices, typedOver, withOwnSetUp } from "./own-set-up.ts";

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

  it("leaves a studio's own exercises in the catalogue where nothing is added to any", () => {
    const own = { ...squat, ref: "studio:00000000-0000-7000-8000-000000000001" } as const;
    const { all, find } = catalogueOf([own]);
    expect(find(own.ref)).toBe(own);
    expect(all.at(-1)).toBe(own);
    // With nothing of a studio's own it is one and the same for all.
    expect(catalogueOf([])).toBe(catalogueOf([], {}));
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
    expect(compareChoices(parameter, "none", "3")).toBeNull();
    expect(compareChoices(undefined, "3", "4")).toBeNull();
    expect(compareChoices({ ...parameter, rising: [] }, "3", "4")).toBeNull();
  });
});

describe("a set-up parameter that is typed over a known one", () => {
  const heels: SetUpParameter = {
    name: "Heels",
    choices: ["flat", "raised", "high"],
    usual: "flat",
    claimed: "More quads",
    shifts: { raised: { length: "stretched" }, high: { length: "stretched" } },
    answers: { tightAnkle: "raised" },
    rising: ["flat", "raised", "high"],
  };

  it("keeps what was known of it, whatever its letters; the first choice is the usual one", () => {
    const choices = ["raised", "flat", "high", "plate"];
    expect(typedOver({ name: "heels", choices }, [heels])).toEqual({
      ...heels,
      name: "heels",
      choices,
      usual: "raised",
    });
  });

  it("is told from the others by its own name", () => {
    const toes: SetUpParameter = {
      name: "Toes",
      choices: ["in", "out"],
      usual: "in",
      claimed: "?",
    };
    const choices = ["out", "in"];
    expect(typedOver({ name: "Toes", choices }, [heels, toes])).toMatchObject({ claimed: "?" });
    expect(typedOver({ name: "Pins", choices: ["flat"] }, [heels, toes])).toEqual({
      name: "Pins",
      choices: ["flat"],
      usual: "flat",
    });
  });

  it("says nothing of choices that are gone", () => {
    expect(typedOver({ name: "Heels", choices: ["flat", "high"] }, [heels])).toEqual({
      name: "Heels",
      choices: ["flat", "high"],
      usual: "flat",
      claimed: "More quads",
      shifts: { high: { length: "stretched" } },
      rising: ["flat", "high"],
    });
    expect(typedOver({ name: "Heels", choices: ["flat", "wedge"] }, [heels])).toEqual({
      name: "Heels",
      choices: ["flat", "wedge"],
      usual: "flat",
      claimed: "More quads",
    });
    const unsaid: SetUpParameter = { name: "Heels", choices: ["flat"], usual: "flat" };
    expect(Object.keys(typedOver({ name: "Heels", choices: ["flat"] }, [unsaid]))).toEqual([
      "name",
      "choices",
      "usual",
    ]);
  });

  it("is new where none was known by its name, or nothing of what was known is left", () => {
    expect(typedOver({ name: "Heels", choices: ["wedge", "plate"] }, [heels])).toEqual({
      name: "Heels",
      choices: ["wedge", "plate"],
      usual: "wedge",
    });
    expect(typedOver({ name: "Toes", choices: ["in", "out"] }, [heels])).toEqual({
      name: "Toes",
      choices: ["in", "out"],
      usual: "in",
    });
  });
});
