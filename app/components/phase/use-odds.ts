import { useEffect, useState } from "react";
import type { OddsAsked, OddsFound } from "../../workers/odds.ts";

/** What continuations came to; until then that they are being worked out, or that they could not be. */
export type OddsNow = OddsFound | "working" | "failed";

const NOTHING_ASKED: OddsFound = { odds: [], bands: [] };

/** Simulates continuations in a worker of their own, anew whenever something else is asked. */
export function useOdds(asked: OddsAsked): OddsNow {
  const [known, setKnown] = useState<{ readonly of: OddsAsked; readonly is: OddsNow } | null>(null);
  const isNothing = asked.targets.length + asked.curves.length === 0;
  useEffect(() => {
    if (isNothing) return undefined;
    const worker = new Worker(new URL("../../workers/odds-worker.ts", import.meta.url), {
      type: "module",
    });
    worker.addEventListener("message", ({ data }: MessageEvent<OddsFound>) =>
      setKnown({ of: asked, is: data }),
    );
    worker.addEventListener("error", () => setKnown({ of: asked, is: "failed" }));
    worker.postMessage(asked);
    return () => worker.terminate();
  }, [asked, isNothing]);
  if (isNothing) return NOTHING_ASKED;
  return known?.of === asked ? known.is : "working";
}
