import type { Day, Id, Count } from "../kernel/index.ts";
import type { Station } from "../gym/index.ts";
import {
  isPreparatory,
  measureOf,
  repsAsked,
  repsLeft,
  tempoOf,
  type PlannedSet,
  type Rir,
  type Slot,
} from "../plan/index.ts";
import type { ExposedSet, Exposure, PlannedWork } from "./exposure.ts";
import type { Performed } from "./fold.ts";
import { judgedLoggedSets } from "./trial.ts";

/**
 * What a session log says about one slot of its plan, or null when nothing of it was performed or its context is
 * missing. A set with a side each counts with its weaker side, a trial with the try that was taken; forced and partial reps never count as reps.
 */
export function exposureOf(
  sessionLogId: Id<"sessionLog">,
  on: Day,
  slot: Slot,
  performed: Performed,
  station: Station,
): Exposure | null {
  const context = performed.contexts.find((c) => c.slotId === slot.id);
  const loggedSets = performed.loggedSets.filter((loggedSet) => loggedSet.slotId === slot.id);
  if (context === undefined || loggedSets.length === 0) return null;
  const work = judgedSets(slot);
  const sets = work.flatMap((set): ExposedSet[] => {
    const own = judgedLoggedSets(set, loggedSets);
    const [first] = own;
    if (first === undefined) return [];
    return [
      {
        ...workOf(set),
        reading: first.reading,
        // Reps of a short-range set are logged as what they are, and are what its line is judged by.
        reps: weakest(
          own.map((loggedSet) =>
            set.range === "full" ? loggedSet.fullReps : loggedSet.partialReps,
          ),
        ),
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
    sessionLogId: sessionLogId,
    day: on,
    context,
    loading: station.loading,
    sets,
    planned: work.map(workOf),
    pains: performed.pains.filter((pain) => pain.slotId === slot.id),
  };
}

/** The sets that history holds: no preparation, and counted in repetitions done in one go. */
export function judgedSets(slot: Pick<Slot, "sets">): readonly PlannedSet[] {
  return slot.sets.filter(
    ({ role, target }) =>
      !isPreparatory(role) && measureOf(target) === "reps" && target.kind !== "total",
  );
}

/** A set as history holds it planned. */
export function workOf({ line, role, target, range: within }: PlannedSet): PlannedWork {
  return { line, role, range: repsAsked(target), within };
}

function weakest(reps: readonly (Count | null)[]): Count | null {
  return reps.reduce((low, next) =>
    low === null || next === null ? null : next < low ? next : low,
  );
}

function hardest(efforts: readonly Rir[]): Rir {
  return efforts.reduce((low, next) => {
    const [a, b] = [repsLeft(low), repsLeft(next)];
    if (a === null || b === null) return "unknown";
    return b < a ? next : low;
  });
}
