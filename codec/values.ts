import { z } from "zod";
import { textWithin } from "./text.ts";
import {
  isDay,
  isTimeZone,
  type Day,
  isId,
  isMovementRef,
  type Id,
  type IdOf,
  type MovementRef,
  count,
  isThousandths,
  mass,
  metres,
  seconds,
  type Mass,
} from "~/core/kernel/index.ts";
import { isTempoPhase, isRir, type Rir, type TempoPhase } from "~/core/plan/index.ts";

/** A UUID of the named thing. */
export function idCodec<K extends IdOf>() {
  return z.custom<Id<K>>((v) => typeof v === "string" && isId<K>(v), "expected a UUID");
}

export const movementRefCodec = z.custom<MovementRef>(
  (v) => typeof v === "string" && isMovementRef(v),
  "expected a movement reference",
);

/** The revision that an edit started from; what the column holds. */
export const revisionCodec = z.number().int().min(1).max(1_000_000_000);

export const massUnitCodec = z.enum(["kg", "lb"]);

/** A mass as stored in documents: integer thousandths and unit. */
export const massCodec = z
  .object({
    thousandths: z.number().refine(isThousandths, "expected integer thousandths of a mass"),
    unit: massUnitCodec,
  })
  .transform((m): Mass => mass(m.thousandths, m.unit));

export const countCodec = z.number().int().min(0).max(1000).transform(count);
/** Seconds up to a day. */
export const secondsCodec = z.number().min(0).max(86_400).transform(seconds);
/** A distance up to 100 km. */
export const metresCodec = z.number().min(0).max(100_000).transform(metres);
export const rirCodec = z.custom<Rir>(isRir, "expected reps in reserve");
export const tempoPhaseCodec = z.custom<TempoPhase>(
  isTempoPhase,
  "expected 0 to 30 s, explosive or nothing",
);
export const tempoCodec = z.object({
  lower: tempoPhaseCodec,
  stretch: tempoPhaseCodec,
  lift: tempoPhaseCodec,
  squeeze: tempoPhaseCodec,
});
/** Longest name or choice of a set-up, in movements and in plans. */
export const SET_UP_WORD = 60;
const setUpWord = textWithin(SET_UP_WORD);
/** Choices by parameter, as plans and logs hold them. */
export const setUpCodec = z
  .record(setUpWord, setUpWord)
  .refine((setUp) => Object.keys(setUp).length <= 60, "expected at most 60 parameters");
/** Any date that exists; what a form takes is narrower, see days.ts. */
export const dayCodec = z.custom<Day>(
  (v) => typeof v === "string" && isDay(v),
  "Expected a date, like 2026-03-31.",
);
export const timeZoneCodec = z
  .string()
  .max(64)
  .refine(isTimeZone, "Expected a time zone name, like Europe/Vienna.");
