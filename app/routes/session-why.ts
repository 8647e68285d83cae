import { idParam, orNotFound } from "~/server/auth/session.server.ts";
import { proposalsFor } from "~/server/coaching/next-session.server.ts";
import { getSessionLog } from "~/server/db/session-logs.server.ts";
import { reading } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/session-why.ts";

/** Why each line of a trained session is proposed as it is, for whoever looks at one of them. */
export const loader = reading(async (scope, { params }: Route.LoaderArgs) => {
  const sessionLog = orNotFound(await getSessionLog(scope, idParam<"sessionLog">(params.runId)));
  const { slots } = await proposalsFor(scope, sessionLog);
  return {
    lines: slots.flatMap(({ lines, records, station }) =>
      lines.map((proposal) => ({
        line: proposal.line,
        proposal,
        record: records.find(({ line }) => line === proposal.line) ?? null,
        unit: station?.loading.unit ?? "kg",
      })),
    ),
  };
});
