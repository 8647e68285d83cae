import {
  type NewId,
  type MovementRef,
  sameReading,
  type Mass,
  type Minutes,
} from "../kernel/index.ts";
import {
  applyEdit,
  copyPlan,
  mapSlots,
  readingOf,
  slotsOf,
  stationFor,
  withReading,
  type Frame,
  type LoadRule,
  type SessionPlan,
  type Slot,
} from "../plan/index.ts";
import { equipmentFor, exclusionsOf, type Exclusion } from "../person/index.ts";
import type { Brings } from "./brings.ts";
import { findingsOf } from "./finding-rules.ts";
import { applyFix, type Fix } from "./fix.ts";
import { fixesFor } from "./fixes-for.ts";
import type { Judging } from "./judged.ts";
import { fillingFor, swapSlot, substitutesFor, type SwapContext } from "./search/index.ts";
import { waysToShorten, type Shortening } from "./shorten.ts";

/** Why an exercise of a template could not stay as it was. */
export type FittingCause =
  | { readonly kind: "notHere" }
  | { readonly kind: "excluded"; readonly reasons: readonly Exclusion[] };

/** One thing that was changed in a copy of a template, for whom it is copied. */
export type FittingChange =
  | {
      readonly code: "swapped";
      readonly from: MovementRef;
      readonly to: MovementRef;
      readonly because: FittingCause;
    }
  /** What fills a frame, and what it brings. */
  | {
      readonly code: "filled";
      readonly frame: Frame;
      readonly movement: MovementRef;
      readonly brings: readonly Brings[];
    }
  | { readonly code: "leftOut"; readonly movement: MovementRef; readonly because: FittingCause }
  /** What was lifted last there; null where nothing was, so that the load is found on the day. */
  | { readonly code: "load"; readonly movement: MovementRef; readonly reading: Mass | null }
  /** Drops and the like are no beginner's work. */
  | { readonly code: "plainSets"; readonly movement: MovementRef }
  | {
      readonly code: "shortened";
      readonly fix: Fix;
      readonly before: SessionPlan;
      readonly minutesSaved: Minutes;
    }
  | { readonly code: "fewerSets"; readonly fix: Fix; readonly before: SessionPlan };

export interface Fitted {
  readonly plan: SessionPlan;
  readonly changes: readonly FittingChange[];
}

/** More changes for time or level than this are left to the coach. */
const MOST_FIXES = 6;

/**
 * A copy of a template for one person: exercises that the gym or the brief rules out are swapped or left out, frames
 * are filled with what suits the person best, loads become the person's own, a beginner's sets become plain, and the
 * session is shortened to the time and the sets that the person has. `judging` holds the person and gym; its plan is
 * not looked at. Every change is told, in order.
 */
export function fitTemplate(
  template: SessionPlan,
  judging: Omit<Judging, "plan">,
  lastReading: SwapContext["lastReading"],
  newId: NewId,
): Fitted {
  const changes: FittingChange[] = [];
  let plan = copyPlan(template, newId);
  // Frames are filled once everything that is given is there, so that they bring what is still lacking.
  const framed = slotsOf(plan).filter(({ frame }) => frame !== null);
  for (const slot of slotsOf(plan).filter(({ frame }) => frame === null))
    plan = withFitted(plan, slot, placed(slot, judging, lastReading, changes));
  for (const [i, slot] of framed.entries()) {
    const so = { ...judging, plan: framed.slice(i).reduce(withoutSlot, plan) };
    const fitted =
      filled(slot, so, lastReading, changes) ?? placed(slot, judging, lastReading, changes);
    plan = withFitted(plan, slot, fitted);
  }
  plan = mapSlots(plan, (slot) => ownLoads(slot, judging, lastReading, changes));
  if (judging.brief.level === "beginner") plan = mapSlots(plan, (slot) => plain(slot, changes));
  return { plan: shortened(plan, judging, newId, changes), changes };
}

const withoutSlot = (plan: SessionPlan, { id }: Slot): SessionPlan =>
  applyEdit(plan, { kind: "removeSlot", slot: id });

const withFitted = (plan: SessionPlan, slot: Slot, to: Slot | null): SessionPlan =>
  to === null
    ? withoutSlot(plan, slot)
    : applyEdit(plan, { kind: "changeSlot", slot: slot.id, to });

/** The slot with what fills its frame best, at its own load where one was logged; null where nothing here does. */
function filled(
  slot: Slot,
  judging: Judging,
  lastReading: SwapContext["lastReading"],
  changes: FittingChange[],
): Slot | null {
  const best = slot.frame === null ? null : fillingFor(slot.frame, judging);
  if (best === null || slot.frame === null) return null;
  const { movement, station, brings } = best;
  changes.push({ code: "filled", frame: slot.frame, movement: movement.ref, brings });
  const reading = lastReading(movement, station);
  const firstLoad =
    reading === null ? ({ kind: "calibrate" } as const) : ({ kind: "logged", reading } as const);
  return swapSlot(slot, { movement, station, firstLoad }, judging.brief.weakerSide ?? "left");
}

/** The slot at a station of this gym, swapped where it has to be, or null where nothing stands in. */
function placed(
  slot: Slot,
  judging: Omit<Judging, "plan">,
  lastReading: SwapContext["lastReading"],
  changes: FittingChange[],
): Slot | null {
  const { brief, catalogue, stations, unrollContext } = judging;
  const movement = unrollContext.movement(slot.movement);
  const reasons = movement === null ? [] : exclusionsOf(brief, movement);
  const station =
    movement === null
      ? null
      : stationFor(
          equipmentFor(brief, stations),
          movement,
          unrollContext.lastStation(movement.ref),
        );
  if (station !== null && reasons.length === 0) return { ...slot, station: station.id };
  const because: FittingCause =
    reasons.length > 0 ? { kind: "excluded", reasons } : { kind: "notHere" };
  const context = { brief, catalogue, stations, unrollContext, lastReading };
  const [best] = substitutesFor(slot, { kind: "travelling" }, context).substitutions.filter(
    (to) => to.movement.ref !== slot.movement,
  );
  if (best === undefined) {
    changes.push({ code: "leftOut", movement: slot.movement, because });
    return null;
  }
  changes.push({ code: "swapped", from: slot.movement, to: best.movement.ref, because });
  return swapSlot(slot, best, brief.weakerSide ?? "left");
}

/** Readings that were written for somebody else become what this person lifted last there, or stay open. */
function ownLoads(
  slot: Slot,
  { unrollContext: context }: Omit<Judging, "plan">,
  lastReading: SwapContext["lastReading"],
  changes: FittingChange[],
): Slot {
  const movement = context.movement(slot.movement);
  const station = context.station(slot.station);
  const own = movement === null || station === null ? null : lastReading(movement, station);
  const sets = slot.sets.map((set) => {
    const written = readingOf(set.load);
    if (written === null || (own !== null && sameReading(written, own))) return set;
    const load: LoadRule = own === null ? { kind: "open" } : withReading(set.load, own);
    return { ...set, load: set.role === "ramp" ? ({ kind: "open" } as const) : load };
  });
  if (sets.every((set, i) => set === slot.sets[i])) return slot;
  changes.push({ code: "load", movement: slot.movement, reading: own });
  return { ...slot, sets };
}

function plain(slot: Slot, changes: FittingChange[]): Slot {
  if (slot.sets.every((set) => set.extensions.length === 0)) return slot;
  changes.push({ code: "plainSets", movement: slot.movement });
  return { ...slot, sets: slot.sets.map((set) => ({ ...set, extensions: [] })) };
}

/** Fixes the sets of a beginner and the time, one fix after the other, until both fit or nothing helps. */
function shortened(
  begun: SessionPlan,
  judging: Omit<Judging, "plan">,
  newId: NewId,
  changes: FittingChange[],
): SessionPlan {
  let plan = begun;
  for (let i = 0; i < MOST_FIXES; i += 1) {
    const now: Judging = { ...judging, plan };
    const found = findingsOf(now);
    const tooMuch = found.find(({ fact }) => fact.code === "tooMuchForNew");
    const way = found.some(({ fact }) => fact.code === "overCap")
      ? wayToTake(waysToShorten(now, newId), changes)
      : null;
    const [fewer] =
      tooMuch === undefined
        ? []
        : fixesFor(tooMuch, now, newId).filter((f) => f.kind !== "moveToOtherDay");
    const change =
      fewer !== undefined
        ? ({ code: "fewerSets", fix: fewer, before: plan } as const)
        : way &&
          ({ code: "shortened", fix: way.fix, before: plan, minutesSaved: way.minutes } as const);
    if (change === null) break;
    changes.push(change);
    plan = applyFix(change.fix, now, newId);
  }
  return plan;
}

/**
 * What costs nothing goes first, then the least costly way that is enough, then the least costly one, so that
 * another can take the rest. Rests are trimmed once at most. Null where nothing is left to take.
 */
function wayToTake(
  ways: readonly Shortening[],
  changes: readonly FittingChange[],
): Shortening | null {
  const isTrimmed = changes.some(
    (change) => change.code === "shortened" && change.fix.kind === "trimRest",
  );
  const left = ways.filter(
    ({ fix }) => fix.kind !== "moveToOtherDay" && !(isTrimmed && fix.kind === "trimRest"),
  );
  const isFree = ({ hardSets, brings }: Shortening) => hardSets === 0 && brings.length === 0;
  return left.find(isFree) ?? left.find(({ isEnough }) => isEnough) ?? left[0] ?? null;
}
