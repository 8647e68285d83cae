import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { EMPTY_BRIEF } from "~/core/person/index.ts";
import { day } from "~/core/kernel/index.ts";
import { slotsOf } from "~/core/plan/index.ts";
import { fittedFor } from "~/server/coaching/fitting.server.ts";
import { saveBrief } from "~/server/db/briefs.server.ts";
import type { Database } from "~/server/db/connection.server.ts";
import {
  addTemplate,
  changeTemplate,
  getTemplate,
  listTemplates,
  putTemplateAway,
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
    const kept = async () =>
      (await listTemplates(studio.scope)).filter((t) => !t.isPutAway).map((t) => t.name);
    expect(await kept()).toEqual(["Calm", "Zig"]);
    expect(await getTemplate(studio.scope, late)).toMatchObject({ name: "Zig", document });
    expect(await getTemplate(other.scope, late)).toBeNull();
    expect(await listTemplates(other.scope)).toEqual([]);
    await putTemplateAway(other.scope, late, true);
    expect(await kept()).toEqual(["Calm", "Zig"]);
    await putTemplateAway(studio.scope, late, true);
    expect(await kept()).toEqual(["Calm"]);
    await putTemplateAway(studio.scope, late, false);
    expect(await kept()).toEqual(["Calm", "Zig"]);
  });

  it("are changed by one coach at a time, and by no other studio", async () => {
    const document = squats(studio.station);
    const id = await addTemplate(studio.scope, "Calm", document);
    const shorter = { ...document, blocks: [] };
    const change = (scope: TestStudio["scope"], base: number, name: string) =>
      changeTemplate(scope, id, base, { name, document: shorter });
    expect(await change(studio.scope, 1, "Calmer")).toEqual({ ok: true, value: 2 });
    expect((await change(studio.scope, 1, "Late")).ok).toBe(false);
    expect((await change(other.scope, 2, "Theirs")).ok).toBe(false);
    expect(await getTemplate(studio.scope, id)).toMatchObject({
      name: "Calmer",
      document: shorter,
      revision: 2,
    });
  });

  it("are fitted to the person's gym, brief and history", async () => {
    const person = { id: studio.person, level: "trained" } as const;
    const document = squats(studio.station);
    const fit = () => fittedFor(studio.scope, document, person, studio.gym, MONDAY);
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
