import { z } from "zod";
import { compareMass, massField, type Mass } from "../kernel/index.ts";

/** No less and no more than this, as it is read at the equipment; null on a side that nothing holds. */
export const loadBoundsField = z
  .object({ least: massField.nullable(), most: massField.nullable() })
  .refine(areInOrder, "expected the least load to be no more than the most")
  .readonly();
export type LoadBounds = z.output<typeof loadBoundsField>;

/** True where a load can lie within the bounds. */
export function areInOrder({
  least,
  most,
}: {
  readonly least: Mass | null;
  readonly most: Mass | null;
}): boolean {
  return least === null || most === null || compareMass(least, most) <= 0;
}

/** The bounds with one end put elsewhere; the other end goes along where it would be passed. */
export function withBound(bounds: LoadBounds, end: "least" | "most", to: Mass | null): LoadBounds {
  const put = { ...bounds, [end]: to };
  return areInOrder(put) ? put : { least: to, most: to };
}

export const NO_BOUNDS: LoadBounds = { least: null, most: null };
