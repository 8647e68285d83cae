import { z } from "zod";
import { gearField, repRangeField, setUpField, tempoField } from "../plan/index.ts";
import { helperField, milliseconds } from "./command-fields.ts";

/** Under what conditions one set was really done. Null, and "unknown" for the helper: nobody said, which is not "as planned". */
export const conditionsField = z
  .object({
    /** Choices that were otherwise than planned, by parameter; what is not in it was as planned. */
    setUp: setUpField.nullable(),
    tempo: tempoField.nullable(),
    /** The part of the movement that its repetitions stayed in. */
    range: repRangeField.nullable(),
    /** Rest since the set before was logged, without the work of this one ({@link restTaken}). */
    restBefore: milliseconds.nullable(),
    /** What was worn; an empty list is nothing. */
    gear: gearField.nullable(),
    helper: helperField,
  })
  .readonly();
export type Conditions = z.output<typeof conditionsField>;

/** A set of which no condition was said. */
export const UNSAID_CONDITIONS: Conditions = {
  setUp: null,
  tempo: null,
  range: null,
  restBefore: null,
  gear: null,
  helper: "unknown",
};
