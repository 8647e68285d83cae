import { instant } from "../../core/kernel/index.ts";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { USUAL_RULES, type StrengthRules } from "~/core/progress/index.ts";
import type { Database } from "~/server/db/connection.server.ts";
import { saveStrengthRules, strengthRules } from "~/server/db/strength-rules.server.ts";
import { closeTestDatabase, NOW, testDatabase, testStudio, type TestStudio } from "./studio.ts";

let db: Database;
let studio: TestStudio;
beforeAll(async () => {
  db = await testDatabase();
});
afterAll(closeTestDatabase);
beforeEach(async () => {
  studio = await testStudio(db);
});

const OURS: StrengthRules = {
  equation: "wathan",
  strictness: { ...USUAL_RULES.strictness, most: 0.3 },
};

describe("the strength rules of a studio", () => {
  it("are the usual ones until others are saved, and are of this studio alone", async () => {
    const other = await testStudio(db);
    expect(await strengthRules(studio.scope)).toEqual({ revision: 0, rules: USUAL_RULES });
    expect(await saveStrengthRules(studio.scope, 0, OURS)).toEqual({ ok: true, value: 1 });
    expect(await strengthRules(studio.scope)).toEqual({ revision: 1, rules: OURS });
    expect((await strengthRules(other.scope)).revision).toBe(0);
  });

  it("are kept as they were, so that a session keeps those it began with", async () => {
    await saveStrengthRules(studio.scope, 0, OURS);
    const later = studio.at(NOW + 60_000);
    await saveStrengthRules(later, 1, { ...OURS, equation: "mayhew" });
    expect((await strengthRules(later, instant(NOW + 1))).rules.equation).toBe("wathan");
    expect((await strengthRules(later, instant(NOW - 1))).rules).toEqual(USUAL_RULES);
    expect((await strengthRules(later)).rules.equation).toBe("mayhew");
  });

  it("are not saved over somebody else's, one after the other or at once", async () => {
    await saveStrengthRules(studio.scope, 0, OURS);
    expect((await saveStrengthRules(studio.scope, 0, USUAL_RULES)).ok).toBe(false);
    const both = await Promise.all([
      saveStrengthRules(studio.scope, 1, OURS),
      saveStrengthRules(studio.scope, 1, USUAL_RULES),
    ]);
    expect(both.filter((saved) => saved.ok)).toHaveLength(1);
    expect((await strengthRules(studio.scope)).revision).toBe(2);
  });
});
