import { ticksOf, type Mass } from "../kernel/index.ts";
import { totalMoved } from "../gym/index.ts";
import { repsLeft } from "../plan/index.ts";
import type { ExposedSet, Exposure } from "../log/index.ts";

/** What is taken for a reserve that neither was said nor asked for. */
const USUAL_RESERVE = 2;

/**
 * One number for what a session showed of a line, so that more load and more repetitions count alike: the mean,
 * over its sets, of the logarithm of the load times Epley's factor for the repetitions that were possible. A
 * difference of 0.01 is one per cent of strength. Where the total is unknown what is read stands for it; where
 * nothing is loaded, or something else than repetitions is counted, the amount alone. Null where no set says enough.
 * It compares sessions of one series, and is no estimate of a maximum: it does not end at 15 repetitions.
 * Source: our rule, docs/progression.md § Rate and stall, on Epley 1985.
 */
export function progressIndex(exposure: Exposure, bodyWeight: Mass | null): number | null {
  const values = exposure.sets.flatMap((set) => {
    const value = setIndex(set, exposure, bodyWeight);
    return value === null ? [] : [value];
  });
  return values.length === 0 ? null : values.reduce((sum, v) => sum + v, 0) / values.length;
}

/** As {@link progressIndex}, of one set. */
export function setIndex(
  set: ExposedSet,
  exposure: Exposure,
  bodyWeight: Mass | null,
): number | null {
  if (set.amount === null || set.amount <= 0 || set.reading === null) return null;
  const weight = exposure.context.bodyWeight ?? bodyWeight;
  const total = totalMoved(exposure.loading, set.reading, weight) ?? set.reading;
  const load = ticksOf(total) > 0 ? Math.log(ticksOf(total)) : 0;
  if (set.measure !== "reps") return load + Math.log(set.amount);
  const left = repsLeft(set.rir) ?? repsLeft(set.effortAsked) ?? USUAL_RESERVE;
  return load + Math.log(1 + (set.amount + left) / 30);
}
