import { seenIn, type CoachingContext } from "~/core/coach/index.ts";
import { isNeglect } from "~/core/coach/warnings/index.ts";
import { dayAt, yearOf, type Day, type Id } from "~/core/kernel/index.ts";
import { seriesOf } from "~/core/log/index.ts";
import { approachAmong, bodyWeightOf, readinessOn } from "~/core/person/index.ts";
import { strengthRecordsOf } from "~/core/progress/index.ts";
import { listApproaches } from "../db/approaches.server.ts";
import { currentBrief } from "../db/briefs.server.ts";
import { getGym, listStations } from "../db/gyms.server.ts";
import { listMeasurements } from "../db/measurements.server.ts";
import type { Person } from "../db/people.server.ts";
import { plansAround } from "../db/plans.server.ts";
import type { Scope } from "../db/scope.server.ts";
import { strengthRules } from "../db/strength-rules.server.ts";
import { warningsOn } from "../db/warnings.server.ts";
import { historyOf } from "./history.server.ts";

/** What a session of a person on a day in a gym is judged by, with the series and warnings that it was worked out from. */
export async function contextFor(
  scope: Scope,
  person: Pick<Person, "id" | "level">,
  gymId: Id<"gym">,
  day: Day,
) {
  const [stations, gym, history, brief, approaches, measurements, around, { rules }, warnings] =
    await Promise.all([
      listStations(scope),
      getGym(scope, gymId),
      historyOf(scope, person.id),
      currentBrief(scope, person),
      listApproaches(scope),
      listMeasurements(scope, person.id),
      plansAround(scope, person.id, day),
      strengthRules(scope),
      warningsOn(scope, person.id),
    ]);
  const bodyWeight = bodyWeightOf(measurements, day);
  const series = seriesOf(history);
  const context = {
    stations,
    rules,
    strengthRecords: strengthRecordsOf(series, bodyWeight, rules),
    brief,
    approach: approachAmong(approaches, brief.approach),
    bodyWeight,
    day,
    others: around,
    seen: seenIn(series),
    neglected: warnings.filter(isNeglect),
    year: yearOf(dayAt(scope.now, gym?.timeZone ?? "UTC")),
    readiness: readinessOn(measurements, day),
  } satisfies CoachingContext;
  return { context, series, warnings };
}
