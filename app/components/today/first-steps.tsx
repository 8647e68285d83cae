import Button from "@mui/material/Button";
import { Link } from "react-router";
import type { FirstSteps as Steps } from "~/core/coach/index.ts";
import styles from "./first-steps.module.css";

interface Step {
  readonly title: string;
  readonly says: string;
  readonly isDone: boolean;
  readonly button: string;
  readonly to: string;
}

function stepsOf({ hasGym, hasClient, session, begun }: Steps): readonly Step[] {
  return [
    {
      title: "Gym",
      says: "Pick the one that is most like yours; its loads are corrected later, machine by machine.",
      isDone: hasGym,
      button: "Choose a gym",
      to: "/gyms",
    },
    {
      title: "Client",
      says: "A name is enough. You can be your own first client.",
      isDone: hasClient,
      button: "Add a client",
      to: "/people/new",
    },
    {
      title: "Session",
      says: "Choose exercises, write the sets. Kravo does the loading, the time and the counting.",
      isDone: session !== null,
      button: "Plan a session",
      to: "/plans/new",
    },
    {
      title: "First set",
      says:
        begun === null
          ? "Start the session and log a set, on a phone or here."
          : "The session is running: log a set, on a phone or here.",
      isDone: false,
      button: begun === null ? "Open the session" : "Go to the floor",
      to:
        begun === null
          ? session === null
            ? "/plans/new"
            : `/plans/${session}`
          : `/floor/${begun}`,
    },
  ];
}

/** The way of a new studio to its first logged set; the next step is the one with a button. */
export function FirstSteps({ steps }: { readonly steps: Steps }) {
  const all = stepsOf(steps);
  const next = all.findIndex(({ isDone }) => !isDone);
  return (
    <section aria-label="First steps">
      <ol className={styles.steps}>
        {all.map(({ title, says, isDone, button, to }, i) => (
          <li
            key={title}
            className={styles.step}
            data-state={isDone ? "done" : i === next ? "next" : "later"}
            aria-current={i === next ? "step" : undefined}
          >
            <span aria-hidden className={styles.number}>
              {i + 1}
            </span>
            <div>
              <h2>{title}</h2>
              <p>{isDone ? "Done." : says}</p>
            </div>
            {isDone ? null : (
              <Button
                component={Link}
                to={to}
                variant={i === next ? "contained" : "outlined"}
                size="large"
              >
                {button}
              </Button>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}
