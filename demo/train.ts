import type { Exercise, Incident } from "./trainee.ts";
import type { Random } from "~/core/kernel/index.ts";

/** What somebody did in one set, by the model of the demo. */
export interface SimulatedSet {
  readonly reps: number | null;
  readonly left: number;
}

/**
 * A believable set: repetitions possible at a load by Epley's relation turned round, less a repetition for
 * each set before, less on a flat day, give or take one. The trainee stops at the top of the range or at the
 * reserve asked, whichever comes first. Only the demo uses this; nothing of it is shown as a measurement.
 */
export function simulateSet(
  exercise: Exercise,
  session: { readonly week: number; readonly incident: Incident["kind"] | null },
  set: { readonly load: number; readonly index: number; readonly maxReps: number },
  random: Random,
): SimulatedSet {
  const best = exercise.best * (1 + exercise.weeklyGain * weeksGained(exercise, session.week));
  const flat = session.incident === "flatDay" ? 2.2 : 0;
  const possible =
    30 * (best / Math.max(1, set.load) - 1) - set.index * 0.9 - flat + (random() - 0.5) * 1.6;
  const wanted = Math.min(set.maxReps, Math.floor(possible - exercise.effort + 0.75));
  const reps = Math.max(1, Math.min(wanted, Math.floor(possible)));
  const left = Math.max(0, Math.min(5, Math.round(possible - reps)));
  const isMiscounted = session.incident === "miscounted" && set.index === 1;
  return { reps: isMiscounted ? null : reps, left };
}

/** In how many weeks something was gained by then. */
function weeksGained({ plateau }: Exercise, week: number): number {
  if (plateau === undefined) return week > 4 ? week / 2 : week;
  const [from, to] = plateau;
  return week - Math.max(0, Math.min(week, to) - from);
}
