import { describe, expect, it } from "vitest";
import { count, instant, seconds } from "../kernel/index.ts";
import type { Command, OrderedCommand } from "./command.ts";
import { elapsed, lastLogged, leastWork, momentOf, restTaken } from "./rest-clock.ts";
import { sampleCommand, sampleLoggedSet, sampleSet } from "../../tests/samples/index.ts";

const HOUR = 3_600_000;

describe("the time since a set", () => {
  const logged = { wall: 10 * HOUR, steady: 5000 };

  it("runs on when the clock is put back two hours", () => {
    expect(elapsed(logged, { wall: 8 * HOUR + 30_000, steady: 35_000 })).toBe(30_000);
  });

  it("runs on while the device sleeps and its steady clock stands", () => {
    expect(elapsed(logged, { wall: 10 * HOUR + 90_000, steady: 6000 })).toBe(90_000);
  });

  it("is never negative", () => {
    expect(elapsed(logged, { wall: 0, steady: 0 })).toBe(0);
  });

  it("is the rest taken, less what the set itself takes; none where both were logged afterwards or long apart", () => {
    const taken = (after: number, work: number) =>
      restTaken(logged, { wall: logged.wall + after * 1000, steady: logged.steady }, seconds(work));
    expect(taken(150, 30)).toBe(120);
    expect(taken(30, 30)).toBe(0);
    expect(taken(29, 30)).toBeNull();
    expect(taken(30 * 60, 0)).toBe(1800);
    expect(taken(30 * 60 + 1, 0)).toBeNull();
  });

  it("counts of the work as much as was done of what was asked at least, and no more than all of it", () => {
    const step = {
      workSeconds: { min: seconds(32), max: seconds(48) },
      target: { kind: "reps", min: count(8), max: count(12) },
    } as const;
    expect([4, 8, 12, 0, null].map((done) => leastWork(step, done))).toEqual([16, 32, 32, 0, 32]);
    const open = { ...step, target: { kind: "reps", min: count(0), max: count(12) } } as const;
    expect(leastWork(open, 1)).toBe(32);
  });

  it("is known after a reload from the time written down, unless that lies ahead or far back", () => {
    const now = { wall: 10 * HOUR, steady: 200 };
    expect(momentOf(10 * HOUR - 60_000, now)).toEqual({
      wall: 10 * HOUR - 60_000,
      steady: 200 - 60_000,
    });
    expect(momentOf(12 * HOUR, now)).toBeNull();
    expect(momentOf(8 * HOUR, now)).toBeNull();
  });
});

describe("the set logged last", () => {
  const [one, two] = [sampleSet(1), sampleSet(2)];
  const logged = (set: typeof one, seq: number, at: number, parent: Command["parent"] = null) => ({
    ...sampleCommand(1, seq, { kind: "part", part: sampleLoggedSet(set) }, parent),
    at: instant(at),
  });
  const acked = (...commands: Command[]): OrderedCommand[] =>
    commands.map((command, i) => ({ command, position: i + 1 }));
  const seqOf = (entries: readonly OrderedCommand[]) => lastLogged(entries)?.command.seq ?? null;

  it("is the newest by the order of the log, not by the clock of the device", () => {
    expect(seqOf(acked(logged(one, 1, 9000), logged(two, 2, 100)))).toBe(2);
  });

  it("is none where all that is known of it corrects a set of which nothing is here", () => {
    const elsewhere = sampleCommand(2, 9, { kind: "part", part: sampleLoggedSet(one) });
    expect(seqOf(acked(logged(one, 1, 1, elsewhere.commandId)))).toBeNull();
  });

  it("is the newest of the device where neither is on the server yet", () => {
    const here = (set: typeof one, seq: number): OrderedCommand => ({
      command: logged(set, seq, 1),
      position: null,
    });
    expect(seqOf([here(one, 1), here(two, 2)])).toBe(2);
    expect(seqOf([here(two, 2), here(one, 1)])).toBe(2);
    expect(seqOf([here(two, 2), ...acked(logged(one, 1, 1))])).toBe(2);
  });

  it("stays the same when it, or an earlier one, is corrected", () => {
    const [first, second] = [logged(one, 1, 1), logged(two, 2, 2)];
    expect(seqOf(acked(first, second, logged(one, 3, 3, first.commandId)))).toBe(2);
    expect(seqOf(acked(first, second, logged(two, 3, 3, second.commandId)))).toBe(2);
  });

  it("is the one before where it was removed, and itself again once it is logged anew", () => {
    const [first, second] = [logged(one, 1, 1), logged(two, 2, 2)];
    const key = sampleLoggedSet(two).key;
    const removal = sampleCommand(1, 3, { kind: "removePart", key }, second.commandId);
    expect(seqOf(acked(first, second, removal))).toBe(1);
    expect(seqOf(acked(first, second, removal, logged(two, 4, 4, removal.commandId)))).toBe(4);
  });

  it("is one that is only on the device before those of the server, and none where none is", () => {
    const unsent = { command: logged(two, 2, 1), position: null };
    expect(seqOf([unsent, ...acked(logged(one, 1, 5))])).toBe(2);
    expect(lastLogged([])).toBeNull();
  });
});
