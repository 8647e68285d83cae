import { describe, expect, it } from "vitest";
import { findMovement } from "../catalogue/index.ts";
import {
  sampleDrop,
  sampleId,
  sampleMint,
  samplePlan,
  sampleSet,
  sampleSlot,
  sampleStation,
  STACK,
} from "../samples/index.ts";
import { applyEdit, copyPlan, duplicateSet, newBlock, servesMovement } from "./edit.ts";
import { slotsOf, slotsOfBlock } from "./plan.ts";

const plan = samplePlan(
  sampleSlot([sampleSet(1, { extensions: [sampleDrop(11, "current", 0.8)] })], {
    id: sampleId(701),
  }),
  sampleSlot([sampleSet(2)], { id: sampleId(702) }),
);
const order = (p: typeof plan) => slotsOf(p).map((slot) => slot.id);
const [first, second] = plan.blocks;

describe("editing a plan", () => {
  it("moves a block by one and stops at the ends", () => {
    const down = applyEdit(plan, { kind: "moveBlock", block: first!.id, by: 1 });
    expect(order(down)).toEqual([sampleId(702), sampleId(701)]);
    expect(applyEdit(plan, { kind: "moveBlock", block: first!.id, by: -1 })).toBe(plan);
    expect(applyEdit(plan, { kind: "moveBlock", block: second!.id, by: 1 })).toBe(plan);
  });

  it("removes and changes what is named, and leaves the plan when that is gone", () => {
    expect(order(applyEdit(plan, { kind: "removeBlock", block: second!.id }))).toEqual([
      sampleId(701),
    ]);
    const to = { ...slotsOf(plan)[1]!, purpose: "Quads" };
    expect(
      slotsOf(applyEdit(plan, { kind: "changeSlot", slot: sampleId(702), to }))[1]?.purpose,
    ).toBe("Quads");
    expect(applyEdit(plan, { kind: "removeBlock", block: sampleId(1) })).toEqual(plan);
  });

  it("duplicates a set behind itself as a line of its own", () => {
    const slot = duplicateSet(slotsOf(plan)[0]!, sampleId(1), sampleMint);
    expect(slot.sets).toHaveLength(2);
    expect(slot.sets[1]?.id).not.toBe(slot.sets[0]?.id);
    expect(slot.sets[1]?.lineId).not.toBe(slot.sets[0]?.lineId);
    expect(slot.sets[1]?.extensions[0]?.id).not.toBe(slot.sets[0]?.extensions[0]?.id);
  });

  it("copies a plan with new ids and the same lines", () => {
    const copy = copyPlan(plan, sampleMint);
    const ids = (p: typeof plan) =>
      p.blocks.flatMap((b) => [
        b.id,
        ...slotsOfBlock(b).map((slot) => slot.id),
        ...slotsOfBlock(b)
          .flatMap((slot) => slot.sets)
          .flatMap((s) => [s.id, ...s.extensions.map((e) => e.id)]),
      ]);
    const lines = (p: typeof plan) =>
      p.blocks.flatMap((b) => [
        b.lineId,
        ...slotsOfBlock(b).map((slot) => slot.lineId),
        ...slotsOfBlock(b)
          .flatMap((slot) => slot.sets)
          .flatMap((s) => [s.lineId, ...s.extensions.map((e) => e.lineId)]),
      ]);
    expect(lines(copy)).toEqual(lines(plan));
    expect(ids(copy).filter((id) => (ids(plan) as string[]).includes(id))).toEqual([]);
  });

  it("begins a one-legged movement with each side in turn and a two-legged one with both", () => {
    const side = (ref: "shipped:back-squat" | "shipped:single-leg-press") =>
      newBlock(sampleMint, findMovement(ref)!, sampleId(1), null).slot.sets[0]?.side.kind;
    expect(side("shipped:back-squat")).toBe("both");
    expect(side("shipped:single-leg-press")).toBe("each");
  });

  it("offers a station only where it lists the movement and is loaded in a way the movement allows", () => {
    const squat = findMovement("shipped:back-squat")!;
    expect(servesMovement(sampleStation(), squat)).toBe(true);
    expect(servesMovement(sampleStation(STACK), squat)).toBe(false);
    expect(servesMovement({ ...sampleStation(), serves: [] }, squat)).toBe(false);
  });
});
