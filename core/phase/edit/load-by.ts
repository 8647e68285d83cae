import { kind, type ValueOf } from "../../kernel/index.ts";
import { weekPercent } from "../../plan/index.ts";
import { loadOf, shareOf, type Cell } from "./cell.ts";

/** So much of the load that the week has, as near as the equipment makes it. */
export const definition = kind("loadBy", { share: weekPercent });

export const step = ({ share }: ValueOf<{ definition: typeof definition }>, cell: Cell) =>
  loadOf(shareOf(cell, share));
