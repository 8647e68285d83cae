import { kind, textWithin, type ValueOf } from "../../kernel/index.ts";
import { z } from "zod";
import { GOALS } from "../../person/index.ts";
import { approachField, type Phase } from "../phase.ts";
import { sameWeek } from "./same-week.ts";

/** What the phase is for, how it is told that it worked, by which approach, and the notes. */
export const definition = kind("aim", {
  goal: z.enum(GOALS),
  success: textWithin(300),
  approach: approachField.nullable(),
  notes: textWithin(2000),
});

export const apply = (
  { goal, success, approach, notes }: ValueOf<{ definition: typeof definition }>,
  phase: Phase,
): Phase => ({ ...phase, goal, success, approach, notes });
export { sameWeek as weekAfter };
