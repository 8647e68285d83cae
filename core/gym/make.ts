import {
  compareMass,
  mass,
  massFromTicks,
  ticksOf,
  type Mass,
  type MassUnit,
  assertNever,
  ticks,
} from "../kernel/index.ts";
import type { Loading, MadeLoad, PlateStock, Recipe } from "./loading.ts";

/** More distinct loads than this at one station are refused at entry: the plate list is then surely wrong. */
export const MAX_LOADS = 6_000;

const cache = new WeakMap<Loading, readonly MadeLoad[]>();

/**
 * Every load the station can make, easiest first, each with its best recipe: fewest plates or add-ons, and
 * among equals the heavier plates first. Empty for a stack without pins or a rack without dumbbells.
 * Throws above {@link MAX_LOADS}; check {@link tooManyLoads} where a person types the list.
 */
export function allLoads(loading: Loading): readonly MadeLoad[] {
  const known = cache.get(loading);
  if (known !== undefined) return known;
  const made = [...enumerate(loading)].sort(
    (a, b) => harderBy(loading) * compareMass(a.reading, b.reading),
  );
  cache.set(loading, made);
  return made;
}

/** 1 where a higher reading is harder, −1 where it is easier because it carries part of the body. */
export function harderBy(loading: Loading): 1 | -1 {
  return loading.kind === "assisted" ? -1 : 1;
}

/** True when the plates combine to more than {@link MAX_LOADS} different loads. */
export function tooManyLoads(loading: Loading): boolean {
  if (loading.kind !== "bar" && loading.kind !== "plateMachine") return false;
  return plateSums(loading.plates, loading.kind === "bar" ? 2 : loading.points) === null;
}

function enumerate(loading: Loading): Iterable<MadeLoad> {
  switch (loading.kind) {
    case "bar":
      return fromPlates(loading, 2, loading.bar);
    case "plateMachine":
      return fromPlates(loading, loading.points, null);
    case "stack":
      return fromStack(loading);
    case "dumbbells":
      return loading.present.map((each) => ({
        reading: loading.counted === "each" ? each : mass(each.thousandths * 2, each.unit),
        recipe: { kind: "dumbbells", each },
      }));
    case "freeObject":
      return loading.present.map((each) => ({
        reading: each,
        recipe: { kind: "object", each, held: loading.held },
      }));
    case "bodyweight":
      return [mass(0, loading.unit), ...loading.added.filter((m) => m.thousandths > 0)].map(
        (added) => ({ reading: added, recipe: { kind: "added", mass: added } }),
      );
    case "assisted":
      return loading.pins.map((pin) => ({ reading: pin, recipe: { kind: "counterweight", pin } }));
    case "band":
      return loading.bands.map(({ name, tension }) => ({
        reading: tension,
        recipe: { kind: "band", name, tension },
      }));
    case "unloaded":
      return [{ reading: mass(0, loading.unit), recipe: { kind: "nothing" } }];
    default:
      return assertNever(loading);
  }
}

function fromPlates(
  loading: { readonly unit: MassUnit; readonly plates: readonly PlateStock[] },
  points: 1 | 2,
  base: Mass | null,
): MadeLoad[] {
  const sums = plateSums(loading.plates, points);
  if (sums === null) throw new Error(`more than ${MAX_LOADS} loads at one station`);
  const { sizes, counts } = sums;
  const baseThousandths =
    base === null ? 0 : massFromTicks(ticksOf(base), loading.unit, "nearest").thousandths;
  return [...counts].map(([sum, perSize]): MadeLoad => {
    const perPoint = sizes.flatMap((size, i) =>
      Array.from({ length: perSize[i] ?? 0 }, () => mass(size, loading.unit)),
    );
    return {
      reading: mass(baseThousandths + sum * points, loading.unit),
      recipe: { kind: "plates", points, perPoint },
    };
  });
}

/**
 * For each sum per loading point (thousandths) the best count of each size, sizes descending.
 * Null when there are more sums than {@link MAX_LOADS}.
 */
function plateSums(
  plates: readonly PlateStock[],
  points: 1 | 2,
): { sizes: readonly number[]; counts: ReadonlyMap<number, readonly number[]> } | null {
  const stock = [...plates].sort((a, b) => b.size.thousandths - a.size.thousandths);
  let counts = new Map<number, readonly number[]>([[0, []]]);
  for (const { size, count } of stock) {
    const usable = Math.floor(count / points);
    const grown = new Map<number, readonly number[]>();
    for (const [sum, perSize] of counts) {
      for (let n = 0; n <= usable; n++) {
        const next = sum + n * size.thousandths;
        const candidate = [...perSize, n];
        const rival = grown.get(next);
        if (rival === undefined || isBetter(candidate, rival)) grown.set(next, candidate);
      }
      if (grown.size > MAX_LOADS) return null;
    }
    counts = grown;
  }
  return { sizes: stock.map((s) => s.size.thousandths), counts };
}

/** Fewer plates, then more of the heavier ones. */
function isBetter(a: readonly number[], b: readonly number[]): boolean {
  const plates = (counts: readonly number[]) => counts.reduce((sum, n) => sum + n, 0);
  if (plates(a) !== plates(b)) return plates(a) < plates(b);
  const at = a.findIndex((n, i) => n !== b[i]);
  return at >= 0 && (a[at] ?? 0) > (b[at] ?? 0);
}

function fromStack(loading: Extract<Loading, { kind: "stack" }>): MadeLoad[] {
  const best = new Map<number, MadeLoad & { recipe: Extract<Recipe, { kind: "pin" }> }>();
  for (const pin of loading.pins) {
    for (const addOns of subsets(loading.addOns)) {
      const sum = ticks([pin, ...addOns].reduce((total, one) => total + ticksOf(one), 0));
      const reading = massFromTicks(sum, loading.unit, "nearest");
      const rival = best.get(reading.thousandths);
      if (rival === undefined || addOns.length < rival.recipe.addOns.length) {
        best.set(reading.thousandths, { reading, recipe: { kind: "pin", pin, addOns } });
      }
    }
  }
  return [...best.values()];
}

function subsets<T>(items: readonly T[]): readonly (readonly T[])[] {
  return items.reduce<readonly (readonly T[])[]>(
    (sets, item) => [...sets, ...sets.map((set) => [...set, item])],
    [[]],
  );
}
