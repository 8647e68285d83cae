import type { Id } from "~/core/kernel/index.ts";
import type { History } from "~/core/log/index.ts";
import { stationVersions } from "../db/gyms.server.ts";
import { performedIn } from "../db/performed.server.ts";
import { endedSessionsOf } from "../db/session-logs.server.ts";
import type { Scope } from "../db/scope.server.ts";

/** How many sessions history looks back: enough for a stall and its run-up. */
const SESSIONS = 16;

/** What history holds of a person; five queries however many sessions there are. */
export async function historyOf(scope: Scope, person: Id<"person">): Promise<History> {
  const sessionLogs = await endedSessionsOf(scope, person, SESSIONS);
  const performed = await performedIn(
    scope,
    sessionLogs.map((sessionLog) => sessionLog.id),
  );
  const versions = await stationVersions(
    scope,
    [...performed.values()].flatMap(({ contexts }) => contexts.map((c) => c.stationVersion)),
  );
  return { sessions: sessionLogs, performed, versions };
}
