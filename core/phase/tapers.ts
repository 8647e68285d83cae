import type { MovementRef } from "../kernel/index.ts";
import { linesOf, slotsOf } from "../plan/index.ts";
import { isEasy } from "./phase-week.ts";
import type { Phase } from "./phase.ts";
import { isIn } from "./presence.ts";

/** A taper that takes more sessions to its test than the phase has for it. */
export interface LongTaper {
  readonly movement: MovementRef;
  /** Sessions to the test and with it, if every target is met. */
  readonly takes: number;
  /** Sessions that are neither light nor lighter and have the exercise. */
  readonly has: number;
  /** True where a week is for testing, which brings the test forward. */
  readonly isTested: boolean;
}

/** The tapers of a phase that are longer than it is, from what is written in its days. */
export function longTapers(phase: Phase): readonly LongTaper[] {
  const isTested = phase.weeks.some(({ kind }) => kind === "test");
  return phase.days.flatMap(({ id: day, session }) =>
    slotsOf(session).flatMap((slot) =>
      linesOf(slot).flatMap(({ rule, sets: [{ target }] }): readonly LongTaper[] => {
        if (rule.kind !== "taper" || target.kind !== "reps") return [];
        const steps = Math.ceil(Math.max(0, target.min - rule.min) / rule.by);
        const at = { day, lineage: slot.lineageId };
        const has = phase.weeks.filter((week, i) => !isEasy(week) && isIn(phase, at, i + 1)).length;
        // The first session, one for each step down, and the test.
        const takes = 1 + steps + 1;
        return takes > has ? [{ movement: slot.movement, takes, has, isTested }] : [];
      }),
    ),
  );
}
