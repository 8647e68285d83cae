import { z } from "zod";
import { replanEventField, type ReplanEvent } from "~/core/coach/replan/index.ts";
import { readDay } from "./typed-day.ts";
import { revisionCodec } from "./values.ts";

const number = z
  .string()
  .trim()
  .regex(/^\d{1,3}$/, "Expected a whole number.")
  .transform(Number);
const emptyIsNull = z.string().transform((text) => (text === "" ? null : text));

/** A date in any way that people write one; what is none is refused where it is read. */
const date = z.string().transform((text) => readDay(text) ?? text);

const fields = z.object({
  kind: z.string(),
  session: z.string().optional(),
  from: date.optional(),
  to: date.pipe(emptyIsNull).optional(),
  why: z.string().optional(),
  station: z.string().optional(),
  gym: z.string().optional(),
  joint: z.string().optional(),
  provokedBy: z.string().optional(),
  severity: number.optional(),
  allowed: number.optional(),
  by: date.optional(),
});

/**
 * An event as its form sends it, in the address. A session is named by its day and week in one field. Where a time
 * ends before it begins, or a field of its kind is missing, it is refused with why.
 */
export const replanFormCodec = fields
  .transform(({ session, ...rest }): unknown => {
    const [day, week] = (session ?? "").split(" ");
    return session === undefined ? rest : { ...rest, day, week: Number(week) };
  })
  .pipe(replanEventField as z.ZodType<ReplanEvent>)
  .refine((event) => !("to" in event) || event.to === null || event.to >= event.from, {
    error: "The last day comes before the first.",
  });

const keys = z.array(z.string().max(200)).max(200);

/** Which steps are taken otherwise than proposed, and on which revision. */
export const replanChoiceCodec = z.object({ left: keys, instead: keys });
export const acceptReplanCodec = z.object({
  intent: z.literal("accept"),
  baseRevision: z
    .string()
    .regex(/^\d{1,9}$/)
    .transform(Number)
    .pipe(revisionCodec),
});
export const takeBackCodec = z.object({
  intent: z.literal("takeBack"),
  revision: z
    .string()
    .regex(/^\d{1,9}$/)
    .transform(Number)
    .pipe(revisionCodec),
});
