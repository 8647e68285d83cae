import type { FindMovement } from "../movement/index.ts";
import {
  closestToLimit,
  slotsOf,
  type PlannedSet,
  type SessionPlan,
  type Slot,
  sidesOf,
} from "../plan/index.ts";
import { hardSetCount, isDensityBlock, perLeg, type CountedSet } from "../unroll/index.ts";
import { loggedSetsOf, performedOf, skipReason, type SaidSet, type SessionLog } from "./fold.ts";
import type { LoggedSet } from "./logged-set.ts";
import { judgedLoggedSets } from "./trial.ts";

/** Plan against what was done, for one exercise. */
export interface SlotSummary {
  readonly slot: Slot;
  readonly plannedSets: number;
  readonly doneSets: number;
  readonly loggedSets: readonly SaidSet[];
  readonly skipped: string | null;
}

/** Plan against what was done, exercise by exercise. A set with two sides is done when both are. */
export function summarise(plan: SessionPlan, log: SessionLog): readonly SlotSummary[] {
  const loggedSets = loggedSetsOf(log);
  return slotsOf(plan).map((slot) => {
    const own = loggedSets.filter(({ loggedSet }) => loggedSet.slotId === slot.id);
    return {
      slot,
      plannedSets: slot.sets.length,
      doneSets: slot.sets.filter((set) => isDone(set, own)).length,
      loggedSets: own,
      skipped: skipReason(log, slot.id),
    };
  });
}

function isDone(set: PlannedSet, loggedSets: readonly SaidSet[]): boolean {
  return sidesOf(set.side).every((side) =>
    loggedSets.some(
      ({ loggedSet }) =>
        loggedSet.key.setId === set.id &&
        loggedSet.key.extensionId === null &&
        loggedSet.key.side === side,
    ),
  );
}

/** The performed sets as volume counts them: one per set, at the effort of the side closer to the limit. */
export function performedSets(
  plan: SessionPlan,
  loggedSets: readonly LoggedSet[],
  find: FindMovement,
): readonly CountedSet[] {
  return slotsOf(plan).flatMap((slot) => {
    const movement = find(slot.movement);
    if (movement === null) return [];
    const done = slot.sets.flatMap((set) => {
      const own = loggedSets.filter(
        ({ slotId, key }) => slotId === slot.id && key.setId === set.id,
      );
      const main = judgedLoggedSets(set, own);
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
        isDense: isDensityBlock(slot.sets),
      };
      // A total is done in as many sets as it took, a set with intervals is one.
      const times =
        set.target.kind === "total" ? new Set(main.map(({ key }) => key.ordinal)).size : 1;
      return Array.from({ length: times }, () => counted);
    });
  });
}

/** Hard sets performed so far in the session; unknown effort counts. */
export function hardSetsDone(plan: SessionPlan, log: SessionLog, find: FindMovement): number {
  return hardSetCount(performedSets(plan, performedOf(log).loggedSets, find));
}

/** What was logged on sets that the plan no longer holds, after a change of the plan was taken into the session. */
export function unplannedSets(plan: SessionPlan, log: SessionLog): readonly LoggedSet[] {
  const planned = new Set(slotsOf(plan).flatMap((slot) => slot.sets.map((set) => set.id)));
  return loggedSetsOf(log)
    .map(({ loggedSet }) => loggedSet)
    .filter((loggedSet) => !planned.has(loggedSet.key.setId));
}
