import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { amountKg, kg, lb, share } from "../kernel/index.ts";
import { changeBetween, piecesHandled } from "./handling.ts";
import {
  PLAN_COSTS,
  planLoading,
  planLoadingOnce,
  savedByOrder,
  type LoadTarget,
} from "./loading-plan.ts";
import type { Loading, Recipe } from "./loading.ts";
import { allLoads } from "./make.ts";
import { RACK, STACK } from "../../tests/samples/index.ts";
import { atMost } from "~/tests/arbitrary/runs.ts";

const exactly = (...kgs: readonly number[]): readonly LoadTarget[] =>
  kgs.map((n) => ({ reading: kg(n), within: 0, towards: "nearest" }));
const hung = (loading: Loading, targets: readonly LoadTarget[]) =>
  walked(loading, targets).loads.map(({ made }) =>
    made.recipe.kind === "plates" ? made.recipe.perPoint.map(amountKg) : [],
  );

type Stack = readonly number[];

/** A plan with what is done from load to load, how far each was moved, and what is handled in all. */
function walked(loading: Loading, targets: readonly LoadTarget[]) {
  const plan = planLoading(loading, targets);
  let before: Recipe | null = null;
  const loads = plan.loads.map((made, i) => {
    const change = changeBetween(before, made.recipe);
    before = made.recipe;
    const asked = targets[i]?.reading.thousandths ?? 0;
    return { made, change, movedBy: made.reading.thousandths - asked };
  });
  const handled = loads.reduce((sum, { change }) => sum + piecesHandled(change), 0);
  return { loads, handled, isProven: plan.isProven };
}

/** Every ordered stack of plates for a load, the slow and obvious way. */
function stacksOf(
  sizes: readonly number[],
  counts: readonly number[],
  sum: number,
): readonly Stack[] {
  if (sum === 0) return [[]];
  return sizes.flatMap((size, i) => {
    const free = counts[i] ?? 0;
    if (free === 0 || size > sum) return [];
    const rest = counts.map((c, j) => (j === i ? c - 1 : c));
    return stacksOf(sizes, rest, sum - size).map((stack) => [size, ...stack]);
  });
}

/** The cheapest cost over all sequences of stacks, tried one by one; each load may be one of several sums. */
function bruteForce(
  sizes: readonly number[],
  counts: readonly number[],
  goals: readonly (readonly (readonly [sum: number, off: number])[])[],
): number {
  const step = (a: Stack, b: Stack, isFirst: boolean): number => {
    let shared = 0;
    while (shared < a.length && shared < b.length && a[shared] === b[shared]) shared += 1;
    const isRerack = !isFirst && shared < a.length && shared < b.length;
    return 2 * (a.length + b.length - 2 * shared) + (isRerack ? PLAN_COSTS.perRerack : 0);
  };
  const from = (before: Stack, at: number): number => {
    const goal = goals[at];
    if (goal === undefined) return 0;
    const costs = goal.flatMap(([sum, off]) =>
      stacksOf(sizes, counts, sum).map(
        (stack) =>
          step(before, stack, at === 0) + from(stack, at + 1) + off * PLAN_COSTS.perPercent,
      ),
    );
    return Math.min(...costs);
  };
  return from([], 0);
}

/** What a plan costs, by its own changes. */
function costOf(loading: Loading, targets: readonly LoadTarget[]): number {
  const plan = walked(loading, targets);
  const reracks = plan.loads.filter(
    ({ change }, i) =>
      i > 0 && change.kind === "plates" && change.takeOff.length > 0 && change.hang.length > 0,
  );
  const off = plan.loads.reduce(
    (sum, { movedBy }, i) =>
      sum + (100 * Math.abs(movedBy)) / (targets[i]?.reading.thousandths ?? 1),
    0,
  );
  return plan.handled + reracks.length * PLAN_COSTS.perRerack + off * PLAN_COSTS.perPercent;
}

describe("the loading plan", () => {
  it("keeps plates inside that stay, rather than the fewest for each load", () => {
    // 60 kg by itself is one 20 a side and 80 is 25 and 5; together 20 stays and 10 is added.
    expect(hung(RACK, exactly(60, 80))).toEqual([[20], [20, 10]]);
  });

  it("only adds on a ramp and only strips in a drop chain where the plates allow it", () => {
    const few: Loading = {
      kind: "bar",
      unit: "kg",
      bar: kg(20),
      plates: [25, 15, 10].map((n) => ({ size: kg(n), count: 4 })),
    };
    const plan = walked(few, exactly(40, 60, 90, 140, 90, 60, 40));
    for (const { change } of plan.loads.slice(1)) {
      if (change.kind !== "plates") throw new Error("plates expected");
      expect(Math.min(change.takeOff.length, change.hang.length)).toBe(0);
    }
    expect(plan.isProven).toBe(true);
  });

  it("moves a target within its rule where that saves plates, and says by how much", () => {
    const targets: readonly LoadTarget[] = [
      { reading: kg(60), within: 0, towards: "nearest" },
      { reading: kg(61.25), within: share(0.025), towards: "nearest" },
    ];
    const plan = walked(RACK, targets);
    expect(plan.loads.map((l) => [amountKg(l.made.reading), l.movedBy])).toEqual([
      [60, 0],
      [60, -1250],
    ]);
    expect(plan.loads[1]?.change).toEqual({ kind: "none" });
  });

  it("takes the nearest where a load cannot be made", () => {
    const plan = walked(RACK, exactly(61));
    expect(plan.loads[0]).toMatchObject({ made: { reading: kg(60) }, movedBy: -1000 });
  });

  it("lists the pins of a stack", () => {
    const plan = walked(
      STACK,
      [50, 35, 20].map((n) => ({ reading: lb(n), within: 0, towards: "nearest" })),
    );
    expect(plan.loads.map((l) => l.change)).toMatchObject([
      { kind: "pin", pin: lb(50) },
      { kind: "pin", pin: lb(35) },
      { kind: "pin", pin: lb(20) },
    ]);
    expect(plan).toMatchObject({ handled: 3, isProven: true });
  });

  it("is as cheap as trying everything, in small gyms", () => {
    const sizes = [15, 10, 5];
    fc.assert(
      fc.property(
        fc.tuple(...sizes.map(() => fc.integer({ min: 0, max: 2 }))),
        fc.array(fc.tuple(fc.nat(), fc.constantFrom(0, 0.05, 0.2)), {
          minLength: 1,
          maxLength: 3,
        }),
        (pairs, picks) => {
          const loading: Loading = {
            kind: "bar",
            unit: "kg",
            bar: kg(20),
            plates: sizes.map((size, i) => ({ size: kg(size), count: 2 * (pairs[i] ?? 0) })),
          };
          const loads = allLoads(loading).filter((made) => amountKg(made.reading) <= 90);
          const targets = picks.map(([pick, room]): LoadTarget => ({
            reading: loads[pick % loads.length]?.reading ?? kg(20),
            within: room === 0 ? 0 : share(room),
            towards: "nearest",
          }));
          const goals = targets.map(({ reading, within }) =>
            allLoads(loading).flatMap(({ reading: made }) => {
              const off = Math.abs(made.thousandths - reading.thousandths) / reading.thousandths;
              const sum = (made.thousandths / 1000 - 20) / 2;
              return off <= within + 1e-12 ? [[sum, off * 100] as const] : [];
            }),
          );
          const plan = walked(loading, targets);
          expect(plan.isProven).toBe(true);
          expect(costOf(loading, targets)).toBeCloseTo(bruteForce(sizes, pairs, goals), 6);
        },
      ),
      { numRuns: Number(process.env["KRAVO_RUNS"] ?? 3000) },
    );
  });

  it("never handles more than the fewest plates for each load by itself would, and keeps to its rule", () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(), fc.constantFrom(0, 0.01, 0.025)), {
          minLength: 1,
          maxLength: 6,
        }),
        (picks) => {
          const loads = allLoads(RACK).slice(0, 60);
          const targets = picks.map(([pick, within]): LoadTarget => ({
            reading: loads[pick % loads.length]?.reading ?? kg(20),
            within: within === 0 ? 0 : share(within),
            towards: "nearest",
          }));
          const plan = walked(RACK, targets);
          let before: Recipe | null = null;
          let alone = 0;
          for (const { reading } of targets) {
            const made = loads.find((load) => load.reading.thousandths === reading.thousandths);
            if (made === undefined) throw new Error("not a load of the rack");
            const change = changeBetween(before, made.recipe);
            const isRerack =
              before !== null &&
              change.kind === "plates" &&
              change.takeOff.length > 0 &&
              change.hang.length > 0;
            alone += piecesHandled(change) + (isRerack ? PLAN_COSTS.perRerack : 0);
            before = made.recipe;
          }
          for (const [i, load] of plan.loads.entries()) {
            const asked = targets[i]?.reading.thousandths ?? 1;
            expect(Math.abs(load.movedBy)).toBeLessThanOrEqual(
              asked * Number(targets[i]?.within ?? 0) + 1e-6,
            );
          }
          expect(plan.isProven).toBe(true);
          expect(costOf(RACK, targets)).toBeLessThanOrEqual(alone + 1e-6);
        },
      ),
      { numRuns: atMost(60) },
    );
  });

  const NINE = (count: number): Loading => ({
    kind: "bar",
    unit: "kg",
    bar: kg(20),
    plates: [25, 20, 15, 10, 7.5, 5, 2.5, 1.25, 0.5].map((n) => ({ size: kg(n), count })),
  });
  const within = share(0.01);
  const UP_AND_DOWN = [100, 140, 180, 220, 260, 280, 250, 230, 200, 170, 155, 145].map(
    (n): LoadTarget => ({ reading: kg(n), within, towards: "nearest" }),
  );

  it("is proven for nine sizes and twelve loads where plates are not short", () => {
    expect(walked(NINE(12), UP_AND_DOWN).isProven).toBe(true);
  });

  it("says that it is not proven where plates are too short to look at every way, and still makes every load", () => {
    const plan = walked(NINE(4), UP_AND_DOWN);
    expect(plan.isProven).toBe(false);
    expect(plan.loads).toHaveLength(12);
    for (const [i, load] of plan.loads.entries()) {
      const asked = UP_AND_DOWN[i]?.reading.thousandths ?? 0;
      expect(Math.abs(load.movedBy)).toBeLessThanOrEqual(asked * 0.01);
      const hangs = load.made.recipe.kind === "plates" ? load.made.recipe.perPoint : [];
      for (const plate of hangs) {
        expect(hangs.filter((p) => p.thousandths === plate.thousandths).length).toBeLessThanOrEqual(
          2,
        );
      }
    }
  });

  it("moves only to the side that is allowed", () => {
    const at = (towards: LoadTarget["towards"]) =>
      walked(RACK, [
        { reading: kg(100), within: 0, towards },
        { reading: kg(62.5), within: share(0.05), towards },
      ]).loads.map(({ made }) => amountKg(made.reading));
    expect(at("easier")).toEqual([100, 60]);
    expect(at("harder")).toEqual([100, 62.5]);
  });

  it("hangs a great many loads in parts instead of taking the machine's memory", () => {
    const many = Array.from({ length: 300 }, (_, i) => 20 + 2.5 * ((i * 7) % 60));
    const plan = walked(NINE(12), exactly(...many));
    expect(plan.isProven).toBe(false);
    expect(plan.loads.map(({ movedBy }) => movedBy)).toEqual(many.map(() => 0));
  });

  it("is worked out once for the same loads at the same station", () => {
    const rack = { ...RACK };
    const plan = planLoadingOnce(rack, exactly(60, 80));
    expect(planLoadingOnce(rack, exactly(60, 80))).toBe(plan);
    expect(planLoadingOnce(rack, exactly(60, 100))).not.toBe(plan);
    expect(planLoadingOnce({ ...RACK }, exactly(60, 80))).not.toBe(plan);
  });
});

describe("what an order of plates saves", () => {
  const saved = (...kgs: readonly number[]) =>
    savedByOrder(RACK, planLoading(RACK, exactly(...kgs)).loads);

  it("is nothing to say where the large plates are inside", () => {
    expect(hung(RACK, exactly(60, 100))).toEqual([[20], [20, 20]]);
    expect(saved(60, 100)).toBeNull();
    expect(savedByOrder(STACK, planLoading(STACK, exactly(20)).loads)).toBeNull();
  });

  it("counts the plates that need not be moved because a small one stays inside", () => {
    // 30 kg is 5 a side; going on to 70 with 20 outside of it leaves it there.
    expect(hung(RACK, exactly(30, 70))).toEqual([[5], [5, 20]]);
    // Large inside, 70 kg is 25 a side: 5 on, 5 off, 25 on, at two ends: 6. As it is: 5 on, 20 on: 4.
    expect(saved(30, 70)).toBe(2);
  });

  it("is no plate where two more are moved to spare taking off and hanging others", () => {
    expect(saved(232.5, 300, 285)).toBe(0);
  });

  it("is never a loss, whatever the loads", () => {
    const loads = fc.array(fc.constantFrom(...allLoads(RACK).map(({ reading }) => reading)), {
      minLength: 1,
      maxLength: 5,
    });
    fc.assert(
      fc.property(loads, (readings) => {
        const targets = readings.map((reading): LoadTarget => ({
          reading,
          within: 0,
          towards: "nearest",
        }));
        expect(savedByOrder(RACK, planLoading(RACK, targets).loads) ?? 0).toBeGreaterThanOrEqual(0);
      }),
      { numRuns: atMost(60) },
    );
  });
});
