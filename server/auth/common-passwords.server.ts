import { cleanText } from "~/core/kernel/index.ts";

let known: Promise<ReadonlySet<string>> | null = null;

/** The passwords people choose most, from the package's list; made when first asked for, 50 000 of them. */
async function commonPasswords(): Promise<ReadonlySet<string>> {
  const { dictionary } = await import("@zxcvbn-ts/language-common");
  return new Set(dictionary["passwords-common"]);
}

/** Runs such as "abcabcabcabc" or "11111111112" hold no more than these different characters. */
const FEWEST_DIFFERENT = 4;

/**
 * True for a password that is guessed first: one of the common ones in any spelling, one with hardly any
 * different characters, or little more than what everybody knows of the account.
 */
export async function isCommonPassword(
  password: string,
  account: { readonly email: string; readonly displayName: string; readonly studioName: string },
): Promise<boolean> {
  known ??= commonPasswords();
  const plain = cleanText(password).toLowerCase();
  const all = await known;
  if (all.has(plain) || all.has(plain.replace(/[^a-z0-9]/g, ""))) return true;
  if (new Set(plain).size < FEWEST_DIFFERENT) return true;
  const own = [
    account.email,
    account.email.split("@")[0] ?? "",
    account.displayName,
    account.studioName,
  ];
  return own.some((word) => isMostly(plain, word.toLowerCase()));
}

/** True where the password is the word with fewer than four characters around it. */
function isMostly(password: string, word: string): boolean {
  return word.length >= 4 && password.includes(word) && password.length - word.length < 4;
}
