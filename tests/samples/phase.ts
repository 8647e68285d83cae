import { day, type Id } from "~/core/kernel/index.ts";
import type { Exposure } from "~/core/log/index.ts";

import {
  asMet,
  isEasy,
  NOTHING_BY_HAND,
  project,
  usualWeek,
  type Phase,
  type PhaseDay,
  type PhaseFacts,
  type PlacedSession,
  type ProjectedSession,
} from "~/core/phase/index.ts";
import { slotsOf, type SessionPlan, type Slot } from "~/core/plan/index.ts";
import { writeLine } from "~/core/plan/notation/index.ts";
import { USUAL_RULES } from "~/core/progress/index.ts";
import {
  NOTATION,
  sampleId,
  sampleNewId,
  samplePlan,
  sampleStation,
  sampleUnrollContext,
} from "./index.ts";

/** A day of a phase with these exercises. */
export function samplePhaseDay(weekday: number, ...slots: readonly Slot[]): PhaseDay {
  return {
    id: sampleId(10_000 + weekday),
    weekday,
    gymId: sampleId(900),
    startTime: null,
    title: `Day ${weekday}`,
    session: samplePlan(...slots),
  };
}

/** Four normal weeks from a Monday. */
export function samplePhase(days: readonly PhaseDay[], over: Partial<Phase> = {}): Phase {
  return {
    schemaVersion: 1,
    start: day("2026-03-02"),
    goal: "strength",
    success: "",
    approach: null,
    days,
    weeks: Array.from({ length: 4 }, () => usualWeek("normal")),
    ...NOTHING_BY_HAND,
    notes: "",
    ...over,
  };
}

/** Nothing trained, one rack, seen on the day before the sample phase begins. */
export function sampleFacts(over: Partial<PhaseFacts> = {}): PhaseFacts {
  const stations = over.stations ?? [sampleStation()];
  return {
    placed: [],
    series: new Map(),
    stations,
    context: sampleUnrollContext(stations),
    known: { isHoldingSuccess: false, strength: USUAL_RULES, comparing: [] },
    today: day("2026-03-01"),
    ...over,
  };
}

/** Every exercise of a session as its written line. */
export function linesIn(plan: SessionPlan): readonly string[] {
  return slotsOf(plan).map(({ sets }) => writeLine(sets, NOTATION));
}

/** "week source: line | line" for each session. */
export function told(sessions: readonly ProjectedSession[]): readonly string[] {
  return sessions.map(
    ({ week, source, plan }) => `${week} ${source}: ${linesIn(plan).join(" | ")}`,
  );
}

/** The next session of a phase trained with every target met, or as `done` makes of what meets them. */
export function trainNext(
  phase: Phase,
  facts: PhaseFacts,
  done: (exposure: Exposure) => Exposure = (exposure) => exposure,
): PhaseFacts {
  const next = project(phase, facts, sampleNewId).find(({ source }) => source === "next");
  if (next === undefined) return facts;
  const id = sampleNewId<"sessionLog">();
  const placed = placedFrom(next, id);
  const easy = new Set(
    facts.placed.flatMap(({ week, sessionLog }) =>
      isEasy(phase.weeks[week - 1] ?? usualWeek("normal")) ? [sessionLog] : [],
    ),
  );
  const judged = new Map(
    [...facts.series].map(([key, own]) => [key, own.filter((e) => !easy.has(e.sessionLogId))]),
  );
  const met = asMet({ id, on: next.on, plan: next.plan }, judged, facts.context, sampleNewId);
  const series = new Map(facts.series);
  for (const [key, exposure] of met) series.set(key, [...(series.get(key) ?? []), done(exposure)]);
  return { ...facts, placed: [...facts.placed, placed], series, today: next.on };
}

function placedFrom(next: ProjectedSession, sessionLog: Id<"sessionLog">): PlacedSession {
  return {
    day: next.day.id,
    week: next.week,
    on: next.on,
    planId: sampleNewId(),
    state: "done",
    plan: next.plan,
    ruled: next.ruled,
    loggedSets: null,
    sessionLog,
    isEdited: false,
    absences: new Map(),
  };
}
