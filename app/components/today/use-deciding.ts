import { useEffect, useMemo, useState } from "react";
import { useFetcher } from "react-router";
import type { DecideAction, DecideReply } from "~/codec/decide.ts";

/** Something that is done to what waits, how it is taken back, and what of the list it deals with. */
export interface Deed {
  readonly does: DecideAction;
  readonly undoes: DecideAction | null;
  /** Names of the items that it deals with: they leave the list at once. */
  readonly subjects: readonly string[];
}

/**
 * What is decided is shown at once and saved behind it, one deed after the other. What was done last is taken back
 * first. A deed that is refused comes back to the list with the reason.
 */
export function useDeciding() {
  const fetcher = useFetcher<DecideReply>();
  // What is undone is only known once everything before it is done.
  const [waiting, setWaiting] = useState<readonly (Deed | "undo")[]>([]);
  const [sent, setSent] = useState<{ readonly deed: Deed; readonly before: unknown } | null>(null);
  const [past, setPast] = useState<readonly Deed[]>([]);
  const [problem, setProblem] = useState<string | null>(null);
  const isIdle = fetcher.state === "idle";
  const reply = fetcher.data;

  useEffect(() => {
    if (!isIdle) return;
    if (sent !== null) {
      if (reply === sent.before) return;
      setSent(null);
      setProblem(reply?.problem ?? null);
      const undoes = undoingOf(sent.deed, reply);
      if (undoes !== null) setPast((list) => [...list, { ...sent.deed, undoes }]);
      return;
    }
    const [asked, ...others] = waiting;
    if (asked === undefined) return;
    setWaiting(others);
    const next = asked === "undo" ? undoing(past.at(-1)) : asked;
    if (asked === "undo") setPast((list) => list.slice(0, -1));
    if (next === null) return;
    setSent({ deed: next, before: reply });
    void fetcher.submit(JSON.stringify(next.does), {
      method: "post",
      action: "/decide",
      encType: "application/json",
    });
  }, [isIdle, sent, waiting, past, reply, fetcher]);

  const gone = useMemo(
    () =>
      new Set(
        [...(sent === null ? [] : [sent.deed]), ...waiting].flatMap((deed) =>
          deed === "undo" ? [] : deed.subjects,
        ),
      ),
    [sent, waiting],
  );
  return {
    gone,
    problem,
    canUndo: past.length > 0 || sent !== null,
    act: (deed: Deed) => {
      setProblem(null);
      setWaiting((list) => [...list, deed]);
    },
    undo: () => setWaiting((list) => [...list, "undo"]),
  };
}

/** The deed that takes another one back; null where there is none. */
function undoing(last: Deed | undefined): Deed | null {
  const undoes = last?.undoes ?? null;
  return undoes === null ? null : { does: undoes, undoes: null, subjects: [] };
}

/** What takes a deed back that was answered so; null where nothing came of it. */
function undoingOf({ does, undoes }: Deed, reply: DecideReply | undefined): DecideAction | null {
  if (does.intent !== "acceptAll") return reply?.problem == null ? undoes : null;
  const planned = does.sessions.flatMap(({ id }) =>
    reply?.planned?.includes(id) === true ? [id] : [],
  );
  return planned.length === 0 ? null : { intent: "takeBackAll", sessions: planned };
}

export type Deciding = ReturnType<typeof useDeciding>;
