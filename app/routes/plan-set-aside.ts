import { data } from "react-router";
import { setAsideCodec } from "~/codec/set-aside.ts";
import { idParam, orNotFound } from "~/server/auth/session.server.ts";
import { dismiss, dismissalsOn, withdrawDismissal } from "~/server/db/dismissals.server.ts";
import { getPlan } from "~/server/db/plans.server.ts";
import { readJson } from "~/server/http/body.server.ts";
import { writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/plan-set-aside.ts";

/** Sets a finding aside with its reason, or takes that back; answers what is set aside then. */
export const action = writing(async (scope, { request, params }: Route.ActionArgs) => {
  const plan = orNotFound(await getPlan(scope, idParam<"plan">(params.planId)));
  const parsed = setAsideCodec.safeParse(await readJson(request));
  if (!parsed.success) return data({ dismissals: await dismissalsOn(scope, plan.id) }, 400);
  const change = parsed.data;
  if (change.kind === "setAside")
    await dismiss(scope, plan.id, change, change.reason, change.leftTo);
  else await withdrawDismissal(scope, change.id);
  return { dismissals: await dismissalsOn(scope, plan.id) };
});
