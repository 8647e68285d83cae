import {
  type Day,
  type Id,
  type MovementRef,
  compareMass,
  type Count,
  type Mass,
} from "../kernel/index.ts";
import { totalMoved, type Loading } from "../gym/index.ts";
import type { Rir } from "../plan/index.ts";
import type { PainRecord } from "./fold.ts";
import type { LogContext } from "./part.ts";

/** One performed work set as progression judges it. */
export interface ExposedSet {
  readonly reading: Mass | null;
  readonly reps: Count | null;
  readonly rir: Rir;
  readonly range: { readonly min: Count; readonly max: Count };
  readonly effortAsked: Rir;
}

/** One session of one exercise: what progression looks back on. */
export interface Exposure {
  readonly runId: Id<"run">;
  readonly day: Day;
  readonly context: LogContext;
  readonly loading: Loading;
  readonly sets: readonly ExposedSet[];
  readonly setsPlanned: number;
  readonly pains: readonly PainRecord[];
}

/** Names a movement at a station, for maps of what was done there last. */
export function lastKey(movement: MovementRef, station: Id<"station">): string {
  return `${movement} ${station}`;
}

/** The total of the heaviest work set of an exposure; null where a reading or a total is unknown. */
export function heaviestTotal(exposure: Exposure, bodyWeight: Mass | null): Mass | null {
  return exposure.sets.reduce<Mass | null>((best, { reading }) => {
    const total = reading && totalMoved(exposure.loading, reading, bodyWeight);
    if (total === null) return best;
    return best === null || compareMass(total, best) > 0 ? total : best;
  }, null);
}
