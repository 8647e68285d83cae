import { Link } from "react-router";
import type { RunState } from "~/core/log/index.ts";
import { Tag } from "../page.tsx";

/** Where the draft stands, what keeps it from being saved, and whether it is being trained. */
export function StatusLine({
  state,
  isUnsaved,
  problems,
  run,
}: {
  readonly state: string;
  readonly isUnsaved: boolean;
  readonly problems: readonly string[];
  readonly run: RunState;
}) {
  return (
    <div role="status" className="status-line">
      <Tag tone={isUnsaved ? "strong" : "plain"}>{state}</Tag>
      {problems.map((problem) => (
        <p key={problem} className="text problem">
          ▸ {problem}
        </p>
      ))}
      {run.kind === "running" ? (
        <p className="text">
          <Link to={`/floor/${run.runId}`}>This session is being trained.</Link> What you save is
          offered there, not applied by itself.
        </p>
      ) : null}
    </div>
  );
}
