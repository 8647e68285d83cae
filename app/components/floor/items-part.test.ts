import { describe, expect, it } from "vitest";
import type { Id } from "~/core/kernel/index.ts";
import { newItemBlock, slotsOf } from "~/core/plan/index.ts";
import { exercise, sessionOf } from "~/tests/arbitrary/session.ts";
import { sampleNewId } from "~/tests/samples/index.ts";
import { dueItems } from "./items-part.tsx";

const [warmUp, between, coolDown] = (["prepare", "conditioning", "restore"] as const).map((kind) =>
  newItemBlock(kind, sampleNewId),
);
const training = sessionOf(exercise("leg-press"), exercise("leg-extension"));
const [press, extension] = training.blocks;
const plan = { ...training, blocks: [warmUp!, press!, between!, extension!, coolDown!] };
const [first, second] = slotsOf(plan).map(({ id }) => id);
const due = (
  current: Id<"slot"> | null | undefined,
  ...said: readonly (readonly [Id<"block">, boolean])[]
) => dueItems(plan, new Map(said), current ?? null).map(({ kind }) => kind);

describe("what is due without sets", () => {
  it("is what stands before the exercise that comes next, until somebody said it", () => {
    expect(due(first)).toEqual(["prepare"]);
    expect(due(second)).toEqual(["prepare", "conditioning"]);
    expect(due(second, [warmUp!.id, false])).toEqual(["conditioning"]);
    expect(due(second, [warmUp!.id, true], [between!.id, true])).toEqual([]);
  });

  it("is everything that is left once all sets are logged", () => {
    expect(due(null, [warmUp!.id, true])).toEqual(["conditioning", "restore"]);
  });
});
