import { z } from "zod";
import { MUSCLE_LENGTHS, type MuscleLength } from "../kernel/index.ts";

/** The part of the movement that every repetition of a set stays in: all of it, or short reps at one place. */
export const REP_RANGES = ["full", ...MUSCLE_LENGTHS] as const satisfies readonly (
  "full" | MuscleLength
)[];
export type RepRange = (typeof REP_RANGES)[number];
export const repRangeField = z.enum(REP_RANGES);
