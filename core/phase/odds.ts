import { compareMass, contentKey, type Id, type Random } from "../kernel/index.ts";
import { onLine, lastKey, exposuresAt, type Exposure } from "../log/index.ts";
import { linesOf, slotsOf, type Line, type Slot } from "../plan/index.ts";
import {
  circumstancesOf,
  factsOn,
  missesOf,
  oddsFrom,
  oddsOf,
  takenBy,
  type Ahead,
} from "../progress/index.ts";
import { isEasy } from "./phase-week.ts";
import type { Phase, StatedTarget } from "./phase.ts";
import { isWithout, type PhaseFacts, type ProjectedSession } from "./project.ts";
import { withoutEasy } from "./proposals.ts";

/** How a stated target stands. */
export interface TargetOdds {
  readonly target: StatedTarget;
  /** The week in which it was met; null where it was not yet. */
  readonly metIn: number | null;
  /** The week in which it is met if every target before it is; null where the phase ends before. */
  readonly arrives: number | null;
  /** The chance that it is met by its week; null where too little was trained to say. */
  readonly chance: number | null;
  /** The chance by each week that is still to come. */
  readonly byWeek: readonly { readonly week: number; readonly chance: number }[];
}

/** How each stated target of a phase stands. `random` is uniform in [0, 1), and seeded for the same answer again. */
export function targetOdds(
  phase: Phase,
  sessions: readonly ProjectedSession[],
  facts: PhaseFacts,
  random: Random,
): readonly TargetOdds[] {
  return phase.targets.map((target) => {
    const own = sessions.filter(({ day }) => day.id === target.day);
    const isMetIn = (session: ProjectedSession) =>
      isMet(target, exposureIn(session, target, facts));
    const metIn =
      own.find((session) => session.source === "done" && isMetIn(session))?.week ?? null;
    const coming = own.filter(({ source }) => source !== "done" && !isWithout(source));
    const arrives = metIn ?? coming.find(isMetIn)?.week ?? null;
    const odds = metIn === null ? lineOdds(phase, own, coming, target, facts, random) : null;
    const until = coming.filter(({ week }) => week <= target.week).length;
    return {
      target,
      metIn,
      arrives,
      chance: odds === null ? null : until === 0 ? 0 : (odds[until - 1] ?? 0),
      byWeek: odds === null ? [] : coming.map(({ week }, i) => ({ week, chance: odds[i] ?? 0 })),
    };
  });
}

function lineOdds(
  phase: Phase,
  own: readonly ProjectedSession[],
  coming: readonly ProjectedSession[],
  target: StatedTarget,
  facts: PhaseFacts,
  random: Random,
): readonly number[] | null {
  const [next] = coming;
  const place = next && lineIn(next, target);
  if (next === undefined || place === undefined || place === null) return null;
  const station = facts.context.station(place.slot.station);
  if (station === null) return null;
  const series = withoutEasy(phase, facts);
  const exposures = exposuresAt(series, place.slot, station.loading, facts.known.comparing);
  const known = circumstancesOf(
    { slot: place.slot, plan: next.ruled },
    station.loading,
    facts.context.movement,
    {
      ...facts.known,
      bodyWeight: facts.context.bodyWeight,
      weeks: null,
    },
  );
  const judged = factsOn(place.slot, place.line, exposures, known);
  const missed = own.filter(({ source }) => source === "missed").length;
  const done = own.filter(({ source }) => source === "done").length;
  const from = judged && oddsFrom(judged, missesOf(done, missed));
  if (from === null) return null;
  const ahead = coming.map((session): Ahead => {
    const met = exposureIn(session, target, facts);
    return {
      takes: met && takenBy(met, facts.context.bodyWeight, false),
      takesLeaving: met && takenBy(met, facts.context.bodyWeight, true),
      load: contentKey(met?.sets.map(({ reading }) => reading) ?? null),
      isTarget: isMet(target, met),
      isEasy: isEasy(phase.weeks[session.week - 1] ?? { kind: "normal" }),
    };
  });
  return oddsOf(from, ahead, random);
}

/** The line that a target is stated of, as a session has it before week and coach; null where it is not there. */
function lineIn(
  { ruled }: ProjectedSession,
  { lineage, line }: StatedTarget,
): { readonly slot: Slot; readonly line: Line } | null {
  const slot = slotsOf(ruled).find(({ lineageId }) => lineageId === lineage);
  const own = slot && linesOf(slot).find(({ id }) => id === line);
  return slot === undefined || own === undefined ? null : { slot, line: own };
}

/** What a session did of a target's line, or what it would do where its own targets are met. */
function exposureIn(
  session: ProjectedSession,
  target: StatedTarget,
  { series }: PhaseFacts,
): Exposure | null {
  const place = lineIn(session, target);
  if (place === null) return null;
  const key = lastKey(place.slot.movement, place.slot.station);
  const log: Id<"sessionLog"> | null = session.placed?.sessionLog ?? null;
  const done = series.get(key)?.find(({ sessionLogId }) => sessionLogId === log);
  const whole = session.source === "done" ? done : session.met.get(key);
  if (whole === undefined) return null;
  const [first] = place.line.sets;
  return onLine(whole, {
    lineage: target.lineage,
    line: target.line,
    role: first.role,
    range: null,
    within: first.range,
  });
}

/** True where a set reached the load for the repetitions. */
function isMet({ reading, reps }: StatedTarget, exposure: Exposure | null): boolean {
  return (
    exposure?.sets.some(
      (set) =>
        set.reading !== null && compareMass(set.reading, reading) >= 0 && (set.amount ?? 0) >= reps,
    ) ?? false
  );
}
