import { z } from "zod";
import {
  loadingTrouble,
  STATION_BOUNDS,
  type Loading,
  type LoadingTrouble,
} from "~/core/gym/index.ts";
import { massCodec, massUnitCodec } from "./values.ts";

const plates = z
  .array(
    z.object({
      size: massCodec,
      count: z.number().int().min(1).max(STATION_BOUNDS.platesOfSize),
    }),
  )
  .max(STATION_BOUNDS.plateSizes);
const loads = z.array(massCodec).max(STATION_BOUNDS.loads);

const TROUBLES: Readonly<Record<LoadingTrouble["code"], string>> = {
  tooManyLoads: "These sizes combine to too many loads to search; check sizes and counts.",
  tooHeavy: `One station holds at most ${STATION_BOUNDS.heaviest / 1000}; check sizes and counts.`,
};

/** A station's loading model as stored, and as the form has to make it. */
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
      pins: loads.min(1),
      addOns: z.array(massCodec).max(STATION_BOUNDS.addOns),
      pulleyRatio: z.number().gt(0).max(4),
    }),
    z.object({
      kind: z.literal("dumbbells"),
      unit: massUnitCodec,
      present: loads.min(1),
      counted: z.enum(["each", "pair"]),
    }),
    z.object({
      kind: z.literal("freeObject"),
      unit: massUnitCodec,
      present: loads.min(1),
      held: z.union([z.literal(1), z.literal(2)]),
    }),
    z.object({
      kind: z.literal("bodyweight"),
      unit: massUnitCodec,
      movedShare: z.number().gt(0).max(1),
      added: loads,
    }),
    z.object({
      kind: z.literal("assisted"),
      unit: massUnitCodec,
      movedShare: z.number().gt(0).max(1),
      pins: loads.min(1),
    }),
    z.object({
      kind: z.literal("band"),
      unit: massUnitCodec,
      bands: z
        .array(
          z.object({ name: z.string().min(1).max(STATION_BOUNDS.bandName), tension: massCodec }),
        )
        .min(1)
        .max(STATION_BOUNDS.bands),
    }),
    z.object({ kind: z.literal("unloaded"), unit: massUnitCodec }),
  ])
  .transform((l): Loading => l)
  .superRefine((loading, ctx) => {
    const trouble = loadingTrouble(loading);
    if (trouble !== null) ctx.addIssue({ code: "custom", message: TROUBLES[trouble.code] });
  });
