import Button from "@mui/material/Button";
import type { PlanIssue } from "~/core/unroll/index.ts";
import type { PlannedSet } from "~/core/plan/index.ts";
import type { Mass } from "~/core/kernel/index.ts";
import { formatMass } from "~/format/numbers.ts";
import { formatAtSets, formatPlanIssue } from "~/format/reasons.ts";
import { useCatalogue } from "../catalogue.ts";
import bench from "./bench.module.css";

/** What is wrong or doubtful in an exercise; what holds for several of its sets is said once, with their numbers. */
export function IssueLines({
  issues,
  sets,
  onTake,
}: {
  readonly issues: readonly PlanIssue[];
  /** The sets of the exercise, in order. */
  readonly sets: readonly PlannedSet[];
  /** Writes a load that can be made instead of one that cannot. */
  readonly onTake: (instead: Mass, reading: Mass) => void;
}) {
  const { find } = useCatalogue();
  const said = issues.map((issue) => ({ issue, text: formatPlanIssue(issue, find) }));
  return said.map(({ issue, text }, i) => {
    if (said.findIndex((other) => other.text === text) < i) return null;
    const numbers = said.flatMap(({ issue: other, text: known }) =>
      known === text && "set" in other ? [sets.findIndex(({ id }) => id === other.set) + 1] : [],
    );
    return (
      <IssueLine key={text} issue={issue} text={formatAtSets(numbers, text)} onTake={onTake} />
    );
  });
}

/** One of them, with the loads that can be made instead. */
function IssueLine({
  issue,
  text,
  onTake,
}: {
  readonly issue: PlanIssue;
  readonly text: string;
  readonly onTake: (instead: Mass, reading: Mass) => void;
}) {
  return (
    <div
      role={issue.blocks ? "alert" : undefined}
      className={issue.blocks ? `${bench.issue} ${bench.blocks}` : bench.issue}
    >
      <span>
        {issue.blocks ? "Cannot be trained: " : "Note: "}
        {text}
      </span>
      {issue.code === "cannotBeMade"
        ? [issue.easier, issue.harder].map((made) =>
            made === null ? null : (
              <Button
                key={made.reading.thousandths}
                size="small"
                variant="outlined"
                onClick={() => onTake(issue.reading, made.reading)}
              >
                Use {formatMass(made.reading)}
              </Button>
            ),
          )
        : null}
    </div>
  );
}
