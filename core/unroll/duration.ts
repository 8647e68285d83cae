import {
  type Id,
  addDurations,
  NO_TIME,
  seconds,
  type Duration,
  type Seconds,
} from "../kernel/index.ts";
import { piecesHandled } from "../gym/index.ts";
import { isSetStep, type SetStep, type Step } from "./step.ts";

/** Our starting values until a person's own logged sessions calibrate them. Source: docs/arithmetic.md § Time. */
const PER_PIECE: Duration = { low: seconds(4), likely: seconds(6), high: seconds(9) };
const GET_READY: Duration = { low: seconds(5), likely: seconds(10), high: seconds(20) };
const NEW_STATION: Duration = { low: seconds(45), likely: seconds(90), high: seconds(180) };
const BACK_AT_STATION: Duration = { low: seconds(5), likely: seconds(12), high: seconds(30) };

/**
 * Duration of each step with the wait behind it; their sum is the session's. Plates are changed and stations
 * reached during the rest before, so of those and resting only the longer one takes time. What is done within
 * a rest takes time only as far as it is longer than that rest. The rest after the last step does not count, so
 * what is done within it counts whole.
 */
export function stepDurations(steps: readonly Step[]): readonly Duration[] {
  let rest: Duration | null = null;
  const lastAt = steps.findLastIndex((step) => !isBetween(step));
  return steps.map((step, i) => {
    const before: Duration = rest ?? NO_TIME;
    const own = (level: keyof Duration): Seconds => {
      const work = workAt(step, level);
      if (isBetween(step)) return seconds(Math.max(0, work - before[level]));
      const handling = isSetStep(step) ? handlingAt(step, level) : 0;
      const ready = isReady(step) ? GET_READY[level] : 0;
      const wait = i === lastAt ? 0 : step.restAfter[level];
      return seconds(Math.max(0, handling - before[level]) + ready + work + wait);
    };
    const duration = ordered(own("low"), own("likely"), own("high"));
    rest = i >= lastAt ? NO_TIME : isBetween(step) ? left(before, step) : step.restAfter;
    return duration;
  });
}

/** A long rest hides more of what is done within it, so that a case can come out beyond the likely one. */
function ordered(low: Seconds, likely: Seconds, high: Seconds): Duration {
  return { low: low > likely ? likely : low, likely, high: high < likely ? likely : high };
}

/** Getting ready comes before a set, but not before each of its intervals, which follow by the clock. */
const isReady = (step: Step) =>
  step.kind === "set" && (step.target.kind !== "intervals" || step.key.ordinal === 0);

const isBetween = (step: Step) => step.kind === "item" && step.phase === "between";

/** What of a rest is left after something was done within it. */
function left(rest: Duration, step: Step): Duration {
  const at = (level: keyof Duration) => seconds(Math.max(0, rest[level] - workAt(step, level)));
  return { low: at("low"), likely: at("likely"), high: at("high") };
}

function workAt(step: Step, level: keyof Duration): number {
  const { min, max } = step.workSeconds;
  return level === "low" ? min : level === "high" ? max : (min + max) / 2;
}

function handlingAt(step: SetStep, level: keyof Duration): number {
  const pieces = step.change === null ? 0 : piecesHandled(step.change);
  const arrival =
    step.arrival === null ? NO_TIME : step.arrival === "first" ? NEW_STATION : BACK_AT_STATION;
  return pieces * PER_PIECE[level] + arrival[level];
}

/** Duration of a whole session from its steps: the sum of its steps, nothing else. */
export function sessionDuration(steps: readonly Step[]): Duration {
  return addDurations(NO_TIME, ...stepDurations(steps));
}

/** Duration per slot; with that of the items of their own blocks they add up to the session's. */
export function slotDurations(steps: readonly Step[]): ReadonlyMap<Id<"slot">, Duration> {
  const bySlot = new Map<Id<"slot">, Duration>();
  const durations = stepDurations(steps);
  steps.forEach((step, i) => {
    if (step.slotId === null) return;
    const own = durations[i] ?? NO_TIME;
    bySlot.set(step.slotId, addDurations(bySlot.get(step.slotId) ?? NO_TIME, own));
  });
  return bySlot;
}
