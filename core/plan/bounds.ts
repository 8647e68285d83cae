import type { Bound, BoundUnit } from "../kernel/index.ts";

const whole = (least: number, most: number, unit: BoundUnit = "count"): Bound => ({
  least,
  most,
  unit,
  whole: true,
});
const real = (least: number, most: number, unit: BoundUnit = "s"): Bound => ({
  least,
  most,
  unit,
  whole: false,
});

/**
 * What may be written in a prescription, wherever it is written: forms, the written line, stored documents.
 * Beyond it is a slip of the keyboard. Source: our rule.
 */
export const BOUNDS = {
  /** Reps, steps, and totals of them. */
  amount: whole(1, 1000),
  /** Reps of a load that is usual for them. */
  possibleReps: whole(1, 15),
  metres: real(1, 100_000, "m"),
  /** Sets of one exercise. */
  sets: whole(1, 60),
  /** Extensions of one set. */
  extensions: whole(0, 12),
  /** How often something is repeated within one set. */
  repeats: whole(1, 60),
  work: real(1, 3600),
  /** A hold at the end of a set: ten minutes are more than anybody holds. */
  hold: real(1, 600),
  rest: real(0, 3600),
  pause: real(0, 1200),
  accent: real(0.1, 60),
  phase: real(0, 30),
  heartRate: whole(40, 230, "perMinute"),
  degrees: whole(0, 180, "deg"),
  felt: whole(0, 10, "outOfTen"),
  /** Per cent of another load; a cluster or a short range can be far heavier than the set. */
  percent: real(0.01, 500, "percent"),
  /** A drop gets lighter. */
  dropPercent: real(0.01, 99.99, "percent"),
  plates: whole(1, 20),
  steps: whole(1, 30),
  /** Steps up, or below zero down. */
  stepsEitherWay: whole(-30, 30),
  tries: whole(1, 8),
  /** Sessions in a row, or between two of a kind. */
  sessions: whole(1, 12),
  /** Repetitions more or fewer from one session to the next. */
  gain: whole(1, 10),
  /** Sets of one line. */
  lineSets: whole(1, 20),
  /** How far one session may move a load. */
  stepPercent: real(0.5, 20, "percent"),
  /** A second or more of tempo or of a hold, and the rest that is taken off. */
  secondsMore: real(0.5, 120),
  fallbacks: whole(1, 4),
  /** Sets of a line more or fewer in one week of a phase. */
  setsEitherWay: whole(-10, 10),
  /** Reps more or fewer to leave in one week of a phase. */
  rirEitherWay: real(-3, 4, "count"),
  /** What of the load of a line is trained in one week of a phase. */
  weekPercent: real(30, 120, "percent"),
} as const satisfies Readonly<Record<string, Bound>>;

export type BoundName = keyof typeof BOUNDS;

/** True where a number, as it is written, lies in the named bound. */
export function isWithin(n: number, name: BoundName): boolean {
  return n >= BOUNDS[name].least && n <= BOUNDS[name].most;
}
