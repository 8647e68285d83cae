import { redirect } from "react-router";
import { idParam, orNotFound } from "~/server/auth/session.server.ts";
import { getPlan } from "~/server/db/plans.server.ts";
import { discardSession } from "~/server/db/session-logs.server.ts";
import { readForm } from "~/server/http/body.server.ts";
import { writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/plan-discard.ts";

export function loader({ params }: Route.LoaderArgs) {
  throw redirect(`/plans/${params.planId}`);
}

/** Discards what was started of a session, or restores it. */
export const action = writing(async (scope, { request, params }: Route.ActionArgs) => {
  const plan = orNotFound(await getPlan(scope, idParam<"plan">(params.planId)));
  const isRestored = (await readForm(request)).get("intent") === "restore";
  const { sessionState, discarded } = plan;
  const started = isRestored
    ? discarded
    : sessionState.kind === "running"
      ? sessionState.sessionLogId
      : null;
  if (started !== null) await discardSession(scope, started, !isRestored);
  throw redirect(`/plans/${plan.id}`);
});
