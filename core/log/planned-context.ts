import type { Id, Mass } from "../kernel/index.ts";
import {
  isHard,
  isPreparatory,
  OPEN_TEMPO,
  restSpan,
  rotationOf,
  tempoOf,
  type PlannedSet,
  type Rest,
  slotsOf,
  type SessionPlan,
  type Slot,
} from "../plan/index.ts";
import type { LogContext } from "./logged-set.ts";

/**
 * The context that a slot will have if it is trained as planned, with what only the day can tell unknown. In a
 * rotation the rest is the rotation's, since the sets' own is not taken there.
 */
export function plannedContext(
  plan: SessionPlan,
  slot: Slot,
  station: { readonly id: Id<"station">; readonly versionId: Id<"stationVersion"> },
  bodyWeight: Mass | null,
): LogContext {
  const slots = slotsOf(plan);
  const before = slots.slice(
    0,
    slots.findIndex((s) => s.id === slot.id),
  );
  const work = slot.sets.find((set) => !isPreparatory(set.role)) ?? slot.sets[0];
  return {
    slotId: slot.id,
    lineageId: slot.lineageId,
    movement: slot.movement,
    station: station.id,
    stationVersion: station.versionId,
    setUp: slot.setUp,
    tempo: work === undefined ? OPEN_TEMPO : tempoOf(work, slot.sets),
    restSeconds: work === undefined ? null : restSpan(restTaken(plan, slot, work)).likely,
    hardSetsBefore: before.flatMap((s) => s.sets).filter(isHard).length,
    gear: plannedGear(slot.sets),
    helper: "unknown",
    bodyWeight,
  };
}

/** What is to be worn, each from the first set that asks for it; unknown where no set says anything. */
function plannedGear(sets: readonly PlannedSet[]): LogContext["gear"] {
  const names = [...new Set(sets.flatMap(({ gear }) => gear))];
  if (names.length === 0) return null;
  return names.map((name) => ({
    name,
    fromSet: sets.findIndex(({ gear }) => gear.includes(name)) + 1,
  }));
}

/** The rest that follows a set of this slot: the rotation's after a member or a round, else the set's own. */
function restTaken(plan: SessionPlan, slot: Slot, work: PlannedSet): Rest {
  const rotation = rotationOf(plan, slot);
  if (rotation === null) return work.restAfter;
  return rotation.members.at(-1)?.id === slot.id ? rotation.restAfterRound : rotation.restBetween;
}
