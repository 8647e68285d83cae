import { createHash, randomBytes } from "node:crypto";
import { z } from "zod";
import { type Instant, type Id, fail, ok, type Result } from "~/core/kernel/index.ts";
import type { StudioSettings } from "~/core/person/index.ts";
import { newId } from "~/codec/new-id.ts";
import { fromBinary, toBinary } from "./columns.server.ts";
import {
  deleteOld,
  inTransaction,
  isDuplicate,
  type Database,
  type Transaction,
} from "./connection.server.ts";
import type { Row } from "./scope.server.ts";
import { settingsFrom } from "./studio-settings.server.ts";

/** Accounts and sign-ins lie above the studios; these are the only queries outside a scope. */
export interface SignedIn {
  readonly userId: Id<"user">;
  readonly studioId: Id<"studio">;
  readonly displayName: string;
  readonly studioName: string;
  /** What the studio has set for all of its coaches, which every page is worded by. */
  readonly settings: StudioSettings;
}

export const SIGN_IN_DAYS = 14;
const DAY_MS = 86_400_000;

function sha256(text: string): Buffer {
  return createHash("sha256").update(text).digest();
}

/** Who registers, or joins a studio. */
interface NewUser {
  readonly email: string;
  readonly displayName: string;
  readonly passwordHash: string;
}

type Joined = Result<
  { readonly userId: Id<"user">; readonly studioId: Id<"studio"> },
  { readonly code: "emailTaken" }
>;

/** Registers a user with a studio of their own. */
export async function register(
  db: Database,
  { studioName, ...user }: NewUser & { readonly studioName: string },
  now: Instant,
): Promise<Joined> {
  const studioId = newId<"studio">();
  return joining(db, async (trx) => {
    await trx("studios").insert({ id: toBinary(studioId), name: studioName, created_at: now });
    return { studioId, userId: await addMember(trx, studioId, "owner", user, now) };
  });
}

/** Registers a user as a coach of a studio that is there. */
export async function joinStudio(
  db: Database,
  studioId: Id<"studio">,
  user: NewUser,
  now: Instant,
): Promise<Joined> {
  return joining(db, async (trx) => ({
    studioId,
    userId: await addMember(trx, studioId, "coach", user, now),
  }));
}

/** Runs work in one transaction; an e-mail address that is known already is told, not thrown. */
async function joining(
  db: Database,
  work: (trx: Transaction) => Promise<{ userId: Id<"user">; studioId: Id<"studio"> }>,
): Promise<Joined> {
  try {
    return ok(await inTransaction(db, work));
  } catch (error) {
    if (isDuplicate(error)) return fail({ code: "emailTaken" });
    throw error;
  }
}

async function addMember(
  trx: Transaction,
  studioId: Id<"studio">,
  role: "owner" | "coach",
  { email, displayName, passwordHash }: NewUser,
  now: Instant,
): Promise<Id<"user">> {
  const id = newId<"user">();
  await trx("users").insert({
    id: toBinary(id),
    email,
    display_name: displayName,
    password_hash: passwordHash,
    created_at: now,
  });
  await trx("memberships").insert({
    studio_id: toBinary(studioId),
    user_id: toBinary(id),
    role,
  });
  return id;
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
  await deleteOld(db, "sign_ins", "token_hash", "expires_at", now);
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
    .leftJoin("studio_settings", "studio_settings.studio_id", "sign_ins.studio_id")
    .where("token_hash", sha256(token))
    .where("expires_at", ">", now)
    .first(
      "sign_ins.user_id",
      "sign_ins.studio_id",
      "users.display_name",
      "studios.name",
      "studio_settings.document",
    )) as Row | undefined;
  if (row === undefined) return null;
  return {
    userId: fromBinary(row["user_id"]),
    studioId: fromBinary(row["studio_id"]),
    displayName: z.string().parse(row["display_name"]),
    studioName: z.string().parse(row["name"]),
    settings: settingsFrom(row["document"]),
  };
}

export async function closeSignIn(db: Database, token: string): Promise<void> {
  await db("sign_ins").where("token_hash", sha256(token)).delete();
}

/** Devices of one account that are remembered; the one not seen longest gives way. */
const DEVICES_REMEMBERED = 20;

/** True where somebody has signed in to the account with this e-mail address on the device before. */
export async function isKnownDevice(db: Database, email: string, token: string): Promise<boolean> {
  const row: unknown = await db("known_devices")
    .join("users", "users.id", "known_devices.user_id")
    .where({ "users.email": email, "known_devices.token_hash": sha256(token) })
    .first("known_devices.user_id");
  return row !== undefined;
}

/** Remembers a device by its secret token, of which only a hash is stored. */
export async function rememberDevice(
  db: Database,
  user: Id<"user">,
  token: string,
  now: Instant,
): Promise<void> {
  const user_id = toBinary(user);
  await db("known_devices")
    .insert({ user_id, token_hash: sha256(token), last_at: now })
    .onConflict(["user_id", "token_hash"])
    .merge({ last_at: now });
  const surplus = (await db("known_devices")
    .where({ user_id })
    .orderBy("last_at", "desc")
    .offset(DEVICES_REMEMBERED)
    .limit(100)
    .select("token_hash")) as Row[];
  if (surplus.length === 0) return;
  await db("known_devices")
    .where({ user_id })
    .whereIn(
      "token_hash",
      surplus.map((row) => row["token_hash"] as Buffer),
    )
    .delete();
}
