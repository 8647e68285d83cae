import { useCallback, useEffect, useRef, useState } from "react";
import { useBeforeUnload, useBlocker, useFetcher } from "react-router";

/** What is being done, with the reply that was there before it, and what waits behind it. */
interface Turn<Deed> {
  readonly sent: { readonly deed: Deed; readonly before: unknown } | null;
  readonly waiting: readonly Deed[];
}

/** How deeds are sent and what follows from their answers. */
interface Doing<Deed, Reply> {
  /** Where they are sent; without it to the page itself. */
  readonly action?: string;
  /** What is sent for a deed, made when its turn comes; null where nothing is left to do. */
  readonly bodyOf: (deed: Deed) => object | null;
  /** Called once with each answer, before the next turn; false drops what waits behind it. */
  readonly answered: (deed: Deed, reply: Reply | undefined) => boolean;
}

/**
 * Does one deed after the other, each once the page is loaded anew after the one before. What waits is kept outside of
 * what is drawn, so that a deed that comes between two drawings is not lost.
 */
export function useTurns<Deed, Reply>({ action, bodyOf, answered }: Doing<Deed, Reply>) {
  const fetcher = useFetcher<Reply>();
  const [shown, show] = useState<Turn<Deed>>({ sent: null, waiting: [] });
  const now = useRef(shown);
  const put = useCallback((to: Turn<Deed>) => {
    now.current = to;
    show(to);
  }, []);
  const reply = fetcher.data as Reply | undefined;

  useEffect(() => {
    if (fetcher.state !== "idle") return;
    const { sent, waiting } = now.current;
    if (sent !== null) {
      // The fetcher is idle for a moment before it begins.
      if (reply === sent.before) return;
      put({ sent: null, waiting: answered(sent.deed, reply) ? waiting : [] });
      return;
    }
    const [next, ...others] = waiting;
    if (next === undefined) return;
    const body = bodyOf(next);
    put({ sent: body === null ? null : { deed: next, before: reply }, waiting: others });
    if (body === null) return;
    void fetcher.submit(JSON.stringify(body), {
      method: "post",
      encType: "application/json",
      ...(action === undefined ? {} : { action }),
    });
  });

  return {
    /** Everything that is not done yet, in its order. */
    pending: [...(shown.sent === null ? [] : [shown.sent.deed]), ...shown.waiting],
    isDone: shown.sent === null && shown.waiting.length === 0,
    /** The same of this very moment, whatever is drawn. */
    isBusy: () => now.current.sent !== null || now.current.waiting.length > 0,
    act: useCallback(
      (deed: Deed) => put({ ...now.current, waiting: [...now.current.waiting, deed] }),
      [put],
    ),
  };
}

/** As {@link useTurns}; whoever leaves the page leaves once all of it is done. */
export function useInTurn<Deed, Reply>(doing: Doing<Deed, Reply>) {
  const turns = useTurns(doing);
  const { isDone, isBusy } = turns;
  const blocker = useBlocker(isBusy);
  useEffect(() => {
    if (isDone && blocker.state === "blocked") blocker.proceed();
  }, [isDone, blocker]);
  useBeforeUnload((event) => {
    if (isBusy()) event.preventDefault();
  });
  return turns;
}
