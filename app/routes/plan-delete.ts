import { redirect } from "react-router";
import { idParam, orNotFound } from "~/server/auth/session.server.ts";
import { dropPlan, getPlan } from "~/server/db/plans.server.ts";
import { readForm } from "~/server/http/body.server.ts";
import { writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/plan-delete.ts";

export function loader({ params }: Route.LoaderArgs) {
  throw redirect(`/plans/${params.planId}`);
}

/** Deletes a planned session that nobody began, or restores one. */
export const action = writing(async (scope, { request, params }: Route.ActionArgs) => {
  const plan = orNotFound(await getPlan(scope, idParam<"plan">(params.planId)));
  const isDeleted = (await readForm(request)).get("intent") !== "restore";
  const done = await dropPlan(scope, plan.id, isDeleted);
  throw redirect(`/plans/${plan.id}${done ? "" : "?begun"}`);
});
