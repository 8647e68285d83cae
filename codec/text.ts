import { z } from "zod";

/** Controls but tab and line break, halves of characters, and marks that turn or hide what stands beside them. */
const UNWANTED =
  /[\u0000-\u0008\u000B-\u001F\u007F-\u009F\u200B\u2028-\u202E\u2060-\u2069\uFEFF\uFFF9-\uFFFB]|\p{Cs}/gu;
/** A character that leaves a mark on the page. */
const VISIBLE = /[^\p{C}\p{Z}\p{M}\p{Default_Ignorable_Code_Point}\u2800]/u;

/** Text as it is kept: composed, line breaks as \n, without what cannot be seen; the same again when cleaned again. */
export function cleanText(text: string): string {
  return text.replace(/\r\n?/g, "\n").replace(UNWANTED, "").normalize("NFC");
}

/** The beginning of a text, at most so long, never half a character. */
export function beginningOf(text: string, most: number): string {
  let kept = "";
  for (const character of text) {
    if (kept.length + character.length > most) break;
    kept += character;
  }
  return kept;
}

/** Text within a document or a command: cleaned, at most so long. */
export function textWithin(max: number) {
  return z.string().transform(cleanText).pipe(z.string().max(max));
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
