import { seconds, type Duration, type Seconds } from "../kernel/index.ts";

/** A time that is likely, with the shares of it that the short and the long case take. */
export function driftOf(likely: Seconds, low: number, high: number): Duration {
  return { low: seconds(likely * low), likely, high: seconds(likely * high) };
}

/** A rest that ends by recovery or by a partner varies widely. Source: our rule, docs/arithmetic.md § Time. */
export const untilRecovered = (likely: Seconds): Duration => driftOf(likely, 0.6, 1.6);
