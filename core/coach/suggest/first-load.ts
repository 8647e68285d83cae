import {
  count,
  massFromTicks,
  sameReading,
  ticksOf,
  timesTicks,
  type Count,
  type Mass,
} from "../../kernel/index.ts";
import { allLoads, loadForTotal, totalMoved, type Station } from "../../gym/index.ts";
import type { Movement } from "../../movement/index.ts";
import { repsAsked, type Target } from "../../plan/index.ts";
import type { Judging } from "../judged.ts";
import { hasLoads } from "../brings.ts";
import { ONE_LEG_SHARE, type FirstLoad } from "../search/index.ts";

/** The load that a suggested exercise begins with, and where it comes from. */
export type SuggestedLoad =
  | FirstLoad
  /** For so many reps, worked out from what was logged there. */
  | { readonly kind: "estimated"; readonly reading: Mass; readonly reps: Count }
  /** Nothing is added: the body alone, the floor, the lightest band. */
  | { readonly kind: "bare"; readonly reading: Mass };

/**
 * What an exercise begins with at its equipment, for the reps asked: what was logged there last, or what that comes to for so many reps;
 * what a stated relation to a logged exercise gives; nothing to load where nothing much can be; or else a set that
 * finds it.
 */
export function suggestedLoad(
  movement: Movement,
  station: Station,
  target: Target,
  { catalogue, unrollContext: context }: Judging,
): SuggestedLoad {
  const { loading } = station;
  const made = (total: Mass | null, towards?: "easier") =>
    total === null ? null : loadForTotal(loading, total, context.bodyWeight, towards);
  const last = context.lastReading(movement.ref, station.id);
  if (last !== null) {
    const asked = repsAsked(target);
    const reps = asked === null ? null : count(Math.round((asked.min + asked.max) / 2));
    const usual = reps === null ? null : context.usualTotal(movement.ref, station.id, reps);
    const reading = made(usual)?.reading ?? last;
    return reps === null || sameReading(reading, last)
      ? { kind: "logged", reading: last }
      : { kind: "estimated", reading, reps };
  }
  if (!hasLoads(station)) {
    const [lightest] = allLoads(loading);
    if (lightest !== undefined) return { kind: "bare", reading: lightest.reading };
  }
  const onBothLegs =
    movement.laterality !== "oneLeg"
      ? undefined
      : catalogue.find(
          (own) =>
            own.pattern === movement.pattern &&
            own.laterality === "twoLegs" &&
            context.lastReading(own.ref, station.id) !== null,
        );
  const both = onBothLegs && context.lastReading(onBothLegs.ref, station.id);
  const total = both == null ? null : totalMoved(loading, both, context.bodyWeight);
  const share =
    total === null
      ? null
      : massFromTicks(timesTicks(ticksOf(total), ONE_LEG_SHARE), loading.unit, "down");
  const related = made(share, "easier");
  return related === null
    ? { kind: "calibrate" }
    : { kind: "related", reading: related.reading, share: ONE_LEG_SHARE };
}
