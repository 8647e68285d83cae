import { mass, type Mass, type Share } from "../quantity/index.ts";
import {
  allLoads,
  changeBetween,
  nearestLoad,
  piecesHandled,
  type Change,
  type Loading,
  type MadeLoad,
  type Recipe,
} from "../station/index.ts";
import {
  allStacks,
  letter,
  platesIn,
  platesOf,
  readingOfStack,
  sizeAt,
  type PlateLoading,
  type Plates,
} from "./stacks.ts";

/** A load to hang: the reading, and how far from it the coach allows for the sake of fewer plates. */
export interface LoadTarget {
  readonly reading: Mass;
  /** 0 keeps the reading, or the nearest load where it cannot be made. */
  readonly within: Share | 0;
}

/** One load of the plan: what hangs, what is done to get there, and how far it is from its target. */
export interface PlannedLoad {
  readonly made: MadeLoad;
  readonly change: Change;
  /** Thousandths of the station's unit, positive where it is heavier than the target. */
  readonly movedBy: number;
}

export interface LoadingPlan {
  readonly loads: readonly PlannedLoad[];
  /** Single plates, pins or dumbbells moved by hand in all. */
  readonly handled: number;
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

/** More ways to hang one load than this are not all looked at. */
const MOST_STACKS = 700;
/** So many are carried on from load to load where not all are looked at. */
const KEPT = 10;

/**
 * What to hang for a whole exercise, load after load: the fewest plates handled, weighed against how far each
 * load is moved and how often plates are taken off only to hang others. The shortest path over ordered stacks
 * of plates is exact; beyond {@link MOST_STACKS} ways for one load only likely ones are looked at, and the
 * plan says that it is not proven. Of equally good plans the one that stays nearer to the targets is taken,
 * then the one with heavier plates inside. At a station without plates every load is made by itself.
 */
export function planLoading(loading: Loading, targets: readonly LoadTarget[]): LoadingPlan {
  if (loading.kind !== "bar" && loading.kind !== "plateMachine") {
    const made = targets
      .map(({ reading }) => nearestLoad(loading, reading, "nearest"))
      .filter((m) => m !== null);
    return withChanges(made, targets, true);
  }
  const plates = platesOf(loading);
  let layer: Layer = new Map([["", { cost: 0, off: 0, before: null, stack: "" }]]);
  let isProven = true;
  for (const [i, target] of targets.entries()) {
    const [from, to] = boundsOf(loading, target);
    const every = allStacks(plates, from, to, MOST_STACKS);
    if (every === null) isProven = false;
    const stacks = every ?? likelyStacks(loading, plates, layer, from, to);
    layer = nextLayer(layer, stacks, target, plates, i === 0);
  }
  const best = [...layer.values()].reduce<Node | null>(better, null);
  const path: string[] = [];
  for (let node = best; node !== null && path.length < targets.length; node = node.before) {
    path.unshift(node.stack);
  }
  const made = path.map((stack): MadeLoad => ({
    reading: mass(readingOfStack(stack, plates), loading.unit),
    recipe: {
      kind: "plates",
      points: plates.points,
      perPoint: platesIn(stack, plates, loading.unit),
    },
  }));
  return withChanges(made, targets, isProven);
}

interface Node {
  readonly stack: string;
  readonly cost: number;
  /** All deviations on the way, to break ties. */
  readonly off: number;
  readonly before: Node | null;
}
type Layer = ReadonlyMap<string, Node>;

const EPSILON = 1e-9;

/** The better of two nodes: cheaper, then nearer to the targets, then heavier plates inside. */
function better(a: Node | null, b: Node): Node {
  if (a === null) return b;
  if (Math.abs(a.cost - b.cost) > EPSILON) return a.cost < b.cost ? a : b;
  if (Math.abs(a.off - b.off) > EPSILON) return a.off < b.off ? a : b;
  return a.stack <= b.stack ? a : b;
}

/**
 * The cheapest way to every stack of the next load. What two stacks share from the inside out stays; a shorter
 * shared part than the true one only costs more, so that the minimum over all beginnings is exact.
 */
function nextLayer(
  layer: Layer,
  stacks: readonly string[],
  target: LoadTarget,
  plates: Plates,
  isFirst: boolean,
): Layer {
  const { points } = plates;
  // For each beginning: the node above it that is cheapest to strip down to nothing.
  const below = new Map<string, Node>();
  for (const node of layer.values()) {
    const stripped = { ...node, cost: node.cost + points * node.stack.length };
    for (let n = 0; n <= node.stack.length; n += 1) {
      const start = node.stack.slice(0, n);
      const best = below.get(start);
      if (best === undefined || stripped.cost < best.cost) below.set(start, stripped);
    }
  }
  const next = new Map<string, Node>();
  for (const stack of stacks) {
    const off = percentOff(readingOfStack(stack, plates), target.reading.thousandths);
    const offers: Node[] = [];
    const offer = (cost: number, from: Node) =>
      offers.push({ stack, cost, off: from.off, before: layer.get(from.stack) ?? null });
    for (let n = 0; n <= stack.length; n += 1) {
      const start = stack.slice(0, n);
      const whole = layer.get(start);
      if (whole !== undefined) offer(whole.cost + points * (stack.length - n), whole);
      const stripped = below.get(start);
      if (stripped === undefined) continue;
      const cost = stripped.cost - 2 * points * n + points * stack.length;
      const isStrip = n === stack.length;
      offer(cost + (isStrip || isFirst ? 0 : PLAN_COSTS.perRerack), stripped);
    }
    const best = offers.reduce<Node | null>(better, null);
    if (best === null) continue;
    next.set(stack, {
      stack,
      cost: best.cost + PLAN_COSTS.perPercent * off,
      off: best.off + off,
      before: best.before,
    });
  }
  return next;
}

function percentOff(reading: number, target: number): number {
  return target === 0 ? 0 : (100 * Math.abs(reading - target)) / target;
}

/** From and to which reading a target may move, in thousandths; at least its nearest load. */
function boundsOf(
  loading: PlateLoading,
  { reading, within }: LoadTarget,
): readonly [number, number] {
  const made = nearestLoad(loading, reading, "nearest")?.reading.thousandths ?? reading.thousandths;
  const slack = reading.thousandths * within;
  return [
    Math.min(made, Math.ceil(reading.thousandths - slack)),
    Math.max(made, Math.floor(reading.thousandths + slack)),
  ];
}

/**
 * Stacks worth a look where there are too many: the fewest plates for each load, and what comes of the best
 * stacks so far by adding to them or stripping them.
 */
function likelyStacks(
  loading: PlateLoading,
  plates: Plates,
  layer: Layer,
  from: number,
  to: number,
): readonly string[] {
  const found = new Set<string>();
  const readings: number[] = [];
  for (const { reading, recipe } of allLoads(loading)) {
    const { thousandths } = reading;
    if (thousandths < from || thousandths > to || recipe.kind !== "plates") continue;
    readings.push(thousandths);
    const sizes = recipe.perPoint.map((m) => letter(plates.sizes.indexOf(m.thousandths)));
    found.add(sizes.join(""));
  }
  const best = [...layer.values()].sort((a, b) => a.cost - b.cost).slice(0, KEPT);
  for (const { stack } of best) {
    for (let n = 0; n <= stack.length; n += 1) {
      const start = stack.slice(0, n);
      const reading = readingOfStack(start, plates);
      if (reading >= from && reading <= to) found.add(start);
      for (const goal of readings) {
        const rest = completed(start, (goal - reading) / plates.points, plates);
        if (rest !== null) found.add(start + rest);
      }
    }
  }
  return [...found];
}

/** The rest of a stack that adds exactly so much, the heavier plates first; null where greed does not get there. */
function completed(start: string, missing: number, plates: Plates): string | null {
  const left = [...plates.usable];
  for (let i = 0; i < start.length; i += 1) {
    const size = sizeAt(start, i);
    left[size] = (left[size] ?? 0) - 1;
  }
  let rest = "";
  let open = missing;
  for (const [size, thousandths] of plates.sizes.entries()) {
    while (open >= thousandths && (left[size] ?? 0) > 0) {
      rest += letter(size);
      open -= thousandths;
      left[size] = (left[size] ?? 0) - 1;
    }
  }
  return open === 0 ? rest : null;
}

function withChanges(
  made: readonly MadeLoad[],
  targets: readonly LoadTarget[],
  isProven: boolean,
): LoadingPlan {
  let before: Recipe | null = null;
  let handled = 0;
  const loads = made.map((load, i): PlannedLoad => {
    const change = changeBetween(before, load.recipe);
    before = load.recipe;
    handled += piecesHandled(change);
    const asked = targets[i]?.reading.thousandths ?? load.reading.thousandths;
    return { made: load, change, movedBy: load.reading.thousandths - asked };
  });
  return { loads, handled, isProven };
}
