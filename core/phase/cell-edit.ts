import { applied, kindsOf, unionOf, type FamilyOf } from "../kernel/index.ts";
import type { ChosenStep } from "../progress/index.ts";
import type { Cell } from "./edit/cell.ts";
import * as effort from "./edit/effort.ts";
import * as leftOut from "./edit/left-out.ts";
import * as load from "./edit/load.ts";
import * as loadBy from "./edit/load-by.ts";
import * as rest from "./edit/rest.ts";
import * as sets from "./edit/sets.ts";
import * as setsBy from "./edit/sets-by.ts";
import * as target from "./edit/target.ts";

export type { Cell } from "./edit/cell.ts";

/** What a coach may change of a line in one week of a phase; the only list of them. */
export const CELL_EDITS = { load, loadBy, sets, setsBy, target, effort, rest, leftOut } as const;
export type CellEdit = FamilyOf<typeof CELL_EDITS>;
export const CELL_EDIT_KINDS = kindsOf(CELL_EDITS);
export const cellEditField = unionOf(CELL_EDITS);

/** What an edit makes of a line: a load and changes, or nothing at all of it. */
export function stepOf(edit: CellEdit, cell: Cell): ChosenStep | "leftOut" {
  return applied(CELL_EDITS, "step", edit, cell);
}
