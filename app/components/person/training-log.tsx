import { Fragment, useEffect, useRef, useState } from "react";
import { Link } from "react-router";
import { lastKey, type Exposure } from "~/core/log/index.ts";
import type { LoggedExercise, StandingLine, TrainingLog } from "~/core/progress/index.ts";
import { formatBest, formatHowSet, setsByLoad } from "~/format/exposure.ts";
import { formatDay, formatShortDay, plural } from "~/format/numbers.ts";
import { formatChange, formatProposal, formatRuling, formatStep } from "~/format/progression.ts";
import { sentence } from "~/format/sentence.ts";
import { formatRir } from "~/format/training.ts";
import { useCatalogue } from "../catalogue.ts";
import { LineFacts, LineWhy } from "../line-why.tsx";
import { Tag } from "../page.tsx";
import { lineText } from "../slot-proposals.tsx";
import styles from "./training-log.module.css";

/**
 * A client's sessions side by side, an exercise a row, so that a day can be read down and an exercise along; what
 * comes next stands at the right, its reasons open below the exercise.
 */
export function TrainingLogTable({
  log: { sessions, rows, older, newer },
  personAt,
  backAt,
  step,
}: {
  readonly log: TrainingLog;
  /** Where the client's page is. */
  readonly personAt: string;
  /** Where so many newer sessions are left out. */
  readonly backAt: (skip: number) => string;
  /** How many sessions one goes back. */
  readonly step: number;
}) {
  const { find } = useCatalogue();
  const [open, setOpen] = useState<string | null>(null);
  const isNewest = newer === 0;
  const scroll = useRef<HTMLDivElement>(null);
  // The newest sessions and what comes next stand at the right, which a phone shows first.
  useEffect(() => {
    if (scroll.current !== null) scroll.current.scrollLeft = scroll.current.scrollWidth;
  }, [sessions]);
  return (
    <>
      <div
        ref={scroll}
        className={styles.scroll}
        tabIndex={0}
        role="region"
        aria-label="Table: Training log"
      >
        <table className={styles.log} aria-label="Training log">
          <thead>
            <tr>
              <td />
              {sessions.map(({ id, day }) => (
                <th key={id} scope="col" title={formatDay(day)}>
                  <Link to={`/runs/${id}`}>{formatShortDay(day)}</Link>
                </th>
              ))}
              {isNewest ? (
                <th scope="col" className={styles.next}>
                  Next
                </th>
              ) : null}
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => {
              const { key, slot, station } = row.of;
              const name = find(slot.movement)?.name ?? slot.movement;
              const isOpen = open === key;
              return (
                <Fragment key={key}>
                  <tr>
                    <th scope="row">
                      <button
                        type="button"
                        className={styles.exercise}
                        aria-expanded={isOpen}
                        title="Show bests and reasons"
                        onClick={() => setOpen(isOpen ? null : key)}
                      >
                        {name}
                      </button>
                      <div className={`${styles.soft} ${styles.at}`}>{station.name}</div>
                    </th>
                    {row.done.map((exposure, i) => (
                      <td key={sessions[i]?.id ?? i}>
                        {exposure === null ? null : <Done exposure={exposure} />}
                      </td>
                    ))}
                    {isNewest ? (
                      <td className={styles.next}>
                        {row.of.lines.map((line) => (
                          <Next
                            key={line.proposal.line}
                            line={line}
                            text={lineText(slot, line.proposal.line)}
                            at={`/runs/${row.of.session}`}
                          />
                        ))}
                      </td>
                    ) : null}
                  </tr>
                  {isOpen ? (
                    <tr className={styles.opened}>
                      <td colSpan={sessions.length + 2}>
                        <Opened row={row} name={name} personAt={personAt} />
                      </td>
                    </tr>
                  ) : null}
                </Fragment>
              );
            })}
          </tbody>
        </table>
      </div>
      {older + newer === 0 ? null : (
        <nav aria-label="Older sessions" className={styles.pages}>
          {older === 0 ? null : (
            <Link to={backAt(newer + step)} preventScrollReset>
              Earlier: {plural(older, "session")}
            </Link>
          )}
          {newer === 0 ? null : (
            <Link to={backAt(Math.max(0, newer - step))} preventScrollReset>
              Later
            </Link>
          )}
        </nav>
      )}
    </>
  );
}

function Done({ exposure }: { readonly exposure: Exposure }) {
  const { sets, pains } = exposure;
  const last = sets.at(-1);
  return (
    <>
      {sets.length === 0 ? <span className={styles.soft}>no work set</span> : null}
      {setsByLoad(exposure).map(({ load, done }, i) => (
        <div key={i} className={styles.done}>
          <b>{load}</b> {done}
        </div>
      ))}
      {last === undefined || last.rir === "unknown" ? null : (
        <div className={styles.soft}>{formatRir(last.rir)}</div>
      )}
      {pains
        .filter(({ score }) => score > 0)
        .map(({ joint, score }) => (
          <div key={joint} className={styles.pain}>
            {joint} {score}/10
          </div>
        ))}
    </>
  );
}

const MARKS = { raise: "▲", keep: "■", lower: "▼", asPlanned: "·" } as const;

/** What comes next of a line: what was decided, or what is proposed with the way to where it is decided. */
function Next({
  line: { proposal, ruling },
  text,
  at,
}: {
  readonly line: StandingLine;
  /** Which line it is, where the exercise has several. */
  readonly text: string | null;
  readonly at: string;
}) {
  const named = text === null ? null : <div className={styles.soft}>{sentence(text)}</div>;
  if (!proposal.isDecided)
    return (
      <>
        {named}
        <div>follows</div>
      </>
    );
  if (ruling !== null)
    return (
      <>
        {named}
        <div>{formatRuling(ruling)}</div>
      </>
    );
  return (
    <>
      {named}
      <div className={styles.done}>
        <b>
          <span aria-hidden>{MARKS[proposal.move]}</span> {formatProposal(proposal)}
        </b>
      </div>
      {proposal.changes.map((change, i) => (
        <div key={i}>{sentence(formatChange(change))}</div>
      ))}
      {proposal.mustRule ? <Tag tone="strong">your decision</Tag> : null}{" "}
      <Link to={at} aria-label={`Decide: ${formatStep(proposal)}`}>
        Decide
      </Link>
    </>
  );
}

/** What is told of an exercise on request: its bests, and of each line now, last time and why. */
function Opened({
  row: {
    of: { slot, station, lines, bests },
  },
  name,
  personAt,
}: {
  readonly row: LoggedExercise;
  readonly name: string;
  readonly personAt: string;
}) {
  const at = encodeURIComponent(lastKey(slot.movement, slot.station));
  const comparingAt = `${personAt}/comparing?at=${at}`;
  const { unit } = station.loading;
  return (
    <div className={styles.lines} role="group" aria-label={`${name}: bests and reasons`}>
      <div>
        {bests.length === 0 ? null : (
          <>
            <b>Best</b>
            {bests.map((best) => (
              <div key={`${best.counted} ${best.reading.thousandths} ${best.amount}`}>
                <span className={styles.done}>
                  <b>{formatBest(best)}</b>
                </span>{" "}
                <span className={styles.soft}>{formatHowSet(best)}</span>
              </div>
            ))}
          </>
        )}
        <Link to={`${personAt}/when?at=${at}`}>Project a load</Link>
      </div>
      {lines.map((line) => (
        <div key={line.proposal.line}>
          {lines.length === 1 ? null : <b>{sentence(lineText(slot, line.proposal.line) ?? "")}</b>}
          {line.ruling === null && line.proposal.isDecided ? (
            <LineWhy
              proposal={line.proposal}
              record={line.record}
              comparingAt={comparingAt}
              unit={unit}
            />
          ) : (
            <LineFacts record={line.record} comparingAt={comparingAt} unit={unit} />
          )}
        </div>
      ))}
    </div>
  );
}
