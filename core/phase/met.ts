import {
  count,
  metres,
  sameReading,
  seconds,
  type Day,
  type Id,
  type Mass,
  type NewId,
} from "../kernel/index.ts";
import type { Station } from "../gym/index.ts";
import { demandOf, measureOf, slotsOf, type SessionPlan, type Slot } from "../plan/index.ts";
import {
  countedField,
  exposureOf,
  lastKey,
  NOTHING_COUNTED,
  plannedContext,
  UNSAID_CONDITIONS,
  UNSAID_OBSERVATIONS,
  type Exposure,
  type LoggedSet,
  type Series,
} from "../log/index.ts";
import { unroll, isSetStep, type SetStep, type UnrollContext } from "../unroll/index.ts";

/** A session that is to come, as it would be logged. */
interface Coming {
  readonly id: Id<"sessionLog">;
  readonly on: Day;
  readonly plan: SessionPlan;
}

/**
 * What history would hold of a session if every target in it were met, under the conditions of last time: what is
 * asked, and in a range one repetition more than last time at that load, up to its top. By `lastKey`.
 * Source: our rule, docs/phases.md § Projection.
 */
export function asMet(
  { id, on, plan }: Coming,
  series: Series,
  context: UnrollContext,
  newId: NewId,
): ReadonlyMap<string, Exposure> {
  const steps = unroll(plan, context).filter(isSetStep);
  return new Map(
    slotsOf(plan).flatMap((slot): readonly (readonly [string, Exposure])[] => {
      const station = context.station(slot.station);
      if (station === null) return [];
      const key = lastKey(slot.movement, slot.station);
      const last = series.get(key)?.at(-1) ?? null;
      const loggedSets = steps
        .filter(({ slotId }) => slotId === slot.id)
        .map((step) => metSet(step, slot, station, last, newId));
      const planned = plannedContext(plan, slot, station, context.bodyWeight);
      const own = last === null ? planned : { ...planned, ...asLast(last) };
      const performed = { loggedSets, contexts: [own], pains: [] };
      const exposure = exposureOf({ id, day: on, readiness: null }, slot, performed, station);
      return exposure === null ? [] : [[key, exposure]];
    }),
  );
}

/** What of the conditions a plan says nothing of. */
function asLast({ context: { helper, gear, bodyWeight } }: Exposure) {
  return { helper, gear, bodyWeight };
}

function metSet(
  step: SetStep,
  slot: Slot,
  { versionId }: Station,
  last: Exposure | null,
  newId: NewId,
): LoggedSet {
  const reading = step.load.kind === "made" ? step.load.reading : null;
  const before = lastAt(last, step, slot, reading);
  return {
    id: newId(),
    slotId: slot.id,
    key: step.key,
    stationVersion: versionId,
    reading,
    platesHung: null,
    ...NOTHING_COUNTED,
    [countedField(step)]: counted(step, before),
    rir: step.effort,
    limiter: null,
    note: "",
    conditions: UNSAID_CONDITIONS,
    observed: { ...UNSAID_OBSERVATIONS, faults: [] },
  };
}

/** How much the same set was done for last time, where it was at this load; else null. */
function lastAt(
  last: Exposure | null,
  { key, kind }: SetStep,
  slot: Slot,
  reading: Mass | null,
): number | null {
  if (last === null || kind !== "set" || reading === null) return null;
  const own = slot.sets.find(({ id }) => id === key.setId);
  const place = slot.sets
    .filter(({ line }) => line === own?.line)
    .findIndex((s) => s.id === own?.id);
  const before = last.sets.filter(({ line }) => line === own?.line);
  const at = before[Math.min(place, before.length - 1)];
  return at?.reading != null && sameReading(at.reading, reading) ? at.amount : null;
}

/** As much as meets the target. */
function counted({ target }: SetStep, before: number | null) {
  const { least, most } = demandOf(target);
  // Where nothing has to be reached, nothing is said; one repetition was done at least.
  const from = least ?? 1;
  const amount = before === null ? from : Math.min(most ?? from, Math.max(from, before + 1));
  switch (measureOf(target)) {
    case "reps":
    case "steps":
      return count(Math.round(amount));
    case "seconds":
      return seconds(amount);
    case "metres":
      return metres(amount);
  }
}
