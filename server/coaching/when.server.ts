import {
  addDays,
  daysBetween,
  type Day,
  type Id,
  type Mass,
  type Result,
} from "~/core/kernel/index.ts";
import {
  exposuresAt,
  lastPlanned,
  seriesOf,
  type Exposure,
  type PlannedSlot,
} from "~/core/log/index.ts";
import { bodyWeightOf } from "~/core/person/index.ts";
import { linesOf, workSetsOf } from "~/core/plan/index.ts";
import {
  circumstancesOf,
  countedFrom,
  factsOn,
  loadsAfter,
  projected,
  type NoProjection,
  type Projection,
} from "~/core/progress/index.ts";
import { briefHistory } from "../db/briefs.server.ts";
import { listStations, studioDay, type StoredStation } from "../db/gyms.server.ts";
import { comparingOf } from "../db/comparing.server.ts";
import { listMeasurements } from "../db/measurements.server.ts";
import { catalogueFor } from "../db/movements.server.ts";
import { strengthRules } from "../db/strength-rules.server.ts";
import type { Scope } from "../db/scope.server.ts";
import { historyOf } from "./history.server.ts";

/** An exercise at its equipment that can be asked about, with the last that was done of it. */
export interface Askable extends PlannedSlot {
  readonly key: string;
  readonly station: StoredStation;
  readonly last: Exposure;
}

/** When a load will be trained for what its exercise asks, and what is likely by some weeks. */
export interface When {
  readonly answer: Result<Projection, NoProjection>;
  /** The day from which its sessions are counted. */
  readonly from: Day;
  /** The load that is likely by days to come. */
  readonly ahead: readonly { readonly day: Day; readonly reading: Mass }[];
}

/** What a person's exercises can be asked, those trained last first. */
export async function whenFor(scope: Scope, person: Id<"person">) {
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
  const bodyWeight = bodyWeightOf(measurements, today);
  const askable = [...lastPlanned(history)].flatMap(([key, planned]): readonly Askable[] => {
    const station = stations.find(({ id }) => id === planned.slot.station);
    const last = series.get(key)?.at(-1);
    return station === undefined || last === undefined ? [] : [{ key, ...planned, station, last }];
  });
  /** The line of the first work set is asked about. */
  const ask = ({ slot, plan, station }: Askable, reading: Mass, by: Day | null): When | null => {
    const [first] = workSetsOf(slot);
    const line = linesOf(slot).find(({ id }) => id === first?.line);
    const exposures = exposuresAt(series, slot, station.loading, comparing);
    const facts =
      line &&
      factsOn(
        slot,
        line,
        exposures,
        circumstancesOf({ slot, plan }, station.loading, catalogue.find, {
          bodyWeight,
          isHoldingSuccess: brief?.document.goal === "definition",
          strength: rules,
          weeks: null,
          comparing,
        }),
      );
    if (!facts) return null;
    const answer = projected(facts, reading);
    const daysEach = answer.ok ? answer.value.daysEach : 7;
    const from = countedFrom(facts.last.day, today, daysEach);
    const days = [28, 56, 84].map((n) => addDays(today, n));
    const until = [...new Set(by === null || by <= today ? days : [...days, by])].sort();
    const likely = loadsAfter(
      facts,
      until.map((on) => Math.floor(daysBetween(from, on) / daysEach)),
    );
    const ahead = until.flatMap((on, i) => {
      const load = likely[i] ?? null;
      return load === null ? [] : [{ day: on, reading: load }];
    });
    return { answer, from, ahead: answer.ok ? ahead : [] };
  };
  return { askable, ask };
}
