import { approachAmong } from "~/core/approach/index.ts";
import { dayAt, yearOf, type Day } from "~/core/calendar/index.ts";
import { fitPlan, type Fitted } from "~/core/fit/index.ts";
import type { Id } from "~/core/identity/index.ts";
import { bodyWeightOf, readinessOn } from "~/core/measurement/index.ts";
import { surroundingsOf, type SessionPlan } from "~/core/prescription/index.ts";
import { lastKey } from "~/core/progression/index.ts";
import { surroundingsFrom } from "~/core/strength/index.ts";
import { mintId } from "~/codec/mint.ts";
import { listApproaches } from "../db/approaches.server.ts";
import { currentBrief } from "../db/briefs.server.ts";
import { listStations } from "../db/gyms.server.ts";
import { listMeasurements } from "../db/measurements.server.ts";
import { catalogueFor } from "../db/movements.server.ts";
import type { Person } from "../db/people.server.ts";
import { plansOfWeek } from "../db/plans.server.ts";
import type { Scope } from "../db/scope.server.ts";
import { figuresOf, historyOf } from "./history.server.ts";

/** A template fitted to one person in a gym on a day, with what was changed for them and why. */
export async function fitFor(
  scope: Scope,
  template: SessionPlan,
  person: Pick<Person, "id" | "level">,
  gymId: Id<"gym">,
  day: Day,
): Promise<Fitted> {
  const [stations, history, brief, approaches, measurements, week, catalogue] = await Promise.all([
    listStations(scope),
    historyOf(scope, person.id),
    currentBrief(scope, person),
    listApproaches(scope),
    listMeasurements(scope, person.id),
    plansOfWeek(scope, person.id, day),
    catalogueFor(scope),
  ]);
  const bodyWeight = bodyWeightOf(measurements);
  const figures = figuresOf(history, bodyWeight);
  const known = surroundingsFrom(figures, bodyWeight);
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
    year: yearOf(dayAt(scope.now, "UTC")),
    readiness: readinessOn(measurements, day),
  };
  return fitPlan(
    template,
    judging,
    (movement, station) => figures[lastKey(movement.ref, station.id)]?.lastReading ?? null,
    mintId,
  );
}
