import { MAX_THOUSANDTHS, mass, ticksOf, type Mass, assertNever } from "../kernel/index.ts";
import type { Loading } from "./loading.ts";
import { tooManyLoads } from "./make.ts";
import { STATION_BOUNDS } from "./station-bounds.ts";

/** Why a loading cannot be kept although each of its parts can: it makes too many loads, or too heavy ones. */
export type LoadingTrouble =
  { readonly code: "tooManyLoads" } | { readonly code: "tooHeavy"; readonly heaviest: Mass };

/** What is wrong with a loading as a whole, or null. Looks at weight first, since loads are made to be counted. */
export function loadingTrouble(loading: Loading): LoadingTrouble | null {
  const heaviest = heaviestThousandths(loading);
  if (heaviest > STATION_BOUNDS.heaviest) {
    return {
      code: "tooHeavy",
      heaviest: mass(Math.min(Math.ceil(heaviest), MAX_THOUSANDTHS), loading.unit),
    };
  }
  return tooManyLoads(loading) ? { code: "tooManyLoads" } : null;
}

/** The heaviest load in thousandths of the loading's unit, without making any. */
function heaviestThousandths(loading: Loading): number {
  const own = (m: Mass) => ticksOf(m) / ticksOf(mass(1, loading.unit));
  const most = (masses: readonly Mass[]) => Math.max(0, ...masses.map(own));
  switch (loading.kind) {
    case "bar":
    case "plateMachine": {
      const points = loading.kind === "bar" ? 2 : loading.points;
      const base = loading.kind === "bar" ? loading.bar : loading.carriage;
      return loading.plates.reduce(
        (sum, { size, count }) => sum + own(size) * Math.floor(count / points) * points,
        base === null ? 0 : own(base),
      );
    }
    case "stack":
      return loading.addOns.reduce((sum, addOn) => sum + own(addOn), most(loading.pins));
    case "dumbbells":
      return most(loading.present) * 2;
    case "freeObject":
      return most(loading.present) * loading.held;
    case "bodyweight":
      return most(loading.added);
    case "assisted":
      return most(loading.pins);
    case "band":
      return most(loading.bands.map(({ tension }) => tension));
    case "unloaded":
      return 0;
    default:
      return assertNever(loading);
  }
}
