import { isCommonPassword } from "./common-passwords.server.ts";
import { hashPassword } from "./password.server.ts";

/** The hash of a password that somebody chose for an account; null where it is among the first that are guessed. */
export async function hashChosen(
  password: string,
  account: Parameters<typeof isCommonPassword>[1],
): Promise<string | null> {
  return (await isCommonPassword(password, account)) ? null : hashPassword(password);
}
