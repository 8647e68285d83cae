import { seconds, type Seconds } from "../kernel/index.ts";

/** Seconds that something adds to every repetition, and once to the set. */
export interface Added {
  readonly perRep: Seconds;
  readonly once: Seconds;
}

export const everyRep = (perRep: Seconds): Added => ({ perRep, once: seconds(0) });
export const onceOnly = (n: number): Added => ({ perRep: seconds(0), once: seconds(n) });
