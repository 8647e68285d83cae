import { cleanText } from "~/core/kernel/index.ts";
import { z } from "zod";

/** A character that leaves a mark on the page. */
const VISIBLE = /[^\p{C}\p{Z}\p{M}\p{Default_Ignorable_Code_Point}\u2800]/u;

/** The beginning of a text, at most so long, never half a character. */
export function beginningOf(text: string, most: number): string {
  let kept = "";
  for (const character of text) {
    if (kept.length + character.length > most) break;
    kept += character;
  }
  return kept;
}

const tooLong = (max: number) => `Expected at most ${max} characters.`;

/** Text of a form field: trimmed, with a message when nothing can be seen of it or it is too long. */
export function textField(what: string, max: number) {
  return z
    .string({ error: `Expected ${what}.` })
    .transform((text) => cleanText(text).trim())
    .refine((text) => VISIBLE.test(text), { error: `Expected ${what}.`, abort: true })
    .refine((text) => text.length <= max, tooLong(max));
}

/** A form field that may stay empty. */
export function optionalTextField(max: number) {
  return z
    .string()
    .transform((text) => cleanText(text).trim())
    .refine((text) => text.length <= max, tooLong(max))
    .optional()
    .transform((text) => text ?? "");
}
