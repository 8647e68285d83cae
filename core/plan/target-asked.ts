import { count, seconds, type Count, type Seconds } from "../kernel/index.ts";

/** What of a logged set a target counts. */
export type Measure = "reps" | "seconds" | "steps" | "metres";

/** How much a target asks for in one go, in what it counts. */
export interface Asked {
  readonly measure: Measure;
  readonly min: number;
  readonly max: number;
}

export const exactly = (measure: Measure, n: number): Asked => ({ measure, min: n, max: n });

/** What has to be reached: null where no number is asked for, as at an open end. */
export interface Demand {
  readonly least: number | null;
  /** The top of a range, or the least itself where it is one number; null above an open end. */
  readonly most: number | null;
}

export const demanding = (n: number): Demand => ({ least: n, most: n });
/** Nothing has to be reached. */
export const demanded = (): Demand => ({ least: null, most: null });

/** How often something is repeated within its set, and the pause between. */
export interface Repeats {
  readonly times: Count;
  readonly pause: Seconds;
}

const ONCE: Repeats = { times: count(1), pause: seconds(0) };
/** Done once, as most targets are. */
export const repeated = (): Repeats => ONCE;
