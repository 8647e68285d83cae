import {
  compareMass,
  mass,
  massFromTicks,
  sameReading,
  ticksOf,
  timesTicks,
  type Mass,
  type Rounding,
  type Share,
  assertNever,
  fail,
  ok,
  type Result,
  ticks,
  type Ticks,
} from "../kernel/index.ts";
import type { Loading, MadeLoad } from "./loading.ts";
import { allLoads, harderBy } from "./make.ts";

/** Every load the station can make from `low` to `high`, both included, easiest first. */
export function loadsBetween(loading: Loading, low: Mass, high: Mass): readonly MadeLoad[] {
  return allLoads(loading).filter(
    (made) => ticksOf(made.reading) >= ticksOf(low) && ticksOf(made.reading) <= ticksOf(high),
  );
}

/**
 * The load closest to a target reading. `nearest` takes the easier of two equally near; `down` and `up` stay
 * on their side of the target. Null when there is none (an empty rack, or nothing on that side).
 */
export function nearestLoad(loading: Loading, target: Mass, rounding: Rounding): MadeLoad | null {
  return nearestToTicks(loading, ticksOf(target), rounding);
}

/** Two loads whose distances differ by no more are equally near: what is left of rounding to whole ticks. */
const TIE = 2;

function nearestToTicks(loading: Loading, target: number, rounding: Rounding): MadeLoad | null {
  let best: MadeLoad | null = null;
  let bestGap = Infinity;
  for (const made of allLoads(loading)) {
    const offset = ticksOf(made.reading) - target;
    if ((rounding === "down" && offset > 0) || (rounding === "up" && offset < 0)) continue;
    if (Math.abs(offset) < bestGap - TIE) {
      best = made;
      bestGap = Math.abs(offset);
    }
  }
  return best;
}

/** The smallest step harder than a reading, or null at the station's ceiling. */
export function nextHarder(loading: Loading, from: Mass): MadeLoad | null {
  const way = harderBy(loading);
  return allLoads(loading).find((made) => way * compareMass(made.reading, from) > 0) ?? null;
}

/** The smallest step easier than a reading, or null at the station's floor. */
export function nextEasier(loading: Loading, from: Mass): MadeLoad | null {
  const way = harderBy(loading);
  return allLoads(loading).findLast((made) => way * compareMass(made.reading, from) < 0) ?? null;
}

export interface CannotBeMade {
  readonly code: "cannotBeMade";
  readonly reading: Mass;
  readonly easier: MadeLoad | null;
  readonly harder: MadeLoad | null;
}

/** How to make exactly this reading, or the closest loads on either side that can be made. */
export function howToMake(loading: Loading, reading: Mass): Result<MadeLoad, CannotBeMade> {
  const made = allLoads(loading).find((candidate) => sameReading(candidate.reading, reading));
  if (made !== undefined) return ok(made);
  return fail({
    code: "cannotBeMade",
    reading,
    easier: nextEasier(loading, reading),
    harder: nextHarder(loading, reading),
  });
}

/**
 * So many of the station's own steps harder (negative: easier) than a reading that it may or may not make.
 * Null where its steps end before.
 */
export function stepsFrom(loading: Loading, from: Mass, increments: number): MadeLoad | null {
  let at: MadeLoad | null = null;
  let reading = from;
  for (let i = 0; i < Math.abs(increments); i += 1) {
    at = increments > 0 ? nextHarder(loading, reading) : nextEasier(loading, reading);
    if (at === null) return null;
    reading = at.reading;
  }
  return at ?? allLoads(loading).find((made) => sameReading(made.reading, from)) ?? null;
}

/**
 * The load left when the outermost `plates` of each loading point are taken off; null where fewer hang, or
 * where nothing is hung at this station.
 */
export function withoutOuter(made: MadeLoad, plates: number): MadeLoad | null {
  const { recipe, reading } = made;
  if (recipe.kind !== "plates" || recipe.perPoint.length < plates) return null;
  const kept = recipe.perPoint.length - plates;
  const off = recipe.perPoint.slice(kept).reduce((sum, plate) => sum + plate.thousandths, 0);
  return {
    reading: mass(reading.thousandths - off * recipe.points, reading.unit),
    recipe: { ...recipe, perPoint: recipe.perPoint.slice(0, kept) },
  };
}

/**
 * The total moved at a reading: bar or carriage included, both dumbbells, the pulley's share of a stack, the
 * moved share of the body. Null when something of unknown mass is part of it: a bar or carriage, a body that
 * was not weighed, a band.
 */
export function totalMoved(loading: Loading, reading: Mass, bodyWeight: Mass | null): Mass | null {
  switch (loading.kind) {
    case "bar":
      return loading.bar === null ? null : reading;
    case "plateMachine":
      return loading.carriage === null
        ? null
        : massFromTicks(
            ticks(ticksOf(reading) + ticksOf(loading.carriage)),
            reading.unit,
            "nearest",
          );
    case "stack":
      return massFromTicks(
        timesTicks(ticksOf(reading), loading.pulleyRatio),
        reading.unit,
        "nearest",
      );
    case "dumbbells":
      return loading.counted === "pair"
        ? reading
        : massFromTicks(timesTicks(ticksOf(reading), 2), reading.unit, "nearest");
    case "freeObject":
      return massFromTicks(timesTicks(ticksOf(reading), loading.held), reading.unit, "nearest");
    case "bodyweight":
    case "assisted": {
      if (bodyWeight === null) return null;
      const moved = timesTicks(ticksOf(bodyWeight), loading.movedShare);
      const total = moved + harderBy(loading) * ticksOf(reading);
      return massFromTicks(ticks(Math.max(0, total)), reading.unit, "nearest");
    }
    case "band":
    case "unloaded":
      return null;
    default:
      return assertNever(loading);
  }
}

/**
 * Which of the loads around a target is taken: the nearest, the easier of two equally near; or the nearest
 * that is no harder, or no easier, than the target. Where there is none on that side, the nearest.
 */
export const TOWARDS = ["nearest", "easier", "harder"] as const;
export type Towards = (typeof TOWARDS)[number];

/** The load whose total moved comes to `total` by the rule; null where totals are unknown at this station. */
export function loadForTotal(
  loading: Loading,
  total: Mass,
  bodyWeight: Mass | null,
  towards: Towards = "nearest",
): MadeLoad | null {
  let best: MadeLoad | null = null;
  let bestGap = Infinity;
  for (const made of allLoads(loading)) {
    const moved = totalMoved(loading, made.reading, bodyWeight);
    if (moved === null) return null;
    const harder = ticksOf(moved) - ticksOf(total);
    if ((towards === "easier" && harder > 0) || (towards === "harder" && harder < 0)) continue;
    if (Math.abs(harder) < bestGap - TIE) {
      best = made;
      bestGap = Math.abs(harder);
    }
  }
  return best ?? (towards === "nearest" ? null : loadForTotal(loading, total, bodyWeight));
}

/** The load whose reading comes to so many ticks by the rule; null where the station makes nothing. */
export function loadForTicks(loading: Loading, asked: Ticks, towards: Towards): MadeLoad | null {
  const isUp = (towards === "harder") === harderBy(loading) > 0;
  const rounding: Rounding = towards === "nearest" ? "nearest" : isUp ? "up" : "down";
  return (
    nearestToTicks(loading, asked, rounding) ??
    (towards === "nearest" ? null : nearestToTicks(loading, asked, "nearest"))
  );
}

/** A load made as a share of another; `basis` says what the share was taken of: `plates` where that was asked for. */
export interface SharedLoad {
  readonly made: MadeLoad;
  readonly basis: "totalMoved" | "hungPlates" | "plates";
  /** What the share came to after rounding to a load that can be made, as a fraction of the same basis. */
  readonly shareMade: number;
}

/**
 * The load that comes to a share of another reading by the rule. The share is of the total moved; where a bar or carriage
 * is of unknown mass it is of the hung plates, and `basis` says so. Null where the station makes nothing, or
 * where a share means nothing: a band, nothing to load, a body that was not weighed.
 * Source: our rule, docs/arithmetic.md § Shares of a load.
 */
export function shareOfLoad(
  loading: Loading,
  of: Mass,
  share: Share,
  bodyWeight: Mass | null,
  towards: Towards = "nearest",
): SharedLoad | null {
  const total = totalMoved(loading, of, bodyWeight);
  if (total === null) {
    if (loading.kind !== "bar" && loading.kind !== "plateMachine") return null;
    const made = loadForTicks(loading, timesTicks(ticksOf(of), share), towards);
    return made && { made, basis: "hungPlates", shareMade: ratio(made.reading, of) };
  }
  // A share of the total is reached by a change of the reading; what is not hung stays.
  const change = timesTicks(ticksOf(total), share) - ticksOf(total);
  const target = ticksOf(of) + Math.round(change / movedPerReading(loading));
  const made = loadForTicks(loading, ticks(target), towards);
  const totalMade = made && totalMoved(loading, made.reading, bodyWeight);
  if (made === null || totalMade === null) return null;
  return { made, basis: "totalMoved", shareMade: ratio(totalMade, total) };
}

/** What one unit of reading adds to the total moved. */
function movedPerReading(loading: Loading): number {
  switch (loading.kind) {
    case "stack":
      return loading.pulleyRatio;
    case "dumbbells":
      return loading.counted === "each" ? 2 : 1;
    case "freeObject":
      return loading.held;
    case "bar":
    case "plateMachine":
    case "bodyweight":
    case "assisted":
    case "band":
    case "unloaded":
      return harderBy(loading);
    default:
      return assertNever(loading);
  }
}

export function ratio(a: Mass, b: Mass): number {
  return ticksOf(b) === 0 ? 1 : ticksOf(a) / ticksOf(b);
}
