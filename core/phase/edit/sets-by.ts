import { kind, type ValueOf } from "../../kernel/index.ts";
import { setsEitherWay } from "../../plan/index.ts";
import { setsTo, type Cell } from "./cell.ts";

/** So many sets more or fewer than the week has; one stays. */
export const definition = kind("setsBy", { by: setsEitherWay });

export const step = ({ by }: ValueOf<{ definition: typeof definition }>, cell: Cell) =>
  setsTo(cell, cell.line.sets.length + by);
