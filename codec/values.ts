import { z } from "zod";
import { isDay, isTimeZone, type Day } from "~/core/calendar/index.ts";
import {
  isId,
  isMovementRef,
  type Id,
  type IdOf,
  type MovementRef,
} from "~/core/identity/index.ts";
import { isTempoPhase, isRir, type Rir, type TempoPhase } from "~/core/prescription/index.ts";
import { count, isThousandths, mass, metres, seconds, type Mass } from "~/core/quantity/index.ts";

/** A UUID of the named thing. */
export function idCodec<K extends IdOf>() {
  return z.custom<Id<K>>((v) => typeof v === "string" && isId<K>(v), "expected a UUID");
}

export const movementRefCodec = z.custom<MovementRef>(
  (v) => typeof v === "string" && isMovementRef(v),
  "expected a movement reference",
);

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
export const dayCodec = z.custom<Day>(
  (v) => typeof v === "string" && isDay(v),
  "Expected a date, like 2026-03-31.",
);
export const timeZoneCodec = z
  .string()
  .refine(isTimeZone, "Expected a time zone name, like Europe/Vienna.");
