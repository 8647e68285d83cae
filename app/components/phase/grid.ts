/** A place in a grid: row and column from 0. */
export interface Place {
  readonly row: number;
  readonly column: number;
}

/** What is selected: where it began and where it goes to. */
export interface Selection {
  readonly from: Place;
  readonly to: Place;
}

export interface Size {
  readonly rows: number;
  readonly columns: number;
}

export const single = (at: Place): Selection => ({ from: at, to: at });

/** The corners of a selection, both included. */
export function cornersOf({ from, to }: Selection) {
  return {
    top: Math.min(from.row, to.row),
    bottom: Math.max(from.row, to.row),
    left: Math.min(from.column, to.column),
    right: Math.max(from.column, to.column),
  };
}

/** Every place of a selection, row by row. */
export function placesOf(selection: Selection): readonly Place[] {
  const { top, bottom, left, right } = cornersOf(selection);
  const places: Place[] = [];
  for (let row = top; row <= bottom; row += 1) {
    for (let column = left; column <= right; column += 1) places.push({ row, column });
  }
  return places;
}

/**
 * The first of so many columns of all that are drawn: as it was, moved only as far as the active one has to be among
 * them, and never past the end.
 */
export function windowAt(
  first: number,
  { active, many, all }: { readonly active: number; readonly many: number; readonly all: number },
): number {
  const near = Math.min(active, Math.max(first, active - many + 1));
  return Math.max(0, Math.min(near, all - many));
}

export function isSelected(selection: Selection | null, { row, column }: Place): boolean {
  if (selection === null) return false;
  const { top, bottom, left, right } = cornersOf(selection);
  return row >= top && row <= bottom && column >= left && column <= right;
}

const STEPS: Readonly<Record<string, Place>> = {
  ArrowUp: { row: -1, column: 0 },
  ArrowDown: { row: 1, column: 0 },
  ArrowLeft: { row: 0, column: -1 },
  ArrowRight: { row: 0, column: 1 },
};

/** The selection after a key that moves it; null for any other key. With shift its far end moves, with control to the edge. */
export function movedBy(
  selection: Selection,
  { key, shiftKey, ctrlKey }: Pick<KeyboardEvent, "key" | "shiftKey" | "ctrlKey">,
  { rows, columns }: Size,
): Selection | null {
  const { from, to } = selection;
  const last = { row: rows - 1, column: columns - 1 };
  const within = (at: Place): Place => ({
    row: Math.min(last.row, Math.max(0, at.row)),
    column: Math.min(last.column, Math.max(0, at.column)),
  });
  const target = ((): Place | null => {
    if (key === "Home") return { row: ctrlKey ? 0 : to.row, column: 0 };
    if (key === "End") return { row: ctrlKey ? last.row : to.row, column: last.column };
    if (key === "PageUp") return { ...to, row: 0 };
    if (key === "PageDown") return { ...to, row: last.row };
    const step = STEPS[key];
    if (step === undefined) return null;
    const by = ctrlKey ? Infinity : 1;
    const far = (at: number, n: number, most: number) =>
      n === 0 ? at : n < 0 ? Math.max(0, at - by) : Math.min(most, at + by);
    return {
      row: far(to.row, step.row, last.row),
      column: far(to.column, step.column, last.column),
    };
  })();
  if (target === null) return null;
  return shiftKey ? { from, to: within(target) } : single(within(target));
}

/** Texts of a selection as a spreadsheet takes them: tabs between columns, a line for each row. */
export function asTable(selection: Selection, textAt: (place: Place) => string): string {
  const { top, bottom, left, right } = cornersOf(selection);
  const rows: string[] = [];
  for (let row = top; row <= bottom; row += 1) {
    const cells: string[] = [];
    for (let column = left; column <= right; column += 1) cells.push(textAt({ row, column }));
    rows.push(cells.join("\t"));
  }
  return rows.join("\n");
}

/** What goes where when a table is pasted: from the selection's first place on, or, for one value, into all of it. */
export function pastedAt(
  text: string,
  selection: Selection,
  { rows, columns }: Size,
): readonly (Place & { readonly text: string })[] {
  const table = text
    .replace(/\r\n?/g, "\n")
    .replace(/\n$/, "")
    .split("\n")
    .map((row) => row.split("\t"));
  const [only] = table[0] ?? [];
  if (table.length === 1 && table[0]?.length === 1 && only !== undefined)
    return placesOf(selection).map((place) => ({ ...place, text: only }));
  const { top, left } = cornersOf(selection);
  return table.flatMap((row, i) =>
    row.flatMap((cell, j) => {
      const place = { row: top + i, column: left + j };
      return place.row < rows && place.column < columns ? [{ ...place, text: cell }] : [];
    }),
  );
}

/** What goes where when a selection is filled to the right: its first column into all others. */
export function filledRight(
  selection: Selection,
  textAt: (place: Place) => string,
): readonly (Place & { readonly text: string })[] {
  const { left } = cornersOf(selection);
  return placesOf(selection)
    .filter(({ column }) => column > left)
    .map((place) => ({ ...place, text: textAt({ row: place.row, column: left }) }));
}
