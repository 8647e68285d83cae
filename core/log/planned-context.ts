import type { Id } from "../kernel/index.ts";
import {
  isHard,
  isPreparatory,
  OPEN_TEMPO,
  restSpan,
  slotsOf,
  type SessionPlan,
  type Slot,
} from "../plan/index.ts";
import type { LogContext } from "./part.ts";

/** The context that a slot will have if it is trained as planned, with what only the day can tell unknown. */
export function plannedContext(
  plan: SessionPlan,
  slot: Slot,
  station: { readonly id: Id<"station">; readonly versionId: Id<"stationVersion"> },
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
    tempo: work?.tempo ?? OPEN_TEMPO,
    restSeconds: work === undefined ? null : restSpan(work.restAfter).likely,
    hardSetsBefore: before.flatMap((s) => s.sets).filter(isHard).length,
    gear: null,
    helper: "unknown",
    bodyWeight: null,
  };
}
