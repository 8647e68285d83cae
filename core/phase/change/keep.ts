import { z } from "zod";
import { idField, kind, type ValueOf } from "../../kernel/index.ts";
import type { Phase } from "../phase.ts";
import { sameWeek } from "./same-week.ts";

/** So many phases, this one included, an exercise is kept; null for as long as it likes. */
export const definition = kind("keep", {
  day: idField("phaseDay"),
  lineage: idField("lineage"),
  phases: z.int().min(1).max(12).nullable(),
});

export const apply = (
  { day, lineage, phases }: ValueOf<{ definition: typeof definition }>,
  phase: Phase,
): Phase => ({
  ...phase,
  keeps: [
    ...phase.keeps.filter((own) => own.day !== day || own.lineage !== lineage),
    ...(phases === null ? [] : [{ day, lineage, phases }]),
  ],
});
export { sameWeek as weekAfter };
