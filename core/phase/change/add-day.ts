import { kind, type ValueOf } from "../../kernel/index.ts";
import { phaseDayField, type Phase } from "../phase.ts";
import { sameWeek } from "./same-week.ts";

/** Another day of training; nothing happens where its weekday is taken. */
export const definition = kind("addDay", { day: phaseDayField });

export const apply = ({ day }: ValueOf<{ definition: typeof definition }>, phase: Phase): Phase =>
  phase.days.some(({ id, weekday }) => id === day.id || weekday === day.weekday)
    ? phase
    : { ...phase, days: [...phase.days, day] };
export { sameWeek as weekAfter };
