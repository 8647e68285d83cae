import { Form, Link } from "react-router";
import type { Id } from "~/core/kernel/index.ts";
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
  plan,
  problems,
  sessionState,
  isDiscarded,
}: {
  readonly plan: Id<"plan">;
  readonly problems: readonly string[];
  readonly sessionState: SessionState;
  /** It was started, and discarded again. */
  readonly isDiscarded: boolean;
}) {
  return (
    <div role="status" className={bench.statusLine}>
      {problems.map((problem) => (
        <p key={problem} className={`${plain.text} ${bench.problem}`}>
          ▸ {problem}
        </p>
      ))}
      {sessionState.kind === "deleted" ? (
        <Told at={`/plans/${plan}/delete`} intent="restore" press="Restore the session">
          Deleted. It still shows on the client’s page, and counts nowhere.
        </Told>
      ) : null}
      {isDiscarded ? (
        <Told at={`/plans/${plan}/discard`} intent="restore" press="Restore the training">
          This session was started and discarded. What was logged is kept.
        </Told>
      ) : null}
      {sessionState.kind === "running" ? (
        <Told at={`/plans/${plan}/discard`} intent="discard" press="Discard the training">
          <Link to={`/floor/${sessionState.sessionLogId}`}>This session is being trained.</Link>{" "}
          What you save is offered there, not applied by itself.
        </Told>
      ) : null}
    </div>
  );
}

/** What is told of the session, and the one press that changes it. */
function Told({
  at,
  intent,
  press,
  children,
}: {
  readonly at: string;
  readonly intent: "restore" | "discard";
  readonly press: string;
  readonly children: React.ReactNode;
}) {
  return (
    <Form method="post" action={at} reloadDocument className={bench.deleted}>
      <input type="hidden" name="intent" value={intent} />
      <span>{children}</span>
      <button type="submit" className={bench.firstFix}>
        {press}
      </button>
    </Form>
  );
}
