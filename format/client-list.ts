import { trendMark, type StrengthTrend } from "~/core/coach/warnings/index.ts";
import { daysBetween, type Day } from "~/core/kernel/index.ts";
import { formatDay, formatShare, plural } from "./numbers.ts";

/** A change of strength is not known more exactly than this. */
const wholePercent = ({ share }: StrengthTrend) =>
  formatShare(Math.round(Math.abs(share) * 100) / 100);

const MARKS = { rising: "▲", level: "■", falling: "▼" } as const;
const SAYS = { rising: "Stronger", level: "Level", falling: "Weaker" } as const;

/** "▲ 4%": how strength went lately, in one mark and a number without its sign. */
export function formatTrend(trend: StrengthTrend): string {
  return `${MARKS[trendMark(trend)]} ${wholePercent(trend)}`;
}

/** The same as a sentence: "Stronger by 4% over 8 weeks, the middle of 6 exercises." */
export function formatTrendWhole(trend: StrengthTrend): string {
  const mark = trendMark(trend);
  const by = mark === "level" ? "" : ` by ${wholePercent(trend)}`;
  return `${SAYS[mark]}${by} over ${plural(trend.weeks, "week")}, the middle of ${plural(trend.exercises, "exercise")}.`;
}

/** "today", "tomorrow", "in 5 days", "yesterday", "12 days ago". */
export function formatDaysAway(today: Day, day: Day): string {
  const days = daysBetween(today, day);
  if (days === 0) return "today";
  if (days === 1) return "tomorrow";
  if (days === -1) return "yesterday";
  return days > 0 ? `in ${days} days` : `${-days} days ago`;
}

/** Why somebody is overdue: "Planned for Mon 30 Nov 2026 and not trained", "Nothing planned since Mon 16 Nov 2026". */
export function formatOverdue(since: Day, last: Day | null): string {
  return since === last
    ? `Nothing planned; last session ${formatDay(since)}`
    : `Planned for ${formatDay(since)} and not trained`;
}
