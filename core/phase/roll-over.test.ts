import { describe, expect, it } from "vitest";
import { count, day, kg } from "../kernel/index.ts";
import { linesOf, slotsOf } from "../plan/index.ts";
import { sampleId, sampleNewId } from "../../tests/samples/index.ts";
import {
  linesIn,
  sampleFacts,
  samplePhase,
  samplePhaseDay,
  trainNext,
} from "../../tests/samples/phase.ts";
import { writtenSlot } from "../../tests/samples/trained.ts";
import type { Phase } from "./phase.ts";
import { usualWeek } from "./phase-week.ts";
import type { PhaseFacts } from "./project.ts";
import { rollOver } from "./roll-over.ts";

const progression = { kind: "smallestStep", after: count(1) } as const;
const squat = writtenSlot("5 at 120 RIR 1; 2 x 8 at 100", { progression });
const extension = writtenSlot("3 x 12 at 60", {
  id: sampleId(71),
  lineageId: sampleId(72),
  movement: "shipped:leg-extension",
});
const phase = samplePhase([samplePhaseDay(1, squat, extension)], {
  weeks: [usualWeek("normal"), usualWeek("normal"), usualWeek("lighter")],
});

function trained(of: Phase, times: number, leaveOut: readonly number[] = []): PhaseFacts {
  let facts = sampleFacts();
  for (let n = 0; n < times; n += 1) {
    const before = facts;
    facts = trainNext(of, facts);
    if (!leaveOut.includes(n)) continue;
    // Nothing of the extension was logged.
    const series = new Map(
      [...facts.series].map(([key, own]) => [
        key,
        key.includes("leg-extension") ? (before.series.get(key) ?? []) : own,
      ]),
    );
    facts = { ...facts, series };
  }
  return facts;
}
const sessionOf = (of: Phase) => of.days[0]?.session ?? { schemaVersion: 2 as const, blocks: [] };

describe("the phase that follows", () => {
  it("begins on the day after, with what the rules made of what was done, and not of the lighter week", () => {
    const changes = [
      {
        day: phase.days[0]!.id,
        lineage: squat.lineageId,
        line: linesOf(squat)[0]!.id,
        week: 2,
        edit: { kind: "load", reading: kg(130) } as const,
      },
    ];
    const own = { ...phase, changes };
    const { phase: next, putFirst } = rollOver(own, trained(own, 3), sampleNewId);
    expect(next.start).toBe(day("2026-03-23"));
    expect(next.weeks).toEqual(phase.weeks);
    expect(next.changes).toEqual([]);
    expect(putFirst).toEqual([]);
    expect(linesIn(sessionOf(next))[0]).toBe("5 at 132.5 kg RIR 1; 2 x 8 at 105 kg");
  });

  it.each([
    ["2026-03-20", "2026-03-23"],
    ["2026-03-23", "2026-03-23"],
    ["2026-03-24", "2026-03-30"],
    ["2026-04-30", "2026-05-04"],
  ])("begins, rolled over on %s, on %s", (today, start) => {
    const facts = { ...sampleFacts(), today: day(today) };
    expect(rollOver(phase, facts, sampleNewId).phase.start).toBe(start);
  });

  it("knows nothing of weeks that are only projected", () => {
    const { phase: next } = rollOver(phase, trained(phase, 1), sampleNewId);
    expect(linesIn(sessionOf(next))[0]).toBe("5 at 122.5 kg RIR 1; 2 x 8 at 102.5 kg");
  });

  it("has the same lines under new ids", () => {
    const { phase: next } = rollOver(phase, trained(phase, 3), sampleNewId);
    const [before, after] = [phase, next].map((of) => slotsOf(sessionOf(of)));
    expect(after?.map(({ lineageId }) => lineageId)).toEqual(before?.map((slot) => slot.lineageId));
    expect(after?.flatMap(linesOf).map(({ id }) => id)).toEqual(
      before?.flatMap(linesOf).map(({ id }) => id),
    );
    const ids = new Set(before?.flatMap((slot) => [slot.id, ...slot.sets.map((set) => set.id)]));
    expect(
      after
        ?.flatMap((slot) => [slot.id, ...slot.sets.map((set) => set.id)])
        .some((id) => ids.has(id as never)),
    ).toBe(false);
    expect(next.days[0]?.id).not.toBe(phase.days[0]?.id);
  });

  it("puts first what was skipped again and again, and says how often", () => {
    const { phase: next, putFirst } = rollOver(phase, trained(phase, 3, [0, 2]), sampleNewId);
    expect(putFirst).toMatchObject([{ movement: "shipped:leg-extension", skipped: 2, of: 3 }]);
    expect(slotsOf(sessionOf(next)).map(({ movement }) => movement)).toEqual([
      "shipped:leg-extension",
      "shipped:back-squat",
    ]);
  });

  it("leaves the order where an exercise was skipped once, or the coach left it out", () => {
    const once = rollOver(phase, trained(phase, 3, [1]), sampleNewId);
    expect(once.putFirst).toEqual([]);
    const changes = [1, 2].map((week) => ({
      day: phase.days[0]!.id,
      lineage: extension.lineageId,
      line: linesOf(extension)[0]!.id,
      week,
      edit: { kind: "leftOut" } as const,
    }));
    const own = { ...phase, changes };
    expect(rollOver(own, trained(own, 3), sampleNewId).putFirst).toEqual([]);
  });
});
