import { addDays, daysBetween, type Day } from "../../kernel/index.ts";
import type { Phase } from "../phase.ts";

/** A phase that begins on another day, with what has a date of its own moved by as much. */
export function shiftedBy(phase: Phase, to: Day): Phase {
  const by = daysBetween(phase.start, to);
  return {
    ...phase,
    start: to,
    placings: phase.placings.map((own) => ({ ...own, on: own.on && addDays(own.on, by) })),
  };
}
