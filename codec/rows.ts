import { LRUCache } from "lru-cache";
import { z } from "zod";
import { mass, type Mass, massUnitField, instantField } from "~/core/kernel/index.ts";
import { dayCodec } from "./values.ts";

/** How much text of a JSON column a process remembers the values of, in characters. */
const REMEMBERED = 2_000_000;

/**
 * A JSON column. The same text is the same value, never changed in place: history reads the plans and conditions of
 * twenty-six sessions with every page, so that what a text said is checked once and remembered.
 */
export function jsonColumn<T>(inner: z.ZodType<T>) {
  const known = new LRUCache<string, { readonly value: T }>({
    maxSize: REMEMBERED,
    sizeCalculation: sizeOf,
  });
  return {
    /** Throws a `SyntaxError` or a `ZodError`, which the reader of rows sets apart. */
    parse(column: unknown): T {
      const text = z.string().parse(column);
      const before = known.get(text);
      if (before !== undefined) return before.value;
      const value = inner.parse(JSON.parse(text));
      known.set(text, { value });
      return value;
    },
  };
}

const sizeOf = (_: unknown, text: string) => text.length;

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
