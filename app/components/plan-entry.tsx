import { assertNever } from "~/core/kernel/index.ts";
import type { PlanEntry, RunState } from "~/core/log/index.ts";
import { Link } from "react-router";
import { Tag } from "./page.tsx";

/** Where a session leads: to the floor while it runs, to its review when it ended, else to the bench. */
export function planAddress(plan: Pick<PlanEntry, "id" | "run">): string {
  switch (plan.run.kind) {
    case "none":
      return `/plans/${plan.id}`;
    case "running":
      return `/floor/${plan.run.runId}`;
    case "ended":
      return `/runs/${plan.run.runId}`;
    default:
      return assertNever(plan.run);
  }
}

export function PlanLink({ plan }: { readonly plan: Pick<PlanEntry, "id" | "run" | "title"> }) {
  return <Link to={planAddress(plan)}>{plan.title}</Link>;
}

/** The state of a session in one word. */
export function RunTag({ run }: { readonly run: RunState }) {
  if (run.kind === "none") return <Tag>planned</Tag>;
  if (run.kind === "running") return <Tag tone="now">training now</Tag>;
  if (run.ruling === "done") return <Tag>done</Tag>;
  return <Tag tone="strong">{run.ruling === "open" ? "to decide" : "changed since"}</Tag>;
}
