import { describe, expect, it } from "vitest";
import { count } from "../kernel/index.ts";
import type { Command, CommandBody, OrderedCommand } from "./command.ts";
import { correctionsIn } from "./corrections.ts";
import { foldCommands, isEnded, parentFor } from "./fold.ts";
import {
  sampleCommand,
  sampleContext,
  sampleLoggedSet,
  sampleSet,
} from "../../tests/samples/index.ts";

const SET = sampleSet(1);
const part = (reps: number, why?: string): CommandBody => ({
  kind: "part",
  part: sampleLoggedSet(SET, { fullReps: count(reps) }),
  ...(why === undefined ? {} : { why }),
});
const END: CommandBody = { kind: "end", sessionEffort: null };
const acked = (...commands: Command[]): OrderedCommand[] =>
  commands.map((command, i) => ({ command, position: i + 1 }));

describe("corrections", () => {
  const first = sampleCommand(1, 1, part(8));
  const end = sampleCommand(1, 2, END);

  it("are what came after the end: changed, removed, added late, with why", () => {
    const changed = sampleCommand(1, 3, part(9, "Miscounted"), first.commandId);
    const removed = sampleCommand(
      1,
      4,
      { kind: "removePart", key: sampleLoggedSet(SET).key, why: "Not done" },
      changed.commandId,
    );
    const late = sampleCommand(2, 1, part(7));
    const found = correctionsIn(acked(first, end, changed, removed, late));
    expect(found).toMatchObject([
      { kind: "changed", before: { fullReps: 8 }, after: { fullReps: 9 }, why: "Miscounted" },
      { kind: "removed", before: { fullReps: 9 }, why: "Not done" },
      { kind: "added", after: { fullReps: 7 }, why: null },
    ]);
  });

  it("are none before the end, and none of what is not on the server", () => {
    const changed = sampleCommand(1, 3, part(9), first.commandId);
    expect(correctionsIn(acked(first, changed, end))).toEqual([]);
    expect(correctionsIn([...acked(first, end), { command: changed, position: null }])).toEqual([]);
    expect(correctionsIn(acked(first))).toEqual([]);
    // An end that only the device knows is none yet.
    const endHere = { command: end, position: null };
    expect(correctionsIn([endHere, ...acked(first, changed)])).toEqual([]);
  });

  it("name reopening, a second end, and what else was said", () => {
    const found = correctionsIn(
      acked(
        first,
        end,
        sampleCommand(1, 3, { kind: "reopen", why: "One set left" }, end.commandId),
        sampleCommand(1, 4, { kind: "context", context: sampleContext() }),
        sampleCommand(1, 5, END),
      ),
    );
    expect(found).toMatchObject([
      { kind: "reopened", why: "One set left" },
      { kind: "other", about: "context" },
      { kind: "endedAgain" },
    ]);
  });
});

describe("a reopened session", () => {
  it("goes on until it is ended again", () => {
    const end = sampleCommand(1, 1, END);
    const reopened = acked(
      end,
      sampleCommand(1, 2, { kind: "reopen", why: "One set left" }, end.commandId),
    );
    expect(isEnded(foldCommands(acked(end)))).toBe(true);
    const log = foldCommands(reopened);
    expect(isEnded(log)).toBe(false);
    const again = sampleCommand(1, 3, END, parentFor(log, END));
    expect(isEnded(foldCommands([...reopened, { command: again, position: 3 }]))).toBe(true);
  });

  it("is open also where two devices had ended it, and ended where one ends it later", () => {
    const [a, b] = [sampleCommand(1, 1, END), sampleCommand(2, 1, END)];
    const reopen = (parent: Command) =>
      sampleCommand(1, 2, { kind: "reopen", why: "x" }, parent.commandId);
    expect(isEnded(foldCommands(acked(a, b, reopen(b))))).toBe(false);
    expect(isEnded(foldCommands(acked(a, reopen(a), b)))).toBe(true);
  });
});
