import { useState } from "react";
import type { Finding } from "~/core/coach/index.ts";
import type { Day, Id } from "~/core/kernel/index.ts";
import { useTurns } from "../in-turn.ts";
import type { SetAside } from "./findings-panel.tsx";

/** The findings set aside for a plan; what is kept on the server comes back with every change. */
export function useSetAside(plan: Id<"plan">, loaded: readonly SetAside[]) {
  const [kept, setKept] = useState(loaded);
  const { act } = useTurns<object, { readonly dismissals: readonly SetAside[] }>({
    action: `/plans/${plan}/set-aside`,
    bodyOf: (body) => body,
    answered: (_, reply) => {
      if (reply !== undefined) setKept(reply.dismissals);
      return true;
    },
  });
  return {
    setAside: kept,
    onSetAside: ({ key, fact }: Finding, reason: string, leftTo: Day | null) =>
      act({ kind: "setAside", key, fact, reason, leftTo }),
    onTakeBack: (id: Id<"dismissal">) => act({ kind: "takeBack", id }),
  };
}
