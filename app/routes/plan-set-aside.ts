import { data } from "react-router";
import { setAsideCodec } from "~/codec/set-aside.ts";
import { idParam, orNotFound, scopeOf } from "~/server/auth/session.server.ts";
import { dismiss, dismissalsOn, withdrawDismissal } from "~/server/db/dismissals.server.ts";
import { getPlan } from "~/server/db/plans.server.ts";
import type { Route } from "./+types/plan-set-aside.ts";

/** Sets a finding aside with its reason, or takes that back; answers what is set aside then. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const scope = scopeOf(context);
  const plan = orNotFound(await getPlan(scope, idParam<"plan">(params.planId)));
  const parsed = setAsideCodec.safeParse(await request.json().catch(() => null));
  if (!parsed.success) return data({ dismissals: await dismissalsOn(scope, plan.id) }, 400);
  const change = parsed.data;
  if (change.kind === "setAside") await dismiss(scope, plan.id, change, change.reason);
  else await withdrawDismissal(scope, plan.id, change.id);
  return { dismissals: await dismissalsOn(scope, plan.id) };
}
