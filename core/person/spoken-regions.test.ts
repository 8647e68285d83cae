import { describe, expect, it } from "vitest";
import { SPEAKING_REGIONS } from "../kernel/index.ts";
import { EMPTY_BRIEF } from "./brief.ts";
import { NO_OWN_VOLUME } from "./own-volume.ts";
import { SHIPPED_APPROACHES } from "./shipped-approaches.ts";
import { spokenRegions } from "./spoken-regions.ts";

const [even] = SHIPPED_APPROACHES;

describe("the regions with a row of their own", () => {
  it("are the speaking ones, the three vasti as one", () => {
    expect(spokenRegions(EMPTY_BRIEF, even!)).toEqual(SPEAKING_REGIONS);
  });

  it.each([
    ["a priority", { ...EMPTY_BRIEF, priorities: ["vastusMedialis" as const] }, even!],
    ["not to grow", { ...EMPTY_BRIEF, notToGrow: ["vastusMedialis" as const] }, even!],
    [
      "given a range by the approach",
      EMPTY_BRIEF,
      {
        ...even!,
        ownVolume: { ...NO_OWN_VOLUME, weekly: { vastusMedialis: { low: 4, high: 8 } } },
      },
    ],
  ])("hold a head that is %s, at its place", (_, brief, approach) => {
    const rows = spokenRegions(brief, approach);
    expect(rows).toHaveLength(SPEAKING_REGIONS.length + 1);
    expect(rows.indexOf("vastusMedialis")).toBe(rows.indexOf("vastusLateralis") + 1);
  });
});
