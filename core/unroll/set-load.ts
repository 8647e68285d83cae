import {
  assertNever,
  massFromTicks,
  sameReading,
  share,
  ticksOf,
  type Id,
  type Mass,
  ticks,
} from "../kernel/index.ts";
import {
  hasSides,
  shareOfPlates,
  stepsFrom,
  withMass,
  withPlates,
  type Station,
} from "../gym/index.ts";
import {
  repsAsked,
  repsToLeave,
  type LoadBasis,
  type LoadRule,
  type PlannedSet,
  type SetReference,
} from "../plan/index.ts";
import type { LoadSources } from "./load-sources.ts";
import {
  heldWithin,
  loadOfTotal,
  madeLoad,
  open,
  readingLoad,
  sharedLoad,
  shareOfTotal,
  type Made,
} from "./made-load.ts";
import type { StepLoad } from "./step.ts";

/** What a set's load is worked out from; its tempo as it is done. */
type LoadedSet = Pick<
  PlannedSet,
  "load" | "loadBounds" | "target" | "effort" | "effortUpTo" | "tempo" | "accents"
>;

/** The load of a set by its rule, held within its bounds. */
export function setLoad(set: LoadedSet, station: Station | null, from: LoadSources): StepLoad {
  if (station === null) return open({ code: "noStation" });
  return heldWithin(set.loadBounds, loadByRule(set, station, from), station, from.bodyWeight);
}

function loadByRule(set: LoadedSet, station: Station, from: LoadSources): StepLoad {
  const rule = set.load;
  const { bodyWeight } = from;
  switch (rule.kind) {
    case "open":
      return open({ code: "toFind" });
    case "absolute":
    case "fallback":
      return readingLoad(station, rule.reading, bodyWeight);
    case "trial":
      return readingLoad(station, rule.from, bodyWeight);
    case "sameAsSet": {
      const basis = loadOfSet(rule, from);
      if (basis.kind !== "made") return basis;
      return isHere(rule, station, from)
        ? { ...basis, share: null, rounding: null, heldFrom: null }
        : open({ code: "otherStation" });
    }
    case "shareOfSet": {
      const basis = loadOfSet(rule, from);
      if (basis.kind !== "made") return basis;
      return isHere(rule, station, from)
        ? sharedLoad(station, basis, rule, from)
        : shareOfTotal(station, basis.total, rule, from);
    }
    case "shareOfPlates": {
      const basis = basisLoad(rule.basis, station, from);
      if (basis.kind !== "made") return basis;
      const { rounding } = from;
      const shared = shareOfPlates(station.loading, basis.reading, rule.share, rounding.towards);
      if (shared === null) return open({ code: "noPlates" });
      const { made, shareMade, basis: of } = shared;
      const share = {
        asked: rule.share,
        made: shareMade,
        basis: of,
        upTo: null,
      };
      return { ...madeLoad(station, made, bodyWeight), rounding, share };
    }
    case "massFrom": {
      const basis = basisLoad(rule.basis, station, from);
      if (basis.kind !== "made") return basis;
      const isPerSide = rule.counted === "perSide";
      const change = { by: signOf(rule.by), mass: rule.mass, isPerSide };
      const made = withMass(station.loading, basis.reading, change, from.rounding.towards);
      if (made !== null) return madeLoad(station, made, bodyWeight);
      return open({ code: isPerSide && !hasSides(station.loading) ? "noSides" : "stepsEnd" });
    }
    case "platesFrom": {
      const basis = basisLoad(rule.basis, station, from);
      if (basis.kind !== "made") return basis;
      const reading = withPlates(station.loading, basis, { ...rule, by: signOf(rule.by) });
      if (reading !== null) return readingLoad(station, reading, bodyWeight);
      return open({ code: basis.recipe.kind === "plates" ? "stepsEnd" : "noPlates" });
    }
    case "shareOfUsual": {
      const usual = from.usualTotal(rule.reps);
      return usual === null
        ? open({ code: "noUsual", reps: rule.reps })
        : shareOfTotal(station, usual, { share: rule.share, upTo: null }, from);
    }
    case "shareOfMaximum":
      return from.strength === null
        ? open({ code: "noEstimate" })
        : shareOfTotal(station, from.strength.ofMaximum(share(1)), rule, from);
    case "fromLast": {
      if (from.lastReading === null) return open({ code: "noLast" });
      if (rule.steps === 0) return readingLoad(station, from.lastReading, bodyWeight);
      const made = stepsFrom(station.loading, from.lastReading, rule.steps);
      return made === null ? open({ code: "stepsEnd" }) : madeLoad(station, made, bodyWeight);
    }
    case "byEffort": {
      if (from.strength === null) return open({ code: "noEstimate" });
      const left = repsToLeave(set);
      const reps = repsAsked(set.target);
      if (reps === null || left === null) return open({ code: "notForReps" });
      const possible = Math.ceil((reps.min + reps.max) / 2) + left;
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
        : shareOfTotal(station, total, rule, from);
    }
    case "stepsFromSet": {
      const basis = basisLoad({ kind: "set", set: rule.set, part: null }, station, from);
      if (basis.kind !== "made") return basis;
      const made = stepsFrom(station.loading, basis.reading, rule.steps);
      return made === null ? open({ code: "stepsEnd" }) : madeLoad(station, made, bodyWeight);
    }
    default:
      return assertNever(rule);
  }
}

const signOf = (by: "plus" | "minus"): 1 | -1 => (by === "plus" ? 1 : -1);

/** True where a set that came before was loaded at this station. */
function isHere({ set }: { readonly set: Id<"set"> }, { id }: Station, { before }: LoadSources) {
  return before.get(set)?.station.id === id;
}

/** The load of an earlier set or of one extension of it, or why it is not known. */
function loadOfSet({ set, part }: SetReference, from: LoadSources): StepLoad {
  const basis = from.before.get(set);
  const load = part === null ? basis?.load : basis?.extensions.get(part);
  if (load === undefined) return open({ code: "setMissing", set });
  return load.kind === "made" ? load : open({ code: "basisOpen" });
}

/** The load that another goes from, at the same station. */
function basisLoad(basis: LoadBasis, station: Station, from: LoadSources): StepLoad {
  switch (basis.kind) {
    case "last":
      return from.lastReading === null
        ? open({ code: "noLast" })
        : readingLoad(station, from.lastReading, from.bodyWeight);
    case "set":
      return isHere(basis, station, from) || !from.before.has(basis.set)
        ? loadOfSet(basis, from)
        : open({ code: "otherStation" });
    default:
      return assertNever(basis);
  }
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
    return readingLoad(station, rule.mass, from.bodyWeight);
  }
  if (kind === "assisted" && (rule.by === "minus" || rule.mass.thousandths === 0)) {
    return readingLoad(station, rule.mass, from.bodyWeight);
  }
  if (from.bodyWeight === null) return open({ code: "noBodyWeight" });
  const sign = rule.by === "plus" ? 1 : -1;
  const total = ticks(Math.max(0, ticksOf(from.bodyWeight) + sign * ticksOf(rule.mass)));
  return loadOfTotal(station, massFromTicks(total, station.loading.unit, "nearest"), from);
}

/** The loads of a trial, one for each try, from the first up, within the bounds of the set; they end where the station does. */
export function trialLoads(
  { load: rule, loadBounds }: Pick<PlannedSet, "load" | "loadBounds">,
  station: Station,
  bodyWeight: Mass | null,
): readonly StepLoad[] {
  if (rule.kind !== "trial") return [];
  const first = readingLoad(station, rule.from, bodyWeight);
  if (first.kind !== "made") return [first];
  const tries: Made[] = [];
  for (let i = 0; i < rule.tries; i += 1) {
    const made = stepsFrom(station.loading, rule.from, rule.steps * i);
    if (made === null) break;
    const held = heldWithin(loadBounds, madeLoad(station, made, bodyWeight), station, bodyWeight);
    const last = tries.at(-1);
    // Beyond a bound every try comes to the bound, which is tried once.
    const isNew =
      last === undefined || (held.kind === "made" && !sameReading(held.reading, last.reading));
    if (held.kind === "made" && isNew) tries.push(held);
  }
  return tries;
}

/** What a trial came to; still to be found while it goes on. */
export function foundLoad(
  found: { readonly reading: Mass } | null,
  station: Station,
  bodyWeight: Mass | null,
): StepLoad {
  return found === null
    ? open({ code: "toFind" })
    : readingLoad(station, found.reading, bodyWeight);
}
