import { hash, verify } from "@node-rs/argon2";

/** Argon2id with OWASP's first recommendation: 19 MiB, two passes, one lane. */
const OPTIONS = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

export async function hashPassword(password: string): Promise<string> {
  return hash(password, OPTIONS);
}

/** Verified against when there is no account, so that a missing one takes as long as a wrong password. */
let decoy: Promise<string> | null = null;

/** True when the password fits the hash; without a hash always false, after the same work. */
export async function passwordFits(stored: string | null, password: string): Promise<boolean> {
  decoy ??= hashPassword("no account has this password");
  const fits = await verify(stored ?? (await decoy), password);
  return fits && stored !== null;
}
