import { useEffect, useRef, useState } from "react";
import type { MovementRef, Region } from "~/core/kernel/index.ts";
import type { Band } from "~/core/person/index.ts";
import {
  isEasy,
  type CellPlace,
  type Sheet,
  type SheetCell,
  type SheetDay,
  type SheetRow,
} from "~/core/phase/index.ts";
import { formatMinutes, formatShortDay } from "~/format/numbers.ts";
import {
  formatCell,
  formatCellWhole,
  SOURCE_NAMES,
  WEEK_NAMES,
  WEEKDAY_NAMES,
} from "~/format/phase.ts";
import { formatTargetShort } from "~/format/target.ts";
import { ROLE_NAMES, spokenRegion } from "~/format/training.ts";
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
import styles from "./phase-sheet.module.css";

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

/**
 * The weeks of a phase as one grid: a line is a row, a week a column. Arrow keys go through it, shift selects,
 * typing or Enter writes, Delete takes the coach's change back, Ctrl+D fills to the right; copied and pasted as a
 * table.
 */
export function PhaseSheet({
  columns,
  sheet,
  bands,
  nameOf,
  selection,
  onSelect,
  onType,
  pending,
}: {
  /** Which weeks are shown, from 0: all of them, or on a phone one. */
  readonly columns: readonly number[];
  readonly sheet: Sheet;
  readonly bands: Readonly<Record<Region, Band>>;
  readonly nameOf: (movement: MovementRef) => string;
  readonly selection: Selection | null;
  readonly onSelect: (selection: Selection) => void;
  readonly onType: (entries: readonly Entry[]) => void;
  /** What was typed and is being saved, by place. */
  readonly pending: ReadonlyMap<string, string>;
}) {
  const rows = rowsOf(sheet);
  const size = { rows: rows.length, columns: sheet.weeks.length };
  const grid = useRef<HTMLTableElement>(null);
  const [typing, setTyping] = useState<string | null>(null);
  const active = selection?.to ?? { row: 0, column: 0 };

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
        className={columns.length === 1 ? `${styles.sheet} ${styles.oneWeek}` : styles.sheet}
        style={columns.length === 1 ? undefined : { minWidth: 252 + 92 * columns.length }}
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
                  <span className={styles.small}>
                    {session.source === "missed" ? "missed" : formatMinutes(session.likelySeconds)}
                    {session.source === "next" ? " · next" : ""}
                    {session.source === "planned" ? " · planned" : ""}
                    {session.isEdited ? " · edited" : ""}
                  </span>
                </td>
              ))}
            </tr>
            {day.rows.map((row) => {
              const at = rows.findIndex(
                (own) => own.day === day && own.line === row.line && own.lineage === row.lineage,
              );
              return (
                <Row
                  key={`${row.lineage} ${row.line}`}
                  row={row}
                  at={at}
                  weeks={sheet.weeks}
                  columns={columns}
                  name={nameOf(row.movement)}
                  selection={selection}
                  active={active}
                  typing={typing}
                  pending={pending}
                  day={day}
                  onSelect={(place, isMore) => {
                    setTyping(null);
                    onSelect(
                      isMore && selection !== null
                        ? { from: selection.from, to: place }
                        : single(place),
                    );
                  }}
                  onOpen={() => setTyping(textAt(active))}
                  onTyped={typeInto}
                  onLeave={() => setTyping(null)}
                />
              );
            })}
          </tbody>
        ))}
        <HardSets sheet={sheet} bands={bands} columns={columns} />
      </table>
    </div>
  );
}

/** The entries of a list that stand in the columns shown, each with its own. */
function shownOf<T>(list: readonly T[], columns: readonly number[]) {
  return list.flatMap((entry, i) => (columns.includes(i) ? [[i, entry] as const] : []));
}

function Row({
  row,
  at,
  weeks,
  columns,
  name,
  selection,
  active,
  typing,
  pending,
  day,
  onSelect,
  onOpen,
  onTyped,
  onLeave,
}: {
  readonly row: SheetRow;
  readonly at: number;
  readonly weeks: Sheet["weeks"];
  readonly columns: readonly number[];
  readonly name: string;
  readonly selection: Selection | null;
  readonly active: Place;
  readonly typing: string | null;
  readonly pending: ReadonlyMap<string, string>;
  readonly day: SheetDay;
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
    <tr>
      <th scope="row" className={row.isFirst ? styles.name : `${styles.name} ${styles.line}`}>
        {row.isFirst ? name : ROLE_NAMES[row.role].toLowerCase()}{" "}
        <span className={styles.small}>
          {row.isFirst && row.role !== "work" ? `${ROLE_NAMES[row.role].toLowerCase()} ` : ""}
          {base}
        </span>
      </th>
      {shownOf(row.cells, columns).map(([column, cell]) => {
        const place = { row: at, column };
        const isActive = active.row === at && active.column === column;
        const waiting = pending.get(
          placeKey({ day: day.id, lineage: row.lineage, line: row.line, week: column + 1 }),
        );
        const classes = [
          styles.cell,
          cell === null ? "" : styles[cell.source],
          weeks[column]?.isNow === true ? styles.nowColumn : "",
          isSelected(selection, place) ? styles.selected : "",
          (cell?.edits.length ?? 0) > 0 ? styles.changed : "",
        ];
        return (
          <td
            key={column}
            role="gridcell"
            data-at={`${at}/${column}`}
            tabIndex={isActive ? 0 : -1}
            aria-selected={isSelected(selection, place)}
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
            ) : waiting !== undefined ? (
              <span className={styles.new}>{waiting === "" ? "…" : waiting}</span>
            ) : (
              <CellText cell={cell} before={lastBefore(row.cells, weeks, column)} />
            )}
          </td>
        );
      })}
    </tr>
  );
}

/** Names a cell, for what is being saved of it. */
export const placeKey = ({ day, lineage, line, week }: CellPlace) =>
  `${day} ${lineage} ${line} ${week}`;

const isThere = (cell: SheetCell | null) => cell !== null && cell.source !== "missed";

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

/** Hard sets of each muscle in each week, against its weekly range. */
function HardSets({
  sheet,
  bands,
  columns,
}: {
  readonly columns: readonly number[];
  readonly sheet: Sheet;
  readonly bands: Readonly<Record<Region, Band>>;
}) {
  return (
    <tbody>
      <tr className={styles.dayRow}>
        <th scope="rowgroup">Hard sets a week</th>
        <td colSpan={columns.length} className={styles.frameNote}>
          <span className={styles.small}>frame: weekly range</span>
        </td>
      </tr>
      {sheet.volume
        .filter(({ region }) => SHOWN.has(spokenRegion(region)) && isSpoken(region))
        .map(({ region, weeks }) => {
          const band = bands[region];
          const most = Math.max(band.high, ...weeks) * 1.1;
          return (
            <tr key={region}>
              <th scope="row" className={styles.name}>
                {spokenRegion(region)}
              </th>
              {shownOf(weeks, columns).map(([i, sets]) => (
                <td
                  key={i}
                  className={sheet.weeks[i]?.isNow === true ? styles.nowColumn : undefined}
                >
                  <span className={styles.sets}>{Math.round(sets * 2) / 2}</span>
                  <svg
                    className={styles.bar}
                    viewBox="0 0 100 12"
                    preserveAspectRatio="none"
                    role="img"
                    aria-label={`${sets} of ${band.low} to ${band.high}`}
                  >
                    <rect
                      className={styles.frame}
                      x={(band.low / most) * 100}
                      y={1}
                      width={((band.high - band.low) / most) * 100}
                      height={10}
                    />
                    <rect
                      className={styles.fill}
                      x={0}
                      y={4}
                      width={(sets / most) * 100}
                      height={4}
                    />
                  </svg>
                </td>
              ))}
            </tr>
          );
        })}
    </tbody>
  );
}

const isSpoken = (region: Region) => region !== "vastusMedialis" && region !== "vastusIntermedius";
/** The muscles whose sets a leg coach counts first. */
const SHOWN = new Set([
  "Vasti",
  "Rectus femoris",
  "Hamstrings, knee flexion",
  "Hamstrings, hip extension",
  "Gluteus maximus",
  "Gastrocnemius",
  "Soleus",
  "Adductors",
]);
