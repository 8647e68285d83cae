import { useCallback, useRef, useState } from "react";
import type { ReportInvalid } from "./typed-cell.tsx";

/** Whether anything in a part of the page cannot be read; whoever saves hears of it as before. */
export function useOwnInvalid(report: ReportInvalid) {
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
  return { hasInvalid, onInvalid };
}
