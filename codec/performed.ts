import { z } from "zod";
import {
  JOINTS,
  LIMITERS,
  count,
  metres,
  seconds,
  type Count,
  type Metres,
  type Seconds,
  massField,
} from "~/core/kernel/index.ts";
import { RIR_VALUES, type Rir, rirField } from "~/core/plan/index.ts";

/** Reps in reserve as a short text column. */
export function rirToColumn(rir: Rir): string {
  return String(rir);
}

export const rirColumn = z
  .string()
  .transform((text) => RIR_VALUES.find((value) => String(value) === text))
  .pipe(rirField);

export const countColumn = z
  .number()
  .nullable()
  .transform((n): Count | null => (n === null ? null : count(n)));

export const metresColumn = z
  .number()
  .nullable()
  .transform((n): Metres | null => (n === null ? null : metres(n)));

/** Durations are stored as whole milliseconds. */
export const millisecondsColumn = z
  .number()
  .nullable()
  .transform((n): Seconds | null => (n === null ? null : seconds(n / 1000)));

export const sideColumn = z.enum(["both", "left", "right"]);
export const limiterColumn = z.enum(LIMITERS).nullable();
export const jointColumn = z.enum(JOINTS);
export const helperColumn = z.enum(["alone", "partner", "spotter", "unknown"]);
export const platesColumn = z.array(massField).nullable();
export const setUpColumn = z.record(z.string(), z.string());
export const gearColumn = z.array(z.object({ name: z.string(), fromSet: z.number() })).nullable();
