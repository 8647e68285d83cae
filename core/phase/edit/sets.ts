import { kind, type ValueOf } from "../../kernel/index.ts";
import { lineSets } from "../../plan/index.ts";
import { setsTo, type Cell } from "./cell.ts";

/** So many sets in all. */
export const definition = kind("sets", { to: lineSets });

export const step = ({ to }: ValueOf<{ definition: typeof definition }>, cell: Cell) =>
  setsTo(cell, to);
