import { describe, expect, it } from "vitest";
import { day } from "~/core/kernel/index.ts";
import { sampleId } from "../tests/samples/index.ts";
import { samplePhase, samplePhaseDay } from "../tests/samples/phase.ts";
import { writtenSlot } from "../tests/samples/trained.ts";
import { newPhaseCodec, phaseCodec, sheetActionCodec } from "./phase.ts";

const FORM = {
  personId: sampleId(1),
  name: "Strength 1",
  gymId: sampleId(2),
  start: "2026-03-02",
  weeks: "6",
  goal: "strength",
  days: [`template:${sampleId(3)}`],
  easierBy: "2",
  fewerBy: "1",
};
const codec = newPhaseCodec(day("2026-03-01"));

describe("a new phase as typed", () => {
  it("is read with every day that has a session", () => {
    const days = ["", `plan:${sampleId(4)}`, undefined, `template:${sampleId(3)}`];
    expect(codec.parse({ ...FORM, days })).toMatchObject({
      weeks: 6,
      days: [null, { kind: "plan", id: sampleId(4) }, null, { kind: "template", id: sampleId(3) }],
      approach: null,
      lighterEvery: null,
      isFirstLight: false,
    });
  });

  it.each([
    ["0 weeks", { weeks: "0" }, "weeks"],
    ["200 weeks", { weeks: "200" }, "weeks"],
    ["half a week", { weeks: "1.5" }, "weeks"],
    ["no weeks", { weeks: undefined }, "weeks"],
    ["no day", { days: ["", ""] }, "days"],
    ["nonsense for a session", { days: ["hello"] }, "days"],
    ["an eighth day", { days: Array.from({ length: 8 }, () => `template:${sampleId(3)}`) }, "days"],
    ["a date that does not exist", { start: "2026-02-30" }, "start"],
    ["a start in ten years", { start: "2036-03-02" }, "start"],
    ["lighter weeks by two rules", { lighterEvery: "4", isAfterHardest: "on" }, "lighterEvery"],
    ["a lighter week every week", { lighterEvery: "1" }, "lighterEvery"],
    ["nine reps more", { easierBy: "9" }, "easierBy"],
    ["no name", { name: "  " }, "name"],
  ])("is refused with %s, at the field", (_, over, field) => {
    const read = codec.safeParse({ ...FORM, ...over });
    expect(read.error?.issues[0]?.path[0]).toBe(field);
  });
});

describe("a stored phase", () => {
  const phase = samplePhase([samplePhaseDay(1, writtenSlot("3 x 8 at 100"))]);

  it("is read back as it was written", () => {
    expect(phaseCodec.parse(JSON.parse(JSON.stringify(phase)))).toEqual(phase);
  });

  it("brings sessions of an older version up to date", () => {
    const old = JSON.parse(JSON.stringify(phase)) as { days: { session: unknown }[] };
    const [own] = old.days;
    if (own === undefined) throw new Error("no day");
    own.session = { schemaVersion: 1, blocks: [] };
    expect(phaseCodec.parse(old).days[0]?.session).toEqual({ schemaVersion: 2, blocks: [] });
  });

  it.each([[null], [[]], [{ days: 3 }], [{ ...phase, schemaVersion: 9 }]])(
    "is not %j",
    (document) => {
      expect(phaseCodec.safeParse(document).success).toBe(false);
    },
  );
});

it("what is typed into a sheet names its cells and revision", () => {
  const entry = { day: sampleId(1), lineage: sampleId(2), line: sampleId(3), week: 1, text: "110" };
  const action = { intent: "type", baseRevision: 1, entries: [entry] };
  expect(sheetActionCodec.safeParse(action).success).toBe(true);
  for (const bad of [{ entries: [] }, { baseRevision: 0 }, { entries: [{ ...entry, week: 0 }] }])
    expect(sheetActionCodec.safeParse({ ...action, ...bad }).success).toBe(false);
});
