import type { Id } from "~/core/kernel/index.ts";
import { trainedPlan, type History, type TrainedSession } from "~/core/log/index.ts";
import { saidBeside, type SaidBeside } from "../db/commands.server.ts";
import { stationVersions } from "../db/gyms.server.ts";
import { performedIn } from "../db/performed.server.ts";
import { endedSessionsOf, type StoredSessionLog } from "../db/session-logs.server.ts";
import type { Scope } from "../db/scope.server.ts";

/** A history with what was said beside the sets of each of its sessions. */
export interface StoredHistory extends History {
  readonly sessions: readonly (TrainedSession & Pick<StoredSessionLog, "place">)[];
  readonly beside: ReadonlyMap<Id<"sessionLog">, SaidBeside>;
}

/** How many sessions history looks back: enough for a stall and its run-up. */
const SESSIONS = 26;

/** What history holds of a person; six queries however many sessions there are. Each session is as it was trained. */
export async function historyOf(scope: Scope, person: Id<"person">): Promise<StoredHistory> {
  const sessionLogs = await endedSessionsOf(scope, person, SESSIONS);
  const ids = sessionLogs.map((sessionLog) => sessionLog.id);
  const [performed, beside] = await Promise.all([performedIn(scope, ids), saidBeside(scope, ids)]);
  const versions = await stationVersions(
    scope,
    [...performed.values()].flatMap(({ contexts }) => contexts.map((c) => c.stationVersion)),
  );
  const sessions = sessionLogs.map((sessionLog) => ({
    ...sessionLog,
    document: trainedPlan(
      sessionLog.document,
      beside.get(sessionLog.id)?.changes ?? [],
      performed.get(sessionLog.id)?.loggedSets ?? [],
    ),
    readiness: beside.get(sessionLog.id)?.readiness ?? null,
  }));
  return { sessions, performed, versions, beside };
}
