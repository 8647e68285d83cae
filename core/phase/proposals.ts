import type { Day, Id, NewId } from "../kernel/index.ts";
import type { Station } from "../gym/index.ts";
import type { SessionPlan } from "../plan/index.ts";
import type { Absence, Exposure, Series } from "../log/index.ts";
import {
  accepted,
  outcomesOf,
  proposalsAfter,
  stoodStill,
  type SessionCircumstances,
  type SlotProposal,
} from "../progress/index.ts";
import type { UnrollContext } from "../unroll/index.ts";
import { dateOf, nextWeek, plannedOn, type Phase, type PhaseDay } from "./phase.ts";
import { isEasy, trainingWeek } from "./phase-week.ts";
import { isIn } from "./presence.ts";

/** What the sessions of a phase are judged from. */
export interface TrainedFacts<S extends Station = Station> {
  /** Which sessions of history belong to which week of the phase. */
  readonly placed: readonly {
    readonly week: number;
    readonly sessionLog: Id<"sessionLog"> | null;
  }[];
  readonly series: Series;
  readonly stations: readonly S[];
  readonly context: UnrollContext;
  readonly known: Pick<SessionCircumstances, "isHoldingSuccess" | "strength" | "comparing">;
  /** What was trained after the session that is judged, by `lastKey`: nobody was away from it. */
  readonly trainedSince?: ReadonlySet<string>;
  readonly today: Day;
}

/** A trained session of a phase. */
export interface TrainedInPhase {
  readonly id: Id<"sessionLog">;
  readonly day: PhaseDay;
  readonly week: number;
  readonly on: Day;
  /** As the rules had it, before the week and the coach. */
  readonly ruled: SessionPlan;
  readonly absences: ReadonlyMap<Id<"slot">, Absence>;
}

/**
 * What is proposed after a session of a phase, for what its rules have, before the next week and the coach change
 * it. After a light or lighter week everything stays as the rules had it, but for pain. Sessions of such weeks are
 * no verdict for others. Source: our rule, docs/phases.md § Weeks.
 */
export function proposalsInPhase<S extends Station>(
  phase: Phase,
  trained: TrainedInPhase,
  facts: TrainedFacts<S>,
  newId: NewId,
): readonly SlotProposal<S>[] {
  const { id, day, week, on, ruled, absences } = trained;
  const isOfEasyWeek = isEasy(phase.weeks[week - 1] ?? { kind: "normal" });
  const next = nextWeek(phase, day, week, facts.today);
  const series = isOfEasyWeek ? facts.series : withoutEasy(phase, facts);
  const proposals = proposalsAfter(
    { id, document: ruled },
    new Map([...series].map(([key, own]) => [key, upTo(own, id, on)])),
    facts.stations,
    facts.context,
    {
      ...facts.known,
      weeks: {
        trained: trainingWeek(phase.weeks, week),
        next: trainingWeek(phase.weeks, next),
      },
      on: plannedOn(phase, day, next) ?? dateOf(phase, day, next),
      trainedSince: facts.trainedSince ?? new Set(),
      absences,
    },
    newId,
  );
  // What was not in this week is not proposed for: its rules stand where they stood.
  const own = proposals.filter(({ slot: { lineageId: lineage } }) =>
    isIn(phase, { day: day.id, lineage }, week),
  );
  return isOfEasyWeek ? own.map((one) => asItStood(one, facts.context, newId)) : own;
}

/** The proposals of an exercise after an easy week: where something hurts they stand, else all stays. */
function asItStood<S extends Station>(
  proposal: SlotProposal<S>,
  context: UnrollContext,
  newId: NewId,
): SlotProposal<S> {
  const { slot } = proposal;
  const loads = new Map(outcomesOf(slot, context).map(({ line, readings: [own] }) => [line, own]));
  const lines = proposal.lines.map((line) => stoodStill(line, loads.get(line.line) ?? null));
  const hurt = lines.filter(
    ({ isDecided, because }) => isDecided && because.some(({ code }) => code === "pain"),
  );
  const chosen = new Map(hurt.map(({ line, reading, changes }) => [line, { reading, changes }]));
  const next = accepted(slot, chosen, context, newId);
  return { ...proposal, lines, outcomes: outcomesOf(next, context), accepted: next };
}

/** So many exposures are looked back on: as many sessions as history has, enough for a stall and its run-up. */
const LOOKED_BACK = 26;

/** The latest exposures up to those of a session, or up to its day where it has none. */
function upTo(exposures: readonly Exposure[], id: Id<"sessionLog">, on: Day): readonly Exposure[] {
  const last = exposures.findLastIndex(({ sessionLogId }) => sessionLogId === id);
  const own = last >= 0 ? exposures.slice(0, last + 1) : exposures.filter((one) => one.day < on);
  return own.slice(-LOOKED_BACK);
}

/** History without the sessions of light and lighter weeks, of which none is a verdict. */
export function withoutEasy(
  { weeks }: Phase,
  { series, placed }: Pick<TrainedFacts, "series" | "placed">,
): Series {
  const easy = new Set(
    placed.flatMap(({ week, sessionLog }) => {
      const own = weeks[week - 1];
      return own !== undefined && isEasy(own) && sessionLog !== null ? [sessionLog] : [];
    }),
  );
  if (easy.size === 0) return series;
  return new Map(
    [...series].map(([key, own]) => [key, own.filter((one) => !easy.has(one.sessionLogId))]),
  );
}
