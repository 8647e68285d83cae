import {
  applied,
  assertNever,
  count,
  kindsOf,
  seconds,
  unionOf,
  type Count,
  type FamilyOf,
  type Seconds,
} from "../kernel/index.ts";
import type { SideMode } from "./side.ts";
import type { Asked, Demand, Measure, Repeats } from "./target-asked.ts";
import * as afterBurn from "./target/after-burn.ts";
import * as intervals from "./target/intervals.ts";
import * as limit from "./target/limit.ts";
import * as metres from "./target/metres.ts";
import * as reps from "./target/reps.ts";
import * as repsUntil from "./target/reps-until.ts";
import * as timed from "./target/seconds.ts";
import * as strides from "./target/strides.ts";
import * as total from "./target/total.ts";
import * as untilForm from "./target/until-form.ts";

export type { Demand, Measure } from "./target-asked.ts";

/** The kinds of targets; the only list of them. */
export const TARGETS = {
  reps,
  repsUntil,
  limit,
  seconds: timed,
  steps: strides,
  metres,
  total,
  intervals,
  untilForm,
  afterBurn,
} as const;

/**
 * What a set or an extension of it asks for. Reps and steps are per side wherever a side is named. Where the end is
 * open (`limit`, `untilForm`, `afterBurn`, `total`) `likely` says what the coach expects; time is estimated
 * from it, nothing else.
 */
export type Target = FamilyOf<typeof TARGETS>;
export const TARGET_KINDS = kindsOf(TARGETS);
export const targetField = unionOf(TARGETS);

/** A target of another kind as coaches usually begin with it; reps go over where both count them. */
export function targetOfKind(kind: Target["kind"], from: Target): Target {
  return kind === from.kind ? from : TARGETS[kind].begin(repsIn(from));
}

function repsIn(target: Target): Count {
  const range = repsAsked(target);
  if (range !== null) return range.max;
  return "likely" in target && measureOf(target) === "reps" ? target.likely : count(10);
}

/** The range of repetitions that a target asks for; null where the end is open or something else is counted. */
export function repsAsked(target: Target): { readonly min: Count; readonly max: Count } | null {
  return target.kind === "reps" || target.kind === "repsUntil"
    ? { min: target.min, max: target.max }
    : null;
}

/** What is counted while this target is worked on. */
export function measureOf(target: Target): Measure {
  return applied(TARGETS, "asked", target).measure;
}

/**
 * How much a target asks for in one go, in what {@link measureOf} it counts: reps or steps (per side where a
 * side is named), seconds, or metres. Ways out and back are counted both ways.
 */
export function amountAsked(target: Target): Asked {
  return applied(TARGETS, "asked", target);
}

/** What of a target has to be reached, over all of the set, in what {@link measureOf} it counts. */
export function demandOf(target: Target): Demand {
  return applied(TARGETS, "demanded", target);
}

/** How often a target is repeated within its set, and the pause between; once for most. */
export function repeatsOf(target: Target): Repeats {
  return applied(TARGETS, "repeated", target);
}

/** Walking under load covers about this much in a second. Source: our rule, docs/arithmetic.md § Time. */
const METRES_PER_SECOND = 1;

/**
 * Seconds of work that a target comes to in one go, at so many seconds for each repetition or step. Alternating
 * reps are per side, so they take twice as long; steps are counted for both legs already.
 */
export function workOf(
  target: Target,
  perRepSeconds: number,
  side: SideMode,
): { readonly min: Seconds; readonly max: Seconds } {
  const { measure, min, max } = amountAsked(target);
  const legs = side.kind === "alternating" ? 2 : 1;
  const each = secondsEach(measure, perRepSeconds, legs);
  return { min: seconds(min * each), max: seconds(max * each) };
}

function secondsEach(measure: Measure, perRepSeconds: number, legs: 1 | 2): number {
  switch (measure) {
    case "reps":
      return perRepSeconds * legs;
    case "steps":
      return perRepSeconds;
    case "seconds":
      return 1;
    case "metres":
      return 1 / METRES_PER_SECOND;
    default:
      return assertNever(measure);
  }
}
