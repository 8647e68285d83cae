import type { Day, Id } from "../kernel/index.ts";
import type { Exposure } from "../log/index.ts";
import type { Standing } from "./standing.ts";

/** Sessions side by side, the oldest first, and what was done in each of every exercise. */
export interface TrainingLog {
  readonly sessions: readonly { readonly id: Id<"sessionLog">; readonly day: Day }[];
  readonly rows: readonly LoggedExercise[];
  /** How many sessions lie before those that are shown, and after them. */
  readonly older: number;
  readonly newer: number;
}

/** An exercise with what was done of it in each of the sessions; null where it was not trained. */
export interface LoggedExercise {
  readonly of: Omit<Standing, "trained">;
  readonly done: readonly (Exposure | null)[];
}

/**
 * So many of a client's sessions, after so many newer ones are left out, with the exercises that were trained in them,
 * those trained last first.
 */
export function trainingLog(
  standings: readonly Standing[],
  { skip, many }: { readonly skip: number; readonly many: number },
): TrainingLog {
  const days = new Map(
    standings.flatMap(({ trained }) => trained.map((e) => [e.sessionLogId, e.day] as const)),
  );
  // Ids rise with time, so that two sessions of one day stand in their order.
  const all = [...days]
    .map(([id, day]) => ({ id, day }))
    .toSorted((a, b) => (`${a.day} ${a.id}` < `${b.day} ${b.id}` ? -1 : 1));
  const end = Math.max(0, all.length - skip);
  const sessions = all.slice(Math.max(0, end - many), end);
  const rows = standings.flatMap(({ trained, ...of }): LoggedExercise[] => {
    const done = sessions.map(
      ({ id }) => trained.find(({ sessionLogId }) => sessionLogId === id) ?? null,
    );
    return done.every((one) => one === null) ? [] : [{ of, done }];
  });
  return { sessions, rows, older: end - sessions.length, newer: all.length - end };
}
