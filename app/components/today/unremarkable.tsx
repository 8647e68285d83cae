import Button from "@mui/material/Button";
import { useState } from "react";
import type { ReadySession } from "~/core/coach/index.ts";
import { plural } from "~/format/numbers.ts";
import { formatDone, formatNextLoad, formatWaitingName } from "~/format/today.ts";
import { useCatalogue } from "../catalogue.ts";
import styles from "./today.module.css";
import type { Deciding } from "./use-deciding.ts";

const subjectOf = ({ sessionLog }: ReadySession) => `ready ${sessionLog}`;

/** What needs no coach: how much it is, on request all of it, and only then the button that accepts it. */
export function Unremarkable({
  ready,
  deciding,
}: {
  readonly ready: readonly ReadySession[];
  readonly deciding: Deciding;
}) {
  const { find } = useCatalogue();
  const [isOpen, setOpen] = useState(false);
  const shown = ready.filter((session) => !deciding.gone.has(subjectOf(session)));
  if (shown.length === 0) return null;
  const lines = shown.flatMap((session) => session.lines).length;
  const sessions = plural(shown.length, "next session");
  return (
    <div className={styles.rest}>
      <div className={styles.restLine}>
        <strong>{lines === 0 ? "Decided" : `${lines} unremarkable`}</strong>
        <span className={styles.small}>
          {lines === 0 ? "" : "as their rules go · "}
          {sessions} to plan
        </span>
        <span style={{ flexGrow: 1 }} />
        <Button
          size="small"
          variant="outlined"
          onClick={() => setOpen(!isOpen)}
          aria-expanded={isOpen}
        >
          {isOpen ? "Hide" : "Show and accept all"}
        </Button>
      </div>
      {isOpen ? (
        <div
          className={styles.preview}
          tabIndex={0}
          role="region"
          aria-label="What will be planned"
        >
          {shown.map(({ sessionLog, personName, title, lines: own }) => (
            <div key={sessionLog}>
              <h3>
                {personName} · {title}
              </h3>
              <ul>
                {own.length === 0 ? <li>everything decided</li> : null}
                {own.map(({ facts }) => (
                  <li key={facts.line}>
                    <span>
                      {formatWaitingName(find(facts.movement)?.name ?? facts.movement, facts)}
                    </span>
                    <span className={styles.figures}>
                      {formatDone(facts.done)} →{" "}
                      <span className={styles.next}>
                        {formatNextLoad(facts).mark} {formatNextLoad(facts).text}
                      </span>
                    </span>
                  </li>
                ))}
              </ul>
            </div>
          ))}
        </div>
      ) : null}
      {isOpen ? (
        <Button
          variant="contained"
          onClick={() => {
            setOpen(false);
            deciding.act({
              does: {
                intent: "acceptAll",
                sessions: shown.map(({ sessionLog, lines: own }) => ({
                  id: sessionLog,
                  lines: own.map(({ facts }) => ({
                    slotId: facts.slot,
                    line: facts.line,
                    shown: facts.shown,
                  })),
                })),
              },
              undoes: null,
              subjects: shown.map(subjectOf),
            });
          }}
        >
          Accept all, plan {sessions}
        </Button>
      ) : null}
    </div>
  );
}
