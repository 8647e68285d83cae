import type { Count, Id, Mass, MovementRef } from "../kernel/index.ts";
import type { Station } from "../gym/index.ts";
import type { FindMovement } from "../movement/index.ts";
import type { PlannedSet } from "../plan/index.ts";
import type { Strength } from "./load-sources.ts";

/** What unrolling looks up. A missing station or movement is a plan from another gym: the load stays open. */
export interface UnrollContext {
  readonly movement: FindMovement;
  readonly station: (id: Id<"station">) => Station | null;
  readonly bodyWeight: Mass | null;
  /** The total of the heaviest work set last logged with a movement; null where none or unknown. */
  readonly lastTotal: (movement: MovementRef) => Mass | null;
  /** The reading of the first work set last logged with a movement at a station. */
  readonly lastReading: (movement: MovementRef, station: Id<"station">) => Mass | null;
  /** The total that is usually moved with a movement at a station for so many reps; null where nothing says. */
  readonly usualTotal: (movement: MovementRef, station: Id<"station">, reps: Count) => Mass | null;
  /** Where a movement was last logged; null where nowhere. */
  readonly lastStation: (movement: MovementRef) => Id<"station"> | null;
  /** What a trial came to in this training; null before and while it goes on. */
  readonly found: (trial: PlannedSet) => FoundLoad | null;
  /** True for a set that was trained in this training and fell short of its target; false before. */
  readonly fellShort: (set: PlannedSet) => boolean;
  /** What a set of so much for so many possible reps lets expect; null where that is no measure. */
  readonly strengthFrom: (total: Mass, possible: number) => Strength | null;
  /** What can be worked out from the estimated maximum there; null where there is none. */
  readonly strength: (movement: MovementRef, station: Id<"station">) => Strength | null;
}

/** A load that a trial found, and after how many tries. */
export interface FoundLoad {
  readonly reading: Mass;
  readonly tries: number;
}

/** These movements and stations, of a person of whom nothing is known but what is given. */
export function unrollContextOf(
  stations: readonly Station[],
  movement: FindMovement,
  known: Partial<Omit<UnrollContext, "movement" | "station">> = {},
): UnrollContext {
  const byId = new Map(stations.map((station) => [station.id, station]));
  return {
    movement,
    station: (id) => byId.get(id) ?? null,
    bodyWeight: null,
    lastTotal: () => null,
    lastReading: () => null,
    usualTotal: () => null,
    lastStation: () => null,
    found: () => null,
    fellShort: () => false,
    strengthFrom: () => null,
    strength: () => null,
    ...known,
  };
}
