import knex, { type Knex } from "knex";

export type Database = Knex;
export type Transaction = Knex.Transaction;

/** Opens a pool for a DATABASE_URL. Connections are made when needed, so an absent server fails per query. */
export function openDatabase(url: string): Database {
  const parsed = new URL(url);
  return knex({
    client: "mysql2",
    connection: {
      host: parsed.hostname,
      port: Number(parsed.port || 3306),
      user: decodeURIComponent(parsed.username),
      password: decodeURIComponent(parsed.password),
      database: parsed.pathname.slice(1),
      charset: "utf8mb4",
      timezone: "Z",
      dateStrings: true,
      supportBigNumbers: true,
      connectTimeout: 3000,
    },
    pool: { min: 0, max: 10, acquireTimeoutMillis: 5000, propagateCreateError: true },
  });
}

const RETRIED = new Set(["ER_LOCK_DEADLOCK", "ER_LOCK_WAIT_TIMEOUT", "ER_CHECKREAD"]);
const ATTEMPTS = 4;

/** Runs work in one transaction and repeats the whole of it after a deadlock, a few times. */
export async function inTransaction<T>(
  db: Database,
  work: (trx: Transaction) => Promise<T>,
): Promise<T> {
  for (let attempt = 1; ; attempt++) {
    try {
      return await db.transaction(work);
    } catch (error) {
      if (attempt >= ATTEMPTS || !RETRIED.has(codeOf(error))) throw error;
      await new Promise((resolve) => setTimeout(resolve, 20 * attempt * (1 + Math.random())));
    }
  }
}

const UNREACHABLE = new Set([
  "ECONNREFUSED",
  "ECONNRESET",
  "ENOTFOUND",
  "ETIMEDOUT",
  "EPIPE",
  "ENOENT",
  "PROTOCOL_CONNECTION_LOST",
  "ER_SERVER_SHUTDOWN",
  "ER_CON_COUNT_ERROR",
]);

/** True when an error means that the database cannot be reached, as opposed to a wrong query. */
export function isUnreachable(error: unknown): boolean {
  return (
    UNREACHABLE.has(codeOf(error)) || (error instanceof Error && error.name === "KnexTimeoutError")
  );
}

/** True for a row that exists already under a unique key. */
export function isDuplicate(error: unknown): boolean {
  return codeOf(error) === "ER_DUP_ENTRY";
}

function codeOf(error: unknown): string {
  if (typeof error !== "object" || error === null || !("code" in error)) return "";
  return String(error.code);
}
