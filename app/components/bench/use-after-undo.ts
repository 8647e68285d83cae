import { use, useEffect, useRef } from "react";
import { BenchPlaceContext } from "./bench-context.ts";

/** Ctrl or Cmd with Z. */
export const isUndo = (event: React.KeyboardEvent) =>
  (event.ctrlKey || event.metaKey) && !event.shiftKey && event.key.toLowerCase() === "z";

/** Forgets what was typed once the session went back or forth, since the field then shows what the session says. */
export function useAfterUndo(forget: () => void): void {
  const { generation } = use(BenchPlaceContext);
  const seen = useRef(generation);
  useEffect(() => {
    if (seen.current === generation) return;
    seen.current = generation;
    forget();
  });
}
