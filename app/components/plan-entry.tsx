import { assertNever } from "~/core/kernel/index.ts";
import type { PlanEntry, SessionState } from "~/core/log/index.ts";
import { Link } from "react-router";
import { Tag } from "./page.tsx";

/** Where a session leads: to the floor while it runs, to its review when it ended, else to the bench. */
export function planAddress(plan: Pick<PlanEntry, "id" | "sessionState">): string {
  switch (plan.sessionState.kind) {
    case "none":
    case "deleted":
      return `/plans/${plan.id}`;
    case "running":
      return `/floor/${plan.sessionState.sessionLogId}`;
    case "ended":
      return `/runs/${plan.sessionState.sessionLogId}`;
    default:
      return assertNever(plan.sessionState);
  }
}

export function PlanLink({
  plan,
}: {
  readonly plan: Pick<PlanEntry, "id" | "sessionState" | "title">;
}) {
  return <Link to={planAddress(plan)}>{plan.title}</Link>;
}

/** The state of a session in one word. */
export function SessionTag({ sessionState }: { readonly sessionState: SessionState }) {
  if (sessionState.kind === "none") return <Tag>planned</Tag>;
  if (sessionState.kind === "deleted") return <Tag>deleted</Tag>;
  if (sessionState.kind === "running") return <Tag tone="now">training now</Tag>;
  if (sessionState.ruling === "done") return <Tag>done</Tag>;
  return <Tag tone="strong">{sessionState.ruling === "open" ? "to decide" : "changed since"}</Tag>;
}
