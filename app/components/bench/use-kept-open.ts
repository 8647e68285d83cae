import { useCallback, useRef, useState } from "react";
import type { ReportInvalid } from "./typed-cell.tsx";

/**
 * Whether a part of the page is drawn: where it is open, and where it holds what cannot be read, which closing it would
 * lose. Its cells report to `onInvalid`; whoever saves hears of them as before.
 */
export function useKeptOpen(isOpen: boolean, report: ReportInvalid) {
  const cells = useRef(new Set<string>());
  const [hasInvalid, setInvalid] = useState(false);
  const onInvalid = useCallback<ReportInvalid>(
    (cell, message) => {
      if (message === null) cells.current.delete(cell);
      else cells.current.add(cell);
      setInvalid(cells.current.size > 0);
      report(cell, message);
    },
    [report],
  );
  return { isShown: isOpen || hasInvalid, onInvalid };
}
