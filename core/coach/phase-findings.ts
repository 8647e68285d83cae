import { idOf, yearOf, type Day } from "../kernel/index.ts";
import type { Station } from "../gym/index.ts";
import { gymOn, isWithout, type Phase, type ProjectedSession } from "../phase/index.ts";
import type { UnrollContext } from "../unroll/index.ts";
import { findingsOf } from "./finding-rules.ts";
import { bySeverity, type Finding } from "./finding.ts";
import type { Judging, OtherSession } from "./judged.ts";

/** Something found of a session in a week to come. */
export interface FoundOn {
  readonly on: Day;
  readonly title: string;
  readonly finding: Finding;
}

/** What the sessions of a phase are judged by, beside each other. */
export interface JudgingPhase extends Pick<Judging, "brief" | "approach" | "seen" | "neglected"> {
  readonly phase: Phase;
  readonly sessions: readonly ProjectedSession[];
  readonly stations: readonly Station[];
  readonly context: UnrollContext;
}

/**
 * What is found of each week of a phase, the gravest first: its sessions are judged as in their editor, each beside the
 * others of its week and the first of the next one. What several sessions of a week share is told once. Weeks that are
 * trained, or went by, are no longer judged.
 */
export function findingsByWeek(judging: JudgingPhase): readonly (readonly FoundOn[])[] {
  const { phase, sessions, context, brief, approach, seen, neglected } = judging;
  const trained = sessions.filter(({ source }) => !isWithout(source));
  const other = ({ day, on, plan }: ProjectedSession): OtherSession => ({
    id: idOf(day.id),
    day: on,
    isOpen: false,
    plan,
    unrollContext: context,
  });
  return phase.weeks.map((_, i) => {
    const week = trained.filter((session) => session.week === i + 1);
    const next = trained.filter((session) => session.week === i + 2).slice(0, 1);
    const told = new Map<string, FoundOn>();
    for (const session of week) {
      if (session.source === "done") continue;
      const { on, plan, day } = session;
      const gym = gymOn(phase, day, session.week);
      const found = findingsOf({
        plan,
        day: on,
        unrollContext: context,
        others: week.filter((own) => own !== session).map(other),
        later: next.map(other),
        seen,
        neglected,
        brief,
        approach,
        catalogue: [],
        stations: judging.stations.filter(({ gymId }) => gymId === gym),
        year: yearOf(on),
        readiness: null,
      });
      for (const finding of found)
        if (!told.has(finding.key)) told.set(finding.key, { on, title: day.title, finding });
    }
    return [...told.values()].toSorted((a, b) => bySeverity(a.finding, b.finding));
  });
}
