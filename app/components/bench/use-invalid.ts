import { startTransition, useCallback, useRef, useState } from "react";
import type { ReportInvalid } from "./typed-cell.tsx";

const NONE: ReadonlyMap<string, string> = new Map();

/**
 * The cells and lines that hold no value, with what was expected there, and who is to hear of them. Like a
 * draft it is known at once and may be drawn later, so that what acts on it asks `isValidNow`.
 */
export function useInvalid() {
  const [invalid, draw] = useState(NONE);
  const now = useRef(NONE);
  const onInvalid = useCallback<ReportInvalid>((cell, message) => {
    if (message === null && !now.current.has(cell)) return;
    const next = new Map(now.current);
    if (message === null) next.delete(cell);
    else next.set(cell, message);
    now.current = next;
    startTransition(() => draw(next));
  }, []);
  return { invalid, onInvalid, isValidNow: useCallback(() => now.current.size === 0, []) };
}
