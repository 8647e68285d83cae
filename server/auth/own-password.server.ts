import { fail, ok, type Id, type Result } from "~/core/kernel/index.ts";
import type { OwnPasswordError } from "~/format/account.ts";
import type { RequestContext } from "../context.server.ts";
import { accountOf, type Account } from "../db/accounts.server.ts";
import { countTry } from "../db/tries.server.ts";
import { passwordFits } from "./password.server.ts";

/** So many wrong passwords are taken of somebody who is signed in before they have to wait. */
const FREE_TRIES = 5;

/** The account of whoever is signed in, where they know its password: asked again before what is grave. */
export async function withOwnPassword(
  { db, now }: Pick<RequestContext, "db" | "now">,
  user: Id<"user">,
  password: string,
): Promise<Result<Account, OwnPasswordError>> {
  const limit = { subject: `own:${user}`, free: FREE_TRIES, then: "doubling" } as const;
  const counted = await countTry(db, [limit], now);
  if (counted.waitSeconds > 0) return fail({ code: "wait", seconds: counted.waitSeconds });
  const account = await accountOf(db, user);
  if (!(await passwordFits(account.passwordHash, password))) return fail({ code: "wrong" });
  await counted.takeBack();
  return ok(account);
}
