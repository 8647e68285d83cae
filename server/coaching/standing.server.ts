import type { Day, Id } from "~/core/kernel/index.ts";
import { exposuresAt, lastPlanned, seriesOf } from "~/core/log/index.ts";
import { bodyWeightOf, type Brief } from "~/core/person/index.ts";
import {
  circumstancesOf,
  standingOf,
  type Exercise,
  type Standing,
} from "~/core/progress/index.ts";
import { listStations, type StoredStation } from "../db/gyms.server.ts";
import { comparingOf } from "../db/comparing.server.ts";
import { listMeasurements } from "../db/measurements.server.ts";
import { catalogueFor } from "../db/movements.server.ts";
import { rulingOn, rulingsOnEach } from "../db/rulings.server.ts";
import { strengthRules } from "../db/strength-rules.server.ts";
import type { Scope } from "../db/scope.server.ts";
import { historyOf } from "./history.server.ts";

type PlannedExercise = Exercise<StoredStation>;

/** What a page knows already of a client whose exercises are judged: what the phase is for, and the day it is. */
export interface KnownOfClient {
  readonly goal: Brief["goal"] | null;
  readonly today: Day;
}

/** A person's exercises at the equipment that is there, those trained last first. */
export async function exercisesOf(
  scope: Scope,
  person: Id<"person">,
  { goal, today }: KnownOfClient,
): Promise<readonly PlannedExercise[]> {
  const [history, stations, measurements, catalogue, { rules }, comparing] = await Promise.all([
    historyOf(scope, person),
    listStations(scope, undefined, "all"),
    listMeasurements(scope, person),
    catalogueFor(scope),
    strengthRules(scope),
    comparingOf(scope, person),
  ]);
  const series = seriesOf(history);
  const client = {
    bodyWeight: bodyWeightOf(measurements, today),
    isHoldingSuccess: goal === "definition",
    strength: rules,
    // There are no phases yet, so no week is light or a test.
    weeks: null,
    comparing,
  };
  return [...lastPlanned(history)].flatMap(([key, planned]): readonly PlannedExercise[] => {
    const station = stations.find(({ id }) => id === planned.slot.station);
    if (station === undefined) return [];
    const exposures = exposuresAt(series, planned.slot, station.loading, comparing);
    const last = exposures.at(-1);
    if (last === undefined) return [];
    const known = circumstancesOf(planned, station.loading, catalogue.find, client);
    return [{ key, slot: planned.slot, station, exposures, last, known }];
  });
}

/** How a person's exercises stand, those trained last first. */
export async function standingFor(
  scope: Scope,
  person: Id<"person">,
  known: KnownOfClient,
): Promise<readonly Standing[]> {
  const exercises = await exercisesOf(scope, person, known);
  const rulings = await rulingsOnEach(
    scope,
    exercises.map(({ last }) => last.sessionLogId),
  );
  return exercises.map((exercise) =>
    standingOf(exercise, known.today, (line) =>
      rulingOn(rulings.get(exercise.last.sessionLogId) ?? [], exercise.slot.id, line),
    ),
  );
}
