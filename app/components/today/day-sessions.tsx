import Button from "@mui/material/Button";
import { Form, Link } from "react-router";
import type { Id, MovementRef } from "~/core/kernel/index.ts";
import type { PlanEntry } from "~/core/log/index.ts";
import { formatClash } from "~/format/today.ts";
import { useCatalogue } from "../catalogue.ts";
import { planAddress } from "../plan-entry.tsx";
import styles from "./today.module.css";

/** Equipment that a session wants while another has it, and the way around it. */
export interface Clash {
  readonly station: string;
  /** Who has it. */
  readonly has: string;
  /** Minutes from midnight. */
  readonly until: number;
  readonly wants: Id<"plan">;
  readonly way:
    | { readonly kind: "reorder"; readonly first: MovementRef | null }
    | { readonly kind: "later"; readonly begins: number }
    | null;
}

/** The sessions of a day by the hour: who trains, what runs, and what is wanted twice. */
export function DaySessions({
  plans,
  clashes,
}: {
  readonly plans: readonly PlanEntry[];
  readonly clashes: readonly Clash[];
}) {
  const { find } = useCatalogue();
  return plans.map((plan) => {
    const isRunning = plan.sessionState.kind === "running";
    return (
      <div key={plan.id} className={isRunning ? `${styles.hour} ${styles.running}` : styles.hour}>
        <span className={styles.figures}>{plan.startTime ?? "–"}</span>
        <span>
          <Link to={`/people/${plan.personId}`}>{plan.personName}</Link>
          {isRunning ? " is training " : " "}
          <span className={styles.small}>
            <Link
              to={isRunning ? `/plans/${plan.id}` : planAddress(plan)}
              title={isRunning ? "Edit the session while it is trained" : undefined}
            >
              {plan.title}
            </Link>
          </span>
        </span>
        <State plan={plan} />
        {clashes
          .filter(({ wants }) => wants === plan.id)
          .map(({ station, has, until, way }) => (
            <span key={`${station} ${has}`} className={styles.clash}>
              {formatClash(
                { station, has, until },
                way?.kind === "reorder"
                  ? way.first === null
                    ? null
                    : { kind: "reorder", first: find(way.first)?.name ?? way.first }
                  : way,
              )}
            </span>
          ))}
      </div>
    );
  });
}

function State({ plan }: { readonly plan: PlanEntry }) {
  if (plan.sessionState.kind === "running")
    return (
      <Button
        component={Link}
        to={planAddress(plan)}
        size="small"
        variant="contained"
        color="secondary"
        aria-label={`${plan.personName} is training: to the floor`}
      >
        Floor
      </Button>
    );
  if (plan.sessionState.kind === "ended") return <span className={styles.small}>done</span>;
  return (
    <Form method="post" action={`/plans/${plan.id}/start`}>
      <Button
        type="submit"
        size="small"
        variant="outlined"
        aria-label={`Start training ${plan.personName}`}
      >
        Start
      </Button>
    </Form>
  );
}
