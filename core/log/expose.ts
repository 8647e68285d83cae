import { count } from "../kernel/index.ts";
import type { Station } from "../gym/index.ts";
import {
  demandOf,
  measureOf,
  repsAsked,
  repsLeft,
  tempoOf,
  workSetsOf,
  type Extension,
  type PlannedSet,
  type Rir,
  type Slot,
} from "../plan/index.ts";
import {
  sumOf,
  type BySide,
  type ExposedBurst,
  type ExposedSession,
  type ExposedSet,
  type Exposure,
  type PlannedWork,
} from "./exposure.ts";
import type { Performed } from "./fold.ts";
import type { LoggedSet } from "./logged-set.ts";
import { judgedLoggedSets } from "./trial.ts";

/**
 * What a session log says about one slot of its plan, or null when nothing of it was performed or its context is
 * missing. A set with a side each counts with its weaker side, a trial with the try that was taken, a total or
 * intervals with all that was done of them; forced and partial reps never count as reps.
 */
export function exposureOf(
  session: ExposedSession,
  slot: Slot,
  performed: Performed,
  station: Station,
): Exposure | null {
  const context = performed.contexts.find((c) => c.slotId === slot.id);
  const loggedSets = performed.loggedSets.filter((loggedSet) => loggedSet.slotId === slot.id);
  if (context === undefined || loggedSets.length === 0) return null;
  const work = workSetsOf(slot);
  const sets = work.flatMap((set, place): ExposedSet[] => {
    const own = judgedLoggedSets(set, loggedSets);
    const [first] = own;
    if (first === undefined) return [];
    const measure = measureOf(set.target);
    const amount = amountIn(set, own);
    const bySide = sidesIn(set, own);
    return [
      {
        line: set.line,
        role: set.role,
        range: repsAsked(set.target),
        within: set.range,
        place,
        reading: first.reading,
        // A total over several goes is no set of so many repetitions.
        reps:
          measure === "reps" && set.target.kind !== "total" && amount !== null
            ? count(amount)
            : null,
        measure,
        amount,
        demand: demandOf(set.target),
        bySide,
        bursts: set.extensions.flatMap((extension) => burstsIn(extension, set, loggedSets)),
        rir: hardest(own.map((loggedSet) => loggedSet.rir)),
        effortAsked: set.effort,
        hasPartials: own.some(
          ({ partialReps, forcedReps }) => (partialReps ?? 0) > 0 || (forcedReps ?? 0) > 0,
        ),
        // As it was done where that was said, else as it was asked for.
        tempo: first.conditions.tempo ?? tempoOf(set, slot.sets),
        accents: set.accents,
        setUp: { ...set.setUp, ...first.conditions.setUp },
        conditions: first.conditions,
        observed: first.observed,
        limiter: first.limiter,
      },
    ];
  });
  return {
    sessionLogId: session.id,
    day: session.day,
    readiness: session.readiness,
    context,
    loading: station.loading,
    sets,
    planned: work.map(workOf),
    pains: performed.pains.filter((pain) => pain.slotId === slot.id),
  };
}

/** A set as history holds it planned, at its place among the work sets of its exercise. */
export function workOf(
  { line, role, target, range: within }: PlannedSet,
  place: number,
): PlannedWork {
  return { line, role, range: repsAsked(target), within, place };
}

/** What one logged set says of what the target counts; null where unknown. */
function countedOf({ target, range }: Pick<PlannedSet, "target" | "range">, logged: LoggedSet) {
  const measure = measureOf(target);
  // Reps of a short-range set are logged as what they are, and are what its line is judged by.
  if (measure === "reps") return range === "full" ? logged.fullReps : logged.partialReps;
  return logged[measure];
}

/**
 * All that each side did over its goes (the tries of a trial, the parts of a total); the sides that were logged, in
 * order. Where two devices disagree about one go, the lesser counts: a conflict is one go, not two.
 */
function bySides(set: PlannedSet, own: readonly LoggedSet[]): ReadonlyMap<string, number | null> {
  const sides = new Map<string, number | null>();
  for (const side of new Set(own.map(({ key }) => key.side))) {
    const ofSide = own.filter(({ key }) => key.side === side);
    const goes = [...new Set(ofSide.map(({ key }) => key.ordinal))].map((ordinal) =>
      weakest(ofSide.filter(({ key }) => key.ordinal === ordinal).map((go) => countedOf(set, go))),
    );
    sides.set(side, sumOf(goes));
  }
  return sides;
}

/** How much of a set was done, by the weaker side where both were counted; null where one is unknown. */
function amountIn(set: PlannedSet, own: readonly LoggedSet[]): number | null {
  return weakest([...bySides(set, own).values()]);
}

function sidesIn(set: PlannedSet, own: readonly LoggedSet[]): BySide | null {
  const sides = bySides(set, own);
  const [left, right] = [sides.get("left") ?? null, sides.get("right") ?? null];
  return left === null || right === null ? null : { left, right };
}

/** What was logged of an extension that counts reps: one entry each time it was done. */
function burstsIn(
  extension: Extension,
  { id }: PlannedSet,
  loggedSets: readonly LoggedSet[],
): readonly ExposedBurst[] {
  if (!countsReps(extension)) return [];
  const own = loggedSets.filter(({ key }) => key.setId === id && key.extensionId === extension.id);
  const ordinals = [...new Set(own.map(({ key }) => key.ordinal))].sort((a, b) => a - b);
  return ordinals.map((ordinal) => {
    const parts = own.filter(({ key }) => key.ordinal === ordinal);
    const reps = weakest(
      parts.map(({ fullReps, partialReps, forcedReps }) => fullReps ?? partialReps ?? forcedReps),
    );
    return {
      kind: extension.kind,
      line: extension.kind === "drop" && extension.to.kind === "reading" ? extension.line : null,
      reading: parts[0]?.reading ?? null,
      reps: reps === null ? null : count(reps),
      demand: "target" in extension ? demandOf(extension.target) : { least: null, most: null },
    };
  });
}

/** A hold at the end, or a drop in seconds, adds no repetition to a total and leaves none unknown. */
function countsReps(extension: Extension): boolean {
  if (extension.kind === "endHold") return false;
  return !("target" in extension) || measureOf(extension.target) === "reps";
}

function weakest(amounts: readonly (number | null)[]): number | null {
  return amounts.reduce((low, next) =>
    low === null || next === null ? null : Math.min(low, next),
  );
}

function hardest(efforts: readonly Rir[]): Rir {
  return efforts.reduce((low, next) => {
    const [a, b] = [repsLeft(low), repsLeft(next)];
    if (a === null || b === null) return "unknown";
    return b < a ? next : low;
  });
}
