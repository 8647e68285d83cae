import { idField, kind, type ValueOf } from "../../kernel/index.ts";
import { dayField, weekNumber, type Phase } from "../phase.ts";
import { sameWeek } from "./same-week.ts";

/** One session on another date; null drops it. */
export const definition = kind("placing", {
  day: idField("phaseDay"),
  week: weekNumber,
  on: dayField.nullable(),
  gymId: idField("gym").nullable(),
});

export const apply = (
  { day, week, on, gymId }: ValueOf<{ definition: typeof definition }>,
  phase: Phase,
): Phase => ({
  ...phase,
  placings: [
    ...phase.placings.filter((own) => own.day !== day || own.week !== week),
    { day, week, on, gymId },
  ],
});
export { sameWeek as weekAfter };
