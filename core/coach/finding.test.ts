import { describe, expect, it } from "vitest";
import { finding, toldOnce, type Fact } from "./finding.ts";
import type { Region } from "../kernel/index.ts";

const below = (region: Region): Fact => ({
  code: "belowBand",
  region,
  sets: 2,
  low: 4,
  high: 12,
  sessions: 1,
});
const length = (region: Region, wanted: "stretched" | null): Fact => ({
  code: "oneLength",
  region,
  sets: 4,
  only: "shortened",
  wanted,
});

describe("findings told once", () => {
  it("are one where they say the same of several muscles, at the place of the first", () => {
    const found = [
      finding("warning", below("gluteusMaximus"), [], "gluteusMaximus"),
      finding("warning", { code: "noSingleLeg", sets: 9 }),
      finding("warning", below("soleus"), [], "soleus"),
      finding("note", below("adductors"), [], "adductors"),
      finding("note", length("gluteusMaximus", null), [], "gluteusMaximus"),
      finding("note", length("soleus", "stretched"), [], "soleus"),
      finding("note", length("adductors", null), [], "adductors"),
    ];
    const told = toldOnce(found);
    const at = told.map((group) => group.map((one) => found.indexOf(one)));
    expect(at).toEqual([[0, 2], [1], [3], [4, 6], [5]]);
  });

  it("keep every finding that is no such fact by itself", () => {
    const same = (movement: string) =>
      finding("note", { code: "longThighs", movement: `shipped:${movement}` }, [], movement);
    expect(toldOnce([same("back-squat"), same("front-squat")])).toHaveLength(2);
  });
});
