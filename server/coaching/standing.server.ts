import type { Day, Id } from "~/core/kernel/index.ts";
import { exposuresAt, keptPlan, lastPlanned, seriesOf, type History } from "~/core/log/index.ts";
import { isEasy, trainingWeek } from "~/core/phase/index.ts";
import { bodyWeightOf, type Brief } from "~/core/person/index.ts";
import {
  circumstancesOf,
  standingOf,
  type Exercise,
  type Standing,
  type Weeks,
} from "~/core/progress/index.ts";
import { listStations, type StoredStation } from "../db/gyms.server.ts";
import { comparingOf } from "../db/comparing.server.ts";
import { listMeasurements } from "../db/measurements.server.ts";
import { catalogueFor } from "../db/movements.server.ts";
import { getPhase } from "../db/phases.server.ts";
import { rulingOn, rulingsOnEach } from "../db/rulings.server.ts";
import { strengthRules } from "../db/strength-rules.server.ts";
import type { Scope } from "../db/scope.server.ts";
import { historyOf, type StoredHistory } from "./history.server.ts";

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
  const history = await historyOf(scope, person);
  if (history.sessions.length === 0) return [];
  const [stations, measurements, catalogue, { rules }, comparing] = await Promise.all([
    listStations(scope, undefined, "all"),
    listMeasurements(scope, person),
    catalogueFor(scope),
    strengthRules(scope),
    comparingOf(scope, person),
  ]);
  const series = seriesOf(history);
  const places = new Map(history.sessions.map(({ id, place }) => [id, place]));
  const isEasySession = (id: Id<"sessionLog">) => isEasy(places.get(id)?.training ?? NO_WEEK);
  const client = {
    bodyWeight: bodyWeightOf(measurements, today),
    isHoldingSuccess: goal === "definition",
    strength: rules,
    comparing,
  };
  const weeks = await weeksAfter(scope, history);
  return [...lastPlanned(asRuled(history))].flatMap(
    ([key, planned]): readonly PlannedExercise[] => {
      const station = stations.find(({ id }) => id === planned.slot.station);
      if (station === undefined) return [];
      const all = exposuresAt(series, planned.slot, station.loading, comparing);
      // Light and lighter weeks are no verdict; where there are no others nothing was judged yet.
      const judged = all.filter(({ sessionLogId }) => !isEasySession(sessionLogId));
      const exposures = judged.length === 0 ? all : judged;
      const last = exposures.at(-1);
      if (last === undefined) return [];
      const known = circumstancesOf(planned, station.loading, catalogue.find, {
        ...client,
        weeks: weeks.get(last.sessionLogId) ?? null,
      });
      const isEasyOnly = judged.length === 0;
      return [
        { key, slot: planned.slot, station, exposures, trained: all, last, known, isEasyOnly },
      ];
    },
  );
}

const NO_WEEK = { kind: "normal" } as const;

/** History with each session of a phase as its rules had it: what the next one is made from. */
function asRuled(history: StoredHistory): History {
  const sessions = history.sessions.map((session) =>
    session.place === null
      ? session
      : {
          ...session,
          document: keptPlan(session.place.ruled, history.beside.get(session.id)?.changes ?? []),
        },
  );
  const [easy, others] = [true, false].map((isOf) =>
    sessions.filter(({ place }) => isEasy(place?.training ?? NO_WEEK) === isOf),
  );
  // Of each exercise the last session that is a verdict; of one that has none, the last at all.
  return { ...history, sessions: [...(others ?? []), ...(easy ?? [])] };
}

/** The week of its phase in which each session was trained, and the one that follows it. */
async function weeksAfter(
  scope: Scope,
  { sessions }: StoredHistory,
): Promise<ReadonlyMap<Id<"sessionLog">, Weeks>> {
  const ids = [...new Set(sessions.flatMap(({ place }) => place?.phase ?? []))];
  const phases = await Promise.all(ids.map((id) => getPhase(scope, id)));
  return new Map(
    sessions.flatMap(({ id, place }) => {
      const phase = phases.find((one) => one !== null && one.id === place?.phase) ?? null;
      if (place === null || phase === null) return [];
      const next = trainingWeek(phase.document.weeks, place.week + 1);
      return [[id, { trained: place.training, next }] as const];
    }),
  );
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
