import {
  type Id,
  type MovementRef,
  compareMass,
  massFromTicks,
  ticksOf,
  timesTicks,
  type Mass,
  type Share,
  assertNever,
} from "../kernel/index.ts";
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
} from "../gym/index.ts";
import {
  type Accent,
  repsLeft,
  type DropLoad,
  type LoadRounding,
  type LoadRule,
  type PlannedSet,
  type Tempo,
} from "../plan/index.ts";
import type { OpenBecause, SetStep, StepLoad } from "./step.ts";

/** What loads are worked out from. */
export interface LoadSources {
  readonly bodyWeight: Mass | null;
  /** The total of the heaviest work set last logged with a movement; null where none or unknown. */
  readonly lastTotal: (movement: MovementRef) => Mass | null;
  /** True where a movement was logged anywhere, whether or not its total is known. */
  readonly isLogged: (movement: MovementRef) => boolean;
  /** The reading of the first work set last logged with this movement at this station. */
  readonly lastReading: Mass | null;
  readonly strength: Strength | null;
  readonly rounding: LoadRounding;
  /** Loads of the sets that came before in the session, with the station they were made on. */
  readonly before: ReadonlyMap<Id<"set">, LoadsOfSet>;
}

/** What one set came to: its own load, and that of each of its parts. */
export interface LoadsOfSet {
  readonly load: StepLoad;
  readonly parts: Map<Id<"extension">, StepLoad>;
  readonly station: Station;
}

/** What a person's estimated maximum with a movement at a station gives; core/progress makes it. */
export interface Strength {
  /** The total that is this share of the maximum. */
  readonly ofMaximum: (share: Share) => Mass;
  /** The total for so many possible reps, done in this way; null beyond what an estimate covers. */
  readonly forReps: (
    possible: number,
    how: { readonly tempo: Tempo; readonly accents: readonly Accent[] },
  ) => Mass | null;
}

type Made = Extract<StepLoad, { kind: "made" }>;

/** The load of a set by its rule. */
export function setLoad(
  set: Pick<PlannedSet, "load" | "target" | "effort" | "tempo" | "accents">,
  station: Station | null,
  from: LoadSources,
): StepLoad {
  if (station === null) return open({ code: "noStation" });
  const rule = set.load;
  switch (rule.kind) {
    case "open":
      return open({ code: "toFind" });
    case "absolute":
    case "fallback":
      return readingLoad(station, rule.reading, from);
    case "trial":
      return readingLoad(station, rule.from, from);
    case "shareOfSet": {
      const basis = from.before.get(rule.set);
      const load = rule.part === null ? basis?.load : basis?.parts.get(rule.part);
      if (basis === undefined || load === undefined) {
        return open({ code: "setMissing", set: rule.set });
      }
      if (load.kind !== "made") return open({ code: "basisOpen" });
      return basis.station.id === station.id
        ? sharedLoad(station, load, rule.share, from)
        : shareOfTotal(station, load.total, rule.share, from);
    }
    case "shareOfMaximum":
      return from.strength === null
        ? open({ code: "noEstimate" })
        : loadOfTotal(station, from.strength.ofMaximum(rule.share), from);
    case "fromLast": {
      if (from.lastReading === null) return open({ code: "noLast" });
      if (rule.steps === 0) return readingLoad(station, from.lastReading, from);
      const made = stepsFrom(station.loading, from.lastReading, rule.steps);
      return made === null ? open({ code: "stepsEnd" }) : madeLoad(station, made, from);
    }
    case "byEffort": {
      if (from.strength === null) return open({ code: "noEstimate" });
      const left = repsLeft(set.effort);
      if (set.target.kind !== "reps" || left === null) return open({ code: "notForReps" });
      const possible = Math.ceil((set.target.min + set.target.max) / 2) + left;
      const total = from.strength.forReps(possible, set);
      return total === null ? open({ code: "notForReps" }) : loadOfTotal(station, total, from);
    }
    case "bodyWeight":
      return bodyWeightLoad(rule, station, from);
    case "shareOfMovement": {
      const total = from.lastTotal(rule.movement);
      return total === null
        ? open({
            code: from.isLogged(rule.movement) ? "recordUnknown" : "noRecord",
            movement: rule.movement,
          })
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

/** The loads of a trial, one for each try, from the first up; they end where the station does. */
export function trialLoads(
  rule: Extract<LoadRule, { kind: "trial" }>,
  station: Station,
  from: LoadSources,
): readonly StepLoad[] {
  const first = readingLoad(station, rule.from, from);
  const loads = [first];
  for (let i = 1; first.kind === "made" && i < rule.tries; i += 1) {
    const made = stepsFrom(station.loading, first.reading, rule.steps * i);
    if (made === null) break;
    loads.push(madeLoad(station, made, from));
  }
  return loads;
}

/** What a trial came to; still to be found while it goes on. */
export function foundLoad(
  found: { readonly reading: Mass } | null,
  station: Station,
  from: LoadSources,
): StepLoad {
  return found === null ? open({ code: "toFind" }) : readingLoad(station, found.reading, from);
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
  if (to.kind === "reading") return readingLoad(station, to.reading, from);
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
  const { rounding, bodyWeight } = from;
  const { loading } = station;
  const shared = shareOfLoad(loading, basis.reading, share, bodyWeight, rounding.towards);
  if (shared === null) return open({ code: "totalUnknown" });
  return {
    ...madeLoad(station, shared.made, from),
    rounding,
    share: { asked: share, made: shared.shareMade, basis: shared.basis },
  };
}

/** A reading as it is written, or why the station cannot make it. */
function readingLoad(station: Station, reading: Mass, from: LoadSources): StepLoad {
  const made = howToMake(station.loading, reading);
  return made.ok ? madeLoad(station, made.value, from) : { kind: "impossible", why: made.error };
}

/** The load whose total comes to the one that was worked out, by the rule of the exercise. */
function loadOfTotal(station: Station, total: Mass, from: LoadSources): StepLoad {
  const { rounding } = from;
  const made = loadForTotal(station.loading, total, from.bodyWeight, rounding.towards);
  if (made === null) return open({ code: "totalUnknown" });
  return { ...madeLoad(station, made, from), rounding };
}

/**
 * Body weight plus or minus something. Where the body itself is moved, what is added or taken off is the
 * reading; elsewhere the whole is the total to move.
 */
function bodyWeightLoad(
  rule: Extract<LoadRule, { kind: "bodyWeight" }>,
  station: Station,
  from: LoadSources,
): StepLoad {
  const { kind } = station.loading;
  if (kind === "bodyweight" && (rule.by === "plus" || rule.mass.thousandths === 0)) {
    return readingLoad(station, rule.mass, from);
  }
  if (kind === "assisted" && (rule.by === "minus" || rule.mass.thousandths === 0)) {
    return readingLoad(station, rule.mass, from);
  }
  if (from.bodyWeight === null) return open({ code: "noBodyWeight" });
  const sign = rule.by === "plus" ? 1 : -1;
  const ticks = Math.max(0, ticksOf(from.bodyWeight) + sign * ticksOf(rule.mass));
  return loadOfTotal(station, massFromTicks(ticks, station.loading.unit, "nearest"), from);
}

function shareOfTotal(
  station: Station,
  total: Mass | null,
  share: Share,
  from: LoadSources,
): StepLoad {
  if (total === null) return open({ code: "totalUnknown" });
  const target = massFromTicks(timesTicks(ticksOf(total), share), station.loading.unit, "nearest");
  const load = loadOfTotal(station, target, from);
  if (load.kind !== "made") return load;
  const came =
    load.total === null || ticksOf(total) === 0 ? share : ticksOf(load.total) / ticksOf(total);
  return { ...load, share: { asked: share, made: came, basis: "totalMoved" } };
}

function madeLoad(station: Station, made: MadeLoad, from: LoadSources): Made {
  const total = totalMoved(station.loading, made.reading, from.bodyWeight);
  return {
    kind: "made",
    reading: made.reading,
    recipe: made.recipe,
    total,
    share: null,
    rounding: null,
    movedFrom: null,
    isProven: true,
  };
}

function setLoadOfZero(station: Station, from: LoadSources): Made | null {
  const made = howToMake(station.loading, massFromTicks(0, station.loading.unit, "nearest"));
  return made.ok ? madeLoad(station, made.value, from) : null;
}

function open(because: OpenBecause): StepLoad {
  return { kind: "open", because };
}

/** A step whose load the station makes. */
export type MadeStep = SetStep & { readonly load: Extract<StepLoad, { kind: "made" }> };

const isMadeStep = (step: SetStep): step is MadeStep => step.load.kind === "made";

/** The drop and the step before it, where the drop did not come out easier; else null. */
export function idleDrop(
  drop: SetStep,
  before: SetStep,
  station: Station,
): readonly [drop: MadeStep, before: MadeStep] | null {
  if (!isMadeStep(drop) || !isMadeStep(before)) return null;
  const harder = harderBy(station.loading) * compareMass(drop.load.reading, before.load.reading);
  return harder >= 0 ? [drop, before] : null;
}
