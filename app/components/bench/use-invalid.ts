import { startTransition, useCallback } from "react";
import type { ReportInvalid } from "./typed-cell.tsx";
import { useNewest } from "./use-newest.ts";

const NONE: ReadonlyMap<string, string> = new Map();

/** The cells and lines that hold no value, with what was expected there, and who is to hear of them. */
export function useInvalid() {
  const { drawn, newest, put } = useNewest(NONE);
  const onInvalid = useCallback<ReportInvalid>(
    (cell, message) => {
      if (message === null && !newest().has(cell)) return;
      const next = new Map(newest());
      if (message === null) next.delete(cell);
      else next.set(cell, message);
      startTransition(() => put(next));
    },
    [newest, put],
  );
  return {
    invalid: drawn,
    onInvalid,
    isValidNow: useCallback(() => newest().size === 0, [newest]),
  };
}
