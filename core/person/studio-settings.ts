import type { TempoOrder } from "../plan/index.ts";

/** By which names a studio calls muscles: a coach's everyday ones, or those of anatomy. */
export const MUSCLE_NAMINGS = ["coach", "latin"] as const;
export type MuscleNaming = (typeof MUSCLE_NAMINGS)[number];

/** What a studio sets for all of its coaches. */
export interface StudioSettings {
  readonly muscles: MuscleNaming;
  readonly tempoOrder: TempoOrder;
}

/** What a new studio begins with. */
export const FIRST_SETTINGS: StudioSettings = { muscles: "coach", tempoOrder: "eccentricFirst" };
