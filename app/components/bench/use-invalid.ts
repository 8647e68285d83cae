import { startTransition, useCallback, useState } from "react";
import type { ReportInvalid } from "./typed-cell.tsx";

const NONE: ReadonlyMap<string, string> = new Map();

/** The cells and lines that hold no value, with what was expected there, and who is to hear of them. */
export function useInvalid(): readonly [ReadonlyMap<string, string>, ReportInvalid] {
  const [invalid, setInvalid] = useState(NONE);
  const onInvalid = useCallback<ReportInvalid>((cell, message) => {
    startTransition(() =>
      setInvalid((before) => {
        if (message === null && !before.has(cell)) return before;
        const next = new Map(before);
        if (message === null) next.delete(cell);
        else next.set(cell, message);
        return next;
      }),
    );
  }, []);
  return [invalid, onInvalid];
}
