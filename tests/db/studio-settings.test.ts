import { describe, expect, it } from "vitest";
import { FIRST_SETTINGS } from "~/core/person/index.ts";
import { saveStudioSettings, studioSettings } from "~/server/db/studio-settings.server.ts";
import { firstSteps } from "~/server/coaching/first-steps.server.ts";
import { inStudio } from "./studio.ts";

const here = inStudio();

describe("the settings of a studio", () => {
  it("are those of a new one until somebody saves others, and then those", async () => {
    const { scope } = here.studio;
    expect(await studioSettings(scope)).toEqual(FIRST_SETTINGS);
    await saveStudioSettings(scope, { muscles: "latin", tempoOrder: "asItHappens" });
    await saveStudioSettings(scope, { muscles: "latin", tempoOrder: "eccentricFirst" });
    expect(await studioSettings(scope)).toEqual({ muscles: "latin", tempoOrder: "eccentricFirst" });
  });
});

describe("the first steps of a studio", () => {
  it("say what is there already, and what is still to come", async () => {
    const steps = await firstSteps(here.studio.scope, 1);
    expect(steps).toMatchObject({ hasGym: true, hasClient: true });
    expect(await firstSteps(here.studio.scope, 0)).toMatchObject({ hasGym: false });
  });
});
