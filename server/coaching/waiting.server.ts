import type { Id } from "~/core/kernel/index.ts";
import type { Command } from "~/core/log/index.ts";
import { waitingIn } from "~/core/progress/index.ts";
import { acceptCommands } from "../db/commands.server.ts";
import { isTransient } from "../db/connection.server.ts";
import { rulingOn, rulingsOn } from "../db/rulings.server.ts";
import { getSessionLog } from "../db/session-logs.server.ts";
import { markWorkedOut, outdatedSessions, replaceWaiting } from "../db/waiting.server.ts";
import type { Scope } from "../db/scope.server.ts";
import { clientFor } from "./client.server.ts";
import { proposalsOf } from "./next-session.server.ts";
import { workOutWarnings } from "./warnings.server.ts";

/** Works out what of a session waits for the coach, from its log as it stands, and what its client's weeks warn of. */
export async function workOutWaiting(scope: Scope, id: Id<"sessionLog">): Promise<void> {
  const sessionLog = await getSessionLog(scope, id);
  if (sessionLog === null) return;
  if (sessionLog.endedAt === null || sessionLog.settledAt !== null) {
    await replaceWaiting(scope, sessionLog, []);
    return;
  }
  const client = await clientFor(scope, sessionLog.personId);
  const { slots } = await proposalsOf(scope, sessionLog, client);
  const rulings = (await rulingsOn(scope, id)).filter(
    ({ logPosition }) => logPosition === sessionLog.lastPosition,
  );
  await replaceWaiting(
    scope,
    sessionLog,
    waitingIn(slots).map((facts) => ({
      facts,
      ruling: rulingOn(rulings, facts.slot, facts.line)?.id ?? null,
    })),
  );
  await workOutWarnings(scope, sessionLog.personId, client);
}

/**
 * Commits a device's commands, and in the same transaction what waits for the coach by them. A fault of the latter
 * costs no set: the session is then worked out by the next page that looks.
 */
export async function takeCommands(
  scope: Scope,
  sessionLogId: Id<"sessionLog">,
  commands: readonly Command[],
): ReturnType<typeof acceptCommands> {
  return acceptCommands(scope, sessionLogId, commands, async (trx) => {
    try {
      await workOutWaiting(trx, sessionLogId);
    } catch (error) {
      // What the database may do better at the next attempt is its to repeat.
      if (isTransient(error)) throw error;
    }
  });
}

/** How many sessions one call works out at most; each reads its client's history. */
const AT_ONCE = 4;

/** Works out some of the sessions of which nobody knows yet what waits; how many those were. */
export async function workOutSome(scope: Scope, limit = AT_ONCE): Promise<number> {
  const ids = await outdatedSessions(scope, limit);
  for (const id of ids) {
    try {
      await scope.transaction((trx) => workOutWaiting(trx, id));
    } catch (error) {
      if (isTransient(error)) throw error;
      // Nothing can be proposed for it: its review says why, and the others do not wait for it.
      await markWorkedOut(scope, id);
    }
  }
  return ids.length;
}
