import { z } from "zod";
import { massField } from "../kernel/index.ts";

/** No less and no more than this, as it is read at the equipment; null on a side that nothing holds. */
export const loadBoundsField = z
  .object({ least: massField.nullable(), most: massField.nullable() })
  .readonly();
export type LoadBounds = z.output<typeof loadBoundsField>;

export const NO_BOUNDS: LoadBounds = { least: null, most: null };
