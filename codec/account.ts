import { z } from "zod";
import { textField } from "./text.ts";

const email = z
  .string({ error: "Expected an e-mail address, like coach@studio.example." })
  .trim()
  .toLowerCase()
  .max(254, "Expected at most 254 characters.")
  .pipe(z.email("Expected an e-mail address, like coach@studio.example."));

export const signInCodec = z.object({
  email,
  password: z
    .string({ error: "Expected your password." })
    .min(1, "Expected your password.")
    .max(200, "Expected at most 200 characters."),
  to: z.string().max(2000).optional(),
});

export const registerCodec = z.object({
  displayName: textField("your name", 80),
  studioName: textField("a name for the studio", 80),
  email,
  password: z
    .string({ error: "Expected a password of at least 12 characters." })
    .min(12, "Expected at least 12 characters.")
    .max(128, "Expected at most 128 characters."),
});

/** Stands in for Kravo's own address, so that what leads away from it is seen. */
const HERE = "http://kravo.invalid";

/** A place inside Kravo to go to after signing in, as browsers read it; anything else becomes the start page. */
export function innerPath(to: string | undefined | null): string {
  if (typeof to !== "string" || !to.startsWith("/") || !URL.canParse(to, HERE)) return "/";
  const read = new URL(to, HERE);
  return read.origin === HERE ? read.pathname + read.search + read.hash : "/";
}
