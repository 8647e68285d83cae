import { z } from "zod";

/** Controls but tab and line break, halves of characters, and marks that turn or hide what stands beside them. */
const UNWANTED =
  /[\u0000-\u0008\u000B-\u001F\u007F-\u009F\u200B\u2028-\u202E\u2060-\u2069\uFEFF\uFFF9-\uFFFB]|\p{Cs}/gu;

/** Text as it is kept: composed, line breaks as \n, without what cannot be seen; the same again when cleaned again. */
export function cleanText(text: string): string {
  return text.replace(/\r\n?/g, "\n").replace(UNWANTED, "").normalize("NFC");
}

/** Text within a document or a command: cleaned, at most so long. */
export function textWithin(max: number) {
  return z.string().transform(cleanText).pipe(z.string().max(max));
}
