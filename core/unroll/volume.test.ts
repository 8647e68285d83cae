import { describe, expect, it } from "vitest";
import { count, seconds } from "../kernel/index.ts";
import { findMovement } from "../movement/catalogue/index.ts";
import { EXTENSION_KINDS, type Rir, type VolumePolicy } from "../plan/index.ts";
import {
  countedSets,
  hardSetCount,
  hardSetsWorth,
  isDensityBlock,
  plannedSets,
  volumeOf,
  type CountedSet,
} from "./volume.ts";
import {
  COUNTED_ONCE,
  sampleDrop,
  samplePlan,
  sampleSet,
  sampleSlot,
  sampleStation,
  sampleUnrollContext,
} from "../../tests/samples/index.ts";

const squat = findMovement("shipped:back-squat")!;
const set = (over: Partial<CountedSet> = {}): CountedSet => ({
  movement: squat,
  role: "work",
  effort: 2,
  extensions: [],
  isDense: false,
  ...over,
});
const of = (sets: CountedSet[], drop: 0 | 0.5 | 1 = 0) =>
  volumeOf(sets, { ...COUNTED_ONCE, extensionAdds: { ...COUNTED_ONCE.extensionAdds, drop } });
const region = (found: ReturnType<typeof of>, name: string) => found.find((v) => v.region === name);

describe("hard sets", () => {
  it("count whole where the movement is direct and in part where it assists", () => {
    const found = of([set(), set()]);
    expect(region(found, "vastusLateralis")).toMatchObject({ direct: 2, indirect: 0 });
    expect(region(found, "spinalErectors")).toMatchObject({ direct: 0, indirect: 1 });
    expect(region(found, "rectusFemoris")).toMatchObject({ direct: 0, indirect: 0.5 });
    expect(region(found, "gastrocnemius")).toBeUndefined();
  });

  it.each([
    [4, 1],
    [4.5, 0],
    ["more", 0],
    [0, 1],
    ["past", 1],
    ["unknown", 1],
  ] as [Rir, number][])(
    "end within four reps of the limit: %s in reserve counts %s",
    (effort, counts) => {
      expect(region(of([set({ effort })]), "vastusLateralis")?.direct ?? 0).toBe(counts);
    },
  );

  it.each(EXTENSION_KINDS)(
    "count once, whatever extends them: %s, as long as nobody says more",
    (kind) => {
      expect(region(of([set({ extensions: [kind, kind] })]), "vastusLateralis")?.direct).toBe(1);
      const half = { ...COUNTED_ONCE.extensionAdds, [kind]: 0.5 };
      const found = volumeOf([set({ extensions: [kind, kind] })], {
        ...COUNTED_ONCE,
        extensionAdds: half,
      });
      expect(region(found, "vastusLateralis")?.direct).toBe(2);
    },
  );

  it("are told for the most trained region first, assisting sets included", () => {
    const sums = of([set(), set({ movement: findMovement("shipped:leg-extension")! })]).map(
      ({ direct, indirect }) => direct + indirect,
    );
    expect(sums).toEqual(sums.toSorted((a, b) => b - a));
    expect(new Set(sums).size).toBeGreaterThan(1);
  });

  it("of unknown effort are counted and flagged", () => {
    expect(region(of([set({ effort: "unknown" }), set()]), "vastusLateralis")).toMatchObject({
      direct: 2,
      unknown: 1,
    });
    // Of a region that assists, only its part is unknown.
    const squat = findMovement("shipped:back-squat")!;
    const [assisting] = squat.regions.filter(({ share }) => share < 1);
    expect(
      region(of([set({ movement: squat, effort: "unknown" })]), assisting!.region),
    ).toMatchObject({ direct: 0, indirect: assisting!.share, unknown: assisting!.share });
  });

  it("are never ramp or primer, however hard", () => {
    expect(of([set({ role: "ramp", effort: 0 }), set({ role: "primer", effort: 0 })])).toEqual([]);
  });

  it("take what a drop adds from the stated setting", () => {
    expect(region(of([set({ extensions: ["drop", "drop"] })]), "vastusLateralis")?.direct).toBe(1);
    expect(
      region(of([set({ extensions: ["drop", "drop"] })], 0.5), "vastusLateralis")?.direct,
    ).toBe(2);
  });

  it("say what the way of counting changed of them", () => {
    const drops = [set({ extensions: ["drop", "drop"] }), set()];
    expect(region(of(drops), "vastusLateralis")?.counted).toBe(0);
    expect(region(of(drops, 0.5), "vastusLateralis")?.counted).toBe(1);
    // In part where it assists.
    const glutes = squat.regions.find(({ share }) => share === 0.5);
    expect(region(of(drops, 0.5), glutes!.region)?.counted).toBe(0.5);
    const half = { ...COUNTED_ONCE, density: "half" } as const;
    const dense = volumeOf([set({ isDense: true }), set({ isDense: true })], half);
    expect(dense.find((own) => own.region === "vastusLateralis")?.counted).toBe(-1);
    // A set far from the limit counts in a block, and would not by itself.
    const easy = volumeOf([set({ isDense: true, effort: "more" })], half);
    expect(easy.find((own) => own.region === "vastusLateralis")?.counted).toBe(0.5);
  });

  it("of a plan count a set with two sides once for each leg's region", () => {
    const plan = samplePlan(
      sampleSlot([
        sampleSet(1, {
          side: { kind: "each", first: "left", matchFirst: false },
          extensions: [sampleDrop(11, "current", 0.8)],
        }),
        sampleSet(2, { role: "ramp" }),
        sampleSet(3, { effort: "more" }),
      ]),
    );
    const sets = plannedSets(plan, sampleUnrollContext([sampleStation()]));
    expect(region(volumeOf(sets, COUNTED_ONCE), "vastusLateralis")?.direct).toBe(1);
    expect(hardSetCount(sets)).toBe(1);
  });

  const counted = (...sets: ReturnType<typeof sampleSet>[]) => {
    const found = plannedSets(samplePlan(sampleSlot(sets)), sampleUnrollContext([sampleStation()]));
    const direct = region(volumeOf(found, COUNTED_ONCE), "vastusLateralis")?.direct ?? 0;
    expect(hardSetCount(found)).toBe(direct);
    return direct;
  };
  const on = (n: number, kind: "left" | "right" | "both") => sampleSet(n, { side: { kind } });

  it("count three sets of the left leg and three of the right as three", () => {
    expect(counted(on(1, "left"), on(2, "left"), on(3, "left"))).toBe(3);
    expect(
      counted(...[1, 2, 3].map((n) => on(n, "left")), ...[4, 5, 6].map((n) => on(n, "right"))),
    ).toBe(3);
    expect(counted(on(1, "left"), on(2, "right"), on(3, "right"), on(4, "both"))).toBe(3);
  });

  it("count a total as the sets that it takes", () => {
    const target = {
      kind: "total",
      of: "reps",
      amount: count(50),
      likelySets: count(4),
      pause: seconds(60),
    } as const;
    expect(counted(sampleSet(1, { target }))).toBe(4);
  });
});

describe("a density block", () => {
  const block = (sets: number, rest: number, last = rest) =>
    Array.from({ length: sets }, (_, i) =>
      sampleSet(i, {
        effort: i < 3 ? "more" : 2,
        restAfter: {
          kind: "fixed",
          seconds: seconds(i === sets - 1 ? 180 : i === 0 ? last : rest),
        },
      }),
    );
  it("is five sets or more with one rest of a minute at most between them", () => {
    expect(isDensityBlock(block(5, 60))).toBe(true);
    expect(isDensityBlock(block(4, 60))).toBe(false);
    expect(isDensityBlock(block(5, 61))).toBe(false);
    expect(isDensityBlock(block(5, 45, 60))).toBe(false);
  });

  it("counts the sets within reach of the limit, or every set, whole or as a half", () => {
    const counted = countedSets({ sets: block(8, 45) }, squat);
    const worth = (density: VolumePolicy["density"]) =>
      hardSetsWorth(counted, { ...COUNTED_ONCE, density });
    expect([worth("withinReach"), worth("half"), worth("all")]).toEqual([5, 4, 8]);
    // What is no block counts the same whatever is held of blocks.
    const few = countedSets({ sets: block(4, 45) }, squat);
    expect(hardSetsWorth(few, { ...COUNTED_ONCE, density: "half" })).toBe(1);
  });
});
