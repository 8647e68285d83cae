import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { slotsOf } from "../plan/index.ts";
import {
  sampleId,
  sampleNewId,
  samplePlan,
  sampleStation,
  sampleUnrollContext,
} from "~/tests/samples/index.ts";
import { writtenSlot } from "~/tests/samples/trained.ts";
import { wantedTwice, type TimedSession } from "./sharing.ts";

const STATIONS = [1, 2, 3].map((n) => sampleStation(undefined, n));
const CONTEXT = sampleUnrollContext(STATIONS);
const at = (hour: number, minute = 0) => hour * 60 + minute;

/** A session of exercises on these stations, each of so many sets with two minutes of rest. */
function session(
  begins: number,
  stations: readonly number[],
  over: Partial<TimedSession> = {},
): TimedSession {
  const slots = stations.map((n) =>
    writtenSlot("3 x 8 at 100 rest 2:00", {
      id: sampleNewId(),
      station: STATIONS[n - 1]!.id,
    }),
  );
  return {
    plan: sampleNewId(),
    gym: sampleId(900),
    begins,
    document: samplePlan(...slots),
    canMove: true,
    ...over,
  };
}

describe("equipment that is wanted twice", () => {
  it("is none where each has it in turn, or in another gym", () => {
    expect(wantedTwice([session(at(17), [1, 2]), session(at(18), [1, 2])], CONTEXT)).toEqual([]);
    const elsewhere = session(at(17), [1, 2], { gym: sampleId(901) });
    expect(wantedTwice([session(at(17), [1, 2]), elsewhere], CONTEXT)).toEqual([]);
  });

  it("is told with who has it and until when, and the other order that takes it away", () => {
    const [first, second] = [session(at(17), [1, 2]), session(at(17), [1, 3])];
    const [clash, ...others] = wantedTwice([first, second], CONTEXT);
    expect(others).toEqual([]);
    expect(clash).toMatchObject({ station: STATIONS[0]!.id, has: first.plan, wants: second.plan });
    // Three sets of some half a minute, two rests of two minutes, and getting there.
    expect(clash!.until).toBeGreaterThan(at(17, 5));
    expect(clash!.until).toBeLessThan(at(17, 12));
    expect(clash!.way?.kind).toBe("reorder");
    if (clash!.way?.kind !== "reorder") return;
    const [begun] = slotsOf(clash!.way.document);
    expect(begun?.station).toBe(STATIONS[2]!.id);
    expect(wantedTwice([first, { ...second, document: clash!.way.document }], CONTEXT)).toEqual([]);
  });

  it("starts later where no order helps, and finds no way for one that has begun", () => {
    const [first, second] = [session(at(17), [1]), session(at(17), [1])];
    const [clash] = wantedTwice([first, second], CONTEXT);
    expect(clash!.way).toEqual({ kind: "later", begins: at(17, 10) });
    const [running] = wantedTwice([first, { ...second, canMove: false }], CONTEXT);
    expect(running!.way).toBeNull();
  });

  it("never starts so late that it passes midnight", () => {
    const [first, second] = [session(at(23, 50), [1]), session(at(23, 50), [1])];
    expect(wantedTwice([first, second], CONTEXT)[0]!.way).toBeNull();
  });

  it("no way around leaves the session wanting anything that another has", () => {
    const drawn = fc.array(
      fc.tuple(
        fc.integer({ min: 0, max: 6 }),
        fc.uniqueArray(fc.constantFrom(1, 2, 3), { minLength: 1 }),
      ),
      { minLength: 2, maxLength: 4 },
    );
    let ways = 0;
    fc.assert(
      fc.property(drawn, (rows) => {
        const sessions = rows.map(([late, stations]) => session(at(17, late * 5), stations));
        for (const { wants, way } of wantedTwice(sessions, CONTEXT)) {
          if (way === null) continue;
          ways += 1;
          const moved = sessions.map((own) => {
            if (own.plan !== wants) return own;
            return way.kind === "later"
              ? { ...own, begins: way.begins }
              : { ...own, document: way.document };
          });
          const left = wantedTwice(moved, CONTEXT);
          expect(left.filter((one) => one.wants === wants || one.has === wants)).toEqual([]);
        }
      }),
      { numRuns: 60, seed: 12 },
    );
    expect(ways).toBeGreaterThan(20);
  });
});
