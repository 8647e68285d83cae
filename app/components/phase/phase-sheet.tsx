import { useEffect, useLayoutEffect, useRef, useState } from "react";
import type { FoundOn } from "~/core/coach/index.ts";
import type { MovementRef } from "~/core/kernel/index.ts";
import { isWithout, type Sheet, type SheetSession } from "~/core/phase/index.ts";
import { formatMinutes, formatShortDay } from "~/format/numbers.ts";
import { SOURCE_NAMES, WEEK_NAMES, WEEKDAY_NAMES } from "~/format/phase.ts";
import {
  asTable,
  filledRight,
  isSelected,
  movedBy,
  pastedAt,
  placesOf,
  single,
  type Place,
  type Selection,
} from "./grid.ts";
import { ROW_HIGH, useDrawn } from "./use-drawn.ts";
import { NAMES_WIDE, WEEK_WIDE } from "./use-window.ts";
import { HardSets, type RegionBand } from "./hard-sets.tsx";
import { MainLines, type ShownCurve } from "./main-lines.tsx";
import styles from "./phase-sheet.module.css";
import { drawnOf, placeKey, rowsOf, shownOf, type Entry, type GridRow } from "./rows.ts";
import { Row } from "./sheet-row.tsx";
import { FoundRow } from "./week-findings.tsx";

/**
 * The weeks of a phase as one grid: a line is a row, a week a column. Arrow keys go through it, shift selects,
 * typing or Enter writes, Delete takes the coach's change back, Ctrl+D fills to the right; copied and pasted as a
 * table.
 */
export function PhaseSheet({
  columns,
  sheet,
  bands,
  findings,
  curves,
  nameOf,
  selection,
  onSelect,
  onType,
  pending,
  invalid,
}: {
  /** Which weeks are drawn, from 0: as many as the page is wide, or on a phone one. */
  readonly columns: readonly number[];
  readonly sheet: Sheet;
  readonly bands: readonly RegionBand[];
  /** What was found of each week. */
  readonly findings: readonly (readonly FoundOn[])[];
  readonly curves: readonly ShownCurve[];
  readonly nameOf: (movement: MovementRef) => string;
  readonly selection: Selection | null;
  readonly onSelect: (selection: Selection) => void;
  readonly onType: (entries: readonly Entry[]) => void;
  /** What was typed and is being saved, by place. */
  readonly pending: ReadonlyMap<string, string>;
  /** The cell into which nothing could be written; null where there is none. */
  readonly invalid: string | null;
}) {
  const rows = rowsOf(sheet);
  const size = { rows: rows.length, columns: sheet.weeks.length };
  const grid = useRef<HTMLTableElement>(null);
  const [typing, setTyping] = useState<string | null>(null);
  const active = selection?.to ?? { row: 0, column: 0 };
  const isDrawn = useDrawn(grid, rows.length, active.row);
  // A line that is not drawn anew asks here what is selected by now.
  const latest = useRef(selection);
  useLayoutEffect(() => {
    latest.current = selection;
  }, [selection]);

  useEffect(() => {
    if (selection === null || typing !== null) return;
    const cell = grid.current?.querySelector<HTMLElement>(
      `[data-at="${active.row}/${active.column}"]`,
    );
    cell?.focus({ preventScroll: false });
  }, [selection, active.row, active.column, typing]);

  const entry = ({ row, column, text }: Place & { readonly text: string }): readonly Entry[] => {
    const own = rows[row];
    if (own === undefined) return [];
    const { lineage, line, day } = own;
    return [{ day: day.id, lineage, line, week: column + 1, text }];
  };
  const textAt = ({ row, column }: Place) => rows[row]?.cells[column]?.text ?? "";
  const write = (entries: readonly (Place & { readonly text: string })[]) => {
    if (entries.length > 0) onType(entries.flatMap(entry));
  };
  const typeInto = (text: string) => {
    if (selection !== null) write(placesOf(selection).map((place) => ({ ...place, text })));
    setTyping(null);
  };

  const onKeyDown = (event: React.KeyboardEvent) => {
    if (typing !== null || selection === null) return;
    const moved = movedBy(selection, event, size);
    if (moved !== null) {
      event.preventDefault();
      onSelect(moved);
      return;
    }
    const isCommand = event.ctrlKey || event.metaKey;
    if (event.key === "Enter" || event.key === "F2") {
      event.preventDefault();
      setTyping(textAt(active));
    } else if (event.key === "Delete" || event.key === "Backspace") {
      event.preventDefault();
      typeInto("");
    } else if (isCommand && event.key.toLowerCase() === "d") {
      event.preventDefault();
      write(filledRight(selection, textAt));
    } else if (!isCommand && !event.altKey && event.key.length === 1 && event.key !== " ") {
      event.preventDefault();
      setTyping(event.key);
    }
  };

  return (
    <div className={styles.scroll}>
      <table
        ref={grid}
        role="grid"
        aria-label="Weeks of the phase"
        aria-multiselectable
        aria-rowcount={rows.length}
        className={columns.length === 1 ? `${styles.sheet} ${styles.oneWeek}` : styles.sheet}
        style={
          columns.length === 1 ? undefined : { minWidth: NAMES_WIDE + WEEK_WIDE * columns.length }
        }
        onKeyDown={onKeyDown}
        onCopy={(event) => {
          if (selection === null || typing !== null) return;
          event.preventDefault();
          event.clipboardData.setData("text/plain", asTable(selection, textAt));
        }}
        onPaste={(event) => {
          if (selection === null || typing !== null) return;
          event.preventDefault();
          write(pastedAt(event.clipboardData.getData("text/plain"), selection, size));
        }}
      >
        <thead>
          <tr>
            <td className={styles.corner} />
            {shownOf(sheet.weeks, columns).map(([i, week]) => (
              <th
                key={i}
                scope="col"
                className={week.isNow ? `${styles.week} ${styles.now}` : styles.week}
              >
                <span className={styles.small}>
                  {[formatShortDay(week.starts), week.isNow ? "now" : "", WEEK_NAMES[week.kind]]
                    .filter((text) => text !== "")
                    .join(" · ")}
                </span>
                {i + 1}
              </th>
            ))}
          </tr>
        </thead>
        {sheet.days.map((day) => (
          <tbody key={day.id}>
            <tr className={styles.dayRow}>
              <th scope="rowgroup">
                {WEEKDAY_NAMES[day.weekday - 1]} · {day.title}
              </th>
              {shownOf(day.sessions, columns).map(([i, session]) => (
                <td
                  key={i}
                  className={sheet.weeks[i]?.isNow === true ? styles.nowColumn : undefined}
                >
                  <span className={styles.small}>{aboutSession(session)}</span>
                </td>
              ))}
            </tr>
            {drawnOf(rows, day, isDrawn).map(({ row, at, left }) =>
              row === null ? (
                <tr key={at} aria-hidden style={{ height: ROW_HIGH * left }} />
              ) : (
                <Row
                  key={`${row.lineage} ${row.line}`}
                  row={row}
                  at={at}
                  weeks={sheet.weeks}
                  columns={columns}
                  name={nameOf(row.movement)}
                  selected={selectedIn(selection, at, sheet.weeks.length)}
                  active={active.row === at ? active.column : null}
                  typing={active.row === at ? typing : null}
                  pending={keysOf(row, sheet.weeks.length).map((key) => pending.get(key) ?? null)}
                  invalid={columnOf(row, sheet.weeks.length, invalid)}
                  onSelect={(place, isMore) => {
                    const now = latest.current;
                    setTyping(null);
                    onSelect(
                      isMore && now !== null ? { from: now.from, to: place } : single(place),
                    );
                  }}
                  onOpen={() => setTyping(textAt(latest.current?.to ?? active))}
                  onTyped={typeInto}
                  onLeave={() => setTyping(null)}
                />
              ),
            )}
          </tbody>
        ))}
        <HardSets sheet={sheet} bands={bands} columns={columns} />
        <MainLines curves={curves} weeks={sheet.weeks} columns={columns} />
        <FoundRow findings={findings} columns={columns} weeks={sheet.weeks} />
      </table>
    </div>
  );
}

/** The columns of a row that are selected. */
function selectedIn(selection: Selection | null, row: number, weeks: number): readonly number[] {
  return Array.from({ length: weeks }, (_, column) => column).filter((column) =>
    isSelected(selection, { row, column }),
  );
}

/** How what is saved and refused names the cells of a row. */
const keysOf = ({ day, lineage, line }: GridRow, weeks: number): readonly string[] =>
  Array.from({ length: weeks }, (_, i) => placeKey({ day: day.id, lineage, line, week: i + 1 }));

function columnOf(row: GridRow, weeks: number, key: string | null): number | null {
  const column = key === null ? -1 : keysOf(row, weeks).indexOf(key);
  return column < 0 ? null : column;
}

/** "37 min · planned", "missed", "37 min · next · needs your decision" */
function aboutSession({ source, likelySeconds, isEdited, asks }: SheetSession): string {
  if (isWithout(source)) return SOURCE_NAMES[source];
  return [
    formatMinutes(likelySeconds),
    ...(source === "next" || source === "planned" ? [SOURCE_NAMES[source]] : []),
    ...(isEdited ? ["edited"] : []),
    ...(asks ? ["needs your decision"] : []),
  ].join(" · ");
}
