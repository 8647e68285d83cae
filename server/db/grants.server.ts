import { createHash, randomBytes } from "node:crypto";
import { z } from "zod";
import type { Id, Instant } from "~/core/kernel/index.ts";
import { newId } from "~/codec/new-id.ts";
import { instantColumn } from "~/codec/rows.ts";
import { fromBinary, toBinary } from "./columns.server.ts";
import type { Database, Transaction } from "./connection.server.ts";
import type { Row, Scope } from "./scope.server.ts";

/** What somebody without an account, or without their password, may do with a link; the only list. */
export type GrantKind = "invitation" | "password";

const HOUR_MS = 3_600_000;
/** For how many hours a link can be used. */
export const GRANT_HOURS: Readonly<Record<GrantKind, number>> = { invitation: 7 * 24, password: 1 };

const hashOf = (token: string) => createHash("sha256").update(token).digest();

/** Makes a link's secret, of which only a hash is stored. `subject` is whose password it changes. */
export async function makeGrant(
  scope: Scope,
  kind: GrantKind,
  subject: Id<"user"> | null,
): Promise<string> {
  const token = randomBytes(32).toString("base64url");
  await scope.insert("grants", {
    id: toBinary(newId<"grant">()),
    token_hash: hashOf(token),
    kind,
    subject_id: subject === null ? null : toBinary(subject),
    created_at: scope.now,
    expires_at: scope.now + GRANT_HOURS[kind] * HOUR_MS,
    ...scope.by,
  });
  return token;
}

/** An invitation that can still be used. */
export interface OpenInvitation {
  readonly id: Id<"grant">;
  readonly createdAt: Instant;
  readonly expiresAt: Instant;
}

export async function openInvitations(scope: Scope): Promise<readonly OpenInvitation[]> {
  const rows = await scope
    .from("grants")
    .where({ kind: "invitation" })
    .whereNull("used_at")
    .whereNull("revoked_at")
    .where("expires_at", ">", scope.now)
    .orderBy("created_at")
    .select("id", "created_at", "expires_at");
  return rows.map((row: Row) => ({
    id: fromBinary(row["id"]),
    createdAt: instantColumn.parse(row["created_at"]),
    expiresAt: instantColumn.parse(row["expires_at"]),
  }));
}

/** Ends an invitation before it was used. */
export async function revokeGrant(scope: Scope, id: Id<"grant">): Promise<void> {
  await scope
    .from("grants")
    .where({ id: toBinary(id) })
    .whereNull("used_at")
    .update({ revoked_at: scope.now });
}

/** What a link opens. */
export interface Grant {
  readonly studioId: Id<"studio">;
  readonly subject: Id<"user"> | null;
  readonly studioName: string;
}

/** What a secret opens now; null where it is unknown, used, revoked or too old. `hold` keeps others from it meanwhile. */
export async function grantOf(
  db: Database | Transaction,
  kind: GrantKind,
  token: string,
  now: Instant,
  hold = false,
): Promise<Grant | null> {
  const query = db("grants")
    .join("studios", "studios.id", "grants.studio_id")
    .where({ "grants.token_hash": hashOf(token), "grants.kind": kind })
    .whereNull("grants.used_at")
    .whereNull("grants.revoked_at")
    .where("grants.expires_at", ">", now)
    .first("grants.studio_id", "grants.subject_id", "studios.name");
  const row = (await (hold ? query.forUpdate() : query)) as Row | undefined;
  if (row === undefined) return null;
  return {
    studioId: fromBinary(row["studio_id"]),
    subject: row["subject_id"] === null ? null : fromBinary(row["subject_id"]),
    studioName: z.string().parse(row["name"]),
  };
}

/** Says that a link was used, so that it opens nothing more. */
export async function useUp(trx: Transaction, token: string, now: Instant): Promise<void> {
  await trx("grants")
    .where({ token_hash: hashOf(token) })
    .update({ used_at: now });
}
