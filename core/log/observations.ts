import { z } from "zod";
import { FAULTS, LIMITERS, REGIONS, STICKING_POINTS } from "../kernel/index.ts";
import { milliseconds } from "./command-fields.ts";

const seenFault = z
  .object({
    fault: z.enum(FAULTS),
    /** The first repetition that had it, from 1; null where nobody counted. */
    fromRep: z.number().int().min(1).max(1000).nullable(),
  })
  .readonly();

/** What was seen and felt in one set. Null: nobody said, which is not "nothing". */
export const observationsField = z
  .object({
    /** Faults that were seen, each once; an empty list is a clean set. */
    faults: z
      .array(seenFault)
      .max(FAULTS.length)
      .refine(
        (seen) => new Set(seen.map(({ fault }) => fault)).size === seen.length,
        "expected each fault once",
      )
      .readonly()
      .nullable(),
    /** How long its holds were really held, in all. */
    held: milliseconds.nullable(),
    /** Where it was felt most. */
    feltIn: z.enum(REGIONS).nullable(),
    /** Where the last repetition stuck. */
    stuckAt: z.enum(STICKING_POINTS).nullable(),
  })
  .readonly();
export type Observations = z.output<typeof observationsField>;
export type SeenFault = z.output<typeof seenFault>;

/** A set of which nobody said what was seen or felt. */
export const UNSAID_OBSERVATIONS: Observations = {
  faults: null,
  held: null,
  feltIn: null,
  stuckAt: null,
};

/** What gave out first in a set, or null where nobody said. */
export const limiterField = z.enum(LIMITERS).nullable();
