import Button from "@mui/material/Button";
import { readingOf, withReading, type PlanIssue, type Slot } from "~/core/prescription/index.ts";
import type { Mass } from "~/core/quantity/index.ts";
import { formatMass } from "~/format/numbers.ts";
import { formatPlanIssue } from "~/format/reasons.ts";
import { useCatalogue } from "../catalogue.ts";

/** What is wrong or doubtful in an exercise; what holds for several of its sets is said once. */
export function IssueLines({
  issues,
  onTake,
}: {
  readonly issues: readonly PlanIssue[];
  readonly onTake: (issue: PlanIssue, reading: Mass) => void;
}) {
  const { find } = useCatalogue();
  const said = new Map(issues.map((issue) => [formatPlanIssue(issue, find), issue]));
  return [...said].map(([text, issue]) => (
    <IssueLine key={text} issue={issue} text={text} onTake={(reading) => onTake(issue, reading)} />
  ));
}

/** One of them, with the loads that can be made instead. */
function IssueLine({
  issue,
  text,
  onTake,
}: {
  readonly issue: PlanIssue;
  readonly text: string;
  readonly onTake: (reading: Mass) => void;
}) {
  const offers =
    issue.code === "cannotBeMade"
      ? [issue.easier, issue.harder].flatMap((o) => (o === null ? [] : [o.reading]))
      : [];
  return (
    <div
      role={issue.blocks ? "alert" : undefined}
      className={issue.blocks ? "issue blocks" : "issue"}
    >
      <span>
        {issue.blocks ? "Cannot be trained: " : "Note: "}
        {text}
      </span>
      {offers.map((reading) => (
        <Button
          key={reading.thousandths}
          size="small"
          variant="outlined"
          onClick={() => onTake(reading)}
        >
          Take {formatMass(reading)}
        </Button>
      ))}
    </div>
  );
}

/** Puts a load that can be made wherever the impossible one stands in the slot. */
export function replaceReading(slot: Slot, issue: PlanIssue, reading: Mass): Slot {
  if (issue.code !== "cannotBeMade") return slot;
  return {
    ...slot,
    sets: slot.sets.map((set) =>
      readingOf(set.load)?.thousandths === issue.reading.thousandths
        ? { ...set, load: withReading(set.load, reading) }
        : set,
    ),
  };
}
