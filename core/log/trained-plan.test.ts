import { describe, expect, it } from "vitest";
import { idOf, seconds, type Id } from "../kernel/index.ts";
import { slotsOf, type ExerciseBlock, type SessionPlan } from "../plan/index.ts";
import type { Command, CommandBody } from "./command.ts";
import { foldCommands } from "./fold.ts";
import { changesIn, keptPlan, movedTo, trainedPlan, type SessionChange } from "./trained-plan.ts";
import {
  sampleCommand,
  sampleId,
  sampleLoggedSet,
  sampleSet,
  sampleSlot,
} from "../../tests/samples/index.ts";

const slot = (n: number, ...sets: readonly number[]) =>
  sampleSlot(
    sets.map((set) => sampleSet(set)),
    { id: sampleId(n) },
  );
const block = (n: number, of = slot(n, n * 10 + 1, n * 10 + 2)): ExerciseBlock => ({
  kind: "exercise",
  id: sampleId(n + 1000),
  lineageId: sampleId(n + 2000),
  slot: of,
});
const PLAN: SessionPlan = { schemaVersion: 2, blocks: [block(1), block(2), block(3)] };
const swap = (of: number, to: number, forGood = false): SessionChange => ({
  kind: "swap",
  slotId: sampleId(of),
  slot: slot(to, to * 10 + 1, to * 10 + 2),
  forGood,
});
const done = (of: number, set: number) => sampleLoggedSet(sampleSet(set), { slotId: sampleId(of) });
const shape = (plan: SessionPlan) =>
  slotsOf(plan).map(({ id, sets }) => [numberOf(id), ...sets.map((set) => numberOf(set.id))]);
const numberOf = (id: string) => Number.parseInt(id.slice(-4), 10);
const trained = (
  changes: readonly SessionChange[],
  ...sets: readonly (readonly [number, number])[]
) =>
  shape(
    trainedPlan(
      PLAN,
      changes,
      sets.map(([of, set]) => done(of, set)),
    ),
  );

describe("a session as it is trained", () => {
  it("is its plan where nothing was changed", () => {
    expect(trainedPlan(PLAN, [], [])).toBe(PLAN);
  });

  it("has the other exercise in the place of one that was swapped before it began", () => {
    expect(trained([swap(2, 5)])).toEqual([
      [1, 11, 12],
      [5, 51, 52],
      [3, 31, 32],
    ]);
  });

  it("keeps what was logged before a swap, and puts the other behind it, in a block of its own", () => {
    expect(trained([swap(2, 5)], [2, 21])).toEqual([
      [1, 11, 12],
      [2, 21],
      [5, 51],
      [3, 31, 32],
    ]);
    const blocks = trainedPlan(PLAN, [swap(2, 5)], [done(2, 21)]).blocks.map(({ id }) => id);
    expect(new Set(blocks).size).toBe(4);
    // What was there stays in its own block, so that an order of the day still means it.
    expect(blocks.slice(0, 2)).toEqual([sampleId(1001), sampleId(1002)]);
  });

  it("follows a swap of what was swapped in, and ends where swaps lead in a circle", () => {
    expect(trained([swap(2, 5), swap(5, 6)])[1]).toEqual([6, 61, 62]);
    expect(trained([swap(2, 5), swap(5, 6)], [5, 51]).slice(1, 3)).toEqual([
      [5, 51],
      [6, 61],
    ]);
    // Of an exercise that was finished, one more set is done of the other.
    expect(trained([swap(2, 5)], [2, 21], [2, 22])[2]).toEqual([5, 51]);
    expect(trained([swap(2, 5), swap(5, 2)])).toHaveLength(3);
  });

  it("swaps a member of a rotation within it", () => {
    const rotation: SessionPlan = {
      schemaVersion: 2,
      blocks: [
        {
          kind: "rotation",
          id: sampleId(1900),
          lineageId: sampleId(2900),
          members: [slot(1, 11, 12), slot(2, 21, 22)],
          restBetween: { kind: "fixed", seconds: seconds(60) },
          restAfterRound: { kind: "fixed", seconds: seconds(90) },
        },
      ],
    };
    const after = trainedPlan(rotation, [swap(2, 5)], [done(2, 21)]);
    expect(after.blocks).toHaveLength(1);
    expect(shape(after)).toEqual([
      [1, 11, 12],
      [2, 21],
      [5, 51],
    ]);
  });

  it("has an added exercise behind the block it was put behind, or at the end, and added sets last", () => {
    const added = (n: number, after: number | null): SessionChange => ({
      kind: "addExercise",
      block: block(n),
      after: after === null ? null : sampleId(after + 1000),
    });
    const set: SessionChange = { kind: "addSet", slotId: sampleId(1), set: sampleSet(19) };
    expect(trained([added(7, 1), added(8, null), set])).toEqual([
      [1, 11, 12, 19],
      [7, 71, 72],
      [2, 21, 22],
      [3, 31, 32],
      [8, 81, 82],
    ]);
    // Also on an exercise that was itself added, or swapped in.
    expect(trained([added(7, 99), { ...set, slotId: sampleId(7) }]).at(-1)).toEqual([
      7, 71, 72, 19,
    ]);
    expect(trained([swap(1, 5), { ...set, slotId: sampleId(5) }])[0]).toEqual([5, 51, 52, 19]);
  });

  it("is in the order that was said; a block that was not named keeps its place", () => {
    const order = (...blocks: readonly number[]): SessionChange => ({
      kind: "reorder",
      order: blocks.map((n) => sampleId<"block">(n + 1000)),
    });
    expect(trained([order(3, 2, 1)]).map(([of]) => of)).toEqual([3, 2, 1]);
    expect(trained([order(3, 1)]).map(([of]) => of)).toEqual([3, 2, 1]);
    expect(trained([order(9, 2, 1)]).map(([of]) => of)).toEqual([2, 1, 3]);
  });
});

describe("an order of the day", () => {
  it("has a block before or behind another", () => {
    const order = (block: number, place: "before" | "behind", other: number) =>
      movedTo(PLAN, sampleId(block + 1000), place, sampleId(other + 1000)).map(
        (id) => numberOf(id) - 1000,
      );
    expect(order(3, "behind", 1)).toEqual([1, 3, 2]);
    expect(order(3, "before", 1)).toEqual([3, 1, 2]);
    expect(order(1, "behind", 3)).toEqual([2, 3, 1]);
  });
});

describe("the plan that goes on", () => {
  it("has what was swapped for good, and nothing else of the day", () => {
    const set: SessionChange = { kind: "addSet", slotId: sampleId(1), set: sampleSet(19) };
    expect(shape(keptPlan(PLAN, [swap(1, 5, true), swap(2, 6), set]))).toEqual([
      [5, 51, 52],
      [2, 21, 22],
      [3, 31, 32],
    ]);
  });
});

describe("the changes of a session", () => {
  const log = (...bodies: readonly CommandBody[]) => {
    const parents = new Map<string, Id<"command">>();
    return foldCommands(
      bodies.map((body, i) => {
        const key = body.kind === "takeBack" ? `${body.change}:${body.id}` : subjectFor(body);
        const command: Command = sampleCommand(1, i + 1, body, parents.get(key) ?? null);
        parents.set(key, command.commandId);
        return { command, position: i + 1 };
      }),
    );
  };
  const subjectFor = (body: CommandBody) =>
    body.kind === "swap"
      ? `swap:${body.slotId}`
      : body.kind === "addSet"
        ? `addSet:${body.set.id}`
        : body.kind;

  it("are what was said last of each, without what was taken back", () => {
    const [first, second] = [swap(1, 5), swap(1, 6)];
    const set: SessionChange = { kind: "addSet", slotId: sampleId(1), set: sampleSet(19) };
    expect(changesIn(log(first, set))).toEqual([first, set]);
    expect(changesIn(log(first, second))).toEqual([second]);
    const back: CommandBody = { kind: "takeBack", change: "swap", id: idOf(sampleId<"slot">(1)) };
    expect(changesIn(log(first, set, back))).toEqual([set]);
    expect(changesIn(log(first, back, second))).toEqual([second]);
  });
});
