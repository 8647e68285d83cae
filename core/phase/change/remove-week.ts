import { kind, type ValueOf } from "../../kernel/index.ts";
import { weekNumber, type Phase } from "../phase.ts";
import { withWeeks } from "./with-weeks.ts";

/** A week less; those behind it come a week earlier. The last one that there is stays. */
export const definition = kind("removeWeek", { week: weekNumber });
type RemoveWeek = ValueOf<{ definition: typeof definition }>;

export const weekAfter = ({ week: gone }: RemoveWeek, week: number): number | null =>
  week === gone ? null : week > gone ? week - 1 : week;

export function apply(edit: RemoveWeek, phase: Phase): Phase {
  if (phase.weeks.length === 1 || edit.week > phase.weeks.length) return phase;
  const weeks = phase.weeks.toSpliced(edit.week - 1, 1);
  return withWeeks(phase, weeks, (week) => weekAfter(edit, week));
}
