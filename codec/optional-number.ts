import { z } from "zod";

/** A whole or decimal number within bounds, or null where the field is empty. */
export function optionalNumber(low: number, high: number, example: string, isWhole = true) {
  const message = `Expected ${example}, from ${low} to ${high}, or nothing.`;
  return z
    .string()
    .trim()
    .optional()
    .transform((t, ctx): number | null => {
      if (t === undefined || t === "") return null;
      const n = /^\d{1,5}([.,]\d)?$/.test(t) ? Number(t.replace(",", ".")) : Number.NaN;
      if (n >= low && n <= high && (!isWhole || Number.isInteger(n))) return n;
      ctx.addIssue({ code: "custom", message });
      return z.NEVER;
    });
}
