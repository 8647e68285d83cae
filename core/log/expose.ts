import type { Day, Id, Count } from "../kernel/index.ts";
import type { Station } from "../gym/index.ts";
import { isPreparatory, repsLeft, type PlannedSet, type Rir, type Slot } from "../plan/index.ts";
import type { ExposedSet, Exposure } from "./exposure.ts";
import type { Performed } from "./fold.ts";
import { judgedParts } from "./trial.ts";

/**
 * What a run says about one slot of its plan, or null when nothing of it was performed or its context is
 * missing. A set with a side each counts with its weaker side, a trial with the try that was taken; forced and partial reps never count as reps.
 */
export function exposureOf(
  runId: Id<"run">,
  on: Day,
  slot: Slot,
  performed: Performed,
  station: Station,
): Exposure | null {
  const context = performed.contexts.find((c) => c.slotId === slot.id);
  const parts = performed.parts.filter((part) => part.slotId === slot.id);
  if (context === undefined || parts.length === 0) return null;
  const work = judgedSets(slot);
  const sets = work.flatMap(({ set, target }): ExposedSet[] => {
    const own = judgedParts(set, parts);
    const [first] = own;
    if (first === undefined) return [];
    return [
      {
        reading: first.reading,
        reps: weakest(own.map((part) => part.fullReps)),
        rir: hardest(own.map((part) => part.rir)),
        range: { min: target.min, max: target.max },
        effortAsked: set.effort,
      },
    ];
  });
  return {
    runId,
    day: on,
    context,
    loading: station.loading,
    sets,
    setsPlanned: work.length,
    pains: performed.pains.filter((pain) => pain.slotId === slot.id),
  };
}

/** The sets that progression judges: no preparation, and asked for in repetitions. */
export function judgedSets(slot: Slot): readonly { set: PlannedSet; target: RepTarget }[] {
  return slot.sets.flatMap((set) =>
    isPreparatory(set.role) || set.target.kind !== "reps" ? [] : [{ set, target: set.target }],
  );
}

type RepTarget = Extract<PlannedSet["target"], { kind: "reps" }>;

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
