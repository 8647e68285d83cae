import { describe, expect, it } from "vitest";
import { count, kg, lb, seconds } from "../kernel/index.ts";
import { findMovement } from "../movement/catalogue/index.ts";
import {
  applyEdit,
  copyPlan,
  duplicateSet,
  newBlock,
  extensionEarlier,
  referredBy,
  replaceReading,
  servesMovement,
} from "./edit.ts";
import { slotsOf, slotsOfBlock, type Block, type SessionPlan } from "./plan.ts";
import type { LoadRule } from "./load-rule.ts";
import { withChoice } from "./set-up.ts";
import {
  sampleDrop,
  sampleId,
  sampleNewId,
  samplePlan,
  sampleSet,
  sampleSlot,
  sampleStation,
  STACK,
} from "../../tests/samples/index.ts";

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
    const slot = duplicateSet(slotsOf(plan)[0]!, sampleId(1), sampleNewId);
    expect(slot.sets).toHaveLength(2);
    expect(slot.sets[1]?.id).not.toBe(slot.sets[0]?.id);
    expect(slot.sets[1]?.lineageId).not.toBe(slot.sets[0]?.lineageId);
    expect(slot.sets[1]?.extensions[0]?.id).not.toBe(slot.sets[0]?.extensions[0]?.id);
  });

  it("copies a plan with new ids and the same lines", () => {
    const copy = copyPlan(plan, sampleNewId);
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
        b.lineageId,
        ...slotsOfBlock(b).map((slot) => slot.lineageId),
        ...slotsOfBlock(b)
          .flatMap((slot) => slot.sets)
          .flatMap((s) => [s.lineageId, ...s.extensions.map((e) => e.lineageId)]),
      ]);
    expect(lines(copy)).toEqual(lines(plan));
    expect(ids(copy).filter((id) => (ids(plan) as string[]).includes(id))).toEqual([]);
  });

  it("begins a one-legged movement with each side in turn and a two-legged one with both", () => {
    const side = (ref: "shipped:back-squat" | "shipped:single-leg-press") =>
      newBlock(sampleNewId, findMovement(ref)!, sampleId(1), null).slot.sets[0]?.side.kind;
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

const NO_REST = { kind: "fixed", seconds: seconds(0) } as const;

it("items are changed in their own block, and nothing of exercises", () => {
  const general = (n: number): Block => ({
    kind: "prepare",
    id: sampleId(n),
    lineageId: sampleId(n + 50),
    items: [],
    rounds: count(1),
    restAfterRound: NO_REST,
  });
  const to = { items: [], rounds: count(2), restAfterRound: NO_REST };
  const with2 = { ...plan, blocks: [general(850), general(851), ...plan.blocks] };
  const changed = applyEdit(with2, {
    kind: "changeItems",
    block: sampleId(850),
    to,
  });
  expect(changed.blocks[0]).toEqual({ ...general(850), rounds: 2 });
  expect(changed.blocks.slice(1)).toEqual(with2.blocks.slice(1));
  const none = applyEdit(with2, {
    kind: "changeItems",
    block: first!.id,
    to,
  });
  expect(none).toEqual(with2);
});

describe("joining exercises into a rotation", () => {
  const rests = {
    restBetween: { kind: "fixed", seconds: seconds(15) },
    restAfterRound: { kind: "fixed", seconds: seconds(90) },
  } as const;
  const block = (n: number): Block => ({
    kind: "exercise",
    id: sampleId(n),
    lineageId: sampleId(n + 100),
    slot: { ...sampleSlot([sampleSet(n * 10)]), id: sampleId(n + 200) },
  });
  const plan: SessionPlan = { schemaVersion: 2, blocks: [block(1), block(2), block(3)] };
  const join = (p: SessionPlan, n: number) =>
    applyEdit(p, { kind: "join", block: sampleId(n), rests });

  it("is not needed to put a block anywhere among the others", () => {
    const put = (n: number, at: number) =>
      applyEdit(plan, { kind: "placeBlock", block: sampleId(n), at }).blocks.map((b) => b.id);
    expect(put(3, 0)).toEqual([3, 1, 2].map((n) => sampleId(n)));
    expect(put(1, 99)).toEqual([2, 3, 1].map((n) => sampleId(n)));
    expect(applyEdit(plan, { kind: "placeBlock", block: sampleId(2), at: 1 })).toBe(plan);
  });

  it("takes the next one in, keeps rests that were written, and has no room at the end", () => {
    const two = join(plan, 1);
    expect(two.blocks.map((b) => b.kind)).toEqual(["rotation", "exercise"]);
    const slow = { ...rests, restBetween: { kind: "fixed", seconds: seconds(40) } } as const;
    const changed = applyEdit(two, { kind: "changeRests", block: sampleId(1), rests: slow });
    const three = join(changed, 1);
    expect(three.blocks).toHaveLength(1);
    expect(three.blocks[0]).toMatchObject({ ...slow, members: [{}, {}, {}] });
    expect(join(plan, 3)).toBe(plan);
  });

  it("leaves preparation alone, and is undone by splitting", () => {
    const prepare: Block = {
      kind: "prepare",
      id: sampleId(9),
      lineageId: sampleId(8),
      items: [],
      rounds: count(1),
      restAfterRound: rests.restBetween,
    };
    const before = { ...plan, blocks: [prepare, ...plan.blocks] };
    expect(join(before, 9)).toBe(before);
    const apart = applyEdit(join(plan, 1), {
      kind: "split",
      block: sampleId(1),
      newId: sampleNewId,
    });
    expect(slotsOf(apart)).toEqual(slotsOf(plan));
    expect(apart.blocks.map((b) => b.kind)).toEqual(["exercise", "exercise", "exercise"]);
    expect(apart.blocks[0]?.id).toBe(sampleId(1));
  });
});

describe("the order of what follows a set", () => {
  const [a, b, c] = [1, 2, 3].map((n) => sampleDrop(20 + n, "current", 0.8));
  const set = sampleSet(1, { extensions: [a!, b!, c!] });

  it("puts a part before the one that it follows", () => {
    expect(extensionEarlier(set, c!.id).extensions).toEqual([a, c, b]);
    expect(extensionEarlier(set, b!.id).extensions).toEqual([b, a, c]);
  });

  it("leaves the first, and what is not there", () => {
    expect(extensionEarlier(set, a!.id)).toBe(set);
    expect(extensionEarlier(set, sampleId(99))).toBe(set);
  });
});

describe("a choice of the set-up", () => {
  it("is put in, changed and taken back, and the others stay", () => {
    const wide = withChoice({ Heels: "flat" }, "Stance", "wide");
    expect(wide).toEqual({ Heels: "flat", Stance: "wide" });
    expect(withChoice(wide, "Stance", "narrow")).toEqual({ Heels: "flat", Stance: "narrow" });
    expect(withChoice(wide, "Stance", null)).toEqual({ Heels: "flat" });
    expect(withChoice(wide, "Toes", null)).toEqual(wide);
  });
});

describe("what loads of another exercise refer to", () => {
  it("is told by where it stands, for each way to refer", () => {
    const last = slotsOf(plan)[1]!;
    const referring = (load: LoadRule) =>
      referredBy({ ...last, sets: [sampleSet(2, { load })] }, plan);
    const from = { set: sampleId<"set">(1), part: null };
    const steps = { kind: "stepsFromSet", steps: -1, set: from.set } as const;
    const less: LoadRule = {
      kind: "massFrom",
      by: "minus",
      mass: kg(10),
      counted: "asRead",
      basis: { kind: "set", ...from },
    };
    const ways: readonly LoadRule[] = [{ kind: "sameAsSet", ...from }, steps, less];
    for (const load of ways) expect(referring(load)).toBe(`${from.set},0,0`);
    expect(referring({ ...less, basis: { kind: "last" } })).toBe("");
    expect(referring({ ...steps, set: sampleId(2) })).toBe("");
  });
});

describe("a load written instead of another", () => {
  it("stands wherever the other one stood, and nowhere else", () => {
    const drop = sampleDrop(21, "current", 0.8);
    if (drop.kind !== "drop") throw new Error("the sample is a drop");
    const [odd, even, other] = [kg(61), kg(60), kg(80)];
    const slot = sampleSlot([
      sampleSet(1, { load: { kind: "absolute", reading: odd } }),
      sampleSet(2, { load: { kind: "absolute", reading: other } }),
      sampleSet(3, { load: { kind: "fallback", reading: other, then: [odd, other] } }),
      sampleSet(4, { load: { kind: "trial", from: odd, steps: count(1), tries: count(3) } }),
      sampleSet(5, {
        load: { kind: "open" },
        extensions: [drop, { ...drop, to: { kind: "reading", reading: odd } }],
      }),
    ]);
    const { sets } = replaceReading(slot, odd, even);
    expect(sets.map(({ load }) => load)).toEqual([
      { kind: "absolute", reading: even },
      { kind: "absolute", reading: other },
      { kind: "fallback", reading: other, then: [even, other] },
      { kind: "trial", from: even, steps: 1, tries: 3 },
      { kind: "open" },
    ]);
    expect(sets[4]?.extensions).toEqual([
      drop,
      { ...drop, to: { kind: "reading", reading: even } },
    ]);
  });

  it("leaves the same number in the other unit", () => {
    const slot = sampleSlot([sampleSet(1, { load: { kind: "absolute", reading: lb(61) } })]);
    expect(replaceReading(slot, kg(61), kg(60)).sets).toEqual(slot.sets);
  });
});
