import type { Region } from "../kernel/index.ts";

/** Hard sets a week for one region, direct and a part of the indirect ones together. */
export interface Band {
  readonly low: number;
  readonly high: number;
}

/**
 * Hard sets that a studio's approach or one client sets down for themselves; what is missing or null follows from the
 * approach's views. The lateral vastus speaks for all three.
 */
export interface OwnVolume {
  /** Of a muscle in a week. */
  readonly weekly: Readonly<Partial<Record<Region, Band>>>;
  /** At most in one session, all muscles together. */
  readonly session: number | null;
  /** At most of one exercise in a session. */
  readonly exercise: number | null;
  /** At most of a muscle in a week in which most of its direct sets are isolation. */
  readonly isolation: number | null;
}

/** True where at least one number is set down. */
export function saysSomething({ weekly, session, exercise, isolation }: OwnVolume): boolean {
  return Object.keys(weekly).length > 0 || [session, exercise, isolation].some((n) => n !== null);
}

export const NO_OWN_VOLUME: OwnVolume = {
  weekly: {},
  session: null,
  exercise: null,
  isolation: null,
};
