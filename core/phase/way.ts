import type { Id } from "../kernel/index.ts";
import { exposuresAt, lastKey, onLine, type Exposure } from "../log/index.ts";
import { linesOf, slotsOf, type Line, type Slot } from "../plan/index.ts";
import { circumstancesOf, factsOn, missesOf, oddsFrom, type OddsFrom } from "../progress/index.ts";
import type { CellPlace, Phase } from "./phase.ts";
import { isWithout, type PhaseFacts, type ProjectedSession } from "./project.ts";
import { withoutEasy } from "./proposals.ts";

/** A line of an exercise of a day, over all of its weeks. */
export type LinePlace = Omit<CellPlace, "week">;

/** The sessions of a line's day: those that are done, and those that are to come. */
export interface LineSessions {
  readonly done: readonly ProjectedSession[];
  readonly coming: readonly ProjectedSession[];
  readonly missed: number;
}

export function sessionsOf(
  sessions: readonly ProjectedSession[],
  { day }: Pick<LinePlace, "day">,
): LineSessions {
  const own = sessions.filter((session) => session.day.id === day);
  return {
    done: own.filter(({ source }) => source === "done"),
    coming: own.filter(({ source }) => source !== "done" && !isWithout(source)),
    missed: own.filter(({ source }) => source === "missed").length,
  };
}

/** The line as a session has it before week and coach; null where it is not there. */
function lineIn(
  { ruled }: ProjectedSession,
  { lineage, line }: LinePlace,
): { readonly slot: Slot; readonly line: Line } | null {
  const slot = slotsOf(ruled).find(({ lineageId }) => lineageId === lineage);
  const own = slot && linesOf(slot).find(({ id }) => id === line);
  return slot === undefined || own === undefined ? null : { slot, line: own };
}

/** What a session did of a line, or what it would do where its own targets are met; null where it says nothing of it. */
export function exposureIn(
  session: ProjectedSession,
  at: LinePlace,
  { series }: Pick<PhaseFacts, "series">,
): Exposure | null {
  const place = lineIn(session, at);
  if (place === null) return null;
  const key = lastKey(place.slot.movement, place.slot.station);
  const log: Id<"sessionLog"> | null = session.placed?.sessionLog ?? null;
  const done = series.get(key)?.find(({ sessionLogId }) => sessionLogId === log);
  const whole = session.source === "done" ? done : session.met.get(key);
  if (whole === undefined) return null;
  const [first] = place.line.sets;
  return onLine(whole, {
    lineage: at.lineage,
    line: at.line,
    role: first.role,
    range: null,
    within: first.range,
  });
}

/** What continuations of a line are simulated from, as its next session finds it; null where too little was trained. */
export function simulatedFrom(
  phase: Phase,
  { done, coming, missed }: LineSessions,
  at: LinePlace,
  facts: PhaseFacts,
): OddsFrom | null {
  const [next] = coming;
  const place = next && lineIn(next, at);
  if (next === undefined || place === undefined || place === null) return null;
  const station = facts.context.station(place.slot.station);
  if (station === null) return null;
  const series = withoutEasy(phase, facts);
  const exposures = exposuresAt(series, place.slot, station.loading, facts.known.comparing);
  const known = circumstancesOf(
    { slot: place.slot, plan: next.ruled },
    station.loading,
    facts.context.movement,
    { ...facts.known, bodyWeight: facts.context.bodyWeight, weeks: null },
  );
  const judged = factsOn(place.slot, place.line, exposures, known);
  return judged && oddsFrom(judged, missesOf(done.length, missed));
}
