import { useCallback, useEffect, useRef, useState } from "react";
import type { Choice } from "~/core/coach/suggest/index.ts";
import type {
  FromSuggesting,
  Suggestion,
  SuggestionAsked,
  ToSuggest,
} from "../../workers/suggesting.ts";

/** A suggestion, made in a worker of its own, which lives as long as whoever asks is on the screen. */
export interface Suggesting {
  /** The latest; null until the first one is there. */
  readonly suggestion: Suggestion | null;
  readonly hasFailed: boolean;
  readonly ask: (asked: SuggestionAsked) => void;
  /** Takes another choice of the suggestion that is shown. */
  readonly take: (choice: Choice) => void;
}

export function useSuggestion(): Suggesting {
  const worker = useRef<Worker | null>(null);
  const latest = useRef(0);
  const asked = useRef(0);
  const [suggestion, setSuggestion] = useState<Suggestion | null>(null);
  const [hasFailed, setFailed] = useState(false);
  useEffect(
    () => () => {
      worker.current?.terminate();
      worker.current = null;
    },
    [],
  );
  const send = useCallback((make: (request: number) => ToSuggest) => {
    if (worker.current === null) {
      const begun = new Worker(new URL("../../workers/suggest-worker.ts", import.meta.url), {
        type: "module",
      });
      begun.addEventListener("message", ({ data }: MessageEvent<FromSuggesting>) => {
        // What was asked before something else is no longer wanted.
        if (data.request === latest.current) setSuggestion(data.suggestion);
      });
      begun.addEventListener("error", () => setFailed(true));
      worker.current = begun;
    }
    latest.current += 1;
    setSuggestion((now) => now && { ...now, quality: { kind: "working" } });
    worker.current.postMessage(make(latest.current));
    return latest.current;
  }, []);
  const ask = useCallback(
    (said: SuggestionAsked) => {
      asked.current = send((request) => ({ kind: "ask", request, asked: said }));
    },
    [send],
  );
  const of = suggestion?.of ?? null;
  const take = useCallback(
    (choice: Choice) => {
      // While something else is asked for, what is shown is no longer what the worker chooses from.
      if (of === asked.current) send((request) => ({ kind: "take", request, choice }));
    },
    [send, of],
  );
  return { suggestion, hasFailed, ask, take };
}
