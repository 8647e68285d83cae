import type { Choice, Part, Problem } from "./problem.ts";

/** A mixed-integer linear model: the greatest `worth` of the columns within the rows. */
export interface LinearModel {
  readonly columns: readonly Column[];
  readonly rows: readonly Row[];
}

export interface Column {
  readonly from: number;
  /** Infinity where it has no end. */
  readonly to: number;
  readonly worth: number;
  readonly isWhole: boolean;
}

/** `from` ≤ sum of the entries ≤ `to`. */
export interface Row {
  readonly from: number;
  readonly to: number;
  readonly entries: readonly (readonly [column: number, factor: number])[];
}

/**
 * The same problem in lines. Option i has two columns: whether it is taken (2i), and its sets (2i + 1). Behind them
 * stand the pieces of the goals: since later pieces are worth less, a greatest sum fills them in their order.
 */
export function linearModelOf({ options, goals, limits, groups }: Problem): LinearModel {
  const columns: Column[] = [];
  const rows: Row[] = [];
  for (const { isKept, least, most, worth } of options) {
    const taken = columns.length;
    columns.push({ from: isKept ? 1 : 0, to: 1, worth, isWhole: true });
    columns.push({ from: 0, to: most, worth: 0, isWhole: true });
    const entries = (factor: number) => [[taken + 1, 1] as const, [taken, -factor] as const];
    rows.push({ from: 0, to: Infinity, entries: entries(least) });
    rows.push({ from: -Infinity, to: 0, entries: entries(most) });
  }
  for (const { parts, have, pieces } of goals) {
    let from = 0;
    const pieceEntries = pieces.map(({ upTo, worth }) => {
      columns.push({ from: 0, to: upTo - from, worth, isWhole: false });
      from = upTo;
      return [columns.length - 1, 1] as const;
    });
    const entries = [...pieceEntries, ...entriesOf(parts).map(([c, f]) => [c, -f] as const)];
    rows.push({ from: have, to: have, entries });
  }
  for (const { parts, most } of limits)
    rows.push({ from: -Infinity, to: most, entries: entriesOf(parts) });
  for (const group of groups)
    rows.push({ from: -Infinity, to: 1, entries: group.map((i) => [2 * i, 1] as const) });
  return { columns, rows };
}

const entriesOf = (parts: readonly Part[]) =>
  parts.flatMap(({ option, once, each }) =>
    [[2 * option, once] as const, [2 * option + 1, each] as const].filter(([, f]) => f !== 0),
  );

/** The columns of a choice that says how each option stands; those of the goals follow from them. */
export const valuesOf = (choice: Choice): readonly number[] =>
  choice.flatMap((sets) => [sets > 0 ? 1 : 0, sets]);

/** The choice that values of the columns say. */
export const choiceFrom = ({ options }: Problem, values: ArrayLike<number>): Choice =>
  options.map((_, i) =>
    Math.round(values[2 * i] ?? 0) === 0 ? 0 : Math.round(values[2 * i + 1] ?? 0),
  );
