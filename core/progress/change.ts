import { z } from "zod";
import { massField, seconds } from "../kernel/index.ts";
import {
  BOUNDS,
  holdSeconds,
  repRangeField,
  restSeconds,
  rirField,
  targetField,
  TEMPO_PHASES,
} from "../plan/index.ts";

const place = z.int().min(0);
const phase = z.number().min(BOUNDS.phase.least).max(BOUNDS.phase.most).transform(seconds);
const sets = z.int().min(1).max(BOUNDS.sets.most);
const fromTo = <S extends z.ZodType>(field: S) => ({ from: field, to: field });

/**
 * What of a line becomes otherwise besides the load that all its sets share. `set` is the place of one set in its
 * line, from 0; null is every set. No change asks for what a plan cannot store.
 */
export const changeField = z.discriminatedUnion("kind", [
  /** The load of one set, where each set moves on by itself. */
  z.object({ kind: z.literal("load"), set: place, ...fromTo(massField) }).readonly(),
  z.object({ kind: z.literal("target"), set: place.nullable(), ...fromTo(targetField) }).readonly(),
  z.object({ kind: z.literal("rest"), ...fromTo(restSeconds) }).readonly(),
  z.object({ kind: z.literal("sets"), ...fromTo(sets) }).readonly(),
  z
    .object({
      kind: z.literal("tempo"),
      phase: z.enum(TEMPO_PHASES),
      from: phase.nullable(),
      to: phase,
    })
    .readonly(),
  z.object({ kind: z.literal("hold"), ...fromTo(holdSeconds) }).readonly(),
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
