import { addDays, daysBetween, type Day, type Id } from "~/core/kernel/index.ts";
import { isEasy, type OnCalendar } from "~/core/phase/index.ts";
import type { WeekKind } from "~/core/progress/index.ts";
import { formatDays, EVENT_KIND_NAMES } from "~/format/season.ts";
import type { EventKind } from "~/codec/event.ts";
import styles from "./season.module.css";
import type { useMoving } from "./use-moving.ts";

/** A phase with what the calendar says of it. */
export interface ShownPhase extends OnCalendar {
  readonly personId: Id<"person">;
  readonly name: string;
  readonly weeks: readonly WeekKind[];
}

export interface ShownEvent {
  readonly id: Id<"event">;
  readonly kind: EventKind;
  readonly name: string;
  readonly starts: Day;
  readonly ends: Day;
}

export interface ShownRow {
  readonly person: { readonly id: Id<"person">; readonly name: string };
  readonly phases: readonly ShownPhase[];
  readonly events: readonly ShownEvent[];
}

const DAYS = 365;
const percent = (days: number) => `${(days / DAYS) * 100}%`;

/** Where days stand on a lane of a year; null for what lies beside it. */
function placeOf(from: Day, starts: Day, ends: Day): React.CSSProperties | null {
  const left = Math.max(0, daysBetween(from, starts));
  const right = Math.min(DAYS, daysBetween(from, ends) + 1);
  return right <= 0 || left >= DAYS || right <= left
    ? null
    : { left: percent(left), width: percent(right - left) };
}

const MONTHS = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];

/** The first days of months within the year, each with its name. */
function monthsFrom(from: Day): readonly { readonly text: string; readonly left: string }[] {
  return Array.from({ length: DAYS }, (_, i) => addDays(from, i))
    .filter((day) => day.endsWith("-01"))
    .map((day) => ({
      text: MONTHS[Number(day.slice(5, 7)) - 1] ?? "",
      left: percent(daysBetween(from, day)),
    }));
}

/** A year: a row a client, phases as bars with their lighter weeks, events below them, today as a line. */
export function Calendar({
  from,
  today,
  rows,
  everybody,
  moving,
  movedTo,
  onOpen,
  nameAt,
}: {
  readonly from: Day;
  readonly today: Day;
  readonly rows: readonly ShownRow[];
  /** Events of everybody. */
  readonly everybody: readonly ShownEvent[];
  readonly moving: ReturnType<typeof useMoving>;
  /** By how many days each item is shown to move. */
  readonly movedTo: ReadonlyMap<string, number>;
  readonly onOpen: (phase: ShownPhase) => void;
  readonly nameAt: (row: ShownRow) => React.ReactNode;
}) {
  const isTall = rows.length === 1;
  const lane = isTall ? `${styles.lane} ${styles.tall}` : styles.lane;
  const now = placeOf(from, today, today);
  const events = (own: readonly ShownEvent[]) =>
    own.map((event) => (
      <EventMark
        key={event.id}
        event={event}
        from={from}
        by={movedTo.get(event.id) ?? 0}
        moving={moving}
      />
    ));
  return (
    <div className={styles.scroll} tabIndex={0} role="region" aria-label="Calendar">
      <div className={styles.calendar}>
        <div className={styles.months}>
          <span />
          <div className={`${styles.lane} ${styles.head}`}>
            {monthsFrom(from).map(({ text, left }) => (
              <span key={left} className={styles.month} style={{ left }}>
                {text}
              </span>
            ))}
          </div>
        </div>
        {everybody.length === 0 ? null : (
          <div className={styles.row}>
            <span className={styles.who}>Everybody</span>
            <div className={styles.lane}>{events(everybody)}</div>
          </div>
        )}
        {rows.map((row) => (
          <div key={row.person.id} className={styles.row}>
            <span className={styles.who}>{nameAt(row)}</span>
            <div className={lane}>
              {everybody.map(({ id, starts, ends }) => {
                const style = placeOf(from, starts, ends);
                return style === null ? null : (
                  <span key={id} className={styles.span} style={style} />
                );
              })}
              {row.phases.map((phase) => (
                <PhaseBar
                  key={phase.id}
                  phase={phase}
                  who={row.person.name}
                  from={from}
                  by={movedTo.get(phase.id) ?? 0}
                  moving={moving}
                  onOpen={onOpen}
                />
              ))}
              {events(row.events)}
              {now === null ? null : (
                <span className={styles.today} style={{ left: now.left }} aria-hidden />
              )}
            </div>
          </div>
        ))}
      </div>
    </div>
  );
}

function PhaseBar({
  phase,
  who,
  from,
  by,
  moving,
  onOpen,
}: {
  readonly phase: ShownPhase;
  readonly who: string;
  readonly from: Day;
  readonly by: number;
  readonly moving: ReturnType<typeof useMoving>;
  readonly onOpen: (phase: ShownPhase) => void;
}) {
  const [starts, ends] = [addDays(phase.starts, by), addDays(phase.ends, by)];
  const style = placeOf(from, starts, ends);
  if (style === null) return null;
  const days = daysBetween(phase.starts, phase.ends) + 1;
  const classes = [styles.phase, phase.isBegun ? styles.begun : "", by === 0 ? "" : styles.moving];
  return (
    <button
      type="button"
      className={classes.join(" ")}
      style={style}
      aria-label={`${phase.name}, ${who}, ${formatDays(starts, ends)}${phase.isBegun ? ", begun" : ""}`}
      title={`${phase.name} · ${formatDays(starts, ends)}`}
      onDoubleClick={() => onOpen(phase)}
      {...moving.handlers(phase.id, 7, !phase.isBegun)}
    >
      {phase.name}
      {phase.weeks.map((kind, i) =>
        isEasy({ kind }) || kind === "test" ? (
          <span
            key={i}
            className={styles.easy}
            style={{ left: `${((i * 7) / days) * 100}%`, width: `${(7 / days) * 100}%` }}
          />
        ) : null,
      )}
    </button>
  );
}

function EventMark({
  event,
  from,
  by,
  moving,
}: {
  readonly event: ShownEvent;
  readonly from: Day;
  readonly by: number;
  readonly moving: ReturnType<typeof useMoving>;
}) {
  const [starts, ends] = [addDays(event.starts, by), addDays(event.ends, by)];
  const style = placeOf(from, starts, ends);
  if (style === null) return null;
  return (
    <button
      type="button"
      className={by === 0 ? styles.event : `${styles.event} ${styles.moving}`}
      style={{ left: style.left, minWidth: style.width }}
      aria-label={`${EVENT_KIND_NAMES[event.kind]}: ${event.name}, ${formatDays(starts, ends)}`}
      {...moving.handlers(event.id, 1, true)}
    >
      {event.name}
    </button>
  );
}
