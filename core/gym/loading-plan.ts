import { mass, type Mass, type Share } from "../kernel/index.ts";
import { nearestLoad, type Towards } from "./choose.ts";
import { beamStacks } from "./loading-beam.ts";
import { searchStacks, type Goal, type Search, type Stacks } from "./loading-search.ts";
import { changeBetween, piecesHandled } from "./handling.ts";
import type { Loading, MadeLoad, Recipe } from "./loading.ts";
import { allLoads } from "./make.ts";
import { platesOf, type PlateLoading, type Plates } from "./plates.ts";

/** A load to hang: the reading, and how far from it the coach allows for the sake of fewer plates. */
export interface LoadTarget {
  readonly reading: Mass;
  /** 0 keeps the reading, or the nearest load where it cannot be made. */
  readonly within: Share | 0;
  /** On which side of the reading it may move; both sides for the nearest. */
  readonly towards: Towards;
}

export interface LoadingPlan {
  /** What hangs for each target, in the same order. */
  readonly loads: readonly MadeLoad[];
  /** False where the gym is too large to look at every way to hang the plates. */
  readonly isProven: boolean;
}

/** What counts as one plate handled. Source: our rule, docs/arithmetic.md § Loading plan. */
export const PLAN_COSTS = {
  /** For each per cent away from the target. */
  perPercent: 0.5,
  /** For a change that takes plates off and hangs others. */
  perRerack: 1,
} as const;

/** So many plans are remembered for a station: unrolling asks for the same ones at every keystroke. */
const MOST_REMEMBERED = 200;
const remembered = new WeakMap<Loading, Map<string, LoadingPlan>>();

/** {@link planLoading}, worked out once for the same loads at the same station. */
export function planLoadingOnce(loading: Loading, targets: readonly LoadTarget[]): LoadingPlan {
  const key = targets
    .map(({ reading, within, towards }) =>
      [reading.thousandths, reading.unit, within, towards].join(),
    )
    .join(";");
  const plans = remembered.get(loading) ?? new Map<string, LoadingPlan>();
  const known = plans.get(key);
  if (known !== undefined) return known;
  const plan = planLoading(loading, targets);
  if (plans.size >= MOST_REMEMBERED) plans.clear();
  plans.set(key, plan);
  remembered.set(loading, plans);
  return plan;
}

/**
 * What to hang for a whole exercise, load after load: the fewest plates handled, weighed against how far each
 * load is moved and how often plates are taken off only to hang others. Exact (see {@link searchStacks}), and
 * where the gym is too large for that the plan is the best that a beam finds (see {@link beamStacks}), never worse
 * than hanging each load with the fewest plates or with the large ones inside, and says that it is not proven. Of equally good plans the one that
 * stays nearer to the targets is taken, then the one with heavier plates inside. At a station without plates
 * every load is made by itself.
 */
export function planLoading(loading: Loading, targets: readonly LoadTarget[]): LoadingPlan {
  if (loading.kind !== "bar" && loading.kind !== "plateMachine") {
    const made = targets.map(({ reading }) => nearestLoad(loading, reading, "nearest"));
    return { loads: made.filter((load) => load !== null), isProven: true };
  }
  return hungTogether(loading, targets, platesOf(loading));
}

/** All loads together: every way where that can be searched, else the best of a beam and of the usual orders. */
function hungTogether(
  loading: PlateLoading,
  targets: readonly LoadTarget[],
  plates: Plates,
): LoadingPlan {
  const { sizes, usable, points, unit, base } = plates;
  const search: Search = {
    sizes: sizes.map((size) => size / unit),
    usable,
    perPlate: points,
    perRerack: PLAN_COSTS.perRerack,
    goals: targets.map((target) => goalOf(loading, target, plates)),
  };
  const proven = searchStacks(search);
  const stacks = proven ?? beamStacks(search, usualOrders(loading, targets, plates));
  const loads = stacks.map((stack): MadeLoad => {
    const hung = stack.map((size) => sizes[size] ?? 0);
    const sum = hung.reduce((a, b) => a + b, 0);
    return {
      reading: mass(base + sum * points, loading.unit),
      recipe: { kind: "plates", points, perPoint: hung.map((size) => mass(size, loading.unit)) },
    };
  });
  return { loads, isProven: proven !== null };
}

/**
 * The ways in which people hang loads without a plan: each target itself, with the fewest plates, or large inside,
 * which does not come to every load; a way that misses one costs without end.
 */
function usualOrders(
  loading: PlateLoading,
  targets: readonly LoadTarget[],
  plates: Plates,
): readonly Stacks[] {
  const { sizes } = plates;
  const made = targets.flatMap(({ reading }) => nearestLoad(loading, reading, "nearest") ?? []);
  const fewest = made.map(({ recipe }) =>
    recipe.kind === "plates" ? recipe.perPoint.map((m) => sizes.indexOf(m.thousandths)) : [],
  );
  return [fewest, made.map(({ reading }) => largeInside(reading, plates).stack)];
}

/** A load with the large plates inside, as places in `sizes`; `left` of it cannot be made so. */
function largeInside(reading: Mass, { sizes, usable, points, base }: Plates) {
  let left = (reading.thousandths - base) / points;
  const stack = sizes.flatMap((size, place) => {
    const times = Math.min(usable[place] ?? 0, Math.floor(left / size));
    left -= times * size;
    return Array.from({ length: times }, () => place);
  });
  return { stack, left };
}

/**
 * How many plates fewer are moved by a plan that does not have the large plates inside at every load than with them
 * there, from an empty station on; 0 where only taking plates off to hang others is spared. Null where the large ones
 * are inside, where there are no plates, or where a load cannot be made with them inside.
 */
export function savedByOrder(loading: Loading, loads: readonly MadeLoad[]): number | null {
  if (loading.kind !== "bar" && loading.kind !== "plateMachine") return null;
  const plates = platesOf(loading);
  const own = loads.map(({ recipe }) => recipe);
  const areInside = own.every(
    (recipe) =>
      recipe.kind === "plates" &&
      recipe.perPoint.every(
        (m, i) => i === 0 || m.thousandths <= (recipe.perPoint[i - 1]?.thousandths ?? 0),
      ),
  );
  if (areInside) return null;
  const usual = loads.map(({ reading }) => largeInside(reading, plates));
  if (usual.some(({ left }) => left !== 0)) return null;
  const asUsual = usual.map(({ stack }): Recipe => ({
    kind: "plates",
    points: plates.points,
    perPoint: stack.map((place) => mass(plates.sizes[place] ?? 0, loading.unit)),
  }));
  // At equal cost more plates may be moved, where others come off to hang some less often.
  return Math.max(0, piecesInAll(asUsual) - piecesInAll(own));
}

/** What is moved from an empty station through one load after the other. */
function piecesInAll(recipes: readonly Recipe[]): number {
  return recipes.reduce(
    (sum, recipe, i) => sum + piecesHandled(changeBetween(recipes[i - 1] ?? null, recipe)),
    0,
  );
}

/** So little that it only decides between plans that are equal otherwise. */
const NEARER = 1e-6;

/** The sums at one point that a target may come to, at least that of its nearest load. */
function goalOf(loading: PlateLoading, target: LoadTarget, plates: Plates): Goal {
  const [from, to] = boundsOf(loading, target);
  const asked = target.reading.thousandths;
  const goal = new Map<number, number>();
  for (const { reading } of allLoads(loading)) {
    const { thousandths } = reading;
    if (thousandths < from || thousandths > to) continue;
    const off = asked === 0 ? 0 : (100 * Math.abs(thousandths - asked)) / asked;
    const sum = (thousandths - plates.base) / plates.points / plates.unit;
    goal.set(sum, off * (PLAN_COSTS.perPercent + NEARER));
  }
  return goal;
}

/** From and to which reading a target may move, in thousandths; at least its nearest load. */
function boundsOf(
  loading: PlateLoading,
  { reading, within, towards }: LoadTarget,
): readonly [number, number] {
  const made = nearestLoad(loading, reading, "nearest")?.reading.thousandths ?? reading.thousandths;
  const slack = reading.thousandths * within;
  return [
    towards === "harder" ? made : Math.min(made, Math.ceil(reading.thousandths - slack)),
    towards === "easier" ? made : Math.max(made, Math.floor(reading.thousandths + slack)),
  ];
}
