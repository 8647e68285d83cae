import { z } from "zod";
import { idField } from "~/core/kernel/index.ts";
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

const newPassword = z
  .string({ error: "Expected a password of at least 12 characters." })
  .min(12, "Expected at least 12 characters.")
  .max(128, "Expected at most 128 characters.");

export const registerCodec = z.object({
  displayName: textField("your name", 80),
  studioName: textField("a name for the studio", 80),
  email,
  password: newPassword,
});

/** The secret of a link, which the page takes out of its address. */
const token = z
  .string({ error: "This link is not whole. Open it again, or ask for a new one." })
  .regex(/^[\w-]{43}$/, "This link is not whole. Open it again, or ask for a new one.");

export const joinCodec = z.object({
  token,
  displayName: textField("your name", 80),
  email,
  password: newPassword,
});

export const resetPasswordCodec = z.object({ token, password: newPassword });

/** Asked again before what cannot be undone. */
export const currentPassword = z
  .string({ error: "Expected your current password." })
  .min(1, "Expected your current password.")
  .max(200, "Expected at most 200 characters.");

/** What can be done on the page of one's own account. */
export const accountCodec = z.discriminatedUnion("intent", [
  z.object({ intent: z.literal("password"), current: currentPassword, password: newPassword }),
  z.object({
    intent: z.literal("signOut"),
    key: z.string().regex(/^[0-9a-f]{64}$/, "Expected a sign-in."),
  }),
  z.object({ intent: z.literal("signOutElsewhere") }),
]);

/** What the owner can do with the studio and its coaches. */
export const coachesCodec = z.discriminatedUnion("intent", [
  z.object({ intent: z.literal("invite") }),
  z.object({ intent: z.literal("revoke"), grant: idField("grant") }),
  z.object({ intent: z.literal("remove"), coach: idField("user") }),
  z.object({ intent: z.literal("restore"), coach: idField("user") }),
  z.object({
    intent: z.literal("deleteStudio"),
    studioName: z.string({ error: "Expected the studio's name." }).max(80),
    current: currentPassword,
  }),
]);

/** Stands in for Kravo's own address, so that what leads away from it is seen. */
const HERE = "http://kravo.invalid";

/** A place inside Kravo to go to after signing in, as browsers read it; anything else becomes the start page. */
export function innerPath(to: string | undefined | null): string {
  if (typeof to !== "string" || !to.startsWith("/") || !URL.canParse(to, HERE)) return "/";
  const read = new URL(to, HERE);
  return read.origin === HERE ? read.pathname + read.search + read.hash : "/";
}
