/**
 * A choice among options as a plain optimisation: which of them, with how many sets each, so that what they are worth
 * together is most within the limits. Nothing here knows of training; docs/suggesting.md says what stands for what.
 */
export interface Problem {
  readonly options: readonly Option[];
  readonly goals: readonly Goal[];
  readonly limits: readonly Limit[];
  /** Of the options of a group at most one is taken. */
  readonly groups: readonly (readonly number[])[];
}

/**
 * Taken with so many sets, from `least` to `most`, or not at all, unless it is kept. `worth` is what taking it adds,
 * whatever the sets.
 */
export interface Option {
  readonly isKept: boolean;
  readonly least: number;
  readonly most: number;
  readonly worth: number;
}

/** What an option adds to a sum: once where it is taken, and with each of its sets. Neither is negative. */
export interface Part {
  readonly option: number;
  readonly once: number;
  readonly each: number;
}

/**
 * Something that more of is worth less and less: the sum of the parts begins at `have`, and each of its units is worth
 * what the piece says that it falls into. Pieces rise in `upTo`, fall in `worth`, and the last one has no end.
 */
export interface Goal {
  readonly parts: readonly Part[];
  readonly have: number;
  readonly pieces: readonly Piece[];
}

export interface Piece {
  readonly upTo: number;
  readonly worth: number;
}

/** A sum of parts that is not to be exceeded. */
export interface Limit {
  readonly parts: readonly Part[];
  readonly most: number;
}

/** The sets of each option, in the order of the options; 0 for one that is not taken. */
export type Choice = readonly number[];

/** What is kept with its fewest sets, and nothing else. */
export const leastOf = ({ options }: Problem): Choice =>
  options.map(({ isKept, least }) => (isKept ? least : 0));

/** What the parts of a choice come to. */
export function sumOf(parts: readonly Part[], choice: Choice): number {
  return parts.reduce((sum, part) => sum + partOf(part, choice[part.option] ?? 0), 0);
}

/** What one option adds with so many sets. */
export const partOf = ({ once, each }: Part, sets: number): number =>
  sets === 0 ? 0 : once + each * sets;

/** What a sum is worth to a goal. */
export function worthAt(pieces: readonly Piece[], sum: number): number {
  let worth = 0;
  let from = 0;
  for (const { upTo, worth: each } of pieces) {
    if (sum <= from) break;
    worth += (Math.min(sum, upTo) - from) * each;
    from = upTo;
  }
  return worth;
}

/** What a choice is worth: its options by themselves, and every goal. */
export function worthOf({ options, goals }: Problem, choice: Choice): number {
  const alone = options.reduce((sum, { worth }, i) => sum + ((choice[i] ?? 0) > 0 ? worth : 0), 0);
  return goals.reduce(
    (sum, { parts, have, pieces }) => sum + worthAt(pieces, have + sumOf(parts, choice)),
    alone,
  );
}

/** So much beyond a limit is rounding. */
const HAIR = 1e-6;

/** True for a choice that keeps every limit and takes one of a group at most. */
export function isAllowed({ options, limits, groups }: Problem, choice: Choice): boolean {
  return (
    options.every(({ isKept, least, most }, i) => {
      const sets = choice[i] ?? 0;
      return (sets === 0 && !isKept) || (Number.isInteger(sets) && sets >= least && sets <= most);
    }) &&
    limits.every(({ parts, most }) => sumOf(parts, choice) <= most + HAIR) &&
    groups.every((group) => group.filter((i) => (choice[i] ?? 0) > 0).length <= 1)
  );
}
