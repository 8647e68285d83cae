import { approachAmong, bodyWeightOf, readinessOn } from "~/core/person/index.ts";
import { dayAt, yearOf } from "~/core/kernel/index.ts";
import { listApproaches } from "../db/approaches.server.ts";
import { currentBrief } from "../db/briefs.server.ts";
import { dismissalsOn } from "../db/dismissals.server.ts";
import { listGyms, listStations } from "../db/gyms.server.ts";
import { listMeasurements } from "../db/measurements.server.ts";
import { plansOfWeek, type StoredPlan } from "../db/plans.server.ts";
import type { Scope } from "../db/scope.server.ts";
import { strengthRules } from "../db/strength-rules.server.ts";
import { strengthRecordsOf, historyOf, lastsOf, seriesOf } from "./history.server.ts";

/** A plan with everything that its session is judged by: the person, the gyms, the week and what was done. */
export async function benchOf(scope: Scope, plan: StoredPlan) {
  const [stations, gyms, history, brief, approaches, measurements, week, dismissals, { rules }] =
    await Promise.all([
      listStations(scope),
      listGyms(scope),
      historyOf(scope, plan.personId),
      currentBrief(scope, { id: plan.personId, level: plan.personLevel }),
      listApproaches(scope),
      listMeasurements(scope, plan.personId),
      plansOfWeek(scope, plan.personId, plan.day),
      dismissalsOn(scope, plan.id),
      strengthRules(scope),
    ]);
  const bodyWeight = bodyWeightOf(measurements, plan.day);
  const series = seriesOf(history);
  return {
    plan,
    stations,
    gyms,
    lasts: lastsOf(series),
    brief,
    approach: approachAmong(approaches, brief.approach),
    bodyWeight,
    rules,
    strengthRecords: strengthRecordsOf(series, bodyWeight, rules),
    readiness: readinessOn(measurements, plan.day),
    others: week.filter((other) => other.id !== plan.id),
    dismissals,
    year: yearOf(dayAt(scope.now, gyms.find(({ id }) => id === plan.gymId)?.timeZone ?? "UTC")),
  };
}
