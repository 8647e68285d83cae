import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { count, kg } from "../kernel/index.ts";
import { findMovement } from "../movement/catalogue/index.ts";
import type { Command, CommandBody, OrderedCommand } from "./command.ts";
import {
  checkInOf,
  conflictsOf,
  foldCommands,
  isEnded,
  notesOf,
  parentFor,
  loggedSetsAt,
  loggedSetsOf,
  itemsDoneIn,
  skipReason,
} from "./fold.ts";
import { hardSetsDone, summarise, unplannedSets } from "./summary.ts";
import {
  sampleCommand as command,
  sampleContext,
  sampleId,
  sampleLoggedSet,
  samplePlan,
  sampleSet,
  sampleSlot,
} from "../../tests/samples/index.ts";

const SET = sampleSet(1);
const reps = (n: number): CommandBody => ({
  kind: "part",
  part: sampleLoggedSet(SET, { fullReps: count(n) }),
});
const key = sampleLoggedSet(SET).key;
const acked = (...commands: Command[]): OrderedCommand[] =>
  commands.map((c, i) => ({ command: c, position: i + 1 }));
const repsIn = (log: ReturnType<typeof foldCommands>) =>
  loggedSetsOf(log).map(({ loggedSet }) => loggedSet.fullReps);

describe("a session log", () => {
  it("counts a command once however often it arrives", () => {
    const c = command(1, 1, reps(8));
    expect(repsIn(foldCommands([...acked(c, c), { command: c, position: null }]))).toEqual([8]);
  });

  it("lets a correction supersede what it names", () => {
    const first = command(1, 1, reps(8));
    const log = foldCommands(acked(first, command(1, 2, reps(9), first.commandId)));
    expect(repsIn(log)).toEqual([9]);
    expect(conflictsOf(log)).toEqual([]);
  });

  it("keeps both sides when two devices logged one set without knowing of each other", () => {
    const log = foldCommands(acked(command(1, 1, reps(8)), command(2, 1, reps(10))));
    expect(conflictsOf(log)).toMatchObject([
      { sides: [{ loggedSet: { fullReps: 8 } }, { loggedSet: { fullReps: 10 } }] },
    ]);
  });

  it("resolves a conflict by removing the side that does not hold", () => {
    const [a, b] = [command(1, 1, reps(8)), command(2, 1, reps(10))];
    const log = foldCommands(acked(a, b, command(1, 2, { kind: "removePart", key }, b.commandId)));
    expect(conflictsOf(log)).toEqual([]);
    expect(loggedSetsAt(log, key).map(({ loggedSet }) => loggedSet.fullReps)).toEqual([8]);
  });

  it("removes a set and lets it be logged again", () => {
    const first = command(1, 1, reps(8));
    const removal = command(1, 2, { kind: "removePart", key }, first.commandId);
    expect(loggedSetsOf(foldCommands(acked(first, removal)))).toEqual([]);
    expect(
      repsIn(foldCommands(acked(first, removal, command(1, 3, reps(7), removal.commandId)))),
    ).toEqual([7]);
  });

  it("names the newest head as the parent of the next command about the same subject", () => {
    const first = command(1, 1, reps(8));
    expect(parentFor(foldCommands(acked(first)), reps(9))).toBe(first.commandId);
    expect(parentFor(foldCommands([]), reps(9))).toBeNull();
    expect(parentFor(foldCommands(acked(first)), { kind: "end", sessionEffort: null })).toBeNull();
  });

  it("puts what is only on the device behind what the server has", () => {
    const log = foldCommands([
      { command: command(1, 1, { kind: "note", slotId: null, text: "mine" }), position: null },
      { command: command(2, 1, { kind: "note", slotId: null, text: "theirs" }), position: 1 },
    ]);
    expect(notesOf(log, null)).toEqual(["theirs", "mine"]);
  });

  it("knows what was skipped and that it ended", () => {
    const log = foldCommands(
      acked(
        command(1, 1, { kind: "skip", slotId: sampleId(700), reason: "Station taken" }),
        command(1, 2, { kind: "end", sessionEffort: 7 }),
      ),
    );
    expect(skipReason(log, sampleId(700))).toBe("Station taken");
    expect(skipReason(log, sampleId(701))).toBeNull();
    expect(isEnded(log)).toBe(true);
  });

  it("knows which parts without sets were done, as it was said last", () => {
    const block = (n: number) => sampleId<"block">(n);
    const left = command(1, 1, { kind: "items", blockId: block(1), isDone: false });
    const done = command(1, 2, { kind: "items", blockId: block(2), isDone: true });
    expect([...itemsDoneIn(foldCommands(acked(left, done)))]).toEqual([
      [block(1), false],
      [block(2), true],
    ]);
    const after = command(1, 3, { kind: "items", blockId: block(1), isDone: true }, left.commandId);
    expect(itemsDoneIn(foldCommands(acked(left, done, after))).get(block(1))).toBe(true);
  });

  it("takes a skipped exercise up again, and knows how the trainee came last said", () => {
    const skip = command(1, 1, { kind: "skip", slotId: sampleId(700), reason: "Station taken" });
    const unskip = command(1, 2, { kind: "unskip", slotId: sampleId(700) }, skip.commandId);
    expect(skipReason(foldCommands(acked(skip, unskip)), sampleId(700))).toBeNull();
    const again = command(1, 3, { ...skip.body }, unskip.commandId);
    expect(skipReason(foldCommands(acked(skip, unskip, again)), sampleId(700))).toBe(
      "Station taken",
    );
    const checkIn = (seq: number, readiness: number, parent: Command["parent"] = null) =>
      command(1, seq, { kind: "checkIn", bodyWeight: kg(80.5), readiness }, parent);
    const first = checkIn(1, 4);
    expect(checkInOf(foldCommands(acked(first)))).toMatchObject({ readiness: 4 });
    const corrected = foldCommands(acked(first, checkIn(2, 2, first.commandId)));
    expect(checkInOf(corrected)).toMatchObject({ readiness: 2, bodyWeight: kg(80.5) });
    expect(checkInOf(foldCommands([]))).toBeNull();
  });

  /** Every order of the numbers below `n` is as likely. */
  const anyOrder = (n: number) =>
    fc.shuffledSubarray(
      Array.from({ length: n }, (_, i) => i),
      { minLength: n },
    );

  it("comes out the same in whatever order the acknowledged commands are handed over", () => {
    const bodies = fc.array(
      fc.record({
        device: fc.integer({ min: 1, max: 3 }),
        n: fc.integer({ min: 0, max: 20 }),
        knows: fc.boolean(),
      }),
      { maxLength: 12 },
    );
    fc.assert(
      fc.property(bodies, anyOrder(12), (said, order) => {
        const seqs = new Map<number, number>();
        const commands: OrderedCommand[] = [];
        for (const { device, n, knows } of said) {
          const seq = (seqs.get(device) ?? 0) + 1;
          seqs.set(device, seq);
          const parent = knows ? parentFor(foldCommands(commands), reps(n)) : null;
          commands.push({
            command: command(device, seq, reps(n), parent),
            position: commands.length + 1,
          });
        }
        const shuffled = order.flatMap((at) => commands[at] ?? []);
        expect([...foldCommands(shuffled)]).toEqual([...foldCommands(commands)]);
        // Nothing that nobody superseded is ever lost.
        const superseded = new Set(commands.map((c) => c.command.parent));
        const standing = commands.filter((c) => !superseded.has(c.command.commandId)).length;
        expect(loggedSetsOf(foldCommands(commands))).toHaveLength(standing);
      }),
      { numRuns: Number(process.env["KRAVO_RUNS"] ?? 200) },
    );
  });
});

describe("a summary", () => {
  const each = sampleSet(2, { side: { kind: "each", first: "left", matchFirst: false } });
  const plan = samplePlan(sampleSlot([SET, each]));
  const sideSet = (side: "left" | "right"): CommandBody => ({
    kind: "part",
    part: sampleLoggedSet(each, {
      key: { setId: each.id, extensionId: null, round: 0, ordinal: 0, side },
    }),
  });

  it("counts a set with two sides as done only when both are", () => {
    const left = command(1, 1, sideSet("left"));
    expect(summarise(plan, foldCommands(acked(left)))[0]).toMatchObject({
      plannedSets: 2,
      doneSets: 0,
    });
    expect(
      summarise(plan, foldCommands(acked(left, command(1, 2, sideSet("right")))))[0],
    ).toMatchObject({ doneSets: 1 });
  });

  it("holds of each exercise what was logged of it", () => {
    const other = { ...sampleSlot([sampleSet(3)]), id: sampleId<"slot">(551) };
    const both = samplePlan(sampleSlot([SET]), other);
    const found = summarise(both, foldCommands(acked(command(1, 1, reps(8)))));
    expect(found.map(({ loggedSets }) => loggedSets.length)).toEqual([1, 0]);
  });

  it("counts a hard set once for both sides, and not when it was easy", () => {
    const easy: CommandBody = { kind: "part", part: sampleLoggedSet(SET, { rir: "more" }) };
    const log = foldCommands(
      acked(command(1, 1, sideSet("left")), command(1, 2, sideSet("right")), command(1, 3, easy)),
    );
    expect(hardSetsDone(plan, log, findMovement)).toBe(1);
  });

  it("takes the effort of the side closer to the limit, whichever was logged first", () => {
    const at = (side: "left" | "right", rir: "more" | "unknown" | 1): CommandBody => {
      const body = sideSet(side);
      return body.kind === "part" ? { ...body, part: { ...body.part, rir } } : body;
    };
    const hard = (left: "more" | "unknown" | 1, right: "more" | "unknown" | 1) =>
      hardSetsDone(
        plan,
        foldCommands(acked(command(1, 1, at("left", left)), command(1, 2, at("right", right)))),
        findMovement,
      );
    expect(hard("more", 1)).toBe(1);
    expect(hard("more", "more")).toBe(0);
    expect(hard("more", "unknown")).toBe(1);
  });

  it("keeps what was done on a set that the plan no longer holds", () => {
    const log = foldCommands(
      acked(command(1, 1, reps(8)), command(1, 2, { kind: "context", context: sampleContext() })),
    );
    expect(unplannedSets(samplePlan(sampleSlot([each])), log)).toHaveLength(1);
    expect(unplannedSets(plan, log)).toEqual([]);
  });
});
