import { kind, type ValueOf } from "../../kernel/index.ts";
import { phaseWeekField } from "../phase-week.ts";
import { weekNumber, type Phase } from "../phase.ts";
import { sameWeek } from "./same-week.ts";

/** A week as another one. */
export const definition = kind("week", { week: weekNumber, to: phaseWeekField });

export const apply = (
  { week, to }: ValueOf<{ definition: typeof definition }>,
  phase: Phase,
): Phase => ({ ...phase, weeks: phase.weeks.map((own, i) => (i + 1 === week ? to : own)) });
export { sameWeek as weekAfter };
