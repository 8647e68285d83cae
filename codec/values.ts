import { z } from "zod";
import { isDay, isTimeZone, seconds, type Day } from "~/core/kernel/index.ts";

/** The revision that an edit started from; what the column holds. */
export const revisionCodec = z.number().int().min(1).max(1_000_000_000);

/** Seconds up to a day. */
export const secondsCodec = z.number().min(0).max(86_400).transform(seconds);
/** Any date that exists; what a form takes is narrower, see days.ts. */
export const dayCodec = z.custom<Day>(
  (v) => typeof v === "string" && isDay(v),
  "Expected a date, like 31 Mar 2026.",
);
export const timeZoneCodec = z
  .string()
  .max(64)
  .refine(isTimeZone, "Expected a time zone name, like Europe/Vienna.");
