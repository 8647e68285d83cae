import { redirect } from "react-router";
import { checkPlan, unrollContextOf } from "~/core/unroll/index.ts";
import { idParam, orNotFound } from "~/server/auth/session.server.ts";
import { listStations } from "~/server/db/gyms.server.ts";
import { catalogueFor } from "~/server/db/movements.server.ts";
import { getPlan } from "~/server/db/plans.server.ts";
import { startSession } from "~/server/db/session-logs.server.ts";
import { writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/plan-start.ts";

export function loader({ params }: Route.LoaderArgs) {
  throw redirect(`/plans/${params.planId}`);
}

/** Starts training a plan; one that cannot be trained as written leads back to the bench, which says why. */
export const action = writing(async (scope, { params }: Route.ActionArgs) => {
  const plan = orNotFound(await getPlan(scope, idParam<"plan">(params.planId)));
  const [stations, catalogue] = await Promise.all([
    listStations(scope, plan.gymId),
    catalogueFor(scope),
  ]);
  const issues = checkPlan(plan.document, unrollContextOf(stations, catalogue.find));
  if (plan.document.blocks.length === 0 || issues.some((issue) => issue.blocks)) {
    throw redirect(`/plans/${plan.id}?cannot-start`);
  }
  const started = await startSession(scope, plan.id);
  throw redirect(started.ok ? `/floor/${started.value}` : `/plans/${plan.id}`);
});
