import { useFetcher } from "react-router";
import type { Finding } from "~/core/coach/index.ts";
import type { Day, Id } from "~/core/kernel/index.ts";
import type { SetAside } from "./findings-panel.tsx";

/** The findings set aside for a plan; what is kept on the server comes back with every change. */
export function useSetAside(plan: Id<"plan">, loaded: readonly SetAside[]) {
  const fetcher = useFetcher<{ readonly dismissals: readonly SetAside[] }>();
  const send = (body: object) =>
    void fetcher.submit(JSON.stringify(body), {
      method: "post",
      action: `/plans/${plan}/set-aside`,
      encType: "application/json",
    });
  return {
    setAside: fetcher.data?.dismissals ?? loaded,
    onSetAside: ({ key, fact }: Finding, reason: string, leftTo: Day | null) =>
      send({ kind: "setAside", key, fact, reason, leftTo }),
    onTakeBack: (id: Id<"dismissal">) => send({ kind: "takeBack", id }),
  };
}
