import type { Day } from "~/core/kernel/index.ts";
import { absencesIn, keptPlan } from "~/core/log/index.ts";
import type { PhaseFacts, PlacedSession } from "~/core/phase/index.ts";
import type { StoredStation } from "../db/gyms.server.ts";
import { saidBeside } from "../db/commands.server.ts";
import { placedSessions } from "../db/plans.server.ts";
import type { StoredPhase } from "../db/phases.server.ts";
import type { Scope } from "../db/scope.server.ts";
import type { KnownClient } from "./client.server.ts";

/** What a phase is projected from, as it stands on a day. */
export async function phaseFactsFor(
  scope: Scope,
  phase: StoredPhase,
  client: KnownClient,
  today: Day,
): Promise<PhaseFacts<StoredStation>> {
  return {
    placed: await placedIn(scope, phase, client),
    series: client.series,
    stations: client.stations,
    context: client.contextOn(today, client.series),
    known: client.known,
    today,
  };
}

/** What a phase made real, each session as it was trained, and its rules with what was swapped for good. */
async function placedIn(
  scope: Scope,
  { id }: StoredPhase,
  { history }: KnownClient,
): Promise<readonly PlacedSession[]> {
  const stored = await placedSessions(scope, id);
  const trained = new Map(history.sessions.map((session) => [session.id, session.document]));
  // What lies further back than history, or still runs, is asked for by itself.
  const beside = new Map([
    ...(await saidBeside(
      scope,
      stored.flatMap(({ sessionLog }) =>
        sessionLog === null || history.beside.has(sessionLog) ? [] : [sessionLog],
      ),
    )),
    ...history.beside,
  ]);
  return stored.map(({ document, ruled, sessionLog, isEnded, ...placed }): PlacedSession => {
    const said = sessionLog === null ? undefined : beside.get(sessionLog);
    const changes = said?.changes ?? [];
    return {
      ...placed,
      state: sessionLog === null ? "planned" : isEnded ? "done" : "running",
      plan: (sessionLog === null ? undefined : trained.get(sessionLog)) ?? document,
      ruled: keptPlan(ruled, changes),
      sessionLog,
      loggedSets:
        (sessionLog === null ? null : history.performed.get(sessionLog)?.loggedSets) ?? null,
      absences: absencesIn(changes, said?.skips ?? new Map()),
    };
  });
}
