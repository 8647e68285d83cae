import type { CellPlace, Sheet, SheetDay, SheetRow } from "~/core/phase/index.ts";

/** A row of the grid with the day that it belongs to. */
export interface GridRow extends SheetRow {
  readonly day: SheetDay;
}

/** What was typed where. */
export interface Entry extends CellPlace {
  readonly text: string;
}

/** Every line of a sheet in one list, as the keys go through them. */
export function rowsOf(sheet: Sheet): readonly GridRow[] {
  return sheet.days.flatMap((day) => day.rows.map((row) => ({ ...row, day })));
}

/** Names a cell, for what is being saved of it. */
export const placeKey = ({ day, lineage, line, week }: CellPlace) =>
  `${day} ${lineage} ${line} ${week}`;

/** The entries of a list that stand in the columns shown, each with its own. */
export function shownOf<T>(list: readonly T[], columns: readonly number[]) {
  return list.flatMap((entry, i) => (columns.includes(i) ? [[i, entry] as const] : []));
}

/**
 * What stands under a day: its rows that are drawn, each with its number among all, and in place of those that are
 * not a gap for each run of them, of as many rows as are left out.
 */
export function drawnOf(
  rows: readonly GridRow[],
  day: SheetDay,
  isDrawn: (row: number) => boolean,
) {
  const drawn: { readonly row: GridRow | null; readonly at: number; left: number }[] = [];
  rows.forEach((row, at) => {
    if (row.day !== day) return;
    const last = drawn.at(-1);
    if (isDrawn(at)) drawn.push({ row, at, left: 0 });
    else if (last?.row === null) last.left += 1;
    else drawn.push({ row: null, at, left: 1 });
  });
  return drawn;
}
