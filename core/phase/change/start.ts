import { kind, type ValueOf } from "../../kernel/index.ts";
import { dayField, type Phase } from "../phase.ts";
import { sameWeek } from "./same-week.ts";
import { shiftedBy } from "./shifted.ts";

/** Another first day; sessions on dates of their own move along. */
export const definition = kind("start", { to: dayField });

export const apply = ({ to }: ValueOf<{ definition: typeof definition }>, phase: Phase): Phase =>
  shiftedBy(phase, to);
export { sameWeek as weekAfter };
