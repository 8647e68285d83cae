import { Link } from "react-router";
import type { SessionState } from "~/core/log/index.ts";
import { Tag } from "../page.tsx";
import bench from "./bench.module.css";
import plain from "../../theme/plain.module.css";

/** Whether the server has what is drawn. */
export function SaveState({
  state,
  isUnsaved,
}: {
  readonly state: string;
  readonly isUnsaved: boolean;
}) {
  return <span role="status">{isUnsaved ? <Tag tone="strong">{state}</Tag> : state}</span>;
}

/** What keeps a session from being saved, and whether it is being trained; nothing where neither is so. */
export function StatusLine({
  problems,
  sessionState,
}: {
  readonly problems: readonly string[];
  readonly sessionState: SessionState;
}) {
  return (
    <div role="status" className={bench.statusLine}>
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
