import type { FindMovement } from "../movement/index.ts";
import {
  closestToLimit,
  slotsOf,
  type PlannedSet,
  type SessionPlan,
  type Slot,
  sidesOf,
} from "../plan/index.ts";
import { hardSetCount, perLeg, type CountedSet } from "../unroll/index.ts";
import { partsOf, skipReason, type LoggedPart, type RunLog } from "./fold.ts";
import type { PerformedPart } from "./part.ts";
import { judgedParts } from "./trial.ts";

/** Plan against what was done, for one exercise. */
export interface SlotSummary {
  readonly slot: Slot;
  readonly plannedSets: number;
  readonly doneSets: number;
  readonly parts: readonly LoggedPart[];
  readonly skipped: string | null;
}

/** Plan against what was done, exercise by exercise. A set with two sides is done when both are. */
export function summarise(plan: SessionPlan, log: RunLog): readonly SlotSummary[] {
  const parts = partsOf(log);
  return slotsOf(plan).map((slot) => {
    const own = parts.filter(({ part }) => part.slotId === slot.id);
    return {
      slot,
      plannedSets: slot.sets.length,
      doneSets: slot.sets.filter((set) => isDone(set, own)).length,
      parts: own,
      skipped: skipReason(log, slot.id),
    };
  });
}

function isDone(set: PlannedSet, parts: readonly LoggedPart[]): boolean {
  return sidesOf(set.side).every((side) =>
    parts.some(
      ({ part }) =>
        part.key.setId === set.id && part.key.extensionId === null && part.key.side === side,
    ),
  );
}

/** The performed sets as volume counts them: one per set, at the effort of the side closer to the limit. */
export function performedSets(
  plan: SessionPlan,
  log: RunLog,
  find: FindMovement,
): readonly CountedSet[] {
  return summarise(plan, log).flatMap(({ slot, parts }) => {
    const movement = find(slot.movement);
    if (movement === null) return [];
    const done = slot.sets.flatMap((set) => {
      const own = parts.flatMap(({ part }) => (part.key.setId === set.id ? [part] : []));
      const main = judgedParts(set, own);
      return main.length === 0 ? [] : [{ set, side: set.side, own, main }];
    });
    return perLeg(done).flatMap(({ set, own, main }) => {
      const extended = set.extensions.filter(({ id }) =>
        own.some(({ key }) => key.extensionId === id),
      );
      const counted: CountedSet = {
        movement,
        role: set.role,
        effort: closestToLimit(main.map(({ rir }) => rir)),
        extensions: extended.map(({ kind }) => kind),
      };
      // A total is done in as many sets as it took, a set with intervals is one.
      const times =
        set.target.kind === "total" ? new Set(main.map(({ key }) => key.ordinal)).size : 1;
      return Array.from({ length: times }, () => counted);
    });
  });
}

/** Hard sets performed so far in the session; unknown effort counts. */
export function hardSetsDone(plan: SessionPlan, log: RunLog, find: FindMovement): number {
  return hardSetCount(performedSets(plan, log, find));
}

/** Parts on sets that the plan no longer holds, after a change of the plan was taken into the session. */
export function unplannedParts(plan: SessionPlan, log: RunLog): readonly PerformedPart[] {
  const planned = new Set(slotsOf(plan).flatMap((slot) => slot.sets.map((set) => set.id)));
  return partsOf(log)
    .map(({ part }) => part)
    .filter((part) => !planned.has(part.key.setId));
}
