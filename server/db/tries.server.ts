import { createHash } from "node:crypto";
import type { Instant } from "~/core/kernel/index.ts";
import { newId } from "~/codec/new-id.ts";
import { toBinary } from "./columns.server.ts";
import { deleteOld, type Database } from "./connection.server.ts";
import type { Row } from "./scope.server.ts";

/** How often something may be tried by one subject: an address, a device, an account. */
export interface Limit {
  /** Whom it counts, with what: `address:203.0.113.7`. Only a hash is stored. */
  readonly subject: string;
  /** Tries that need no waiting. */
  readonly free: number;
  /** What follows them: nothing more within the window, or a wait that doubles with each. */
  readonly then: "window" | "doubling";
}

const WINDOW_MS = 15 * 60_000;
/** The first wait after the free tries; each further one doubles it, up to the window. */
const FIRST_WAIT_MS = 5000;

/** One try that was counted. It is taken back when it turned out well, or was not made. */
export interface CountedTry {
  /** Seconds that have to pass before it may be made; 0 when it may now. */
  readonly waitSeconds: number;
  takeBack(): Promise<void>;
}

/**
 * Counts a try against all of its limits before it is made, so that tries at the same moment see each other.
 * One that has to wait is taken back at once: asking again does not prolong the wait.
 */
export async function countTry(
  db: Database,
  limits: readonly Limit[],
  now: Instant,
  windowMs = WINDOW_MS,
): Promise<CountedTry> {
  const own = limits.map(({ subject }) => ({
    id: toBinary(newId()),
    subject_hash: createHash("sha256").update(subject).digest(),
    at: now,
  }));
  await db("failed_sign_ins").insert(own);
  const takeBack = async () => {
    await db("failed_sign_ins")
      .whereIn(
        "id",
        own.map(({ id }) => id),
      )
      .delete();
  };
  const waits = await Promise.all(
    limits.map(async ({ free, then }, i) => {
      const earlier = (await db("failed_sign_ins")
        .where("subject_hash", own[i]?.subject_hash ?? "")
        .where("at", ">", now - windowMs)
        .whereNot("id", own[i]?.id ?? "")
        .orderBy("at", "desc")
        .limit(free + 20)
        .select("at")) as Row[];
      const times = earlier.map((row) => Number(row["at"]));
      return waitFor(times, free, then, now, windowMs);
    }),
  );
  const waitSeconds = Math.ceil(Math.max(0, ...waits) / 1000);
  if (waitSeconds > 0) await takeBack();
  await deleteOld(db, "failed_sign_ins", "id", "at", now - LONGEST_WINDOW_MS);
  return { waitSeconds, takeBack };
}

/** Rows older than the longest window in use count for nothing. */
const LONGEST_WINDOW_MS = 60 * 60_000;

/** Milliseconds still to wait after tries at these times, newest first. */
function waitFor(
  times: readonly number[],
  free: number,
  then: Limit["then"],
  now: Instant,
  windowMs: number,
): number {
  const [newest] = times;
  const blocking = times[free - 1];
  if (newest === undefined || blocking === undefined) return 0;
  return then === "window"
    ? blocking + windowMs - now
    : newest + Math.min(windowMs, FIRST_WAIT_MS * 2 ** (times.length - free)) - now;
}
