import { idField, kind, type ValueOf } from "../../kernel/index.ts";
import { phaseDayField, type Phase } from "../phase.ts";
import { sameWeek } from "./same-week.ts";

const { weekday, gymId, startTime, title } = phaseDayField.unwrap().shape;

/** A day of training on another weekday, in another gym, at another time or under another title. */
export const definition = kind("day", {
  day: idField("phaseDay"),
  weekday,
  gymId,
  startTime,
  title,
});

export function apply(
  { day, kind: _, ...to }: ValueOf<{ definition: typeof definition }>,
  phase: Phase,
): Phase {
  const isTaken = phase.days.some(({ id, weekday: own }) => id !== day && own === to.weekday);
  if (isTaken) return phase;
  return { ...phase, days: phase.days.map((own) => (own.id === day ? { ...own, ...to } : own)) };
}
export { sameWeek as weekAfter };
