import { addDays, daysBetween, type Day, type Id } from "../kernel/index.ts";

/** A phase on the calendar. */
export interface OnCalendar {
  readonly id: Id<"phase">;
  readonly starts: Day;
  readonly ends: Day;
  /** True where something of it was trained, so that its first day stays. */
  readonly isBegun: boolean;
}

/** Where a phase goes. */
export interface Move {
  readonly id: Id<"phase">;
  readonly from: Day;
  readonly to: Day;
}

export type MoveError =
  | { readonly code: "missing" }
  /** Something of it was trained: its first day stays. */
  | { readonly code: "begun"; readonly id: Id<"phase"> }
  /** One before it, which cannot be pushed back in time, has those days. */
  | { readonly code: "taken"; readonly by: Id<"phase"> };

/** What a move comes to: what moves, itself first, or why it cannot. */
export type Moved =
  | { readonly ok: true; readonly moves: readonly Move[] }
  | { readonly ok: false; readonly error: MoveError };

/**
 * What moves along when a phase of a client moves by so many days. One that it would then lie on is pushed behind it
 * by whole weeks, and so on; one before it stays, and a move onto it is refused, as is one that pushes what has begun.
 * Source: our rule, docs/phases.md § Season.
 */
export function movedBy(phases: readonly OnCalendar[], id: Id<"phase">, days: number): Moved {
  const sorted = phases.toSorted((a, b) => (a.starts < b.starts ? -1 : 1));
  const at = sorted.findIndex((own) => own.id === id);
  const own = sorted[at];
  if (own === undefined) return { ok: false, error: { code: "missing" } };
  if (days === 0) return { ok: true, moves: [] };
  if (own.isBegun) return { ok: false, error: { code: "begun", id } };
  const to = addDays(own.starts, days);
  const before = sorted.slice(0, at).findLast(({ ends }) => ends >= to);
  if (before !== undefined) return { ok: false, error: { code: "taken", by: before.id } };
  const moves: Move[] = [{ id, from: own.starts, to }];
  let last = addDays(own.ends, days);
  for (const next of sorted.slice(at + 1)) {
    if (next.starts > last) break;
    const weeks = Math.ceil((daysBetween(next.starts, last) + 1) / 7);
    if (next.isBegun) return { ok: false, error: { code: "begun", id: next.id } };
    moves.push({ id: next.id, from: next.starts, to: addDays(next.starts, 7 * weeks) });
    last = addDays(next.ends, 7 * weeks);
  }
  return { ok: true, moves };
}
