import { kind, type ValueOf } from "../../kernel/index.ts";
import { z } from "zod";
import { phaseWeekField } from "../phase-week.ts";
import { PHASE_BOUNDS, type Phase } from "../phase.ts";
import { withWeeks } from "./with-weeks.ts";

/** A week more behind one; 0 for the front. Exercises that are in up to the week before it stay in through it. */
export const definition = kind("addWeek", {
  after: z.int().min(0).max(PHASE_BOUNDS.weeks.most),
  week: phaseWeekField,
});
type AddWeek = ValueOf<{ definition: typeof definition }>;

export const weekAfter = ({ after }: AddWeek, week: number): number | null =>
  week > after ? week + 1 : week;

export function apply(edit: AddWeek, phase: Phase): Phase {
  const weeks = phase.weeks.toSpliced(edit.after, 0, edit.week);
  const moved = withWeeks(phase, weeks, (week) => weekAfter(edit, week));
  // The added week itself belongs to the span that reaches the one before it.
  return {
    ...moved,
    spans: moved.spans.map((span) =>
      span.to === edit.after && edit.after > 0 ? { ...span, to: span.to + 1 } : span,
    ),
  };
}
