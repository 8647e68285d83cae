import {
  assertNever,
  mass,
  massFromTicks,
  ticksOf,
  timesTicks,
  type Mass,
  type Share,
  ticks,
} from "../kernel/index.ts";
import { loadForTicks, ratio, withoutOuter, type SharedLoad, type Towards } from "./choose.ts";
import type { Loading, MadeLoad } from "./loading.ts";
import { allLoads, harderBy } from "./make.ts";

/** Sides that plates hang on or hands that hold something, by which a mass "a side" counts; null where there are none. */
function sidesOf(loading: Loading): number | null {
  switch (loading.kind) {
    case "bar":
      return 2;
    case "plateMachine":
      return loading.points;
    case "dumbbells":
      return loading.counted === "pair" ? 2 : 1;
    case "freeObject":
    case "stack":
    case "bodyweight":
    case "assisted":
    case "band":
    case "unloaded":
      return null;
    default:
      return assertNever(loading);
  }
}

/** True where a mass can be counted by sides. */
export const hasSides = (loading: Loading): boolean => sidesOf(loading) !== null;

/** A mass, or that on each side, as what is read in all, in ticks; null where nothing has sides. */
export function inAll(
  loading: Loading,
  { mass, isPerSide }: { readonly mass: Mass; readonly isPerSide: boolean },
): number | null {
  const sides = isPerSide ? sidesOf(loading) : 1;
  return sides === null ? null : sides * ticksOf(mass);
}

/**
 * The load that comes nearest to so much more (negative: less) than a reading, in ticks of the mass as it is read
 * there, or on each side. More is harder: less counterweight. Null where it would be lighter or heavier than
 * whatever is made there, or where nothing has sides.
 */
export function withMass(
  loading: Loading,
  from: Mass,
  change: { readonly by: 1 | -1; readonly mass: Mass; readonly isPerSide: boolean },
  towards: Towards,
): MadeLoad | null {
  const more = inAll(loading, change);
  if (more === null) return null;
  const target = ticksOf(from) + harderBy(loading) * change.by * more;
  const loads = allLoads(loading);
  const ends = [loads.at(0), loads.at(-1)].map((made) => (made ? ticksOf(made.reading) : 0));
  const isThere = target >= Math.min(...ends) && target <= Math.max(...ends);
  return isThere ? loadForTicks(loading, ticks(target), towards) : null;
}

/**
 * The reading with so many plates of a size more or less on each side; where no size is said, the outermost come
 * off and the largest of the equipment go on. Null where nothing is hung, or fewer plates hang.
 */
export function withPlates(
  loading: Loading,
  from: MadeLoad,
  change: { readonly by: 1 | -1; readonly plates: number; readonly size: Mass | null },
): Mass | null {
  if (loading.kind !== "bar" && loading.kind !== "plateMachine") return null;
  if (change.size === null && change.by < 0) {
    return withoutOuter(from, change.plates)?.reading ?? null;
  }
  const sides = loading.kind === "bar" ? 2 : loading.points;
  const size = change.size ?? largestPlate(loading, sides);
  if (size === null) return null;
  const plates = massFromTicks(
    timesTicks(ticksOf(size), change.plates * sides),
    loading.unit,
    "nearest",
  );
  const thousandths = from.reading.thousandths + change.by * plates.thousandths;
  return thousandths < baseOf(loading).thousandths ? null : mass(thousandths, loading.unit);
}

function largestPlate(loading: PlateLoading, sides: number): Mass | null {
  const sizes = loading.plates.filter(({ count }) => count >= sides).map(({ size }) => size);
  return sizes.toSorted((a, b) => ticksOf(b) - ticksOf(a))[0] ?? null;
}

type PlateLoading = Extract<Loading, { kind: "bar" | "plateMachine" }>;

/** What is read there with nothing hung. */
function baseOf(loading: PlateLoading): Mass {
  const bare = allLoads(loading)[0]?.reading;
  return bare ?? mass(0, loading.unit);
}

/**
 * The load with a share of the plates of another, whatever bar or sled carries them; null where none hang there.
 */
export function shareOfPlates(
  loading: Loading,
  of: Mass,
  share: Share,
  towards: Towards,
): SharedLoad | null {
  if (loading.kind !== "bar" && loading.kind !== "plateMachine") return null;
  const base = baseOf(loading);
  const hung = ticks(ticksOf(of) - ticksOf(base));
  if (hung <= 0) return null;
  const made = loadForTicks(loading, ticks(ticksOf(base) + timesTicks(hung, share)), towards);
  if (made === null) return null;
  const left = massFromTicks(ticks(ticksOf(made.reading) - ticksOf(base)), loading.unit, "nearest");
  const shareMade = ratio(left, massFromTicks(hung, loading.unit, "nearest"));
  return { made, basis: "plates", shareMade };
}
