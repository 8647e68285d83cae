import type { Id } from "~/core/identity/index.ts";
import type { Performed } from "~/core/log/index.ts";
import { slotsOf, type Slot } from "~/core/prescription/index.ts";
import { exposureOf, lastKey, type Exposure } from "~/core/progression/index.ts";
import type { Mass } from "~/core/quantity/index.ts";
import {
  knownFrom,
  USUAL_EQUATION,
  type Equation,
  type Figures,
  type Known,
} from "~/core/strength/index.ts";
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

/**
 * What history says about a movement at a station, oldest session first, up to and including `until` where
 * one is given.
 */
export function exposuresOf(
  history: History,
  slot: Pick<Slot, "movement" | "station">,
  until?: StoredRun,
): readonly Exposure[] {
  return history.runs
    .filter((run) => until === undefined || run.startedAt <= until.startedAt)
    .toReversed()
    .flatMap((run) => {
      const performed = history.performed.get(run.id);
      if (performed === undefined) return [];
      return slotsOf(run.document)
        .filter((s) => s.movement === slot.movement && s.station === slot.station)
        .flatMap((s) => {
          const context = performed.contexts.find((c) => c.slotId === s.id);
          const station = context && history.versions.get(context.stationVersion);
          const exposure = station && exposureOf(run.id, run.day, s, performed, station);
          return exposure ? [exposure] : [];
        });
    });
}

/** The latest exposure of every movement at every station, by {@link lastKey}. */
export function lastsOf(history: History): Readonly<Record<string, Exposure>> {
  const lasts: Record<string, Exposure> = {};
  for (const { movement, station } of [...history.performed.values()].flatMap((p) => p.contexts)) {
    const key = lastKey(movement, station);
    const last = lasts[key] ?? exposuresOf(history, { movement, station }).at(-1);
    if (last !== undefined) lasts[key] = last;
  }
  return lasts;
}

/** What history says of a person's strength, for every movement at every station that was trained. */
export function figuresOf(
  history: History,
  bodyWeight: Mass | null,
  equation: Equation = USUAL_EQUATION,
): Figures {
  const figures: Record<string, Known> = {};
  for (const { movement, station } of [...history.performed.values()].flatMap((p) => p.contexts)) {
    const key = lastKey(movement, station);
    const known =
      figures[key] ?? knownFrom(exposuresOf(history, { movement, station }), bodyWeight, equation);
    if (known !== null) figures[key] = known;
  }
  return figures;
}
