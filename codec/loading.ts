import { massField, massUnitField } from "~/core/kernel/index.ts";
import { z } from "zod";
import {
  loadingTrouble,
  STATION_BOUNDS,
  type Loading,
  type LoadingTrouble,
} from "~/core/gym/index.ts";

const plates = z
  .array(
    z.object({
      size: massField,
      count: z.number().int().min(1).max(STATION_BOUNDS.platesOfSize),
    }),
  )
  .max(STATION_BOUNDS.plateSizes);
const loads = z.array(massField).max(STATION_BOUNDS.loads);

const TROUBLES: Readonly<Record<LoadingTrouble["code"], string>> = {
  tooManyLoads: "These sizes combine to too many loads to search; check sizes and counts.",
  tooHeavy: `One station holds at most ${STATION_BOUNDS.heaviest / 1000}; check sizes and counts.`,
};

/** A station's loading model as stored, and as the form has to make it. */
export const loadingCodec = z
  .discriminatedUnion("kind", [
    z.object({ kind: z.literal("bar"), unit: massUnitField, bar: massField.nullable(), plates }),
    z.object({
      kind: z.literal("plateMachine"),
      unit: massUnitField,
      carriage: massField.nullable(),
      points: z.union([z.literal(1), z.literal(2)]),
      plates,
    }),
    z.object({
      kind: z.literal("stack"),
      unit: massUnitField,
      pins: loads.min(1),
      addOns: z.array(massField).max(STATION_BOUNDS.addOns),
      pulleyRatio: z.number().gt(0).max(4),
    }),
    z.object({
      kind: z.literal("dumbbells"),
      unit: massUnitField,
      present: loads.min(1),
      counted: z.enum(["each", "pair"]),
    }),
    z.object({
      kind: z.literal("freeObject"),
      unit: massUnitField,
      present: loads.min(1),
      held: z.union([z.literal(1), z.literal(2)]),
    }),
    z.object({
      kind: z.literal("bodyweight"),
      unit: massUnitField,
      movedShare: z.number().gt(0).max(1),
      added: loads,
    }),
    z.object({
      kind: z.literal("assisted"),
      unit: massUnitField,
      movedShare: z.number().gt(0).max(1),
      pins: loads.min(1),
    }),
    z.object({
      kind: z.literal("band"),
      unit: massUnitField,
      bands: z
        .array(
          z.object({ name: z.string().min(1).max(STATION_BOUNDS.bandName), tension: massField }),
        )
        .min(1)
        .max(STATION_BOUNDS.bands),
    }),
    z.object({ kind: z.literal("unloaded"), unit: massUnitField }),
  ])
  .transform((l): Loading => l)
  .superRefine((loading, ctx) => {
    const trouble = loadingTrouble(loading);
    if (trouble !== null) ctx.addIssue({ code: "custom", message: TROUBLES[trouble.code] });
  });
