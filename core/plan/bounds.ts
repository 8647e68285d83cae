/** From and to, both allowed. */
export interface Bound {
  readonly least: number;
  readonly most: number;
}

const bound = (least: number, most: number): Bound => ({ least, most });

/**
 * What may be written in a prescription, wherever it is written: forms, the written line, stored documents.
 * Beyond it is a slip of the keyboard. Seconds where nothing else is said. Source: our rule.
 */
export const BOUNDS = {
  /** Reps, steps, and totals of them. */
  amount: bound(1, 1000),
  metres: bound(1, 100_000),
  /** Sets of one exercise. */
  sets: bound(1, 60),
  /** Extensions of one set. */
  extensions: bound(0, 12),
  /** How often something is repeated within one set. */
  repeats: bound(1, 60),
  work: bound(1, 3600),
  /** A hold at the end of a set: ten minutes are more than anybody holds. */
  hold: bound(1, 600),
  rest: bound(0, 3600),
  pause: bound(0, 1200),
  accent: bound(0.1, 60),
  phase: bound(0, 30),
  heartRate: bound(40, 230),
  degrees: bound(0, 180),
  felt: bound(0, 10),
  /** Per cent of another load. */
  percent: bound(0.01, 200),
  /** A drop gets lighter. */
  dropPercent: bound(0.01, 99.99),
  plates: bound(1, 20),
  steps: bound(1, 30),
  tries: bound(1, 8),
  fallbacks: bound(1, 4),
} as const satisfies Readonly<Record<string, Bound>>;

export type BoundName = keyof typeof BOUNDS;

/** True where a number lies in the named bound. */
export function isWithin(n: number, name: BoundName): boolean {
  return n >= BOUNDS[name].least && n <= BOUNDS[name].most;
}
