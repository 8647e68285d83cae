import { kind, type ValueOf } from "../../kernel/index.ts";
import { dayField, endOf, isEasy, lastDayOf, weekAt } from "../../phase/index.ts";
import type { ReplanSituation, ReplanStep } from "./step.ts";

/** A show, a test or the season comes earlier, so that the phase has to end by a day. */
export const definition = kind("showEarlier", { by: dayField });

/**
 * Weeks go until the phase ends in time: the latest normal ones first, then light and lighter ones, never one that has
 * begun or of which something was trained, and the last week stays the last.
 */
export function steps(
  { by }: ValueOf<{ definition: typeof definition }>,
  { phase, sessions, today }: ReplanSituation,
): readonly ReplanStep[] {
  if (endOf(phase) <= by) return [];
  const tooMany = phase.weeks.filter((_, i) => lastDayOf(phase, i + 1) > by).length;
  const now = weekAt(phase, today);
  const trained = new Set(
    sessions.flatMap(({ source, placed, week }) =>
      source === "done" || placed?.state === "running" ? [week] : [],
    ),
  );
  const free = phase.weeks
    .map((own, i) => ({ ...own, week: i + 1 }))
    .filter(({ week }) => week > now && week < phase.weeks.length && !trained.has(week))
    .toSorted((a, b) => Number(isEasy(a)) - Number(isEasy(b)) || b.week - a.week);
  const out = free.slice(0, tooMany).toSorted((a, b) => b.week - a.week);
  return out.map(({ week, kind: own }) => ({
    key: `out ${week}`,
    // The latest goes first, so that none of the others moves before it goes.
    edits: [{ kind: "removeWeek", week }],
    because: { code: "weekOut", week, kind: own },
    isProposed: true,
    group: null,
  }));
}
