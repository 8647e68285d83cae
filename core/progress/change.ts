import { z } from "zod";
import { assertNever, massField, seconds } from "../kernel/index.ts";
import {
  demandOf,
  hardnessRank,
  repRangeField,
  rirField,
  targetField,
  TEMPO_PHASES,
} from "../plan/index.ts";

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

/** Whether a change asks for more, for less, or for neither. `way` is 1 where a higher reading is harder. */
export function demandsMore(change: Change, way: 1 | -1): -1 | 0 | 1 {
  switch (change.kind) {
    case "load":
      return sign(way * (change.to.thousandths - change.from.thousandths));
    case "target": {
      const [from, to] = [demandOf(change.from), demandOf(change.to)];
      return sign((to.least ?? 0) - (from.least ?? 0)) || sign((to.most ?? 0) - (from.most ?? 0));
    }
    case "rest":
      return sign(change.from - change.to);
    case "sets":
    case "hold":
      return sign(change.to - change.from);
    case "tempo":
      return sign(change.to - (change.from ?? 0));
    case "setUp":
      return change.isHarder ? 1 : -1;
    case "range":
      return change.to === "full" ? 1 : change.from === "full" ? -1 : 0;
    case "effort":
      return sign(hardnessRank(change.to) - hardnessRank(change.from));
    default:
      return assertNever(change);
  }
}

const sign = (n: number): -1 | 0 | 1 => (n > 0 ? 1 : n < 0 ? -1 : 0);
