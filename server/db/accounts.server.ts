import { createHash, randomBytes } from "node:crypto";
import { z } from "zod";
import { type Instant, type Id, fail, ok, type Result } from "~/core/kernel/index.ts";
import type { StudioSettings } from "~/core/person/index.ts";
import { newId } from "~/codec/new-id.ts";
import { instantColumn } from "~/codec/rows.ts";
import { fromBinary, toBinary } from "./columns.server.ts";
import {
  deleteOld,
  inTransaction,
  isDuplicate,
  type Database,
  type Transaction,
} from "./connection.server.ts";
import { grantOf, useUp } from "./grants.server.ts";
import type { Row } from "./scope.server.ts";
import { settingsFrom } from "./studio-settings.server.ts";

/** What a coach may do in a studio: everything, or everything but members, erasing and deleting. */
export type Role = "owner" | "coach";
export const roleColumn = z.enum(["owner", "coach"]);

/** Accounts and sign-ins lie above the studios; these are the only queries outside a scope. */
export interface SignedIn {
  readonly userId: Id<"user">;
  readonly studioId: Id<"studio">;
  readonly displayName: string;
  readonly studioName: string;
  readonly role: Role;
  /** What the studio has set for all of its coaches, which every page is worded by. */
  readonly settings: StudioSettings;
}

export const SIGN_IN_DAYS = 14;
const DAY_MS = 86_400_000;

function sha256(text: string): Buffer {
  return createHash("sha256").update(text).digest();
}

/** Somebody who signs in, whatever studio they are of. */
export interface Account {
  readonly email: string;
  readonly displayName: string;
  readonly passwordHash: string;
}

interface Membership {
  readonly userId: Id<"user">;
  readonly studioId: Id<"studio">;
}
type Joined<Code extends string> = Result<Membership, { readonly code: Code | "emailTaken" }>;

/** Registers a user with a studio of their own. */
export async function register(
  db: Database,
  { studioName, ...user }: Account & { readonly studioName: string },
  now: Instant,
): Promise<Joined<never>> {
  const studioId = newId<"studio">();
  return joining(db, async (trx) => {
    await trx("studios").insert({ id: toBinary(studioId), name: studioName, created_at: now });
    return ok({ studioId, userId: await addMember(trx, studioId, "owner", user, now) });
  });
}

/** Registers a user as a coach of the studio that an invitation is of, which is then used up. */
export async function joinByInvitation(
  db: Database,
  token: string,
  user: Account,
  now: Instant,
): Promise<Joined<"closed">> {
  return joining(db, async (trx) => {
    const grant = await grantOf(trx, "invitation", token, now, true);
    if (grant === null) return fail({ code: "closed" });
    await useUp(trx, token, now);
    const { studioId } = grant;
    return ok({ studioId, userId: await addMember(trx, studioId, "coach", user, now) });
  });
}

/** Runs work in one transaction; an e-mail address that is known already is told, not thrown. */
async function joining<Code extends string>(
  db: Database,
  work: (trx: Transaction) => Promise<Joined<Code>>,
): Promise<Joined<Code>> {
  try {
    return await inTransaction(db, work);
  } catch (error) {
    if (isDuplicate(error)) return fail({ code: "emailTaken" });
    throw error;
  }
}

async function addMember(
  trx: Transaction,
  studioId: Id<"studio">,
  role: Role,
  { email, displayName, passwordHash }: Account,
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
    .whereNull("memberships.left_at")
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
  device: string,
  now: Instant,
): Promise<string> {
  const token = randomBytes(32).toString("base64url");
  await db("sign_ins").insert({
    token_hash: sha256(token),
    studio_id: toBinary(who.studioId),
    user_id: toBinary(who.userId),
    device,
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
    .join("memberships", (on) =>
      on
        .on("memberships.studio_id", "sign_ins.studio_id")
        .andOn("memberships.user_id", "sign_ins.user_id"),
    )
    .leftJoin("studio_settings", "studio_settings.studio_id", "sign_ins.studio_id")
    .where("token_hash", sha256(token))
    .where("expires_at", ">", now)
    .whereNull("memberships.left_at")
    .first(
      "memberships.role",
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
    role: roleColumn.parse(row["role"]),
    settings: settingsFrom(row["document"]),
  };
}

/** Where somebody is signed in, the latest first. */
export interface OpenSignIn {
  /** By which it is told from others; nobody can sign in with it. */
  readonly key: string;
  readonly device: string;
  readonly since: Instant;
  readonly isThis: boolean;
}

export async function openSignIns(
  db: Database,
  user: Id<"user">,
  token: string,
  now: Instant,
): Promise<readonly OpenSignIn[]> {
  const rows = (await db("sign_ins")
    .where({ user_id: toBinary(user) })
    .where("expires_at", ">", now)
    .orderBy("created_at", "desc")
    .select("token_hash", "device", "created_at")) as Row[];
  const own = sha256(token);
  return rows.map((row) => {
    const hash = z.instanceof(Buffer).parse(row["token_hash"]);
    return {
      key: hash.toString("hex"),
      device: z.string().parse(row["device"]),
      since: instantColumn.parse(row["created_at"]),
      isThis: hash.equals(own),
    };
  });
}

/** Ends one sign-in of a user, or all but the one with this token. */
export async function closeSignIns(
  db: Database | Transaction,
  user: Id<"user">,
  which: { readonly key: string } | { readonly allBut: string | null },
): Promise<void> {
  const own = db("sign_ins").where({ user_id: toBinary(user) });
  if ("key" in which) await own.where({ token_hash: Buffer.from(which.key, "hex") }).delete();
  else if (which.allBut === null) await own.delete();
  else await own.whereNot({ token_hash: sha256(which.allBut) }).delete();
}

/** The account of a user who is known. */
export async function accountOf(db: Database, user: Id<"user">): Promise<Account> {
  const row = (await db("users")
    .where({ id: toBinary(user) })
    .first("email", "display_name", "password_hash")) as Row;
  return {
    email: z.string().parse(row["email"]),
    displayName: z.string().parse(row["display_name"]),
    passwordHash: z.string().parse(row["password_hash"]),
  };
}

/** Changes a password and ends every other sign-in: whoever knew the old one is out. */
export async function changePassword(
  db: Database,
  user: Id<"user">,
  passwordHash: string,
  keep: string | null,
): Promise<void> {
  await inTransaction(db, async (trx) => {
    await setPassword(trx, user, passwordHash, keep);
  });
}

async function setPassword(
  trx: Transaction,
  user: Id<"user">,
  passwordHash: string,
  keep: string | null,
): Promise<void> {
  await trx("users")
    .where({ id: toBinary(user) })
    .update({ password_hash: passwordHash });
  await closeSignIns(trx, user, { allBut: keep });
  await trx("known_devices")
    .where({ user_id: toBinary(user) })
    .delete();
}

/** Sets a new password by a link; false where it opens nothing any more. */
export async function resetPassword(
  db: Database,
  token: string,
  passwordHash: string,
  now: Instant,
): Promise<boolean> {
  return inTransaction(db, async (trx) => {
    const grant = await grantOf(trx, "password", token, now, true);
    if (grant === null || grant.subject === null) return false;
    await useUp(trx, token, now);
    await setPassword(trx, grant.subject, passwordHash, null);
    return true;
  });
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
