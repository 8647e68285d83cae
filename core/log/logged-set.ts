import { COMMAND_BOUNDS } from "./command-fields.ts";
import { z } from "zod";
import { assertNever, idField, massField, movementField, textWithin } from "../kernel/index.ts";
import { measureOf, rirField, setUpField, tempoField } from "../plan/index.ts";
import type { SetStep } from "../unroll/index.ts";
import { counted, helperField, milliseconds, wholeMetres } from "./command-fields.ts";
import { conditionsField, UNSAID_CONDITIONS } from "./conditions.ts";
import { limiterField, observationsField, UNSAID_OBSERVATIONS } from "./observations.ts";

/** The side that a logged set was done with. */
export const sideField = z.enum(["both", "left", "right"]);

const ordinal = z.number().int().min(0).max(1000);

/** A logged set's place in a plan: {@link StepKey}. */
export const stepKeyField = z
  .object({
    setId: idField("set"),
    extensionId: idField("extension").nullable(),
    round: ordinal,
    ordinal,
    side: sideField,
  })
  .readonly();

export const loggedSetField = z
  .object({
    id: idField("loggedSet"),
    slotId: idField("slot"),
    /** Its place in the pinned plan. */
    key: stepKeyField,
    stationVersion: idField("stationVersion"),
    /** The load as read on the station, and the plates hung per loading point where there are plates. */
    reading: massField.nullable(),
    platesHung: z.array(massField).max(40).readonly().nullable(),
    fullReps: counted.nullable(),
    partialReps: counted.nullable(),
    forcedReps: counted.nullable(),
    seconds: milliseconds.nullable(),
    steps: counted.nullable(),
    metres: wholeMetres.nullable(),
    rir: rirField,
    limiter: limiterField,
    note: textWithin(COMMAND_BOUNDS.setNote),
    // Devices of a version before say nothing of these.
    conditions: conditionsField.default(UNSAID_CONDITIONS),
    observed: observationsField.default(UNSAID_OBSERVATIONS),
  })
  .readonly();
/** What was done of a set or one of its extensions. Null is unknown, never zero. */
export type LoggedSet = z.output<typeof loggedSetField>;

/** The fields of a logged set that say how much was done; the others stay null. */
export type CountedField =
  "fullReps" | "partialReps" | "forcedReps" | "seconds" | "steps" | "metres";

/** A logged set of which nothing is known to be done. */
export const NOTHING_COUNTED: Pick<LoggedSet, CountedField> = {
  fullReps: null,
  partialReps: null,
  forcedReps: null,
  seconds: null,
  steps: null,
  metres: null,
};

/** Which field a step is logged in: by what its target counts, and what kind of reps it holds. */
export function countedField(step: Pick<SetStep, "kind" | "target" | "range">): CountedField {
  const measure = measureOf(step.target);
  switch (measure) {
    case "reps":
      return step.kind === "partials" || step.range !== "full"
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
export function loggedField(loggedSet: LoggedSet): CountedField {
  const fields = ["fullReps", "partialReps", "forcedReps", "seconds", "steps", "metres"] as const;
  return fields.find((field) => loggedSet[field] !== null) ?? "fullReps";
}

const newContext = z
  .object({
    slotId: idField("slot"),
    lineageId: idField("lineage"),
    movement: movementField,
    station: idField("station"),
    stationVersion: idField("stationVersion"),
    setUp: setUpField,
    tempo: tempoField,
    restSeconds: milliseconds.nullable(),
    /** Hard sets performed before this exercise in the session: its place in the order. */
    hardSetsBefore: z.number().int().min(0).max(1000),
    /** Gear, each with the 1-based set it was used from. Null is unknown; an empty list is none. */
    gear: z
      .array(
        z.object({ name: textWithin(60), fromSet: z.number().int().min(1).max(1000) }).readonly(),
      )
      .max(20)
      .readonly()
      .nullable(),
    helper: helperField,
    bodyWeight: massField.nullable(),
  })
  .readonly();
/** Contexts of the version before call the lineage `lineId`. */
export const contextField = z.preprocess((said: unknown) => {
  if (typeof said !== "object" || said === null || !("lineId" in said)) return said;
  const { lineId, ...context } = said;
  return { lineageId: lineId, ...context };
}, newContext);
/**
 * What makes a performed exercise comparable with another one. Recorded from the first day; "unknown" is
 * not "default".
 */
export type LogContext = z.output<typeof contextField>;
