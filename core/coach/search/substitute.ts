import {
  type Region,
  massFromTicks,
  ticksOf,
  type Mass,
  assertNever,
  timesTicks,
  keysOf,
} from "../../kernel/index.ts";
import { loadForTotal, type Station } from "../../gym/index.ts";
import {
  compareStress,
  directRegions,
  shareOf,
  skillOf,
  type Movement,
} from "../../movement/index.ts";
import { stationFor, type SetUp, type Slot } from "../../plan/index.ts";
import {
  equipmentFor,
  exclusionsOf,
  provocationIn,
  type Brief,
  type Exclusion,
  type Provocation,
} from "../../person/index.ts";
import { countsForVolume, type UnrollContext } from "../../unroll/index.ts";
import { hasLoads } from "../brings.ts";
import { stimulusOf } from "../coverage.ts";

/** Why an exercise is to be swapped. */
export type SwapCause =
  | { readonly kind: "stationTaken" }
  | { readonly kind: "hurts"; readonly provokedBy: Provocation }
  | { readonly kind: "travelling" }
  | { readonly kind: "wantMore"; readonly region: Region }
  | { readonly kind: "noHelper" }
  /** Too hard to do well, or no longer hard enough to do well: the next step of skill down or up. */
  | { readonly kind: "easier" }
  | { readonly kind: "harder" };

/** What of the exercise a substitute keeps or loses. */
export type Aspect = "regions" | "length" | "profile" | "pattern" | "legs" | "loads";

/** The load to begin with: what was logged, what a stated relation gives, or a set to find it. */
export type FirstLoad =
  | { readonly kind: "logged"; readonly reading: Mass }
  | { readonly kind: "related"; readonly reading: Mass; readonly share: number }
  | { readonly kind: "calibrate" };

export interface Substitution {
  readonly movement: Movement;
  readonly station: Station;
  readonly kept: readonly Aspect[];
  readonly lost: readonly Aspect[];
  /** The reason that the catalogue gives for this pair, where it names it. */
  readonly reason: string | null;
  readonly firstLoad: FirstLoad;
}

/** Where a substitute is looked for. */
export interface SwapContext {
  readonly brief: Brief;
  readonly catalogue: readonly Movement[];
  /** The stations of the gym to train in; for a journey those of the other gym. */
  readonly stations: readonly Station[];
  readonly unrollContext: UnrollContext;
  readonly lastReading: (movement: Movement, station: Station) => Mass | null;
}

/** Ranked substitutes, and the closest of those that are out when none is left. */
export interface Substitutes {
  readonly substitutions: readonly Substitution[];
  readonly closest: readonly {
    readonly movement: Movement;
    readonly reasons: readonly Exclusion[];
  }[];
}

/**
 * One leg moves about this part of what both move. A start to be corrected by the first set, and below half
 * on purpose. Source: our rule, docs/arithmetic.md § Substitutes.
 */
export const ONE_LEG_SHARE = 0.45;

const WEIGHT: Readonly<Record<Aspect, number>> = {
  regions: 6,
  length: 2,
  profile: 1.5,
  pattern: 2,
  legs: 1,
  loads: 3,
};

/**
 * What can stand in for an exercise for a stated cause, best first: regions, pattern, length and profile are
 * kept as far as possible, and the brief and the gym are respected.
 */
export function substitutesFor(slot: Slot, cause: SwapCause, context: SwapContext): Substitutes {
  const from = context.unrollContext.movement(slot.movement);
  if (from === null) return { substitutions: [], closest: [] };
  const here = equipmentFor(context.brief, context.stations).filter(
    (s) => cause.kind !== "stationTaken" || s.id !== slot.station,
  );
  const scored: { score: number; substitution: Substitution }[] = [];
  const closest: { movement: Movement; reasons: readonly Exclusion[]; score: number }[] = [];
  for (const movement of context.catalogue) {
    if (movement.ref === from.ref && cause.kind !== "stationTaken" && cause.kind !== "travelling") {
      continue;
    }
    const shared = overlap(from, movement);
    // A stretch, or conditioning, stands in for no set that counts.
    if (countsForVolume(from) && !countsForVolume(movement)) continue;
    if (shared === 0 || !answers(cause, from, movement)) continue;
    const station = stationFor(here, movement, context.unrollContext.lastStation(movement.ref));
    const reasons = exclusionsOf(context.brief, movement);
    const reason = from.substitutes.find((s) => s.movement === movement.ref)?.reason ?? null;
    if (station === null || reasons.length > 0) {
      if (reasons.length > 0) closest.push({ movement, reasons, score: shared });
      continue;
    }
    const { kept, lost } = compare(slot, from, movement, station, context.unrollContext);
    const score =
      kept.reduce((sum, aspect) => sum + (aspect === "regions" ? 0 : WEIGHT[aspect]), 0) +
      WEIGHT.regions * shared +
      (reason === null ? 0 : 1.5) +
      (context.brief.likes.includes(movement.ref) ? 0.5 : 0) -
      (station.usuallyBusy ? 0.5 : 0) -
      stepsOff(cause, from, movement);
    scored.push({
      score,
      substitution: {
        movement,
        station,
        kept,
        lost,
        reason,
        firstLoad: firstLoad(slot, from, movement, station, context),
      },
    });
  }
  scored.sort((a, b) => b.score - a.score);
  closest.sort((a, b) => b.score - a.score);
  return {
    substitutions: scored.map((s) => s.substitution),
    closest: scored.length > 0 ? [] : closest.slice(0, 3),
  };
}

/** True when the movement answers the cause at all. */
function answers(cause: SwapCause, from: Movement, to: Movement): boolean {
  switch (cause.kind) {
    case "stationTaken":
    case "travelling":
      return true;
    case "hurts": {
      const asks = (m: Movement) => provocationIn(m, cause.provokedBy);
      return compareStress(asks(to), asks(from)) < 0;
    }
    case "wantMore":
      return shareOf(to, cause.region) === 1;
    case "noHelper":
      return to.safeAlone.toTheLimit;
    case "easier":
      return skillOf(to) < skillOf(from) && countsForVolume(to);
    case "harder":
      return skillOf(to) > skillOf(from) && countsForVolume(to);
    default:
      return assertNever(cause);
  }
}

/** What a variant loses in rank for each step of skill beyond the next one. */
const STEP_BEYOND = 0.75;

function stepsOff(cause: SwapCause, from: Movement, to: Movement): number {
  if (cause.kind !== "easier" && cause.kind !== "harder") return 0;
  return STEP_BEYOND * (Math.abs(skillOf(to) - skillOf(from)) - 1);
}

/** How much of what the one trains directly the other trains too, 0 to 1. */
function overlap(from: Movement, to: Movement): number {
  const direct = directRegions(from);
  const shared = direct.reduce((sum, region) => sum + shareOf(to, region), 0);
  return direct.length === 0 ? 0 : shared / direct.length;
}

function compare(
  slot: Slot,
  from: Movement,
  to: Movement,
  station: Station,
  context: UnrollContext,
): { readonly kept: readonly Aspect[]; readonly lost: readonly Aspect[] } {
  const before = stimulusOf(from, context.station(slot.station), slot.setUp);
  const after = stimulusOf(to, station, {});
  const keeps: Readonly<Record<Aspect, boolean>> = {
    regions: overlap(from, to) === 1,
    length: before.length === after.length,
    profile: before.profile === after.profile,
    pattern: from.pattern === to.pattern,
    legs: (from.laterality === "twoLegs") === (to.laterality === "twoLegs"),
    loads: hasLoads(station) || !isLoaded(context.station(slot.station)),
  };
  const aspects = keysOf(WEIGHT);
  return { kept: aspects.filter((a) => keeps[a]), lost: aspects.filter((a) => !keeps[a]) };
}

const isLoaded = (station: Station | null) => station !== null && hasLoads(station);

function firstLoad(
  slot: Slot,
  from: Movement,
  to: Movement,
  station: Station,
  context: SwapContext,
): FirstLoad {
  const logged = context.lastReading(to, station);
  if (logged !== null) return { kind: "logged", reading: logged };
  const total = context.unrollContext.lastTotal(from.ref);
  const isOneForTwo =
    station.id === slot.station &&
    from.pattern === to.pattern &&
    from.laterality === "twoLegs" &&
    to.laterality === "oneLeg";
  if (total === null || !isOneForTwo) return { kind: "calibrate" };
  const target = massFromTicks(
    timesTicks(ticksOf(total), ONE_LEG_SHARE),
    station.loading.unit,
    "down",
  );
  const made = loadForTotal(station.loading, target, context.unrollContext.bodyWeight);
  return made === null
    ? { kind: "calibrate" }
    : { kind: "related", reading: made.reading, share: ONE_LEG_SHARE };
}

/** The exercise with a substitute in its place: same sets, reps and effort; load as found, set-up unsaid. */
export function swapSlot(
  slot: Slot,
  to: Pick<Substitution, "movement" | "station" | "firstLoad">,
  first: "left" | "right",
): Slot {
  const { firstLoad: load } = to;
  return {
    ...slot,
    movement: to.movement.ref,
    station: to.station.id,
    setUp: setUpOn(to.movement, slot.setUp),
    sets: slot.sets.map((set, i) => ({
      ...set,
      role: load.kind === "calibrate" && i === 0 ? ("calibration" as const) : set.role,
      load:
        load.kind === "calibrate"
          ? ({ kind: "open" } as const)
          : ({ kind: "absolute", reading: load.reading } as const),
      setUp: setUpOn(to.movement, set.setUp),
      side: sideFor(set.side, to.movement, first),
      extensions: set.extensions.filter((e) => e.kind !== "positionChange"),
    })),
  };
}

/**
 * What of a set-up another exercise has too, by the name of its parameter and choice: a wide stance stays wide. A
 * number on a machine means nothing on another one.
 */
export function setUpOn({ setUp: known }: Movement, setUp: SetUp): SetUp {
  return Object.fromEntries(
    Object.entries(setUp).filter(
      ([name, choice]) =>
        !/\d/.test(choice) &&
        known.some((own) => own.name === name && own.choices.includes(choice)),
    ),
  );
}

function sideFor(side: Slot["sets"][number]["side"], movement: Movement, first: "left" | "right") {
  if (movement.laterality === "twoLegs") return { kind: "both" } as const;
  if (side.kind !== "both") return side;
  return movement.laterality === "alternating"
    ? ({ kind: "alternating" } as const)
    : ({ kind: "each", first, matchFirst: false } as const);
}
