import { approachAmong, bodyWeightOf, readinessOn } from "~/core/person/index.ts";
import { dayAt, yearOf, type Day, type Id } from "~/core/kernel/index.ts";
import { fitPlan, type Fitted } from "~/core/coach/index.ts";
import { surroundingsOf } from "~/core/unroll/index.ts";
import type { SessionPlan } from "~/core/plan/index.ts";
import { lastKey } from "~/core/log/index.ts";
import { surroundingsFrom } from "~/core/progress/index.ts";
import { newId } from "~/codec/new-id.ts";
import type { Give } from "~/codec/template.ts";
import { listApproaches } from "../db/approaches.server.ts";
import { currentBrief } from "../db/briefs.server.ts";
import { getGym, listStations } from "../db/gyms.server.ts";
import { listMeasurements } from "../db/measurements.server.ts";
import { catalogueFor } from "../db/movements.server.ts";
import { getPerson, type Person } from "../db/people.server.ts";
import { addPlan, plansOfWeek } from "../db/plans.server.ts";
import type { Scope } from "../db/scope.server.ts";
import { strengthRules } from "../db/strength-rules.server.ts";
import { strengthRecordsOf, historyOf, seriesOf } from "./history.server.ts";

/** Somebody's copy of a template. */
export interface Copy extends Fitted {
  readonly person: Person;
}

/** Fitted copies of a template for several people, or null where the gym or one of them is not of this studio. */
export async function copiesFor(
  scope: Scope,
  template: SessionPlan,
  { people, gymId, day }: Give,
): Promise<readonly Copy[] | null> {
  if ((await getGym(scope, gymId)) === null) return null;
  const found = await Promise.all(people.map((id) => getPerson(scope, id)));
  const known = found.filter((person) => person !== null);
  if (known.length < people.length) return null;
  return Promise.all(
    known.map(async (person) => ({
      person,
      ...(await fitFor(scope, template, person, gymId, day)),
    })),
  );
}

/** Plans the copies, all or none. */
export async function planCopies(
  scope: Scope,
  title: string,
  { gymId, day }: Pick<Give, "gymId" | "day">,
  copies: readonly Copy[],
): Promise<void> {
  await scope.transaction(async (trx) => {
    for (const { person, plan } of copies) {
      await addPlan(trx, { title, day, startTime: null, gymId, personId: person.id }, plan);
    }
  });
}

/** A template fitted to one person in a gym on a day, with what was changed for them and why. */
export async function fitFor(
  scope: Scope,
  template: SessionPlan,
  person: Pick<Person, "id" | "level">,
  gymId: Id<"gym">,
  day: Day,
): Promise<Fitted> {
  const [stations, gym, history, brief, approaches, measurements, week, catalogue, { rules }] =
    await Promise.all([
      listStations(scope),
      getGym(scope, gymId),
      historyOf(scope, person.id),
      currentBrief(scope, person),
      listApproaches(scope),
      listMeasurements(scope, person.id),
      plansOfWeek(scope, person.id, day),
      catalogueFor(scope),
      strengthRules(scope),
    ]);
  const bodyWeight = bodyWeightOf(measurements, day);
  const strengthRecords = strengthRecordsOf(seriesOf(history), bodyWeight, rules);
  const known = surroundingsFrom(strengthRecords, bodyWeight, rules);
  const here = stations.filter((station) => station.gymId === gymId);
  const everywhere = surroundingsOf(stations, catalogue.find, known);
  const judging = {
    around: surroundingsOf(here, catalogue.find, known),
    others: week.map(({ document, ...other }) => ({
      ...other,
      plan: document,
      around: everywhere,
    })),
    brief,
    approach: approachAmong(approaches, brief.approach),
    catalogue: catalogue.all,
    stations: here,
    year: yearOf(dayAt(scope.now, gym?.timeZone ?? "UTC")),
    readiness: readinessOn(measurements, day),
  };
  return fitPlan(
    template,
    judging,
    (movement, station) => strengthRecords[lastKey(movement.ref, station.id)]?.lastReading ?? null,
    newId,
  );
}
