import { addDays } from "../../kernel/index.ts";
import type { Phase } from "../phase.ts";
import type { PhaseWeek } from "../phase-week.ts";

/**
 * A phase with other weeks: what was said of a week goes where it went, and away with it. A session on a date of its
 * own keeps its distance from its week.
 */
export function withWeeks(
  phase: Phase,
  weeks: readonly PhaseWeek[],
  weekAfter: (week: number) => number | null,
): Phase {
  const moved = <T extends { readonly week: number }>(all: readonly T[]) =>
    all.flatMap((own) => {
      const week = weekAfter(own.week);
      return week === null ? [] : [{ ...own, week }];
    });
  return {
    ...phase,
    weeks,
    changes: moved(phase.changes),
    // What was to come by a week that is gone is to come by the one before it.
    targets: phase.targets.map((own) => {
      const week = weekAfter(own.week) ?? weekAfter(own.week - 1) ?? 1;
      return { ...own, week: Math.min(weeks.length, Math.max(1, week)) };
    }),
    placings: phase.placings.flatMap((own) => {
      const week = weekAfter(own.week);
      if (week === null) return [];
      return [{ ...own, week, on: own.on && addDays(own.on, 7 * (week - own.week)) }];
    }),
    spans: phase.spans.flatMap((span) => {
      const within = Array.from({ length: span.to - span.from + 1 }, (_, i) =>
        weekAfter(span.from + i),
      ).filter((week) => week !== null);
      return within.length === 0
        ? []
        : [{ ...span, from: Math.min(...within), to: Math.max(...within) }];
    }),
  };
}
