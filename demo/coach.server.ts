import type { Day, Id } from "~/core/kernel/index.ts";
import { nextEasier } from "~/core/gym/index.ts";
import type { Decision } from "~/core/progress/index.ts";
import { planNext, proposalsFor } from "../server/coaching/next-session.server.ts";
import type { Scope } from "../server/db/scope.server.ts";
import {
  getSessionLog,
  startSession,
  type StoredSessionLog,
} from "../server/db/session-logs.server.ts";

/** Starts training a plan, as the button of its page does. */
export async function beginSession(scope: Scope, plan: Id<"plan">): Promise<StoredSessionLog> {
  const started = await startSession(scope, plan);
  const sessionLog = started.ok ? await getSessionLog(scope, started.value) : null;
  if (sessionLog === null) throw new Error("the demo's session did not start");
  return sessionLog;
}

/** The coach's word on every proposal: taken, but once overruled with a reason. */
export async function decide(
  scope: Scope,
  sessionLogId: Id<"sessionLog">,
  on: Day,
  overrules: boolean,
): Promise<Id<"plan">> {
  const sessionLog = await getSessionLog(scope, sessionLogId);
  if (sessionLog === null) throw new Error("the demo's session is gone");
  const proposals = await proposalsFor(scope, sessionLog);
  const decisions = proposals.slots.flatMap(({ slot, station, lines }, i) =>
    lines
      .filter(({ isDecided }) => isDecided)
      .map(({ line, reading }): Decision => {
        const at = { slotId: slot.id, line };
        const easier = station && reading && nextEasier(station.loading, reading);
        if (!overrules || i !== 0 || easier === null) return { ...at, kind: "accept" };
        return {
          ...at,
          kind: "overrule",
          reading: easier.reading,
          reason: "Lighter week before the exam; depth first.",
        };
      }),
  );
  const planned = await planNext(scope, sessionLog, proposals, on, decisions);
  if (!planned.ok)
    throw new Error(`the demo's next session was not planned: ${planned.error.code}`);
  return planned.value;
}
