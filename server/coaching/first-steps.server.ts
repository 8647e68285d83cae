import type { FirstSteps } from "~/core/coach/index.ts";
import { fromBinary } from "../db/columns.server.ts";
import type { Scope } from "../db/scope.server.ts";

/** The first steps of a studio; null once a set has been logged, for good. */
export async function firstSteps(scope: Scope, gyms: number): Promise<FirstSteps | null> {
  const logged = await scope.from("performed_parts").first("id");
  if (logged !== undefined) return null;
  const [person, plan, run] = await Promise.all([
    scope.from("people").first("id"),
    scope.from("plans").orderBy("id").first("id"),
    scope.from("runs").orderBy("id").first("id"),
  ]);
  return {
    hasGym: gyms > 0,
    hasClient: person !== undefined,
    session: plan === undefined ? null : fromBinary(plan["id"]),
    begun: run === undefined ? null : fromBinary(run["id"]),
  };
}
