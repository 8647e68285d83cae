import type { Day, Id } from "~/core/kernel/index.ts";
import { exposuresAt, lastPlanned, seriesOf } from "~/core/log/index.ts";
import { bodyWeightOf } from "~/core/person/index.ts";
import {
  circumstancesOf,
  standingOf,
  type Exercise,
  type Standing,
} from "~/core/progress/index.ts";
import { briefHistory } from "../db/briefs.server.ts";
import { listStations, studioDay, type StoredStation } from "../db/gyms.server.ts";
import { comparingOf } from "../db/comparing.server.ts";
import { listMeasurements } from "../db/measurements.server.ts";
import { catalogueFor } from "../db/movements.server.ts";
import { rulingOn, rulingsOnEach } from "../db/rulings.server.ts";
import { strengthRules } from "../db/strength-rules.server.ts";
import type { Scope } from "../db/scope.server.ts";
import { historyOf } from "./history.server.ts";

type PlannedExercise = Exercise<StoredStation>;

/** A person's exercises at the equipment that is there, those trained last first, and the day it is. */
export async function exercisesOf(
  scope: Scope,
  person: Id<"person">,
): Promise<{ readonly exercises: readonly PlannedExercise[]; readonly today: Day }> {
  const [history, stations, measurements, [brief], catalogue, { rules }, today, comparing] =
    await Promise.all([
      historyOf(scope, person),
      listStations(scope, undefined, "all"),
      listMeasurements(scope, person),
      briefHistory(scope, person, 1),
      catalogueFor(scope),
      strengthRules(scope),
      studioDay(scope),
      comparingOf(scope, person),
    ]);
  const series = seriesOf(history);
  const client = {
    bodyWeight: bodyWeightOf(measurements, today),
    isHoldingSuccess: brief?.document.goal === "definition",
    strength: rules,
    // There are no phases yet, so no week is light or a test.
    weeks: null,
    comparing,
  };
  const exercises = [...lastPlanned(history)].flatMap(
    ([key, planned]): readonly PlannedExercise[] => {
      const station = stations.find(({ id }) => id === planned.slot.station);
      if (station === undefined) return [];
      const exposures = exposuresAt(series, planned.slot, station.loading, comparing);
      const last = exposures.at(-1);
      if (last === undefined) return [];
      const known = circumstancesOf(planned, station.loading, catalogue.find, client);
      return [{ key, slot: planned.slot, station, exposures, last, known }];
    },
  );
  return { exercises, today };
}

/** How a person's exercises stand, those trained last first. */
export async function standingFor(
  scope: Scope,
  person: Id<"person">,
): Promise<readonly Standing[]> {
  const { exercises, today } = await exercisesOf(scope, person);
  const rulings = await rulingsOnEach(
    scope,
    exercises.map(({ last }) => last.sessionLogId),
  );
  return exercises.map((exercise) =>
    standingOf(exercise, today, (line) =>
      rulingOn(rulings.get(exercise.last.sessionLogId) ?? [], exercise.slot.id, line),
    ),
  );
}
