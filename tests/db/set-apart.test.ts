import { describe, expect, it } from "vitest";
import { EMPTY_BRIEF } from "~/core/person/index.ts";
import { kg } from "~/core/kernel/index.ts";
import { storedJson } from "~/codec/rows.ts";
import { loadingCodec } from "~/codec/loading.ts";
import { historyOf } from "~/server/coaching/history.server.ts";
import { briefHistory, saveBrief } from "~/server/db/briefs.server.ts";
import {
  addStation,
  changeStation,
  getStation,
  listStations,
  stationHead,
} from "~/server/db/gyms.server.ts";
import { listPeople } from "~/server/db/people.server.ts";
import { getPlan, listPlansOf } from "~/server/db/plans.server.ts";
import { addTemplate, listTemplates } from "~/server/db/templates.server.ts";
import { toBinary } from "~/server/db/columns.server.ts";
import { trainSquats } from "./sets.ts";
import { addSquats, squats, inStudio } from "./studio.ts";

const here = inStudio();

const dumbbells = (n: number) => ({
  kind: "dumbbells" as const,
  unit: "kg" as const,
  present: Array.from({ length: n }, (_, i) => kg(i + 1)),
  counted: "each" as const,
});
const content = { name: "Dumbbells", serves: [], profile: null, usuallyBusy: false, room: "" };

describe("a stored record that cannot be read", () => {
  it("is left out of a list and named, and the others stand", async () => {
    const { scope } = here.studio;
    const id = await addStation(scope, here.studio.gym, { ...content, loading: dumbbells(10) });
    await scope
      .from("station_versions")
      .where({ station_id: toBinary(id) })
      .update({ loading: JSON.stringify(dumbbells(151)) });
    expect((await listStations(scope)).map(({ name }) => name)).toEqual(["Rack"]);
    expect(scope.setApart).toMatchObject([
      {
        what: "equipment",
        name: "Dumbbells",
        why: expect.stringContaining("present") as string,
        mendAt: `/gyms/${here.studio.gym}/stations/${id}`,
      },
    ]);
    const other = here.studio.at(1);
    await expect(getStation(other, id)).rejects.toMatchObject({
      data: { code: "unreadable", name: "Dumbbells" },
      init: { status: 500 },
    });
    expect(await stationHead(here.studio.at(2), id)).toMatchObject({
      name: "Dumbbells",
      station: null,
    });
  });

  it("can be entered anew where it stands, as its next version", async () => {
    const id = await addStation(here.studio.scope, here.studio.gym, {
      ...content,
      loading: dumbbells(10),
    });
    await here.studio.scope
      .from("station_versions")
      .where({ station_id: toBinary(id) })
      .update({ loading: "{}" });
    const anew = { ...content, loading: dumbbells(82) };
    expect(await changeStation(here.studio.scope, id, 1, anew)).toEqual({ ok: true, value: null });
    expect((await getStation(here.studio.scope, id))?.loading).toEqual(dumbbells(82));
  });

  it("stops no list: clients, sessions, history, templates", async () => {
    const { scope } = here.studio;
    const [good, bad] = [await addSquats(here.studio), await addSquats(here.studio, "2026-03-03")];
    await trainSquats(here.studio, good, [10, 10, 10]);
    const sessionLog = await trainSquats(here.studio, bad, [9, 9, 9], 1);
    await addTemplate(scope, "Good", squats(here.studio.station));
    const broken = await addTemplate(scope, "Bad", squats(here.studio.station));
    await scope
      .from("templates")
      .where({ id: toBinary(broken) })
      .update({ document: "[]" });
    await scope
      .from("plan_revisions")
      .where({ plan_id: toBinary(bad) })
      .update({ document: '{"schemaVersion":99}' });
    await here
      .db("people")
      .where({ id: toBinary(here.studio.person) })
      .update({ name: "\u200B" });
    expect(await listPeople(scope)).toHaveLength(1);
    expect((await listTemplates(scope)).map(({ name }) => name)).toEqual(["Good"]);
    expect(await listPlansOf(scope, here.studio.person, { many: 8 })).toHaveLength(2);
    expect((await historyOf(scope, here.studio.person)).sessions.map(({ id }) => id)).not.toContain(
      sessionLog.id,
    );
    expect((await historyOf(scope, here.studio.person)).sessions).toHaveLength(1);
    expect(new Set(scope.setApart.map(({ what }) => what))).toEqual(
      new Set(["template", "session"]),
    );
    await expect(getPlan(scope, bad)).rejects.toMatchObject({ data: { code: "unreadable" } });
  });

  it("gives way to the brief before it, and the next save still finds its number", async () => {
    const { scope, person } = here.studio;
    const saved = { ...EMPTY_BRIEF, screenedBy: "Dr. Test" };
    await saveBrief(scope, person, 0, saved);
    await saveBrief(scope, person, 1, { ...saved, screenedBy: "Dr. Other" });
    await scope.from("briefs").where({ revision: 2 }).update({ document: "{}" });
    const [current] = await briefHistory(scope, person, 1);
    expect(current).toMatchObject({ revision: 1, document: { screenedBy: "Dr. Test" } });
    expect(scope.setApart).toMatchObject([{ what: "brief" }]);
    expect(await saveBrief(scope, person, 1, saved)).toEqual({ ok: true, value: 3 });
  });

  it("is never written by Kravo itself", () => {
    expect(() => storedJson(loadingCodec, dumbbells(151))).toThrow();
    expect(storedJson(loadingCodec, dumbbells(150))).toContain("150000");
  });
});
