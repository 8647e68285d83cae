import {
  assertNever,
  compareMass,
  count,
  massFromTicks,
  sameReading,
  ticksOf,
  type Id,
  type Mass,
  type NewId,
  ticks,
} from "../kernel/index.ts";
import {
  harderBy,
  stepsFrom,
  totalMoved,
  withoutOuter,
  type Loading,
  type Station,
} from "../gym/index.ts";
import {
  linesOf,
  type DropLoad,
  type Extension,
  type LoadBounds,
  type LoadRule,
  type PlannedSet,
  type Slot,
} from "../plan/index.ts";
import { withChanges } from "./apply-changes.ts";
import { hasOwnLoad } from "./drop-lines.ts";
import type { Step } from "./proposal.ts";
import { followsFrom } from "./propose.ts";
import { unrollSlot, type SetStep, type UnrollContext } from "../unroll/index.ts";

/** What was chosen for a line: its load, null where it stays as it is, and what else changes. */
export type ChosenStep = Pick<Step, "reading" | "changes">;
/** What was chosen, by line or by the line of a drop; what is not in it stays as it is. */
export type Chosen = ReadonlyMap<Id<"line">, ChosenStep>;

/**
 * The exercise with what was chosen written in: every set of a line unrolls to exactly the load chosen for it,
 * whatever its load rule is. What follows from another set follows; drops that take plates off come out at the
 * load they came out at before. `context` is as the next session will find it.
 */
export function accepted(slot: Slot, chosen: Chosen, context: UnrollContext, newId: NewId): Slot {
  const station = context.station(slot.station);
  if (station === null || chosen.size === 0) return slot;
  const was = dropsOf(unrollSlot(slot, context));
  const loads = loadsOf(slot, chosen);
  const loaded: Slot = {
    ...slot,
    sets: slot.sets.map((set) => {
      const reading = loads.get(set.id);
      const own = withDropLoads(set, chosen);
      return reading === undefined
        ? own
        : {
            ...own,
            load: withChosen(set.load, reading, station.loading, slot, context),
            loadBounds: boundsWith(set.loadBounds, reading),
          };
    }),
  };
  const exact = withDropsAsBefore(exactly(loaded, loads, context), station, was, context);
  // Sets are added and taken last, so that those that are copied have their loads.
  return [...chosen].reduce(
    (now, [line, { changes }]) => withChanges(now, line, changes, newId),
    exact,
  );
}

/** The load chosen for each set: its own where each moves on by itself, else that of its line. */
function loadsOf(slot: Slot, chosen: Chosen): ReadonlyMap<Id<"set">, Mass> {
  return new Map(
    linesOf(slot).flatMap(({ id, sets }) => {
      const step = chosen.get(id);
      if (step === undefined) return [];
      const own = step.changes.filter((change) => change.kind === "load");
      return sets.flatMap((set, i) => {
        const to = own.find((change) => change.set === i)?.to;
        const reading = to ?? (own.length > 0 ? null : step.reading);
        return reading === null ? [] : [[set.id, reading] as const];
      });
    }),
  );
}

/** The set with the loads chosen for its drops. */
function withDropLoads(set: PlannedSet, chosen: Chosen): PlannedSet {
  if (!set.extensions.some(hasOwnLoad)) return set;
  return {
    ...set,
    extensions: set.extensions.map((extension) => {
      const reading = hasOwnLoad(extension) ? (chosen.get(extension.line)?.reading ?? null) : null;
      return reading === null || extension.kind !== "drop"
        ? extension
        : { ...extension, to: { kind: "reading", reading } };
    }),
  };
}

/** A bound that the coach chose to pass gives way to the load chosen. */
function boundsWith({ least, most }: LoadBounds, reading: Mass): LoadBounds {
  return {
    least: least !== null && compareMass(reading, least) < 0 ? reading : least,
    most: most !== null && compareMass(reading, most) > 0 ? reading : most,
  };
}

/** A rule that comes to another load than the chosen one, since it is worked out and rounded, gives way to it. */
function exactly(slot: Slot, loads: ReadonlyMap<Id<"set">, Mass>, context: UnrollContext): Slot {
  const firsts = new Map(
    unrollSlot(slot, context)
      .filter(({ kind, key }) => kind === "set" && key.ordinal === 0)
      .map(({ key, load }) => [key.setId, load]),
  );
  return {
    ...slot,
    sets: slot.sets.map((set) => {
      const reading = loads.get(set.id);
      const load = firsts.get(set.id);
      const comes = load?.kind === "made" && reading && sameReading(load.reading, reading);
      const follows = followsFrom(set.load) !== null;
      return reading === undefined || comes === true || follows
        ? set
        : { ...set, load: { kind: "absolute", reading } };
    }),
  };
}

/** A load rule that comes to this reading. */
function withChosen(
  load: LoadRule,
  reading: Mass,
  loading: Loading,
  slot: Slot,
  context: UnrollContext,
): LoadRule {
  switch (load.kind) {
    case "absolute":
    case "open":
    case "trial":
      return { kind: "absolute", reading };
    case "fallback":
      return {
        ...load,
        reading,
        then: load.then.map((to) => alongWith(to, load.reading, reading, loading)),
      };
    case "fromLast": {
      const last = context.lastReading(slot.movement, slot.station);
      const increments = last && stepsBetween(loading, last, reading);
      return increments === null ? { kind: "absolute", reading } : { ...load, steps: increments };
    }
    case "bodyWeight":
      return bodyWeightFor(reading, loading, context.bodyWeight);
    case "massFrom": {
      const last = context.lastReading(slot.movement, slot.station);
      return load.basis.kind === "set" || last === null
        ? load
        : { ...load, counted: "asRead", ...differenceOf(last, reading, loading) };
    }
    case "platesFrom":
    case "shareOfPlates":
      return load.basis.kind === "set" ? load : { kind: "absolute", reading };
    case "sameAsSet":
    case "shareOfSet":
    case "stepsFromSet":
    case "byEffort":
    case "shareOfMaximum":
    case "shareOfUsual":
    case "shareOfMovement":
      return load;
    default:
      return assertNever(load);
  }
}

/** How much harder or easier one reading is than another, as it is read. */
function differenceOf(from: Mass, to: Mass, loading: Loading) {
  const more = harderBy(loading) * (ticksOf(to) - ticksOf(from));
  const by = more < 0 ? ("minus" as const) : ("plus" as const);
  return { by, mass: massFromTicks(ticks(Math.abs(more)), loading.unit, "nearest") };
}

/** A load to fall back on, as many steps from the new load as it was from the old one. */
function alongWith(to: Mass, from: Mass, reading: Mass, loading: Loading): Mass {
  const increments = stepsBetween(loading, from, to);
  const made = increments === null ? null : stepsFrom(loading, reading, increments);
  return made?.reading ?? to;
}

const MOST_STEPS = 30;

/** How many of the station's steps lead from one reading to another, negative for easier; null beyond 30. */
function stepsBetween(loading: Loading, from: Mass, to: Mass): number | null {
  for (let increments = 0; increments <= MOST_STEPS; increments += 1) {
    for (const n of increments === 0 ? [0] : [increments, -increments]) {
      const made = stepsFrom(loading, from, n);
      if (made !== null && sameReading(made.reading, to)) return n;
    }
  }
  return null;
}

/** Body weight and so much more or less, where that comes to the reading; else the reading itself. */
function bodyWeightFor(reading: Mass, loading: Loading, bodyWeight: Mass | null): LoadRule {
  if (loading.kind === "bodyweight") return { kind: "bodyWeight", by: "plus", mass: reading };
  if (loading.kind === "assisted") return { kind: "bodyWeight", by: "minus", mass: reading };
  const total = totalMoved(loading, reading, bodyWeight);
  if (total === null || bodyWeight === null) return { kind: "absolute", reading };
  const by = compareMass(total, bodyWeight) < 0 ? "minus" : "plus";
  const apart = ticks(Math.abs(ticksOf(total) - ticksOf(bodyWeight)));
  return { kind: "bodyWeight", by, mass: massFromTicks(apart, loading.unit, "nearest") };
}

/** The reading that each drop came to. */
function dropsOf(steps: readonly SetStep[]): ReadonlyMap<Id<"extension">, Mass> {
  return new Map(
    steps.flatMap(({ kind, key, load }) =>
      kind === "drop" && key.extensionId !== null && load.kind === "made"
        ? [[key.extensionId, load.reading] as const]
        : [],
    ),
  );
}

/**
 * A step up often adds the smallest plates, outermost; a drop that takes off so many would then take only those.
 * Each such drop takes as many as bring it nearest to the load that it came to before, and no harder.
 */
function withDropsAsBefore(
  slot: Slot,
  station: Station,
  was: ReadonlyMap<Id<"extension">, Mass>,
  context: UnrollContext,
): Slot {
  return slot.sets.reduce<Slot>((now, { id }) => {
    const set = now.sets.find((s) => s.id === id);
    return set === undefined || !set.extensions.some(isStripped)
      ? now
      : set.extensions.reduce(
          (then, extension) =>
            isStripped(extension)
              ? withPlatesOff(then, id, extension, station, was, context)
              : then,
          now,
        );
  }, slot);
}

type Drop = Extract<Extension, { readonly kind: "drop" }>;
type Stripped = Drop & { readonly to: Extract<DropLoad, { readonly kind: "strip" }> };

function isStripped(extension: Extension): extension is Stripped {
  return extension.kind === "drop" && extension.to.kind === "strip";
}

function withPlatesOff(
  slot: Slot,
  setId: Id<"set">,
  drop: Stripped,
  { loading }: Station,
  was: ReadonlyMap<Id<"extension">, Mass>,
  context: UnrollContext,
): Slot {
  const target = was.get(drop.id);
  const steps = unrollSlot(slot, context).filter(({ key }) => key.setId === setId);
  const at = steps.findIndex(({ key }) => key.extensionId === drop.id);
  const from = steps[at - 1]?.load;
  if (target === undefined || from?.kind !== "made") return slot;
  const hangs = from.recipe.kind === "plates" ? from.recipe.perPoint.length : 0;
  const options = Array.from({ length: hangs }, (_, i) => i + 1).flatMap((plates) => {
    const made = withoutOuter(from, plates);
    return made === null
      ? []
      : [{ plates, over: compareMass(made.reading, target) * harderBy(loading) }];
  });
  const best =
    options.toSorted((a, b) => Math.abs(a.over) - Math.abs(b.over)).find(({ over }) => over <= 0) ??
    options[0];
  if (best === undefined || best.plates === drop.to.plates) return slot;
  const to: DropLoad = { kind: "strip", plates: count(best.plates) };
  return {
    ...slot,
    sets: slot.sets.map((set): PlannedSet =>
      set.id === setId
        ? {
            ...set,
            extensions: set.extensions.map((extension) =>
              extension.id === drop.id ? { ...drop, to } : extension,
            ),
          }
        : set,
    ),
  };
}

/** What the sets of each line come to, and each drop behind them: what is shown before it is accepted. */
export interface Outcome {
  readonly line: Id<"line">;
  /** The first set's load, then those of its drops; null where one is not known before the day. */
  readonly readings: readonly (Mass | null)[];
}

/** The loads that an exercise comes to, line by line. */
export function outcomesOf(slot: Slot, context: UnrollContext): readonly Outcome[] {
  const steps = unrollSlot(slot, context);
  return linesOf(slot).map(({ id, sets: [first] }) => {
    const own = steps.filter(
      ({ key, kind }) =>
        key.setId === first.id && key.ordinal === 0 && (kind === "set" || kind === "drop"),
    );
    const side = own[0]?.key.side;
    return {
      line: id,
      readings: own
        .filter(({ key }) => key.side === side)
        .map(({ load }) => (load.kind === "made" ? load.reading : null)),
    };
  });
}
