import { z } from "zod";
import { massField, massUnitField } from "../kernel/index.ts";
import { STATION_BOUNDS } from "./station-bounds.ts";

/** The unit of all masses of one station. */
export const unit = massUnitField;
/** A mass that may be unknown. */
export const maybe = massField.nullable();
export const oneOrTwo = z.union([z.literal(1), z.literal(2)]);
export const movedShare = z.number().gt(0).max(1);
export const pulleyRatio = z.number().gt(0).max(4);
export const loads = z.array(massField).max(STATION_BOUNDS.loads).readonly();
export const someLoads = z.array(massField).min(1).max(STATION_BOUNDS.loads).readonly();
export const addOns = z.array(massField).max(STATION_BOUNDS.addOns).readonly();

const plateStockField = z
  .object({ size: massField, count: z.number().int().min(1).max(STATION_BOUNDS.platesOfSize) })
  .readonly();
/** Plates of one size that a station can use, counted one by one (four 20s are two pairs). */
export type PlateStock = z.output<typeof plateStockField>;
export const plates = z.array(plateStockField).max(STATION_BOUNDS.plateSizes).readonly();

const bandField = z
  .object({ name: z.string().min(1).max(STATION_BOUNDS.bandName), tension: massField })
  .readonly();
/** A band by the name it goes by in the gym, with the tension it is sold under. */
export type Band = z.output<typeof bandField>;
export const bands = z.array(bandField).min(1).max(STATION_BOUNDS.bands).readonly();
