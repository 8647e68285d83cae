import { z } from "zod";
import { massField, seconds } from "../kernel/index.ts";
import { repRangeField, rirField, targetField, TEMPO_PHASES } from "../plan/index.ts";

const place = z.int().min(0);
const time = z.number().min(0).transform(seconds);
const fromTo = <S extends z.ZodType>(field: S) => ({ from: field, to: field });

/**
 * What of a line becomes otherwise besides the load that all its sets share. `set` is the place of one set in its
 * line, from 0; null is every set.
 */
export const changeField = z.discriminatedUnion("kind", [
  /** The load of one set, where each set moves on by itself. */
  z.object({ kind: z.literal("load"), set: place, ...fromTo(massField) }).readonly(),
  z.object({ kind: z.literal("target"), set: place.nullable(), ...fromTo(targetField) }).readonly(),
  z.object({ kind: z.literal("rest"), ...fromTo(time) }).readonly(),
  z.object({ kind: z.literal("sets"), ...fromTo(place) }).readonly(),
  z
    .object({
      kind: z.literal("tempo"),
      phase: z.enum(TEMPO_PHASES),
      from: time.nullable(),
      to: time,
    })
    .readonly(),
  z.object({ kind: z.literal("hold"), ...fromTo(time) }).readonly(),
  z
    .object({
      kind: z.literal("setUp"),
      name: z.string(),
      ...fromTo(z.string()),
      isHarder: z.boolean(),
    })
    .readonly(),
  z.object({ kind: z.literal("range"), ...fromTo(repRangeField) }).readonly(),
  z.object({ kind: z.literal("effort"), set: place.nullable(), ...fromTo(rirField) }).readonly(),
]);
export type Change = z.output<typeof changeField>;
