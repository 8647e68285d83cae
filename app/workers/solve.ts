import type { Highs, ModelData } from "highs";
import {
  choiceFrom,
  isAllowed,
  leastOf,
  linearModelOf,
  valuesOf,
  worthOf,
  type Choice,
  type LinearModel,
  type Problem,
} from "~/core/coach/suggest/index.ts";

/** The best choice that was found, and how far the best possible one can be from it: 0 where it is the best. */
export interface Solved {
  readonly choice: Choice;
  /** As a part of what can be gained at all over taking nothing; null where nothing is known of it. */
  readonly within: number | null;
}

/** Choices that differ by this part of what can be gained are equally good. */
const SAME = 1e-4;

/** The search ends after so long; what is before and behind it takes a little of the two seconds that are promised. */
export const SEARCH_SECONDS = 1.4;

/** When the search ends that has not found the best before: after some time, or the same each time. */
export type SearchEnd = { readonly seconds: number } | { readonly nodes: number };

/** Looks for the best choice, from one that is known. What it finds is never worse than that one. */
export function solve(highs: Highs, problem: Problem, known: Choice, end: SearchEnd): Solved {
  const nothing = worthOf(problem, leastOf(problem));
  // What stands already may be worth anything, so that a gap is measured by what the choice adds.
  const same = SAME * Math.max(1, worthOf(problem, known) - nothing);
  return highs.withModel(modelData(highs, linearModelOf(problem)), (model) => {
    model.options.set({ output_flag: false, mip_rel_gap: 0, mip_abs_gap: same });
    if ("seconds" in end) model.options.set("time_limit", end.seconds);
    else model.options.set("mip_max_nodes", end.nodes);
    const values = valuesOf(known);
    model.setSolution({ indices: values.map((_, i) => i), values: [...values] });
    model.run();
    const found = choiceFrom(problem, model.getSolution().colValue);
    const best =
      isAllowed(problem, found) && worthOf(problem, found) > worthOf(problem, known)
        ? found
        : known;
    const bound = Number(model.info.get("mip_dual_bound"));
    const worth = worthOf(problem, best);
    if (!Number.isFinite(bound)) return { choice: best, within: null };
    const isBest = bound - worth <= same;
    return { choice: best, within: isBest ? 0 : (bound - worth) / (bound - nothing) };
  });
}

function modelData({ infinity, constants }: Highs, { columns, rows }: LinearModel): ModelData {
  const number = (n: number) => (Number.isFinite(n) ? n : Math.sign(n) * infinity);
  const entries = rows.flatMap((row) => row.entries);
  let start = 0;
  const starts = [0, ...rows.map((row) => (start += row.entries.length))];
  const { integer, continuous } = constants.variableType;
  return {
    numCols: columns.length,
    numRows: rows.length,
    sense: constants.objectiveSense.maximize,
    colCost: columns.map(({ worth }) => worth),
    colLower: columns.map(({ from }) => number(from)),
    colUpper: columns.map(({ to }) => number(to)),
    rowLower: rows.map(({ from }) => number(from)),
    rowUpper: rows.map(({ to }) => number(to)),
    integrality: columns.map(({ isWhole }) => (isWhole ? integer : continuous)),
    matrix: {
      format: "csr",
      numCols: columns.length,
      numRows: rows.length,
      starts,
      indices: entries.map(([column]) => column),
      values: entries.map(([, factor]) => factor),
    },
  };
}
