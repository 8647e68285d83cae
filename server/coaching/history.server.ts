import type { Id, Mass } from "~/core/kernel/index.ts";
import { type Performed, exposureOf, lastKey, type Exposure } from "~/core/log/index.ts";
import { slotsOf } from "~/core/plan/index.ts";
import {
  strengthRecordOf,
  type StrengthRecords,
  type StrengthRules,
} from "~/core/progress/index.ts";
import { stationVersions, type StoredStation } from "../db/gyms.server.ts";
import { performedIn } from "../db/performed.server.ts";
import { endedRunsOf, type StoredRun } from "../db/runs.server.ts";
import type { Scope } from "../db/scope.server.ts";

/** How many sessions history looks back: enough for a stall and its run-up. */
const SESSIONS = 16;

/** A person's ended sessions with what was performed in them; five queries however many there are. */
export interface History {
  /** Newest first. */
  readonly runs: readonly StoredRun[];
  readonly performed: ReadonlyMap<Id<"run">, Performed>;
  readonly versions: ReadonlyMap<Id<"stationVersion">, StoredStation>;
}

export async function historyOf(scope: Scope, person: Id<"person">): Promise<History> {
  const runs = await endedRunsOf(scope, person, SESSIONS);
  const performed = await performedIn(
    scope,
    runs.map((run) => run.id),
  );
  const versions = await stationVersions(
    scope,
    [...performed.values()].flatMap(({ contexts }) => contexts.map((c) => c.stationVersion)),
  );
  return { runs, performed, versions };
}

/** Exposures of every movement at every station that was trained, by {@link lastKey}, oldest session first. */
export type Series = ReadonlyMap<string, readonly Exposure[]>;

/** Everything that history says, in one pass over its sessions. */
export function seriesOf({ runs, performed, versions }: History): Series {
  const series = new Map<string, Exposure[]>();
  for (const run of runs.toReversed()) {
    const done = performed.get(run.id);
    if (done === undefined) continue;
    const contexts = new Map(done.contexts.map((context) => [context.slotId, context]));
    for (const slot of slotsOf(run.document)) {
      const context = contexts.get(slot.id);
      const station = context && versions.get(context.stationVersion);
      const exposure = station && exposureOf(run.id, run.day, slot, done, station);
      if (!exposure) continue;
      const key = lastKey(slot.movement, slot.station);
      const own = series.get(key);
      if (own === undefined) series.set(key, [exposure]);
      else own.push(exposure);
    }
  }
  return series;
}

/** History as it stood when a session began: what came before it, and not the session itself. */
export function before(history: History, run: Pick<StoredRun, "startedAt">): History {
  return { ...history, runs: history.runs.filter((other) => other.startedAt < run.startedAt) };
}

/** History up to a session and with it. */
export function upTo(history: History, run: Pick<StoredRun, "startedAt">): History {
  return { ...history, runs: history.runs.filter((other) => other.startedAt <= run.startedAt) };
}

/** The latest exposure of every movement at every station, by {@link lastKey}. */
export function lastsOf(series: Series): Readonly<Record<string, Exposure>> {
  return Object.fromEntries(
    [...series].flatMap(([key, exposures]) => {
      const last = exposures.at(-1);
      return last === undefined ? [] : [[key, last]];
    }),
  );
}

/** What history says of a person's strength, for every movement at every station that was trained. */
export function strengthRecordsOf(
  series: Series,
  bodyWeight: Mass | null,
  rules: StrengthRules,
): StrengthRecords {
  return Object.fromEntries(
    [...series].flatMap(([key, exposures]) => {
      const known = strengthRecordOf(exposures, bodyWeight, rules);
      return known === null ? [] : [[key, known]];
    }),
  );
}
