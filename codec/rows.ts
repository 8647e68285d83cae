import { z } from "zod";
import { mass, type Mass, massUnitField, instantField } from "~/core/kernel/index.ts";
import { dayCodec } from "./values.ts";

/** A JSON column: the driver hands over text, some servers an object. */
export function jsonColumn<T extends z.ZodType>(inner: T) {
  return z
    .unknown()
    .transform((value) => (typeof value === "string" ? (JSON.parse(value) as unknown) : value))
    .pipe(inner);
}

/**
 * A value as the text of its JSON column, only where its own reader reads that text again: what cannot be read
 * is never written. Throws otherwise, since a form has then let through what it should have refused.
 */
export function storedJson<T>(codec: z.ZodType<T>, value: T): string {
  const text = JSON.stringify(value);
  codec.parse(JSON.parse(text));
  return text;
}

/** An instant column: BIGINT milliseconds, as number or, beyond safety, text. */
export const instantColumn = z
  .union([z.number(), z.string().regex(/^\d+$/).transform(Number)])
  .pipe(instantField);

/** A DATE column, as text. */
export const dayColumn = z.string().pipe(dayCodec);

/** A mass in two nullable columns. */
export function massFromColumns(thousandths: unknown, unit: unknown): Mass | null {
  if (thousandths === null || unit === null) return null;
  return mass(z.number().parse(thousandths), massUnitField.parse(unit));
}
