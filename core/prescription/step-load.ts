import type { Id, MovementRef } from "../identity/index.ts";
import { compareMass, massFromTicks, ticksOf, type Mass, type Share } from "../quantity/index.ts";
import { assertNever } from "../result/index.ts";
import {
  harderBy,
  howToMake,
  loadForTotal,
  shareOfLoad,
  stepsFrom,
  totalMoved,
  withoutOuter,
  type MadeLoad,
  type Station,
} from "../station/index.ts";
import type { DropLoad } from "./extension.ts";
import type { LoadRule } from "./load-rule.ts";
import type { OpenBecause, SetStep, StepLoad } from "./step.ts";

/** What loads are worked out from. */
export interface LoadSources {
  readonly bodyWeight: Mass | null;
  /** The total of the heaviest work set last logged with a movement; null where none or unknown. */
  readonly lastTotal: (movement: MovementRef) => Mass | null;
  /** Loads of the sets that came before in the session, with the station they were made on. */
  readonly before: ReadonlyMap<Id<"set">, { readonly load: StepLoad; readonly station: Station }>;
}

type Made = Extract<StepLoad, { kind: "made" }>;

/** The load of a set by its rule. */
export function setLoad(rule: LoadRule, station: Station | null, from: LoadSources): StepLoad {
  if (station === null) return open({ code: "noStation" });
  switch (rule.kind) {
    case "open":
      return open({ code: "toFind" });
    case "absolute": {
      const made = howToMake(station.loading, rule.reading);
      return made.ok
        ? madeLoad(station, made.value, from)
        : { kind: "impossible", why: made.error };
    }
    case "shareOfSet": {
      const basis = from.before.get(rule.set);
      if (basis === undefined) return open({ code: "setMissing", set: rule.set });
      if (basis.load.kind !== "made") return open({ code: "basisOpen" });
      return basis.station.id === station.id
        ? sharedLoad(station, basis.load, rule.share, from)
        : shareOfTotal(station, basis.load.total, rule.share, from);
    }
    case "shareOfMovement": {
      const total = from.lastTotal(rule.movement);
      return total === null
        ? open({ code: "noRecord", movement: rule.movement })
        : shareOfTotal(station, total, rule.share, from);
    }
    case "stepsFromSet": {
      const basis = from.before.get(rule.set);
      if (basis === undefined || basis.station.id !== station.id) {
        return open({ code: "setMissing", set: rule.set });
      }
      if (basis.load.kind !== "made") return open({ code: "basisOpen" });
      const made = stepsFrom(station.loading, basis.load.reading, rule.steps);
      return made === null ? open({ code: "stepsEnd" }) : madeLoad(station, made, from);
    }
    default:
      return assertNever(rule);
  }
}

/** The load after a drop, from the set's first load and the one just used. */
export function droppedLoad(
  to: DropLoad,
  first: StepLoad,
  current: StepLoad,
  station: Station | null,
  from: LoadSources,
): StepLoad {
  if (station === null) return open({ code: "noStation" });
  if (to.kind === "bodyweight") {
    const bare = station.loading.kind === "bodyweight" ? setLoadOfZero(station, from) : null;
    return bare ?? { kind: "bodyweight" };
  }
  if (to.kind === "reading") {
    const made = howToMake(station.loading, to.reading);
    return made.ok ? madeLoad(station, made.value, from) : { kind: "impossible", why: made.error };
  }
  const basis = to.kind === "share" && to.of === "first" ? first : current;
  if (basis.kind !== "made") return open({ code: "basisOpen" });
  switch (to.kind) {
    case "share":
      return sharedLoad(station, basis, to.share, from);
    case "strip": {
      const made = withoutOuter(basis, to.plates);
      return made === null ? open({ code: "stepsEnd" }) : madeLoad(station, made, from);
    }
    case "steps": {
      const made = stepsFrom(station.loading, basis.reading, 0 - to.steps);
      return made === null ? open({ code: "stepsEnd" }) : madeLoad(station, made, from);
    }
    default:
      return assertNever(to);
  }
}

/** A share of a load at the same station. */
export function sharedLoad(
  station: Station,
  basis: Made,
  share: Share,
  from: LoadSources,
): StepLoad {
  const shared = shareOfLoad(station.loading, basis.reading, share, from.bodyWeight);
  if (shared === null) return open({ code: "totalUnknown" });
  return {
    ...madeLoad(station, shared.made, from),
    share: { asked: share, made: shared.shareMade, basis: shared.basis },
  };
}

function shareOfTotal(
  station: Station,
  total: Mass | null,
  share: Share,
  from: LoadSources,
): StepLoad {
  if (total === null) return open({ code: "totalUnknown" });
  const target = massFromTicks(ticksOf(total) * share, station.loading.unit, "nearest");
  const made = loadForTotal(station.loading, target, from.bodyWeight);
  if (made === null) return open({ code: "totalUnknown" });
  const load = madeLoad(station, made, from);
  const came =
    load.total === null || ticksOf(total) === 0 ? share : ticksOf(load.total) / ticksOf(total);
  return { ...load, share: { asked: share, made: came, basis: "totalMoved" } };
}

function madeLoad(station: Station, made: MadeLoad, from: LoadSources): Made {
  const total = totalMoved(station.loading, made.reading, from.bodyWeight);
  return { kind: "made", reading: made.reading, recipe: made.recipe, total, share: null };
}

function setLoadOfZero(station: Station, from: LoadSources): Made | null {
  const made = howToMake(station.loading, massFromTicks(0, station.loading.unit, "nearest"));
  return made.ok ? madeLoad(station, made.value, from) : null;
}

function open(because: OpenBecause): StepLoad {
  return { kind: "open", because };
}

/** True when a drop did not come out easier than the step before; a coarse station can do that. */
export function isIdleDrop(drop: SetStep, before: SetStep, station: Station): boolean {
  return (
    drop.load.kind === "made" &&
    before.load.kind === "made" &&
    harderBy(station.loading) * compareMass(drop.load.reading, before.load.reading) >= 0
  );
}
