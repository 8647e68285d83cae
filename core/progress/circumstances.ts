import type { Mass, Region } from "../kernel/index.ts";
import type { Loading } from "../gym/index.ts";
import type { FindMovement, SetUpParameter } from "../movement/index.ts";
import { rotationOf, type SessionPlan, type Slot } from "../plan/index.ts";
import { comparingFor, type Comparing } from "../log/index.ts";
import type { StrengthRules } from "./strength-rules.ts";

/** How a week of a phase is trained. */
export const WEEK_KINDS = ["normal", "light", "lighter", "test"] as const;
export type WeekKind = (typeof WEEK_KINDS)[number];

/** A week of training: its number in the phase, its kind, and how many weeks since the last lighter one. */
export interface TrainingWeek {
  readonly number: number;
  readonly kind: WeekKind;
  readonly sinceLighter: number | null;
}

/** The week that was trained, and the one that is planned. */
export interface Weeks {
  readonly trained: TrainingWeek;
  readonly next: TrainingWeek;
}

/** What is known where a line is judged. */
export interface Circumstances {
  /** The station as it is now. */
  readonly loading: Loading;
  readonly bodyWeight: Mass | null;
  /** While body weight is cut a load that is held is no stall. */
  readonly isHoldingSuccess: boolean;
  /** What is set up on the exercise, of which some may have an order of what is harder. */
  readonly parameters: readonly SetUpParameter[];
  /** What the coach said does not matter when its sessions are compared. */
  readonly comparing: readonly Comparing[];
  /** Where the exercise should be felt. */
  readonly feltIn: readonly Region[];
  readonly strength: StrengthRules;
  /** Null where there is no phase. */
  readonly weeks: Weeks | null;
  /** True in a superset or circuit, where the rests are the round's and not the sets' own. */
  readonly isRestShared: boolean;
}

/** What is known of a client, whatever exercise is judged. */
export interface ClientCircumstances extends Pick<
  Circumstances,
  "bodyWeight" | "isHoldingSuccess" | "strength" | "weeks"
> {
  /** What the coach said does not matter when sessions are compared, of any exercise. */
  readonly comparing: readonly Comparing[];
}

/** What is known where one exercise of a plan is judged, on equipment that is loaded like this. */
export function circumstancesOf(
  { slot, plan }: { readonly slot: Slot; readonly plan: SessionPlan },
  loading: Loading,
  find: FindMovement,
  { bodyWeight, isHoldingSuccess, strength, weeks, comparing }: ClientCircumstances,
): Circumstances {
  return {
    loading,
    bodyWeight,
    isHoldingSuccess,
    parameters: find(slot.movement)?.setUp ?? [],
    comparing: comparingFor(comparing, slot.movement, slot.station),
    feltIn: slot.feltIn,
    strength,
    weeks,
    isRestShared: rotationOf(plan, slot) !== null,
  };
}
