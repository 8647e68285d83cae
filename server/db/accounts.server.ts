import { createHash, randomBytes } from "node:crypto";
import { z } from "zod";
import type { Instant } from "~/core/calendar/index.ts";
import type { Id } from "~/core/identity/index.ts";
import { fail, ok, type Result } from "~/core/result/index.ts";
import { mintId } from "~/codec/mint.ts";
import { fromBinary, toBinary } from "./columns.server.ts";
import { inTransaction, isDuplicate, type Database } from "./connection.server.ts";
import type { Row } from "./scope.server.ts";

/** Accounts and sign-ins lie above the studios; these are the only queries outside a scope. */
export interface SignedIn {
  readonly userId: Id<"user">;
  readonly studioId: Id<"studio">;
  readonly displayName: string;
  readonly studioName: string;
}

export const SIGN_IN_DAYS = 14;
const DAY_MS = 86_400_000;

/** Failures within the window after which a subject (an address or an account) has to wait. */
const FAILURES_ALLOWED = { account: 6, address: 30 } as const;
const WINDOW_MS = 15 * 60_000;

function sha256(text: string): Buffer {
  return createHash("sha256").update(text).digest();
}

/** Registers a user with a studio of their own. */
export async function register(
  db: Database,
  form: { email: string; displayName: string; studioName: string; passwordHash: string },
  now: Instant,
): Promise<Result<{ userId: Id<"user">; studioId: Id<"studio"> }, { code: "emailTaken" }>> {
  const userId = mintId<"user">();
  const studioId = mintId<"studio">();
  try {
    await inTransaction(db, async (trx) => {
      await trx("users").insert({
        id: toBinary(userId),
        email: form.email,
        display_name: form.displayName,
        password_hash: form.passwordHash,
        created_at: now,
      });
      await trx("studios").insert({
        id: toBinary(studioId),
        name: form.studioName,
        created_at: now,
      });
      await trx("memberships").insert({
        studio_id: toBinary(studioId),
        user_id: toBinary(userId),
        role: "owner",
      });
    });
  } catch (error) {
    if (isDuplicate(error)) return fail({ code: "emailTaken" });
    throw error;
  }
  return ok({ userId, studioId });
}

/** The stored hash of an account with its user and first studio, or null. */
export async function findCredentials(
  db: Database,
  email: string,
): Promise<{ userId: Id<"user">; studioId: Id<"studio">; passwordHash: string } | null> {
  const row = (await db("users")
    .join("memberships", "memberships.user_id", "users.id")
    .where({ email })
    .orderBy("memberships.studio_id")
    .first("users.id", "users.password_hash", "memberships.studio_id")) as Row | undefined;
  if (row === undefined) return null;
  return {
    userId: fromBinary(row["id"]),
    studioId: fromBinary(row["studio_id"]),
    passwordHash: z.string().parse(row["password_hash"]),
  };
}

/** Opens a sign-in and returns its secret token; only a hash of it is stored. */
export async function openSignIn(
  db: Database,
  who: { userId: Id<"user">; studioId: Id<"studio"> },
  now: Instant,
): Promise<string> {
  const token = randomBytes(32).toString("base64url");
  await db("sign_ins").insert({
    token_hash: sha256(token),
    studio_id: toBinary(who.studioId),
    user_id: toBinary(who.userId),
    created_at: now,
    expires_at: now + SIGN_IN_DAYS * DAY_MS,
  });
  await db("sign_ins").where("expires_at", "<", now).delete();
  return token;
}

/** Who a token belongs to, or null when it is unknown or has expired. */
export async function findSignIn(
  db: Database,
  token: string,
  now: Instant,
): Promise<SignedIn | null> {
  const row = (await db("sign_ins")
    .join("users", "users.id", "sign_ins.user_id")
    .join("studios", "studios.id", "sign_ins.studio_id")
    .where("token_hash", sha256(token))
    .where("expires_at", ">", now)
    .first("sign_ins.user_id", "sign_ins.studio_id", "users.display_name", "studios.name")) as
    Row | undefined;
  if (row === undefined) return null;
  return {
    userId: fromBinary(row["user_id"]),
    studioId: fromBinary(row["studio_id"]),
    displayName: z.string().parse(row["display_name"]),
    studioName: z.string().parse(row["name"]),
  };
}

export async function closeSignIn(db: Database, token: string): Promise<void> {
  await db("sign_ins").where("token_hash", sha256(token)).delete();
}

/** Seconds that this account or address still has to wait, 0 when it may try. */
export async function signInWait(
  db: Database,
  subject: { email: string; address: string },
  now: Instant,
): Promise<number> {
  const waits = await Promise.all(
    (["account", "address"] as const).map(async (kind) => {
      const key = kind === "account" ? subject.email : subject.address;
      const rows = (await db("failed_sign_ins")
        .where("subject_hash", sha256(`${kind}:${key}`))
        .where("at", ">", now - WINDOW_MS)
        .orderBy("at", "desc")
        .limit(FAILURES_ALLOWED[kind])
        .select("at")) as Row[];
      const oldest = rows[FAILURES_ALLOWED[kind] - 1];
      return oldest === undefined ? 0 : Number(oldest["at"]) + WINDOW_MS - now;
    }),
  );
  return Math.ceil(Math.max(0, ...waits) / 1000);
}

export async function recordFailedSignIn(
  db: Database,
  subject: { email: string; address: string },
  now: Instant,
): Promise<void> {
  const row = (text: string) => ({ id: toBinary(mintId()), subject_hash: sha256(text), at: now });
  await db("failed_sign_ins").insert([
    row(`account:${subject.email}`),
    row(`address:${subject.address}`),
  ]);
  await db("failed_sign_ins")
    .where("at", "<", now - WINDOW_MS)
    .delete();
}
