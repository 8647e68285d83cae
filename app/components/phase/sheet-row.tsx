import { useState } from "react";
import { isEasy, isWithout, type Sheet, type SheetCell } from "~/core/phase/index.ts";
import { formatCell, formatCellWhole, SOURCE_NAMES } from "~/format/phase.ts";
import { formatTargetShort } from "~/format/target.ts";
import { ROLE_NAMES } from "~/format/training.ts";
import { steady } from "../steady.ts";
import type { Place } from "./grid.ts";
import styles from "./phase-sheet.module.css";
import { shownOf, type GridRow } from "./rows.ts";

/**
 * A line of the sheet: its name, what it asks in a normal week, and a cell for each week. Drawn anew only where
 * something of this line changes, so that moving through the sheet draws two lines and not all of them.
 */
export const Row = steady(function Row({
  row,
  at,
  weeks,
  columns,
  name,
  selected,
  active,
  typing,
  pending,
  invalid,
  onSelect,
  onOpen,
  onTyped,
  onLeave,
}: {
  readonly row: GridRow;
  readonly at: number;
  readonly weeks: Sheet["weeks"];
  readonly columns: readonly number[];
  readonly name: string;
  /** The columns that are selected. */
  readonly selected: readonly number[];
  /** The column that keys go to; null where they go to another line. */
  readonly active: number | null;
  /** What is typed into the active cell; null where nothing is. */
  readonly typing: string | null;
  /** What was typed and is being saved, by column. */
  readonly pending: readonly (string | null)[];
  /** The column into which nothing could be written; null where there is none. */
  readonly invalid: number | null;
  readonly onSelect: (place: Place, isMore: boolean) => void;
  readonly onOpen: () => void;
  readonly onTyped: (text: string) => void;
  readonly onLeave: () => void;
}) {
  // What it asks in a normal week; of an exercise that has none, in its first.
  const first =
    row.cells.find((cell, i) => cell !== null && !isEasy(weeks[i] ?? { kind: "normal" })) ??
    row.cells.find((cell) => cell !== null);
  const base = first == null ? "" : `${first.sets} × ${formatTargetShort(first.target)}`;
  return (
    <tr aria-rowindex={at + 1}>
      <th scope="row" className={row.isFirst ? styles.name : `${styles.name} ${styles.line}`}>
        {row.isFirst ? name : ROLE_NAMES[row.role].toLowerCase()}{" "}
        <span className={styles.small}>
          {row.isFirst && row.role !== "work" ? `${ROLE_NAMES[row.role].toLowerCase()} ` : ""}
          {[base, row.unit ?? ""].filter((text) => text !== "").join(" · ")}
        </span>
      </th>
      {shownOf(row.cells, columns).map(([column, cell]) => {
        const place = { row: at, column };
        const isActive = active === column;
        const waiting = pending[column] ?? null;
        const classes = [
          styles.cell,
          cell === null ? "" : styles[cell.source],
          weeks[column]?.isNow === true ? styles.nowColumn : "",
          selected.includes(column) ? styles.selected : "",
          (cell?.edits.length ?? 0) > 0 ? styles.changed : "",
          invalid === column ? styles.invalid : "",
        ];
        return (
          <td
            key={column}
            role="gridcell"
            data-at={`${at}/${column}`}
            tabIndex={isActive ? 0 : -1}
            aria-invalid={invalid === column}
            aria-selected={selected.includes(column)}
            aria-label={`${name}, week ${column + 1}: ${cell === null ? "not in this week" : `${formatCellWhole(cell)}, ${SOURCE_NAMES[cell.source]}`}`}
            className={classes.filter((own) => own !== "").join(" ")}
            onMouseDown={(event) => {
              if (event.target instanceof HTMLInputElement) return;
              onSelect(place, event.shiftKey);
            }}
            onMouseEnter={(event) => {
              if (event.buttons === 1 && !(event.target instanceof HTMLInputElement))
                onSelect(place, true);
            }}
            onDoubleClick={onOpen}
          >
            {isActive && typing !== null ? (
              <CellInput typed={typing} name={name} onTyped={onTyped} onLeave={onLeave} />
            ) : waiting !== null ? (
              <span className={styles.new}>{waiting === "" ? "…" : waiting}</span>
            ) : (
              <CellText cell={cell} before={lastBefore(row.cells, weeks, column)} />
            )}
          </td>
        );
      })}
    </tr>
  );
});

const isThere = (cell: SheetCell | null) => cell !== null && !isWithout(cell.source);

/** The cell that one is compared with: of the last week that was not light or lighter, unless it is such a week itself. */
function lastBefore(
  cells: readonly (SheetCell | null)[],
  weeks: Sheet["weeks"],
  column: number,
): SheetCell | null {
  const isOfEasy = (i: number) => isEasy(weeks[i] ?? { kind: "normal" });
  const at = cells
    .slice(0, column)
    .findLastIndex((cell, i) => isThere(cell) && (isOfEasy(column) || !isOfEasy(i)));
  return cells[at] ?? cells.slice(0, column).findLast(isThere) ?? null;
}

function CellText({
  cell,
  before,
}: {
  readonly cell: SheetCell | null;
  readonly before: SheetCell | null;
}) {
  if (cell === null) return <span className={styles.old}>–</span>;
  const { parts, way } = formatCell(cell, before);
  return (
    <>
      {way === null ? null : <span className={styles.way}>{way === "up" ? "▲" : "▼"}</span>}
      {parts.map(({ text, isNew }, i) => (
        <span key={i} className={isNew ? styles.new : styles.old}>
          {text}{" "}
        </span>
      ))}
    </>
  );
}

function CellInput({
  typed,
  name,
  onTyped,
  onLeave,
}: {
  readonly typed: string;
  readonly name: string;
  readonly onTyped: (text: string) => void;
  readonly onLeave: () => void;
}) {
  const [text, setText] = useState(typed);
  return (
    <input
      autoFocus
      aria-label={`${name}, typed`}
      className={styles.input}
      value={text}
      onChange={(event) => setText(event.target.value)}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === "Enter" || event.key === "Tab") {
          event.preventDefault();
          onTyped(text);
        }
        if (event.key === "Escape") onLeave();
      }}
      onBlur={onLeave}
    />
  );
}
