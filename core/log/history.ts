import type { Id, Instant } from "../kernel/index.ts";
import { measuresAlike, type Loading, type Station } from "../gym/index.ts";
import { slotsOf, type SessionPlan, type Slot } from "../plan/index.ts";
import { comparingFor, isLeftOut, type Comparing } from "./comparing.ts";
import { exposureOf } from "./expose.ts";
import { lastKey, type ExposedSession, type Exposure } from "./exposure.ts";
import type { Performed } from "./fold.ts";

/** A session that was trained to its end. */
export interface TrainedSession extends ExposedSession {
  readonly startedAt: Instant;
  readonly document: SessionPlan;
}

/** A person's ended sessions with what was performed in them, on the equipment as it was then. */
export interface History {
  /** Newest first. */
  readonly sessions: readonly TrainedSession[];
  readonly performed: ReadonlyMap<Id<"sessionLog">, Performed>;
  readonly versions: ReadonlyMap<Id<"stationVersion">, Station>;
}

/** Exposures of every movement at every station that was trained, by {@link lastKey}, oldest session first. */
export type Series = ReadonlyMap<string, readonly Exposure[]>;

/** Everything that history says, in one pass over its sessions. */
export function seriesOf({ sessions, performed, versions }: History): Series {
  const series = new Map<string, Exposure[]>();
  for (const session of sessions.toReversed()) {
    const done = performed.get(session.id);
    if (done === undefined) continue;
    const contexts = new Map(done.contexts.map((context) => [context.slotId, context]));
    for (const slot of slotsOf(session.document)) {
      const context = contexts.get(slot.id);
      const station = context && versions.get(context.stationVersion);
      const exposure = station && exposureOf(session, slot, done, station);
      if (!exposure) continue;
      const key = lastKey(slot.movement, slot.station);
      const own = series.get(key);
      if (own === undefined) series.set(key, [exposure]);
      else own.push(exposure);
    }
  }
  return series;
}

/**
 * What was trained of an exercise at its equipment, oldest first. Where a coach said that other equipment does not
 * matter, what was trained on that too until then, as far as its readings mean the same.
 */
export function exposuresAt(
  series: Series,
  { movement, station }: Pick<Slot, "movement" | "station">,
  loading: Loading,
  comparing: readonly Comparing[],
): readonly Exposure[] {
  const key = lastKey(movement, station);
  const own = series.get(key) ?? [];
  if (!isLeftOut("station", null, comparingFor(comparing, movement, station))) return own;
  const others = [...series].flatMap(([at, exposures]) =>
    at === key
      ? []
      : exposures.filter(
          ({ context, loading: then }) =>
            context.movement === movement && measuresAlike(then, loading),
        ),
  );
  // Of one session its own equipment comes last.
  const all = [...others, ...own].toSorted((a, b) =>
    a.day === b.day ? compareIds(a.sessionLogId, b.sessionLogId) : a.day < b.day ? -1 : 1,
  );
  return all.slice(0, all.findLastIndex((exposure) => own.includes(exposure)) + 1);
}

/** Ids of sessions rise with time. */
const compareIds = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0);

/** An exercise with the session that it was planned in. */
export interface PlannedSlot {
  readonly slot: Slot;
  readonly plan: SessionPlan;
}

/** Each exercise at its equipment as it was planned the last time it was trained, by {@link lastKey}. */
export function lastPlanned({ sessions, performed }: History): ReadonlyMap<string, PlannedSlot> {
  const planned = new Map<string, PlannedSlot>();
  for (const session of sessions) {
    const trained = new Set(performed.get(session.id)?.contexts.map(({ slotId }) => slotId));
    for (const slot of slotsOf(session.document)) {
      const key = lastKey(slot.movement, slot.station);
      if (trained.has(slot.id) && !planned.has(key))
        planned.set(key, { slot, plan: session.document });
    }
  }
  return planned;
}

/** History as it stood when a session began: what came before it, and not the session itself. */
export function before(history: History, session: Pick<TrainedSession, "startedAt">): History {
  return {
    ...history,
    sessions: history.sessions.filter((other) => other.startedAt < session.startedAt),
  };
}

/** History up to a session and with it. */
export function upTo(history: History, session: Pick<TrainedSession, "startedAt">): History {
  return {
    ...history,
    sessions: history.sessions.filter((other) => other.startedAt <= session.startedAt),
  };
}

/** What has exposures in the whole of a history that an earlier part of it does not have, by {@link lastKey}. */
export function trainedAfter(all: Series, part: Series): ReadonlySet<string> {
  const later = [...all].filter(([key, own]) => own.length > (part.get(key)?.length ?? 0));
  return new Set(later.map(([key]) => key));
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
