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
        <Form
          method="post"
          action={`/plans/${plan}/delete`}
          reloadDocument
          className={bench.deleted}
        >
          <input type="hidden" name="intent" value="restore" />
          <span>Deleted. It still shows on the client’s page, and counts nowhere.</span>
          <button type="submit" className={bench.firstFix}>
            Restore the session
          </button>
        </Form>
      ) : null}
      {isDiscarded ? (
        <Form
          method="post"
          action={`/plans/${plan}/discard`}
          reloadDocument
          className={bench.deleted}
        >
          <input type="hidden" name="intent" value="restore" />
          <span>This session was started and discarded. What was logged is kept.</span>
          <button type="submit" className={bench.firstFix}>
            Restore the training
          </button>
        </Form>
      ) : null}
      {sessionState.kind === "running" ? (
        <Form
          method="post"
          action={`/plans/${plan}/discard`}
          reloadDocument
          className={bench.deleted}
        >
          <span>
            <Link to={`/floor/${sessionState.sessionLogId}`}>This session is being trained.</Link>{" "}
            What you save is offered there, not applied by itself.
          </span>
          <button
            type="submit"
            className={bench.firstFix}
            title="It is planned again; what was logged can be restored"
          >
            Discard the training
          </button>
        </Form>
      ) : null}
    </div>
  );
}
