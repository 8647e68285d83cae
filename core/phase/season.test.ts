import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addDays, day, daysBetween } from "../kernel/index.ts";
import { sampleId } from "~/tests/samples/index.ts";
import { movedBy, type OnCalendar } from "./season.ts";

const START = day("2026-03-02");
function phase(n: number, week: number, weeks: number, isBegun = false): OnCalendar {
  const starts = addDays(START, 7 * week);
  return { id: sampleId(n), starts, ends: addDays(starts, 7 * weeks - 1), isBegun };
}
const movesOf = (moved: ReturnType<typeof movedBy>) =>
  moved.ok ? moved.moves.map(({ id, to }) => [id, to]) : moved.error;

describe("a phase that moves on the calendar", () => {
  const [first, second, third] = [phase(1, 0, 4), phase(2, 4, 4), phase(3, 10, 4)] as const;
  const all = [third, first, second];

  it("pushes what it comes to lie on by whole weeks, as far as that goes", () => {
    expect(movesOf(movedBy(all, first.id, 3))).toEqual([
      [first.id, addDays(first.starts, 3)],
      [second.id, addDays(second.starts, 7)],
    ]);
    expect(movesOf(movedBy(all, first.id, 21))).toEqual([
      [first.id, addDays(first.starts, 21)],
      [second.id, addDays(second.starts, 21)],
      [third.id, addDays(third.starts, 7)],
    ]);
  });

  it("moves alone into free days, and onto none before it", () => {
    expect(movesOf(movedBy(all, third.id, -14))).toEqual([[third.id, addDays(third.starts, -14)]]);
    expect(movesOf(movedBy(all, third.id, -15))).toEqual({ code: "taken", by: second.id });
    expect(movesOf(movedBy(all, third.id, -70))).toEqual({ code: "taken", by: second.id });
    expect(movesOf(movedBy(all, second.id, 0))).toEqual([]);
  });

  it("stays where something of it was trained, and pushes nothing that has begun", () => {
    expect(movesOf(movedBy([phase(1, 0, 4, true)], first.id, 7))).toEqual({
      code: "begun",
      id: first.id,
    });
    expect(movesOf(movedBy([first, phase(2, 4, 4, true)], first.id, 7))).toEqual({
      code: "begun",
      id: second.id,
    });
    expect(movesOf(movedBy(all, sampleId(9), 7))).toEqual({ code: "missing" });
  });

  it("leaves no two phases on one day, their order and their lengths", () => {
    const calendar = fc
      .array(fc.tuple(fc.integer({ min: 0, max: 5 }), fc.integer({ min: 1, max: 8 })), {
        minLength: 1,
        maxLength: 6,
      })
      .map((rows) => {
        let week = 0;
        return rows.map(([gap, weeks], i) => {
          const own = phase(i + 1, week + gap, weeks);
          week += gap + weeks;
          return own;
        });
      });
    let pushed = 0;
    fc.assert(
      fc.property(calendar, fc.nat(), fc.integer({ min: -80, max: 120 }), (phases, n, days) => {
        const own = phases[n % phases.length]!;
        const moved = movedBy(phases, own.id, days);
        if (!moved.ok) return;
        if (moved.moves.length > 1) pushed += 1;
        const after = phases.map((one) => {
          const move = moved.moves.find(({ id }) => id === one.id);
          const by = move === undefined ? 0 : daysBetween(move.from, move.to);
          return { ...one, starts: addDays(one.starts, by), ends: addDays(one.ends, by) };
        });
        for (const [i, one] of after.entries()) {
          const next = after[i + 1];
          if (next !== undefined) expect(next.starts > one.ends).toBe(true);
        }
      }),
      { numRuns: 300, seed: 12 },
    );
    expect(pushed).toBeGreaterThan(40);
  });
});
