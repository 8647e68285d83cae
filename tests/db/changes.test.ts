import { expect, it } from "vitest";
import { measurementFormCodec } from "~/codec/measurement.ts";
import { day, instant } from "~/core/kernel/index.ts";
import { changesBefore, CHANGES_SHOWN } from "~/server/db/changes.server.ts";
import { addMeasurement } from "~/server/db/measurements.server.ts";
import { makeGrant } from "~/server/db/grants.server.ts";
import { getPlan, savePlan } from "~/server/db/plans.server.ts";
import { formatChange } from "~/format/changes.ts";
import { trainSquats } from "./sets.ts";
import { addSquats, inStudio, NOW, testStudio } from "./studio.ts";

const here = inStudio();
const HOUR = 3_600_000;

it("changes are told with who, what and of whom, the latest first, of this studio alone", async () => {
  const { db, studio } = here;
  const plan = await addSquats(studio, "2026-03-02");
  const stored = await getPlan(studio.at(NOW), plan);
  if (stored === null) throw new Error("no plan");
  const later = studio.at(NOW + HOUR);
  await savePlan(later, plan, 1, { ...stored, title: "Renamed" }, stored.document);
  const weighed = measurementFormCodec(day("2026-03-02")).parse({
    kind: "bodyWeight",
    value: "80",
    day: "2026-03-02",
    note: "",
  });
  await addMeasurement(studio.at(NOW + 2 * HOUR), studio.person, weighed);
  await makeGrant(studio.at(NOW + 3 * HOUR), "invitation", null);
  await trainSquats(studio, plan, [5, 5, 5], 1);
  const changes = await changesBefore(studio.scope, instant(NOW + 48 * HOUR));
  expect(changes.map(({ at }) => at)).toEqual(
    changes.map(({ at }) => at).toSorted((a, b) => b - a),
  );
  const said = changes.map((change) => formatChange(change));
  expect(said[0]).toBe("Started training “Renamed”");
  expect(said).toContain("Made an invitation");
  expect(said).toContain("Entered body weight");
  expect(said).toContain("Saved the session “Renamed”, revision 2");
  expect(said).toContain("Planned the session “Renamed”");
  expect(said).toContain("Added the equipment “Rack”");
  for (const { by } of changes) expect(by).toBe("Coach");
  expect(changes.find(({ kind }) => kind === "session")?.client?.name).toBe("Ada");

  const before = await changesBefore(studio.scope, instant(NOW + HOUR));
  expect(before.map((change) => formatChange(change))).not.toContain("Made an invitation");
  expect(before.length).toBeLessThan(changes.length);
  const other = await testStudio(db);
  expect((await changesBefore(other.scope, instant(NOW + 48 * HOUR))).map(formatChange)).toEqual([
    "Added the equipment “Rack”",
  ]);
  expect(changes.length).toBeLessThanOrEqual(CHANGES_SHOWN);
});
