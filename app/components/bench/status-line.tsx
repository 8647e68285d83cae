import { Link } from "react-router";
import type { SessionState } from "~/core/log/index.ts";
import { Tag } from "../page.tsx";
import bench from "./bench.module.css";
import plain from "../../theme/plain.module.css";

/** Where the draft stands, what keeps it from being saved, and whether it is being trained. */
export function StatusLine({
  state,
  isUnsaved,
  problems,
  sessionState,
}: {
  readonly state: string;
  readonly isUnsaved: boolean;
  readonly problems: readonly string[];
  readonly sessionState: SessionState;
}) {
  return (
    <div role="status" className={bench.statusLine}>
      <Tag tone={isUnsaved ? "strong" : "plain"}>{state}</Tag>
      {problems.map((problem) => (
        <p key={problem} className={`${plain.text} ${bench.problem}`}>
          ▸ {problem}
        </p>
      ))}
      {sessionState.kind === "running" ? (
        <p className={plain.text}>
          <Link to={`/floor/${sessionState.sessionLogId}`}>This session is being trained.</Link>{" "}
          What you save is offered there, not applied by itself.
        </p>
      ) : null}
    </div>
  );
}
