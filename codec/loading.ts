import { z } from "zod";
import { tooManyLoads, type Loading } from "~/core/station/index.ts";
import { massCodec, massUnitCodec } from "./values.ts";

const plates = z
  .array(z.object({ size: massCodec, count: z.number().int().min(1).max(60) }))
  .max(20);

/** A station's loading model as stored. */
export const loadingCodec = z
  .discriminatedUnion("kind", [
    z.object({ kind: z.literal("bar"), unit: massUnitCodec, bar: massCodec.nullable(), plates }),
    z.object({
      kind: z.literal("plateMachine"),
      unit: massUnitCodec,
      carriage: massCodec.nullable(),
      points: z.union([z.literal(1), z.literal(2)]),
      plates,
    }),
    z.object({
      kind: z.literal("stack"),
      unit: massUnitCodec,
      pins: z.array(massCodec).min(1).max(80),
      addOns: z.array(massCodec).max(6),
      pulleyRatio: z.number().gt(0).max(4),
    }),
    z.object({
      kind: z.literal("dumbbells"),
      unit: massUnitCodec,
      present: z.array(massCodec).min(1).max(80),
      counted: z.enum(["each", "pair"]),
    }),
    z.object({
      kind: z.literal("freeObject"),
      unit: massUnitCodec,
      present: z.array(massCodec).min(1).max(80),
      held: z.union([z.literal(1), z.literal(2)]),
    }),
    z.object({
      kind: z.literal("bodyweight"),
      unit: massUnitCodec,
      movedShare: z.number().gt(0).max(1),
      added: z.array(massCodec).max(80),
    }),
    z.object({
      kind: z.literal("assisted"),
      unit: massUnitCodec,
      movedShare: z.number().gt(0).max(1),
      pins: z.array(massCodec).min(1).max(80),
    }),
    z.object({
      kind: z.literal("band"),
      unit: massUnitCodec,
      bands: z
        .array(z.object({ name: z.string().min(1).max(40), tension: massCodec }))
        .min(1)
        .max(20),
    }),
    z.object({ kind: z.literal("unloaded"), unit: massUnitCodec }),
  ])
  .transform((l): Loading => l)
  .refine((l) => !tooManyLoads(l), "too many different loads");
