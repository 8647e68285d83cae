import { Link } from "react-router";
import type { RuledLine } from "~/core/progress/index.ts";
import type { PhaseWeek, SheetCell, SheetSession } from "~/core/phase/index.ts";
import { formatRuling, PROGRESSION_NAMES } from "~/format/progression.ts";
import { formatCellEdit, formatCellWhole, formatWeek, SOURCE_NAMES } from "~/format/phase.ts";
import { formatReason } from "~/format/reasons.ts";
import { formatDay } from "~/format/numbers.ts";
import { sentence } from "~/format/sentence.ts";
import styles from "./phase-sheet.module.css";
import type { GridRow } from "./rows.ts";
import type { MuscleNames } from "~/format/muscles.ts";
import { useMuscles } from "../wording.ts";

/** What a selected cell is, why, and what can be done: rule, week and coach, each in its column. */
export function CellExplained({
  row,
  week,
  number,
  cell,
  session,
  name,
  ruling,
  problem,
}: {
  readonly row: GridRow;
  readonly week: PhaseWeek;
  readonly number: number;
  readonly cell: SheetCell | null;
  readonly session: SheetSession | null;
  readonly name: string;
  /** What the coach decided before this session; null where nothing was. */
  readonly ruling: RuledLine | null;
  readonly problem: string | null;
}) {
  const muscles = useMuscles();
  return (
    <section className={styles.explained} aria-label="Selected cell">
      {problem === null ? null : (
        <div role="alert" className={styles.problem}>
          ▸ {problem}
        </div>
      )}
      <div>
        <h2>
          {name} · week {number}
        </h2>
        {cell === null ? "not in this week" : formatCellWhole(cell)}
        {session === null ? null : (
          <div className={styles.small}>
            {formatDay(session.on)} · {SOURCE_NAMES[session.source]}
            {session.isEdited ? ", changed in its session since" : ""}
          </div>
        )}
      </div>
      <div>
        <div className={styles.small}>rule: {PROGRESSION_NAMES[row.rule.kind]}</div>
        <div>{ruleText(cell, muscles)}</div>
        {ruling === null ? null : <div className={styles.ruled}>{formatRuling(ruling)}</div>}
      </div>
      <div>
        <div className={styles.small}>week</div>
        <div>{formatWeek(week)}</div>
      </div>
      <div>
        <div className={styles.small}>coach</div>
        <div>
          {cell === null || cell.edits.length === 0
            ? "–"
            : cell.edits.map(formatCellEdit).join(" · ")}
        </div>
      </div>
      <div>
        <div className={styles.small}>session</div>
        <SessionLink session={session} />
      </div>
    </section>
  );
}

function ruleText(cell: SheetCell | null, muscles: MuscleNames): string {
  if (cell === null) return "–";
  const [first, second] = cell.rule?.because ?? [];
  if (first === undefined) return cell.source === "next" ? "as written" : "as planned";
  const why = [first, ...(second === undefined ? [] : [second])]
    .map((reason) => formatReason(reason, muscles))
    .join(" ");
  return `${sentence(why)}${cell.rule?.mustRule === true ? " Your decision." : ""}`;
}

function SessionLink({ session }: { readonly session: SheetSession | null }) {
  if (session?.sessionLog != null) return <Link to={`/runs/${session.sessionLog}`}>Review</Link>;
  if (session?.planId != null) return <Link to={`/plans/${session.planId}`}>Edit session</Link>;
  return <>not planned yet</>;
}
