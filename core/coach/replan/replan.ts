import { applied } from "../../kernel/index.ts";
import { withEdit, type Phase, type PhaseEdit } from "../../phase/index.ts";
import { REPLAN_EVENTS, type ReplanEvent } from "./event.ts";
import type { ReplanSituation, ReplanStep } from "./step.ts";

/**
 * How the rest of a phase is replanned after an event, step by step; none where the phase already is as the event
 * asks, so that replanning twice changes nothing. What was trained is never touched.
 */
export function replan(event: ReplanEvent, situation: ReplanSituation): readonly ReplanStep[] {
  return applied(REPLAN_EVENTS, "steps", event, situation);
}

/** The edits of steps in the order in which they are made: weeks that are added or go come last, from behind. */
export function editsOf(steps: readonly ReplanStep[]): readonly PhaseEdit[] {
  const edits = steps.flatMap((step) => step.edits);
  const movesWeeks = ({ kind }: PhaseEdit) => kind === "addWeek" || kind === "removeWeek";
  return [...edits.filter((edit) => !movesWeeks(edit)), ...edits.filter(movesWeeks)];
}

/** A phase with steps taken. */
export function withSteps(phase: Phase, steps: readonly ReplanStep[]): Phase {
  return editsOf(steps).reduce(withEdit, phase);
}
