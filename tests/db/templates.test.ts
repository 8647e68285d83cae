import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { EMPTY_BRIEF } from "~/core/brief/index.ts";
import { day } from "~/core/calendar/index.ts";
import { slotsOf } from "~/core/prescription/index.ts";
import { fitFor } from "~/server/coaching/fit.server.ts";
import { saveBrief } from "~/server/db/briefs.server.ts";
import type { Database } from "~/server/db/connection.server.ts";
import {
  addTemplate,
  getTemplate,
  listTemplates,
  removeTemplate,
} from "~/server/db/templates.server.ts";
import { closeTestDatabase, squats, testDatabase, testStudio, type TestStudio } from "./studio.ts";

let db: Database;
let studio: TestStudio;
let other: TestStudio;
beforeAll(async () => {
  db = await testDatabase();
});
afterAll(closeTestDatabase);
beforeEach(async () => {
  [studio, other] = await Promise.all([testStudio(db), testStudio(db)]);
});

const MONDAY = day("2026-03-02");

describe("templates", () => {
  it("are the studio's own, by name, until they are put away", async () => {
    const document = squats(studio.station);
    const late = await addTemplate(studio.scope, "Zig", document);
    await addTemplate(studio.scope, "Calm", document);
    expect((await listTemplates(studio.scope)).map((t) => t.name)).toEqual(["Calm", "Zig"]);
    expect(await getTemplate(studio.scope, late)).toMatchObject({ name: "Zig", document });
    expect(await getTemplate(other.scope, late)).toBeNull();
    expect(await listTemplates(other.scope)).toEqual([]);
    await removeTemplate(other.scope, late);
    expect(await getTemplate(studio.scope, late)).not.toBeNull();
    await removeTemplate(studio.scope, late);
    expect(await getTemplate(studio.scope, late)).toBeNull();
  });

  it("are fitted to the person's gym, brief and history", async () => {
    const person = { id: studio.person, level: "trained" } as const;
    const document = squats(studio.station);
    const fit = () => fitFor(studio.scope, document, person, studio.gym, MONDAY);
    const first = await fit();
    expect(slotsOf(first.plan)).toHaveLength(1);
    expect(first.changes).toEqual([
      { code: "load", movement: "shipped:back-squat", reading: null },
    ]);
    const limit = {
      joint: "knee",
      provokedBy: "kneeLoad",
      since: null,
      severity: 8,
      allowed: 1,
    } as const;
    await saveBrief(studio.scope, studio.person, 0, { ...EMPTY_BRIEF, limits: [limit] });
    const second = await fit();
    expect(slotsOf(second.plan)).toEqual([]);
    expect(second.changes).toMatchObject([{ code: "leftOut", because: { kind: "excluded" } }]);
  });
});
