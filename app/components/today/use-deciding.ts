import { useState } from "react";
import type { DecideAction, DecideReply } from "~/codec/decide.ts";
import { useInTurn } from "../in-turn.ts";

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
  const [past, setPast] = useState<readonly Deed[]>([]);
  const [problem, setProblem] = useState<string | null>(null);
  const { act, pending, isDone } = useInTurn<Deed | "undo", DecideReply>({
    action: "/decide",
    // What is undone is only known once everything before it is done.
    bodyOf: (asked) => (asked === "undo" ? (past.at(-1)?.undoes ?? null) : asked.does),
    answered: (done, reply) => {
      setProblem(reply?.problem ?? null);
      if (done === "undo") setPast((list) => list.slice(0, -1));
      const undoes = done === "undo" ? null : undoingOf(done, reply);
      if (done !== "undo" && undoes !== null) setPast((list) => [...list, { ...done, undoes }]);
      return true;
    },
  });
  const deeds = pending.filter((deed) => deed !== "undo");
  return {
    /** True while something that was decided is not on the server yet. */
    isSaving: !isDone,
    gone: new Set(deeds.flatMap(({ subjects }) => subjects)),
    problem,
    canUndo: past.length > 0 || deeds.length > 0,
    act: (deed: Deed) => {
      setProblem(null);
      act(deed);
    },
    undo: () => act("undo"),
  };
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
