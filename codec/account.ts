import { z } from "zod";
import { textField } from "./person.ts";

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
  to: z.string().optional(),
});

export const registerCodec = z.object({
  displayName: textField("your name", 80),
  studioName: textField("a name for the studio", 80),
  email,
  password: z
    .string({ error: "Expected a password of at least 10 characters." })
    .min(10, "Expected at least 10 characters.")
    .max(200, "Expected at most 200 characters."),
});

/** A place inside Kravo to go to after signing in; anything else becomes the start page. */
export function innerPath(to: string | undefined | null): string {
  return to !== undefined && to !== null && /^\/(?![/\\])/.test(to) ? to : "/";
}
