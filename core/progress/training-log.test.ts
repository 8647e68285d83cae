import { describe, expect, it } from "vitest";
import { day, idOf, type Id } from "../kernel/index.ts";
import type { Exposure } from "../log/index.ts";
import type { Standing } from "./standing.ts";
import { trainingLog } from "./training-log.ts";

const sessionId = (n: number): Id<"sessionLog"> => idOf(`00000000-0000-7000-8000-00000000000${n}`);

/** Exposures in the sessions of these numbers, a day each. */
const standing = (key: string, sessions: readonly number[]) =>
  ({
    key,
    trained: sessions.map((n) => ({
      sessionLogId: sessionId(n),
      day: day(`2026-11-0${Math.max(n, 2)}`),
    })) as unknown as readonly Exposure[],
  }) as unknown as Standing;

const squat = standing("squat", [1, 2, 4, 5]);
const curl = standing("curl", [2, 3]);

describe("the training log of a client", () => {
  it("has the newest sessions as columns, oldest first, and a gap where an exercise was not trained", () => {
    const log = trainingLog([squat, curl], { skip: 0, many: 3 });
    expect(log.sessions.map(({ id }) => id)).toEqual([3, 4, 5].map(sessionId));
    expect(
      log.rows.map(({ of, done }) => [of.key, done.map((e) => e?.sessionLogId ?? null)]),
    ).toEqual([
      ["squat", [null, sessionId(4), sessionId(5)]],
      ["curl", [sessionId(3), null, null]],
    ]);
    expect([log.older, log.newer]).toEqual([2, 0]);
  });

  it("goes back to the first session, and leaves out what was not trained then", () => {
    const log = trainingLog([squat, standing("late", [5])], { skip: 2, many: 3 });
    expect(log.sessions.map(({ id }) => id)).toEqual([1, 2].map(sessionId));
    expect(log.rows.map(({ of }) => of.key)).toEqual(["squat"]);
    expect([log.older, log.newer]).toEqual([0, 2]);
  });

  it("keeps two sessions of one day apart, in the order in which they were begun", () => {
    // Sessions 1 and 2 are both of the second of November.
    const log = trainingLog([squat], { skip: 0, many: 10 });
    expect(log.sessions.map(({ id }) => id)).toEqual([1, 2, 4, 5].map(sessionId));
  });

  it("is empty where nothing was trained, or more is skipped than there is", () => {
    expect(trainingLog([], { skip: 0, many: 6 }).sessions).toEqual([]);
    const beyond = trainingLog([squat], { skip: 9, many: 6 });
    expect([beyond.sessions.length, beyond.older, beyond.newer]).toEqual([0, 0, 4]);
  });
});
