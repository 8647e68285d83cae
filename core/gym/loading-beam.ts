import type { Goal, Search, Stacks } from "./loading-search.ts";

/** So many ways to have hung the loads so far are followed. */
const WIDTH = 14;
/** So many ways to hang what is missing are tried from each. */
const FILLINGS = 3;
/** So many sums near a target are tried, besides those near what hangs. */
const NEAR = 1;
/** So many of the coming loads may say in which order plates are hung. */
const AHEAD = 2;

interface Way {
  /** The places of its plates in `sizes`, from the inside out. */
  readonly stack: readonly number[];
  readonly cost: number;
  readonly before: Way | null;
}

/**
 * A cheap way to hang all loads one after the other where there are too many to look at all: load by load, from
 * what hangs, as many plates off as may help and what is missing on, in the order in which the coming loads need
 * it; the cheapest ways are followed. Not proven; `others` are ways that it is never worse than.
 */
export function beamStacks(search: Search, others: readonly Stacks[]): Stacks {
  const { goals } = search;
  let ways: readonly Way[] = [{ stack: [], cost: 0, before: null }];
  goals.forEach((goal, at) => {
    const ahead = goals.slice(at + 1, at + 1 + AHEAD).flatMap((next) => cheapest(next, 1));
    const near = cheapest(goal, NEAR);
    const found = new Map<string, Way>();
    for (const way of ways) {
      for (const sum of sumsFrom(search, goal, near, way.stack)) {
        for (const stack of stacksFor(search, way.stack, sum, ahead)) {
          const off = goal.get(sum) ?? Infinity;
          const cost = way.cost + off + changeCost(search, way.stack, stack);
          const key = stack.join();
          const known = found.get(key);
          if (known === undefined || cost < known.cost)
            found.set(key, { stack, cost, before: way });
        }
      }
    }
    ways = [...found.values()].sort((a, b) => a.cost - b.cost).slice(0, WIDTH);
  });
  const [best] = ways;
  const all = best === undefined ? others : [pathOf(best), ...others];
  return all.reduce((a, b) => (costOf(search, b) < costOf(search, a) ? b : a));
}

/** The sums of a goal that cost least, the target itself among them. */
function cheapest(goal: Goal, most: number): readonly number[] {
  const sums: [sum: number, off: number][] = [];
  for (const [sum, off] of goal) {
    if (sums.length === most && off >= (sums.at(-1)?.[1] ?? 0)) continue;
    sums.push([sum, off]);
    sums.sort((x, y) => x[1] - y[1]);
    sums.splice(most);
  }
  return sums.map(([sum]) => sum);
}

/** The sums that a load may well come to: near the target, or close to what hangs: stripped, or with one plate more. */
function sumsFrom(
  { sizes }: Search,
  goal: Goal,
  near: readonly number[],
  hangs: readonly number[],
): ReadonlySet<number> {
  const sums = new Set(near);
  let inner = 0;
  for (let kept = 0; kept <= hangs.length; kept += 1) {
    if (goal.has(inner)) sums.add(inner);
    for (const size of sizes) if (goal.has(inner + size)) sums.add(inner + size);
    inner += sizes[hangs[kept] ?? -1] ?? 0;
  }
  return sums;
}

function pathOf(last: Way): Stacks {
  const stacks: (readonly number[])[] = [];
  for (let way = last; way.before !== null; way = way.before) stacks.unshift(way.stack);
  return stacks;
}

/** What a whole way costs: plates handled, changes that take off and hang, and how far loads are moved. */
export function costOf(search: Search, stacks: Stacks): number {
  let before: readonly number[] = [];
  let cost = 0;
  stacks.forEach((stack, i) => {
    const sum = stack.reduce((total, size) => total + (search.sizes[size] ?? 0), 0);
    cost += (search.goals[i]?.get(sum) ?? Infinity) + changeCost(search, before, stack);
    before = stack;
  });
  return cost;
}

function changeCost(
  { perPlate, perRerack }: Search,
  from: readonly number[],
  to: readonly number[],
): number {
  let shared = 0;
  while (shared < from.length && shared < to.length && from[shared] === to[shared]) shared += 1;
  const [off, on] = [from.length - shared, to.length - shared];
  return perPlate * (off + on) + (off > 0 && on > 0 ? perRerack : 0);
}

/** Ways to hang a sum from what hangs already. */
function stacksFor(
  search: Search,
  hangs: readonly number[],
  sum: number,
  ahead: readonly number[],
): readonly (readonly number[])[] {
  const { sizes } = search;
  const stacks: (readonly number[])[] = [];
  let inner = hangs.reduce((total, size) => total + (sizes[size] ?? 0), 0);
  for (let kept = hangs.length; kept >= 0; kept -= 1) {
    const base = hangs.slice(0, kept);
    if (inner <= sum) {
      stacks.push(...fillings(search, base, sum - inner).map((more) => [...base, ...more]));
      // What a coming load needs goes inside, so that the rest comes off at once.
      for (const next of ahead) {
        if (next <= inner || next >= sum) continue;
        const [first] = fillings(search, base, next - inner);
        const [rest] = first ? fillings(search, [...base, ...first], sum - next) : [];
        if (first && rest) stacks.push([...base, ...first, ...rest]);
      }
    }
    inner -= sizes[hangs[kept - 1] ?? -1] ?? 0;
  }
  return stacks;
}

/** Up to {@link FILLINGS} ways to make a sum of the plates that are left, heavier ones first and inside. */
function fillings(
  { sizes, usable }: Search,
  hangs: readonly number[],
  sum: number,
): readonly (readonly number[])[] {
  const found: (readonly number[])[] = [];
  const left = usable.map((most, size) => most - hangs.filter((s) => s === size).length);
  let looked = 0;
  const fill = (from: number, missing: number, made: readonly number[]): void => {
    looked += 1;
    if (missing === 0) found.push(made);
    if (missing <= 0 || found.length >= FILLINGS || looked > 120) return;
    for (let size = from; size < sizes.length; size += 1) {
      const weight = sizes[size] ?? Infinity;
      const taken = made.filter((s) => s === size).length;
      if (weight > missing || taken >= (left[size] ?? 0)) continue;
      fill(size, missing - weight, [...made, size]);
      if (found.length >= FILLINGS) return;
    }
  };
  fill(0, sum, []);
  return found;
}
