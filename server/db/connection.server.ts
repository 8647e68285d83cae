import knex, { type Knex } from "knex";

export type Database = Knex;
export type Transaction = Knex.Transaction;

interface RawConnection {
  query(sql: string, done: (error: unknown) => void): void;
}

/** Opens a pool for a DATABASE_URL. Connections are made when needed, so an absent server fails per query. */
export function openDatabase(url: string): Database {
  const parsed = new URL(url);
  const connection = {
    host: parsed.hostname,
    port: Number(parsed.port || 3306),
    user: decodeURIComponent(parsed.username),
    password: decodeURIComponent(parsed.password),
    database: parsed.pathname.slice(1),
    charset: "utf8mb4",
    timezone: "Z",
    dateStrings: true,
    jsonStrings: true, // Knex does not know this option of the driver.
    supportBigNumbers: true,
    connectTimeout: 3000,
  };
  return knex({
    client: "mysql2",
    connection,
    pool: {
      min: 0,
      max: 10,
      acquireTimeoutMillis: 5000,
      propagateCreateError: true,
      afterCreate: (connection: RawConnection, done: (error: unknown, made: unknown) => void) => {
        connection.query(
          `set session innodb_lock_wait_timeout = ${LOCK_WAIT_SECONDS}`,
          (error: unknown) => done(error, connection),
        );
      },
    },
  });
}

/** Seconds that a statement waits for a lock; what holds one longer is stuck. */
const LOCK_WAIT_SECONDS = 3;

const DEADLOCKED = new Set(["ER_LOCK_DEADLOCK", "ER_CHECKREAD"]);
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
      if (attempt >= ATTEMPTS || !DEADLOCKED.has(codeOf(error))) throw error;
      await new Promise((resolve) => setTimeout(resolve, 20 * attempt * (1 + Math.random())));
    }
  }
}

/** Old rows that are swept away in one go; what is left goes with the next. */
const SWEPT = 200;

/**
 * Deletes rows from before an instant by their keys. A delete by time would lock every row that it looks at, and
 * whoever signs in at the same moment would wait for it.
 */
export async function deleteOld(
  db: Database,
  table: "failed_sign_ins" | "sign_ins",
  key: string,
  time: string,
  before: number,
): Promise<void> {
  const old = (await db(table).where(time, "<", before).limit(SWEPT).select(key)) as Record<
    string,
    unknown
  >[];
  if (old.length === 0) return;
  await db(table)
    .whereIn(
      key,
      old.map((row) => row[key] as Buffer),
    )
    .delete()
    // Two sweeps at once meet at the same rows; one of them is enough.
    .catch((error: unknown) => {
      if (!isLocked(error) && !DEADLOCKED.has(codeOf(error))) throw error;
    });
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

/** True when somebody else holds what a statement needs, right now or for too long. */
export function isLocked(error: unknown): boolean {
  return codeOf(error) === "ER_LOCK_WAIT_TIMEOUT" || codeOf(error) === "ER_LOCK_NOWAIT";
}

/** True where the same work may succeed when it is repeated: a lock that somebody held, or a deadlock. */
export function isTransient(error: unknown): boolean {
  return isLocked(error) || DEADLOCKED.has(codeOf(error)) || isUnreachable(error);
}

/** True for a row that exists already under a unique key. */
export function isDuplicate(error: unknown): boolean {
  return codeOf(error) === "ER_DUP_ENTRY";
}

function codeOf(error: unknown): string {
  if (typeof error !== "object" || error === null || !("code" in error)) return "";
  return String(error.code);
}
