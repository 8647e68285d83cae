import { idField } from "~/core/kernel/index.ts";
import { redirect } from "react-router";
import { idParam, orNotFound } from "~/server/auth/session.server.ts";
import { moveSlotToOtherDay } from "~/server/coaching/move-slot.server.ts";
import { getPlan } from "~/server/db/plans.server.ts";
import { readForm } from "~/server/http/body.server.ts";
import { writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/plan-move-slot.ts";

export function loader({ params }: Route.LoaderArgs) {
  throw redirect(`/plans/${params.planId}`);
}

/** Moves an exercise to another session of the same person; both plans change, or neither. */
export const action = writing(async (scope, { request, params }: Route.ActionArgs) => {
  const plan = orNotFound(await getPlan(scope, idParam<"plan">(params.planId)));
  const form = await readForm(request);
  const slot = idField("slot").safeParse(form.get("slot"));
  const to = idField("plan").safeParse(form.get("to"));
  if (!slot.success || !to.success) throw orNotFound(null);
  const done = await moveSlotToOtherDay(scope, plan.id, slot.data, to.data);
  throw redirect(`/plans/${plan.id}${done ? "" : "?not-moved"}`);
});
