import {
  type Id,
  type MuscleLength,
  seconds,
  type Count,
  type Degrees,
  type Mass,
  type Seconds,
  type Share,
  assertNever,
} from "../kernel/index.ts";
import type { SetUp } from "./set-up.ts";
import type { Target } from "./target.ts";

/** What a drop goes down to. Shares are of the total moved. */
export type DropLoad =
  /** Of the set's first load, or of the load just used. */
  | { readonly kind: "share"; readonly of: "first" | "current"; readonly share: Share }
  /** So many of the outermost plates off each loading point. */
  | { readonly kind: "strip"; readonly plates: Count }
  /** So many of the station's own steps down: pins, pairs, smallest plates. */
  | { readonly kind: "steps"; readonly steps: Count }
  | { readonly kind: "reading"; readonly reading: Mass }
  /** No added load at all. */
  | { readonly kind: "bodyweight" };

/** Where a joint is held: at an end of the range, or at an angle in between. */
export type HoldPosition =
  | { readonly kind: "stretched" }
  | { readonly kind: "shortened" }
  | { readonly kind: "angle"; readonly degrees: Degrees };

/**
 * What happens at the end of a set, in order. One `drop` is one lighter load, so a chain of three drops has
 * four loads. The parts after a drop use the load that it left.
 */
export type Extension = { readonly id: Id<"extension">; readonly lineId: Id<"line"> } & (
  | {
      readonly kind: "drop";
      readonly to: DropLoad;
      readonly target: Target;
      readonly restBefore: Seconds;
    }
  /** Near the limit, a short pause, again; as often as there are pauses. */
  | {
      readonly kind: "restPause";
      readonly pauses: Count;
      readonly pause: Seconds;
      readonly target: Target;
    }
  /** Small groups of reps with a pause before each, at a multiple of the set's first load. */
  | {
      readonly kind: "cluster";
      readonly groups: Count;
      readonly pause: Seconds;
      readonly multiple: Share;
      readonly target: Target;
    }
  /** Reps over part of the range, where the muscle has this length. */
  | { readonly kind: "partials"; readonly where: MuscleLength; readonly target: Target }
  | { readonly kind: "forced"; readonly by: "self" | "partner"; readonly target: Target }
  /** Another position within the set; its target's lower end is the least that counts. */
  | { readonly kind: "positionChange"; readonly setUp: SetUp; readonly target: Target }
  | { readonly kind: "endHold"; readonly at: HoldPosition; readonly seconds: Seconds }
  /** So many breaths in a safe position with the load taken, then more reps. */
  | { readonly kind: "breather"; readonly breaths: Count; readonly target: Target }
);

export type ExtensionKind = Extension["kind"];

export const EXTENSION_KINDS = [
  "drop",
  "restPause",
  "cluster",
  "partials",
  "forced",
  "positionChange",
  "endHold",
  "breather",
] as const satisfies readonly ExtensionKind[];

/** One deep breath under load takes about this long. Source: our rule, docs/arithmetic.md § Time. */
const BREATH_SECONDS = 4;

/** How often an extension's part is done, the wait before each, and what each asks for. */
export function partsOf(extension: Extension): {
  readonly times: number;
  readonly restBefore: Seconds;
  readonly target: Target;
} {
  switch (extension.kind) {
    case "drop":
      return { times: 1, restBefore: extension.restBefore, target: extension.target };
    case "restPause":
      return { times: extension.pauses, restBefore: extension.pause, target: extension.target };
    case "cluster":
      return { times: extension.groups, restBefore: extension.pause, target: extension.target };
    case "partials":
    case "forced":
    case "positionChange":
      return { times: 1, restBefore: seconds(0), target: extension.target };
    case "endHold":
      return {
        times: 1,
        restBefore: seconds(0),
        target: { kind: "seconds", min: extension.seconds, max: extension.seconds },
      };
    case "breather":
      return {
        times: 1,
        restBefore: seconds(extension.breaths * BREATH_SECONDS),
        target: extension.target,
      };
    default:
      return assertNever(extension);
  }
}
