import { type Mass, share } from "../kernel/index.ts";
import { loadForTotal, type Loading, type MadeLoad } from "../gym/index.ts";
import { MOST_REPS, type Equation } from "./equation.ts";
import type { StrengthRecord } from "./strength-records.ts";
import { loadForReps, type LoadRange } from "./load-for.ts";

/** One cell of a strength table: the total for reps and reserve with its range, and what the station makes of it. */
export interface TableCell {
  readonly reps: number;
  readonly left: number;
  readonly total: LoadRange;
  readonly made: MadeLoad | null;
}

/** Loads for reps from 1 to 15 at reserves from none to four, row by row; what is beyond an estimate is left out. */
export function strengthTable(
  known: StrengthRecord,
  loading: Loading,
  bodyWeight: Mass | null,
  equation: Equation,
): readonly (readonly (TableCell | null)[])[] {
  const { maximum, curve } = known;
  if (maximum === null) return [];
  return Array.from({ length: MOST_REPS }, (_, i) =>
    [0, 1, 2, 3, 4].map((left): TableCell | null => {
      const reps = i + 1;
      const total = loadForReps(maximum, reps + left, equation, share(1), curve);
      if (total === null) return null;
      return { reps, left, total, made: loadForTotal(loading, total.likely, bodyWeight) };
    }),
  );
}
