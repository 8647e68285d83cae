import {
  type Id,
  type Count,
  type MovementRef,
  compareMass,
  massFromTicks,
  ticksOf,
  share,
  timesTicks,
  type Mass,
  type Share,
  assertNever,
} from "../kernel/index.ts";
import {
  harderBy,
  howToMake,
  loadForTotal,
  nearestLoad,
  hasSides,
  shareOfLoad,
  shareOfPlates,
  stepsFrom,
  totalMoved,
  withMass,
  withoutOuter,
  withPlates,
  type MadeLoad,
  type Station,
} from "../gym/index.ts";
import {
  aimedAt,
  type Accent,
  repsAsked,
  repsToLeave,
  type DropLoad,
  type LoadBasis,
  type LoadBounds,
  type LoadRounding,
  type LoadRule,
  type PlannedSet,
  type SetReference,
  type ShareSpan,
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
  /** The total usually moved there for so many reps; null where nothing says. */
  readonly usualTotal: (reps: Count) => Mass | null;
  readonly strength: Strength | null;
  readonly rounding: LoadRounding;
  /** Loads of the sets that came before in the session, with the station they were made on. */
  readonly before: ReadonlyMap<Id<"set">, LoadsOfSet>;
}

/** What one set came to: its own load, and that of each of its parts. */
export interface LoadsOfSet {
  readonly load: StepLoad;
  readonly parts: ReadonlyMap<Id<"extension">, StepLoad>;
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

/** What a set's load is worked out from; its tempo as it is done. */
type LoadedSet = Pick<
  PlannedSet,
  "load" | "loadBounds" | "target" | "effort" | "effortUpTo" | "tempo" | "accents"
>;

/** The load of a set by its rule, held within its bounds. */
export function setLoad(set: LoadedSet, station: Station | null, from: LoadSources): StepLoad {
  if (station === null) return open({ code: "noStation" });
  return heldWithin(set.loadBounds, loadByRule(set, station, from), station, from);
}

/** A load beyond a bound is the nearest one on this side of it; one within is not moved beyond it either. */
function heldWithin(
  { least, most }: LoadBounds,
  load: StepLoad,
  station: Station,
  from: LoadSources,
): StepLoad {
  if (load.kind !== "made" || (least === null && most === null)) return load;
  const { reading, rounding } = load;
  const isOver = most !== null && compareMass(reading, most) > 0;
  const isUnder = least !== null && compareMass(reading, least) < 0;
  const bound = isOver ? most : isUnder ? least : null;
  if (bound !== null) {
    const made = nearestLoad(station.loading, bound, isOver ? "down" : "up");
    const held = made === null ? readingLoad(station, bound, from) : madeLoad(station, made, from);
    return held.kind === "made" ? { ...held, heldFrom: reading } : held;
  }
  if (rounding === null) return load;
  const own = ticksOf(reading);
  const room = Math.min(
    rounding.within,
    ...[least, most].map((m) => (m === null ? 1 : Math.abs(ticksOf(m) - own) / Math.max(1, own))),
  );
  return { ...load, rounding: { ...rounding, within: room <= 0 ? 0 : share(room) } };
}

function loadByRule(set: LoadedSet, station: Station, from: LoadSources): StepLoad {
  const rule = set.load;
  switch (rule.kind) {
    case "open":
      return open({ code: "toFind" });
    case "absolute":
    case "fallback":
      return readingLoad(station, rule.reading, from);
    case "trial":
      return readingLoad(station, rule.from, from);
    case "sameAsSet": {
      const basis = loadOfSet(rule, from);
      if (basis.kind !== "made") return basis;
      return from.before.get(rule.set)?.station.id === station.id
        ? { ...basis, share: null, rounding: null }
        : open({ code: "otherStation" });
    }
    case "shareOfSet": {
      const basis = loadOfSet(rule, from);
      if (basis.kind !== "made") return basis;
      return from.before.get(rule.set)?.station.id === station.id
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
      const share = { asked: rule.share, made: shareMade, basis: of, upTo: null };
      return { ...madeLoad(station, made, from), rounding, share };
    }
    case "massFrom": {
      const basis = basisLoad(rule.basis, station, from);
      if (basis.kind !== "made") return basis;
      const isPerSide = rule.counted === "perSide";
      const change = { by: signOf(rule.by), mass: rule.mass, isPerSide };
      const { rounding } = from;
      const made = withMass(station.loading, basis.reading, change, rounding.towards);
      if (made !== null) return { ...madeLoad(station, made, from), rounding };
      return open({ code: isPerSide && !hasSides(station.loading) ? "noSides" : "stepsEnd" });
    }
    case "platesFrom": {
      const basis = basisLoad(rule.basis, station, from);
      if (basis.kind !== "made") return basis;
      const reading = withPlates(station.loading, basis, { ...rule, by: signOf(rule.by) });
      if (reading !== null) return readingLoad(station, reading, from);
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
      if (rule.steps === 0) return readingLoad(station, from.lastReading, from);
      const made = stepsFrom(station.loading, from.lastReading, rule.steps);
      return made === null ? open({ code: "stepsEnd" }) : madeLoad(station, made, from);
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

const signOf = (by: "plus" | "minus"): 1 | -1 => (by === "plus" ? 1 : -1);

/** The load of an earlier set or of one part of it, or why it is not known. */
function loadOfSet({ set, part }: SetReference, from: LoadSources): StepLoad {
  const basis = from.before.get(set);
  const load = part === null ? basis?.load : basis?.parts.get(part);
  if (load === undefined) return open({ code: "setMissing", set });
  return load.kind === "made" ? load : open({ code: "basisOpen" });
}

/** The load that another goes from, at the same station. */
function basisLoad(basis: LoadBasis, station: Station, from: LoadSources): StepLoad {
  switch (basis.kind) {
    case "last":
      return from.lastReading === null
        ? open({ code: "noLast" })
        : readingLoad(station, from.lastReading, from);
    case "set":
      return from.before.get(basis.set)?.station.id === station.id || !from.before.has(basis.set)
        ? loadOfSet(basis, from)
        : open({ code: "otherStation" });
    default:
      return assertNever(basis);
  }
}

/** How many tries a trial has at a station: as many as are asked for, or until its loads end. */
export function triesAt(rule: LoadRule, { loading }: Station): number {
  if (rule.kind !== "trial") return 1;
  if (!howToMake(loading, rule.from).ok) return 1;
  let tries = 1;
  while (tries < rule.tries && stepsFrom(loading, rule.from, rule.steps * tries) !== null)
    tries += 1;
  return tries;
}

/** The loads of a trial, one for each try, from the first up; they end where the station does. */
export function trialLoads(
  rule: LoadRule,
  station: Station,
  from: LoadSources,
): readonly StepLoad[] {
  if (rule.kind !== "trial") return [];
  return Array.from({ length: triesAt(rule, station) }, (_, i) => {
    const made = i === 0 ? null : stepsFrom(station.loading, rule.from, rule.steps * i);
    return made === null ? readingLoad(station, rule.from, from) : madeLoad(station, made, from);
  });
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
      return sharedLoad(station, basis, { share: to.share, upTo: null }, from);
    case "lessBy": {
      const left = to.of === "current" ? 1 - to.share : ratioTo(first, basis) - to.share;
      const whole = to.of === "current" ? basis : first;
      if (whole.kind !== "made" || left <= 0) return open({ code: "stepsEnd" });
      return sharedLoad(station, whole, { share: share(left), upTo: null }, from);
    }
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

/** What a load is of another, by what is moved or else by what is read. */
function ratioTo(whole: StepLoad, part: Made): number {
  if (whole.kind !== "made") return 0;
  const [of, is] =
    whole.total === null || part.total === null
      ? [whole.reading, part.reading]
      : [whole.total, part.total];
  return ticksOf(of) === 0 ? 0 : ticksOf(is) / ticksOf(of);
}

/** A share of a load at the same station. */
export function sharedLoad(
  station: Station,
  basis: Made,
  span: ShareSpan,
  from: LoadSources,
): StepLoad {
  const { rounding, bodyWeight } = from;
  const { loading } = station;
  const asked = aimedAt(span);
  const shared = shareOfLoad(loading, basis.reading, asked, bodyWeight, rounding.towards);
  if (shared === null) return open({ code: "totalUnknown" });
  return {
    ...madeLoad(station, shared.made, from),
    rounding: roundingIn(span, rounding),
    share: { asked, made: shared.shareMade, basis: shared.basis, upTo: span.upTo },
  };
}

/** A load within a range may be moved no further than the range goes. */
function roundingIn({ share: least, upTo }: ShareSpan, rounding: LoadRounding): LoadRounding {
  if (upTo === null) return rounding;
  const room = Math.min(rounding.within, (upTo - least) / (upTo + least));
  return { ...rounding, within: room <= 0 ? 0 : share(room) };
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
  span: ShareSpan,
  from: LoadSources,
): StepLoad {
  if (total === null) return open({ code: "totalUnknown" });
  const asked = aimedAt(span);
  const target = massFromTicks(timesTicks(ticksOf(total), asked), station.loading.unit, "nearest");
  const load = loadOfTotal(station, target, from);
  if (load.kind !== "made") return load;
  const came =
    load.total === null || ticksOf(total) === 0 ? asked : ticksOf(load.total) / ticksOf(total);
  return {
    ...load,
    rounding: roundingIn(span, from.rounding),
    share: { asked, made: came, basis: "totalMoved", upTo: span.upTo },
  };
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
    heldFrom: null,
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
