import type { MovementRef, MassUnit } from "../../kernel/index.ts";
import {
  isPreparatory,
  type PlannedSet,
  type Rest,
  type Rir,
  type SetRole,
  type SideMode,
  type TempoPhaseName,
} from "../index.ts";

/** What is meant where the line does not say it; the approach and the movement give it. */
export interface NotationDefaults {
  readonly effort: Rir;
  readonly rest: Rest;
  readonly side: SideMode;
}

/** What the written line stands in: unit, defaults, and the rest of the session that it may refer to. */
export interface NotationContext {
  /** The unit of a mass that is written without one: the station's. */
  readonly unit: MassUnit;
  readonly defaults: NotationDefaults;
  /** The phases in the order in which the four numbers of a short tempo say them. */
  readonly tempo: readonly TempoPhaseName[];
  /** The sets of every exercise of the session in order, and the place of this one among them. */
  readonly exercises: readonly (readonly PlannedSet[])[];
  readonly own: number;
  readonly nameOf: (movement: MovementRef) => string | null;
  readonly movementNamed: (name: string) => MovementRef | null;
}

/** The reserve of a set that says none: ramp and primer stay easy. */
export function effortOf(role: SetRole | null, defaults: NotationDefaults): Rir {
  return role !== null && isPreparatory(role) ? "more" : defaults.effort;
}

/** What "max" comes to where nobody said; only time is estimated from it. Source: our rule, docs/notation.md. */
export const LIKELY = 10;
export const TOTAL_SETS = 4;
export const TOTAL_PAUSE = 20;
export const INTERVAL_PAUSE = 30;
export const RECOVERY = 120;
export const TRIAL_TRIES = 3;
