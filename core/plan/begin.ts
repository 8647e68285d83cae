import {
  count,
  degrees,
  kg,
  lb,
  metres,
  seconds,
  share,
  type Count,
  type Mass,
  type MovementRef,
  assertNever,
} from "../kernel/index.ts";
import type { Accent } from "./accent.ts";
import type { DropLoad, HoldPosition } from "./extension.ts";
import type { LoadRule } from "./load-rule.ts";
import type { PlannedSet } from "./plan.ts";
import type { Rest } from "./rest.ts";
import { measureOf, type Target } from "./target.ts";

export const TARGET_KINDS = [
  "reps",
  "limit",
  "seconds",
  "steps",
  "metres",
  "total",
  "intervals",
  "untilForm",
  "afterBurn",
] as const satisfies readonly Target["kind"][];

/** A target of another kind as coaches usually begin with it; reps go over where both count them. */
export function targetOfKind(kind: Target["kind"], from: Target): Target {
  if (kind === from.kind) return from;
  const reps = repsIn(from);
  switch (kind) {
    case "reps":
      return { kind, min: reps, max: reps };
    case "limit":
      return { kind, atLeast: null, likely: reps };
    case "seconds":
      return { kind, min: seconds(30), max: seconds(30) };
    case "steps":
      return { kind, steps: count(20), counted: "inAll", outAndBack: false };
    case "metres":
      return { kind, metres: metres(20), outAndBack: false };
    case "total":
      return { kind, of: "reps", amount: count(50), likelySets: count(4), pause: seconds(60) };
    case "intervals":
      return { kind, work: seconds(30), pause: seconds(30), rounds: count(8) };
    case "untilForm":
      return { kind, criterion: "depthCut", likely: reps };
    case "afterBurn":
      return { kind, reps: count(10), likely: count(20) };
    default:
      return assertNever(kind);
  }
}

function repsIn(target: Target): Count {
  if (target.kind === "reps") return target.max;
  return "likely" in target && measureOf(target) === "reps" ? target.likely : count(10);
}

export const REST_KINDS = [
  "fixed",
  "range",
  "atMost",
  "breath",
  "heartRate",
  "partner",
] as const satisfies readonly Rest["kind"][];

/** A rest of another kind, of about the same length. */
export function restOfKind(kind: Rest["kind"], from: Rest): Rest {
  const likely = "likely" in from ? from.likely : from.kind === "range" ? from.max : from.seconds;
  switch (kind) {
    case "fixed":
    case "atMost":
      return { kind, seconds: likely };
    case "range":
      return { kind, min: likely, max: seconds(likely + 60) };
    case "breath":
    case "partner":
      return { kind, likely };
    case "heartRate":
      return { kind, below: count(110), likely };
    default:
      return assertNever(kind);
  }
}

export const ACCENT_KINDS = [
  "deadStop",
  "secondSqueeze",
  "slowLastRep",
] as const satisfies readonly Accent["kind"][];

/** An accent as coaches usually begin with it. */
export function accentOfKind(kind: Accent["kind"]): Accent {
  switch (kind) {
    case "deadStop":
    case "secondSqueeze":
      return { kind, seconds: seconds(1) };
    case "slowLastRep":
      return { kind, phase: "lower", seconds: seconds(6) };
    default:
      return assertNever(kind);
  }
}

export const LOAD_KINDS = [
  "absolute",
  "open",
  "shareOfSet",
  "stepsFromSet",
  "shareOfMaximum",
  "shareOfMovement",
  "fromLast",
  "byEffort",
  "bodyWeight",
  "trial",
  "fallback",
] as const satisfies readonly LoadRule["kind"][];

/** What a load rule of another kind can begin from. */
export interface LoadBeginning {
  /** What the set comes to now, or the lightest of the station; null where nothing can be made. */
  readonly reading: Mass | null;
  readonly unit: Mass["unit"];
  /** The sets before it in its exercise. */
  readonly before: readonly PlannedSet[];
  readonly movement: MovementRef;
}

/** A load rule of another kind as coaches usually begin with it; null where there is nothing to begin from. */
export function loadOfKind(kind: LoadRule["kind"], from: LoadBeginning): LoadRule | null {
  const { reading, before } = from;
  const first = before.find((set) => set.role === "top") ?? before.at(0);
  switch (kind) {
    case "open":
    case "byEffort":
      return { kind };
    case "absolute":
      return reading && { kind, reading };
    case "trial":
      return reading && { kind, from: reading, steps: count(1), tries: count(3) };
    case "fallback":
      return reading && { kind, reading, then: [reading] };
    case "shareOfSet":
      return first === undefined ? null : { kind, set: first.id, part: null, share: share(0.8) };
    case "stepsFromSet": {
      const last = before.at(-1);
      return last === undefined ? null : { kind, set: last.id, steps: -1 };
    }
    case "shareOfMaximum":
      return { kind, share: share(0.75) };
    case "shareOfMovement":
      return { kind, movement: from.movement, share: share(0.5) };
    case "fromLast":
      return { kind, steps: 0 };
    case "bodyWeight":
      return { kind, by: "plus", mass: from.unit === "kg" ? kg(10) : lb(20) };
    default:
      return assertNever(kind);
  }
}

export const DROP_KINDS = [
  "share",
  "strip",
  "steps",
  "reading",
  "bodyweight",
] as const satisfies readonly DropLoad["kind"][];

/**
 * What a drop goes down to, of another kind, as coaches usually begin with it. `reading` is what the drop comes
 * to now; null, where it comes to nothing, leaves no load to begin with.
 */
export function dropLoadOfKind(kind: DropLoad["kind"], reading: Mass | null): DropLoad | null {
  switch (kind) {
    case "share":
      return { kind, of: "current", share: share(0.8) };
    case "strip":
      return { kind, plates: count(1) };
    case "steps":
      return { kind, steps: count(1) };
    case "reading":
      return reading && { kind, reading };
    case "bodyweight":
      return { kind };
    default:
      return assertNever(kind);
  }
}

export const HOLD_KINDS = [
  "stretched",
  "shortened",
  "angle",
] as const satisfies readonly HoldPosition["kind"][];

/** Where a joint is held; an angle begins halfway. */
export function holdOfKind(kind: HoldPosition["kind"]): HoldPosition {
  return kind === "angle" ? { kind, degrees: degrees(90) } : { kind };
}
