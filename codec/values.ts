import { z } from "zod";
import { count, isDay, isTimeZone, metres, seconds, type Day } from "~/core/kernel/index.ts";

/** The revision that an edit started from; what the column holds. */
export const revisionCodec = z.number().int().min(1).max(1_000_000_000);

export const countCodec = z.number().int().min(0).max(1000).transform(count);
/** Seconds up to a day. */
export const secondsCodec = z.number().min(0).max(86_400).transform(seconds);
/** A distance up to 100 km. */
export const metresCodec = z.number().min(0).max(100_000).transform(metres);
/** Any date that exists; what a form takes is narrower, see days.ts. */
export const dayCodec = z.custom<Day>(
  (v) => typeof v === "string" && isDay(v),
  "Expected a date, like 2026-03-31.",
);
export const timeZoneCodec = z
  .string()
  .max(64)
  .refine(isTimeZone, "Expected a time zone name, like Europe/Vienna.");
