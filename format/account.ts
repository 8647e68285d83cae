/** Why a password is not taken that many others have. */
export const COMMON_PASSWORD =
  "This password is among the first that are guessed. Take a few unrelated words.";
export const PASSWORD_HINT = "At least 12 characters. A few unrelated words are good.";
export const TOO_MANY_TRIES = "Too many tries from here. Try again in some minutes.";
