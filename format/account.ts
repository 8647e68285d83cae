import { formatClock } from "./numbers.ts";

/** Why a password is not taken that many others have. */
export const COMMON_PASSWORD =
  "This password is among the first that are guessed. Take a few unrelated words.";
export const PASSWORD_HINT = "At least 12 characters. A few unrelated words are good.";
export const TOO_MANY_TRIES = "Too many tries from here. Try again in some minutes.";

/** Why the password of somebody who is signed in was not taken. */
export type OwnPasswordError =
  { readonly code: "wrong" } | { readonly code: "wait"; readonly seconds: number };

export function formatOwnPasswordError(error: OwnPasswordError): string {
  return error.code === "wrong"
    ? "This is not your current password."
    : `Too many wrong tries. Wait ${formatClock(error.seconds)} minutes.`;
}
