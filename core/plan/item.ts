import {
  type Id,
  type MovementRef,
  type Region,
  type Count,
  type Seconds,
  assertNever,
} from "../kernel/index.ts";
import type { SideMode } from "./side.ts";
import type { Target } from "./target.ts";

/** How hard something is done that has no load: as felt out of ten, or by the heart. */
export type Intensity =
  | { readonly kind: "unsaid" }
  | { readonly kind: "felt"; readonly outOfTen: Count }
  | { readonly kind: "heartRate"; readonly min: Count; readonly max: Count };

export const DRILL_KINDS = [
  "pulseRaiser",
  "mobility",
  "preFatigue",
  "stretch",
  "steadyCardio",
  "intervals",
  "coolDown",
  "selfMassage",
] as const;
export type DrillKind = (typeof DRILL_KINDS)[number];

/** One thing to do in preparation, conditioning or restoration, or between two sets. Never a hard set. */
export interface Drill {
  readonly kind: DrillKind;
  readonly id: Id<"item">;
  readonly lineId: Id<"line">;
  /** What it is called where it is no movement of the catalogue; empty otherwise. */
  readonly name: string;
  readonly movement: MovementRef | null;
  readonly target: Target;
  readonly side: SideMode;
  readonly intensity: Intensity;
}

/** Feel whether a region is tight; only then do what it adds. */
export interface TightnessCheck {
  readonly kind: "tightnessCheck";
  readonly id: Id<"item">;
  readonly lineId: Id<"line">;
  readonly region: Region;
  readonly seconds: Seconds;
  readonly ifTight: Drill;
}

export type Item = Drill | TightnessCheck;

/** An item and what it may add, for whatever has to see every id. */
export function drillsOf(item: Item): readonly Item[] {
  switch (item.kind) {
    case "tightnessCheck":
      return [item, item.ifTight];
    case "pulseRaiser":
    case "mobility":
    case "preFatigue":
    case "stretch":
    case "steadyCardio":
    case "intervals":
    case "coolDown":
    case "selfMassage":
      return [item];
    default:
      return assertNever(item);
  }
}
