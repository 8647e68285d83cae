import { useWindowVirtualizer } from "@tanstack/react-virtual";
import { useLayoutEffect, useState, type RefObject } from "react";

/** A row in pixels; `phase-sheet.module.css` has the same. */
export const ROW_HIGH = 28;
/** So many rows are drawn above and below the screen. */
const AROUND = 20;
/** A screen is taken to be so large before the page is measured. */
const AT_FIRST = { width: 1280, height: 800 };

/**
 * Which of so many rows are drawn: those on the screen, some above and below, and the one that is worked on. `of` is
 * the table that they stand in.
 */
export function useDrawn(
  of: RefObject<HTMLTableElement | null>,
  rows: number,
  active: number,
): (row: number) => boolean {
  const [scrollMargin, setMargin] = useState(0);
  useLayoutEffect(() => {
    const top = of.current?.getBoundingClientRect().top;
    if (top !== undefined) setMargin(top + window.scrollY);
  }, [of]);
  const { range } = useWindowVirtualizer({
    count: rows,
    estimateSize: () => ROW_HIGH,
    scrollMargin,
    initialRect: AT_FIRST,
  });
  const first = (range?.startIndex ?? 0) - AROUND;
  const last = (range?.endIndex ?? AT_FIRST.height / ROW_HIGH) + AROUND;
  return (row) => row === active || (row >= first && row <= last);
}
