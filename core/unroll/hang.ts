import { type Id, sameReading, share, ticksOf, type Mass, type Share } from "../kernel/index.ts";
import {
  planLoadingOnce,
  type LoadTarget,
  changeBetween,
  totalMoved,
  type Change,
  type MadeLoad,
  type Recipe,
  type SharedLoad,
  type Station,
} from "../gym/index.ts";
import { referenceText, type LoadRounding } from "../plan/index.ts";
import { extensionBefore } from "./dropped-load.ts";
import { isSetPlace, type Place } from "./expand.ts";
import type { Made } from "./made-load.ts";
import type { SetStep, StepLoad } from "./step.ts";
import type { UnrollContext } from "./unroll-context.ts";

/** What hangs at a place, and what changes there from what hung before; nothing where no load is made. */
export interface Hung {
  readonly load: StepLoad;
  readonly change: Change | null;
}

/** The loads of a block at one station, by their places in the session. */
interface AtStation {
  readonly station: Station;
  readonly loads: { readonly at: number; readonly load: StepLoad }[];
}

/**
 * What hangs for each place. It is decided for the loads of a block at one station together, so that from one to
 * the next as few plates as possible are handled; a load that was worked out may move for it, and says so. Bars
 * and plate machines only; elsewhere every load is made by itself.
 */
export function hangAll(
  places: readonly Place[],
  loads: readonly (StepLoad | null)[],
  context: UnrollContext,
): readonly (Hung | null)[] {
  const groups: AtStation[] = [];
  let block = -1;
  let inBlock = new Map<Id<"station">, AtStation>();
  const hung: (Hung | null)[] = places.map((place, at) => {
    const load = loads[at];
    if (load == null || !isSetPlace(place)) return null;
    if (place.block !== block) {
      block = place.block;
      inBlock = new Map();
    }
    let group = inBlock.get(place.slot.station);
    if (group === undefined) {
      const station = context.station(place.slot.station);
      if (station === null) return { load, change: null };
      group = { station, loads: [] };
      inBlock.set(place.slot.station, group);
      groups.push(group);
    }
    group.loads.push({ at, load });
    return { load, change: null };
  });
  for (const group of groups) hangTogether(group, context.bodyWeight, hung);
  restateShares(places, loads, hung);
  return hung;
}

/** Puts what hangs for the loads of one station at their places in `into`. */
function hangTogether(
  { station, loads }: AtStation,
  bodyWeight: Mass | null,
  into: (Hung | null)[],
): void {
  const { loading } = station;
  const stretches = sessionsOf(loads);
  const targets = targetsOf(stretches);
  const hasPlates = loading.kind === "bar" || loading.kind === "plateMachine";
  // One load that stays where it is hangs with the fewest plates as it is.
  const isPlain = targets.length <= 1 && targets.every(({ within }) => within === 0);
  const plan = hasPlates && !isPlain ? planLoadingOnce(loading, targets) : null;
  let before: Recipe | null = null;
  stretches.forEach(({ load, at }, i) => {
    const made = plan?.loads[i];
    const hung =
      plan === null || made === undefined
        ? load
        : hungLoad(load, made, station, bodyWeight, plan.isProven);
    for (const place of at) {
      into[place] = { load: hung, change: changeBetween(before, hung.recipe) };
      before = hung.recipe;
    }
  });
}

/** One load of an exercise as it is hung: what is done to get there, and the steps that it is for. */
export interface HungLoad {
  readonly load: Made;
  readonly change: Change;
  readonly steps: readonly SetStep[];
}

/** What is hung for an exercise, load after load; neighbours of one load are one. */
export function hungLoads(steps: readonly SetStep[]): readonly HungLoad[] {
  const loads: { load: Made; change: Change; steps: SetStep[] }[] = [];
  for (const step of steps) {
    const { load, change } = step;
    if (load.kind !== "made" || change === null) continue;
    const last = loads.at(-1);
    if (last !== undefined && change.kind === "none") last.steps.push(step);
    else loads.push({ load, change, steps: [step] });
  }
  return loads;
}

/** Neighbours of one load. */
interface Stretch {
  readonly load: Made;
  readonly rounding: LoadRounding | null;
  /** The places of those that it is for. */
  readonly at: number[];
}

/** Neighbours of one load as one; what was written among them holds the load. */
function sessionsOf(loads: AtStation["loads"]): readonly Stretch[] {
  const stretches: Stretch[] = [];
  for (const { at, load } of loads) {
    if (load.kind !== "made") continue;
    const last = stretches.at(-1);
    if (last === undefined || !sameReading(last.load.reading, load.reading)) {
      stretches.push({ load, rounding: load.rounding, at: [at] });
    } else {
      last.at.push(at);
      if (load.rounding === null) stretches[stretches.length - 1] = { ...last, rounding: null };
    }
  }
  return stretches;
}

/** What is to be hung, each with the room that it may move in. */
function targetsOf(stretches: readonly Stretch[]): readonly LoadTarget[] {
  return stretches.map(({ load: { reading }, rounding }, i) => {
    if (rounding === null) return { reading, within: 0, towards: "nearest" };
    const others = stretches.flatMap(({ load }, j) => (j === i ? [] : [load.reading]));
    return { ...rounding, reading, within: roomOf(reading, rounding.within, others) };
  });
}

/**
 * A load keeps clear of half the way to every other load of the block, so that a drop stays a drop and a
 * pyramid rises; one that comes again stays, so that rounds are alike.
 */
function roomOf(reading: Mass, within: Share | 0, others: readonly Mass[]): Share | 0 {
  const own = ticksOf(reading);
  if (within === 0 || own === 0) return 0;
  const gap = others.reduce((least, m) => Math.min(least, Math.abs(ticksOf(m) - own)), Infinity);
  const room = Math.min(within, (0.49 * gap) / own);
  return room <= 0 ? 0 : share(room);
}

/** A load as the plan hangs it; a share says what it comes to where the load was moved. */
function hungLoad(
  load: Made,
  made: MadeLoad,
  station: Station,
  bodyWeight: Mass | null,
  isProven: boolean,
): Made {
  const { reading, recipe } = made;
  if (sameReading(reading, load.reading)) return { ...load, recipe, isProven };
  const total = totalMoved(station.loading, reading, bodyWeight);
  const moved: Made = { ...load, reading, recipe, total, movedFrom: load.reading, isProven };
  const { share: asked } = load;
  if (asked === null) return moved;
  return { ...moved, share: { ...asked, made: asked.made * growth(load, moved, asked.basis) } };
}

/** What the share of a drop or cluster comes to where the load that it is of was moved: it is another share then. */
function restateShares(
  places: readonly Place[],
  loads: readonly (StepLoad | null)[],
  hung: (Hung | null)[],
): void {
  const isMoved = (load: StepLoad | undefined) => load?.kind === "made" && load.movedFrom !== null;
  if (!hung.some((here) => isMoved(here?.load))) return;
  const at = new Map<string, number>();
  places.forEach((place, i) => {
    if (!isSetPlace(place)) return;
    const text = referenceText({ set: place.set.id, part: place.extension?.id ?? null });
    if (!at.has(text)) at.set(text, i);
  });
  const begun = hung.map((here) => here?.load);
  hung.forEach((here, i) => {
    const load = here?.load;
    const place = places[i];
    if (here == null || load?.kind !== "made" || load.share === null) return;
    if (place === undefined || !isSetPlace(place) || place.extension === null) return;
    const { set, extension } = place;
    const part = extensionBefore(set.extensions, extension);
    const basis = at.get(referenceText({ set: set.id, part })) ?? -1;
    const [was, now] = [loads[basis], begun[basis]];
    if (was?.kind !== "made" || now?.kind !== "made") return;
    const made = load.share.made / growth(was, now, load.share.basis);
    hung[i] = { ...here, load: { ...load, share: { ...load.share, made } } };
  });
}

/** How many times as much a moved load is, by what its share is taken of. */
function growth(was: Made, now: Made, basis: SharedLoad["basis"]): number {
  if (basis === "plates") return platesIn(now.recipe) / platesIn(was.recipe);
  return now.total !== null && was.total !== null
    ? ticksOf(now.total) / ticksOf(was.total)
    : ticksOf(now.reading) / ticksOf(was.reading);
}

/** Thousandths of the plates on one side. */
function platesIn(recipe: Recipe): number {
  if (recipe.kind !== "plates") return 0;
  return recipe.perPoint.reduce((sum, plate) => sum + plate.thousandths, 0);
}
