import type { Id } from "../kernel/index.ts";
import type { Station } from "../gym/index.ts";
import { referenceOf, referenceText, type PlannedSet, type Slot } from "../plan/index.ts";
import { isSetPlace, type SetPlace, type Place } from "./expand.ts";
import { droppedLoad, extensionBefore } from "./dropped-load.ts";
import type { LoadSources, LoadsOfSet } from "./load-sources.ts";
import { sharedLoad } from "./made-load.ts";
import { foundLoad, setLoad, trialLoads } from "./set-load.ts";
import type { StepLoad } from "./step.ts";
import type { UnrollContext } from "./unroll-context.ts";

/** The loads of one set: of itself, try by try where it is a trial, and of each of its extensions. */
interface SetLoads {
  readonly first: StepLoad;
  readonly tries: readonly StepLoad[] | null;
  readonly parts: ReadonlyMap<Id<"extension">, StepLoad>;
}

/** What each place is loaded with, by the rule of its set and what came before; null where nothing is. */
export function loadsOf(
  places: readonly Place[],
  context: UnrollContext,
): readonly (StepLoad | null)[] {
  const before = new Map<Id<"set">, LoadsOfSet>();
  const sources = new Map<Slot, LoadSources>();
  const bases = basesIn(places);
  let [set, loads]: [PlannedSet | null, SetLoads | null] = [null, null];
  return places.map((place) => {
    if (!isSetPlace(place)) return null;
    // A set and its extensions stand together, however many sides it has.
    if (loads === null || place.set !== set) {
      const { slot } = place;
      let from = sources.get(slot);
      if (from === undefined) sources.set(slot, (from = sourcesOf(slot, before, context)));
      [set, loads] = [place.set, loadsOfSet(place, before, from, context)];
    }
    const { extension, ordinal } = place;
    const load =
      extension === null
        ? (loads.tries?.[ordinal] ?? loads.first)
        : (loads.parts.get(extension.id) ?? loads.first);
    if (load.kind !== "made" || load.rounding === null) return load;
    const isBasis = bases.has(referenceText({ set: place.set.id, part: extension?.id ?? null }));
    return isBasis ? { ...load, rounding: null } : load;
  });
}

/**
 * The sets and parts that other loads go from, by their texts: a set that another refers to, and what plates come
 * off from or steps go down from in a drop. They hang as they were worked out, so that what goes from them stays
 * what it says.
 */
function basesIn(places: readonly Place[]): ReadonlySet<string> {
  const bases = new Set<string>();
  let last: PlannedSet | null = null;
  for (const place of places) {
    if (!isSetPlace(place) || place.set === last) continue;
    const { set } = place;
    last = set;
    const from = referenceOf(set.load);
    if (from !== null) bases.add(referenceText(from));
    for (const part of set.extensions) {
      if (part.kind !== "drop" || (part.to.kind !== "strip" && part.to.kind !== "steps")) continue;
      bases.add(referenceText({ set: set.id, part: extensionBefore(set.extensions, part) }));
    }
  }
  return bases;
}

/** The loads of a set, noted for those that follow from it. */
function loadsOfSet(
  { set, slot, fallen }: SetPlace,
  before: Map<Id<"set">, LoadsOfSet>,
  from: LoadSources,
  context: UnrollContext,
): SetLoads {
  const station = context.station(slot.station);
  const first = setLoad(fallen === null ? set : { ...set, load: fallen.load }, station, from);
  const extensions = extensionLoads(set, first, station, from);
  if (station === null) return { first, tries: null, parts: extensions };
  const isTrial = set.load.kind === "trial";
  // What a trial comes to is found in training, so that nothing can be worked out from it before.
  const load = isTrial ? foundLoad(context.found(set), station, from.bodyWeight) : first;
  before.set(set.id, { load, extensions, station });
  return {
    first,
    tries: isTrial ? trialLoads(set, station, from.bodyWeight) : null,
    parts: extensions,
  };
}

function sourcesOf(slot: Slot, before: LoadSources["before"], context: UnrollContext): LoadSources {
  return {
    bodyWeight: context.bodyWeight,
    lastTotal: context.lastTotal,
    isLogged: (movement) => context.lastStation(movement) !== null,
    lastReading: context.lastReading(slot.movement, slot.station),
    usualTotal: (reps) => context.usualTotal(slot.movement, slot.station, reps),
    strength: context.strength(slot.movement, slot.station),
    rounding: slot.rounding,
    before,
  };
}

/** What each extension is loaded with: drops and clusters change the load, whatever follows keeps it. */
function extensionLoads(
  { extensions }: PlannedSet,
  first: StepLoad,
  station: Station | null,
  from: LoadSources,
): SetLoads["parts"] {
  let current = first;
  return new Map(
    extensions.map((extension) => {
      if (extension.kind === "drop") {
        current = droppedLoad(extension.to, first, current, station, from);
      }
      if (extension.kind === "cluster" && first.kind === "made" && station !== null) {
        current = sharedLoad(station, first, { share: extension.multiple, upTo: null }, from);
      }
      return [extension.id, current];
    }),
  );
}
