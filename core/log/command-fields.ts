import { z } from "zod";
import { count, metres, seconds, textWithin } from "../kernel/index.ts";

/** The longest texts of a command. The device asks before it stores, the server before it commits. */
export const COMMAND_BOUNDS = { setNote: 2000, note: 4000, reason: 500 } as const;

/** Who helped, if anybody: it decides what may be taken to the limit. */
export const HELPERS = ["alone", "partner", "spotter", "unknown"] as const;
export type Helper = (typeof HELPERS)[number];
export const helperField = z.enum(HELPERS);

export const why = textWithin(COMMAND_BOUNDS.reason);
export const counted = z.number().int().min(0).max(1000).transform(count);
/** Up to a day. Rows keep whole milliseconds and whole metres, so commands do too. */
export const milliseconds = z
  .number()
  .min(0)
  .max(86_400)
  .transform((s) => seconds(Math.round(s * 1000) / 1000));
/** Up to 100 km. */
export const wholeMetres = z
  .number()
  .min(0)
  .max(100_000)
  .transform((m) => metres(Math.round(m)));
