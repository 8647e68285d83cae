import { lastsOf } from "~/core/log/index.ts";
import { dismissalsOn } from "../db/dismissals.server.ts";
import { gymsToChoose } from "../db/gyms.server.ts";
import type { StoredPlan } from "../db/plans.server.ts";
import type { Scope } from "../db/scope.server.ts";
import { contextFor } from "./context.server.ts";

/** A plan with everything that its session is judged by: the person, the gyms, the week and what was done. */
export async function benchOf(scope: Scope, plan: StoredPlan) {
  const person = { id: plan.personId, level: plan.personLevel };
  const [{ context, series }, gyms, dismissals] = await Promise.all([
    contextFor(scope, person, plan.gymId, plan.day),
    gymsToChoose(scope, plan.gymId),
    dismissalsOn(scope, plan.id),
  ]);
  const others = context.others.filter((other) => other.id !== plan.id);
  return { plan, gyms, dismissals, lasts: lastsOf(series), context: { ...context, others } };
}
