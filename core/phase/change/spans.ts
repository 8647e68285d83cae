import { z } from "zod";
import { idField, kind, type ValueOf } from "../../kernel/index.ts";
import { weekNumber, type Phase } from "../phase.ts";
import { sameWeek } from "./same-week.ts";

/** The weeks in which alone an exercise is in; none for every week. */
export const definition = kind("spans", {
  day: idField("phaseDay"),
  lineage: idField("lineage"),
  in: z
    .array(z.object({ from: weekNumber, to: weekNumber }).readonly())
    .max(26)
    .readonly(),
});

export const apply = (
  { day, lineage, in: weeks }: ValueOf<{ definition: typeof definition }>,
  phase: Phase,
): Phase => ({
  ...phase,
  spans: [
    ...phase.spans.filter((own) => own.day !== day || own.lineage !== lineage),
    ...weeks.map(({ from, to }) => ({
      day,
      lineage,
      from: Math.min(from, to),
      to: Math.max(from, to),
    })),
  ],
});
export { sameWeek as weekAfter };
