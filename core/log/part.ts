import {
  type Id,
  type MovementRef,
  type Limiter,
  assertNever,
  type Count,
  type Mass,
  type Metres,
  type Seconds,
} from "../kernel/index.ts";
import { measureOf, type Rir, type SetUp, type Tempo } from "../plan/index.ts";
import type { PartKey, SetStep } from "../unroll/index.ts";

/** What was done in one part of a set. Null is unknown, never zero. */
export interface PerformedPart {
  readonly id: Id<"part">;
  readonly slotId: Id<"slot">;
  /** Its place in the pinned plan. */
  readonly key: PartKey;
  readonly stationVersion: Id<"stationVersion">;
  /** The load as read on the station, and the plates hung per loading point where there are plates. */
  readonly reading: Mass | null;
  readonly platesHung: readonly Mass[] | null;
  readonly fullReps: Count | null;
  readonly partialReps: Count | null;
  readonly forcedReps: Count | null;
  readonly seconds: Seconds | null;
  readonly steps: Count | null;
  readonly metres: Metres | null;
  readonly rir: Rir;
  readonly limiter: Limiter | null;
  readonly note: string;
}

/** The fields of a part that say how much was done; the others stay null. */
export type CountedField =
  "fullReps" | "partialReps" | "forcedReps" | "seconds" | "steps" | "metres";

/** A part of which nothing is known to be done. */
export const NOTHING_COUNTED: Pick<PerformedPart, CountedField> = {
  fullReps: null,
  partialReps: null,
  forcedReps: null,
  seconds: null,
  steps: null,
  metres: null,
};

/** Which field a step is logged in: by what its target counts, and what kind of reps it holds. */
export function countedField(step: Pick<SetStep, "kind" | "target">): CountedField {
  const measure = measureOf(step.target);
  switch (measure) {
    case "reps":
      return step.kind === "partials"
        ? "partialReps"
        : step.kind === "forced"
          ? "forcedReps"
          : "fullReps";
    case "seconds":
    case "steps":
    case "metres":
      return measure;
    default:
      return assertNever(measure);
  }
}

/** The field in which a set was logged: the first that holds anything, full repetitions where none does. */
export function loggedField(part: PerformedPart): CountedField {
  const fields = ["fullReps", "partialReps", "forcedReps", "seconds", "steps", "metres"] as const;
  return fields.find((field) => part[field] !== null) ?? "fullReps";
}

/** Who helped, if anybody: it decides what may be taken to the limit. */
export type Helper = "alone" | "partner" | "spotter" | "unknown";

/**
 * What makes a performed exercise comparable with another one. Recorded from the first day; "unknown" is
 * not "default".
 */
export interface LogContext {
  readonly slotId: Id<"slot">;
  readonly lineId: Id<"line">;
  readonly movement: MovementRef;
  readonly station: Id<"station">;
  readonly stationVersion: Id<"stationVersion">;
  readonly setUp: SetUp;
  readonly tempo: Tempo;
  readonly restSeconds: Seconds | null;
  /** Hard sets performed before this exercise in the session: its place in the order. */
  readonly hardSetsBefore: number;
  /** Gear, each with the 1-based set it was used from. Null is unknown; an empty list is none. */
  readonly gear: readonly { readonly name: string; readonly fromSet: number }[] | null;
  readonly helper: Helper;
  readonly bodyWeight: Mass | null;
}
