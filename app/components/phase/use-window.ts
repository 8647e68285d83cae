import { useLayoutEffect, useRef, useState } from "react";
import { windowAt } from "./grid.ts";

/** Wide of the names of the lines, and of a week at least, in pixels; `phase-sheet.module.css` has the same. */
export const NAMES_WIDE = 252;
export const WEEK_WIDE = 90;
/** So many weeks are drawn before the page is measured: those of a screen 1280 wide. */
const AT_FIRST = 10;

/**
 * The weeks that are drawn: as many as the sheet is wide, and among them the one that is worked on. On a phone one.
 * `of` goes on the element that the sheet fills.
 */
export function useWindow(weeks: number, active: number, isPhone: boolean) {
  const of = useRef<HTMLDivElement>(null);
  const [fits, setFits] = useState(AT_FIRST);
  const [first, setFirst] = useState(0);
  useLayoutEffect(() => {
    const element = of.current;
    if (element === null) return undefined;
    const observer = new ResizeObserver(([entry]) => {
      const wide = entry?.contentRect.width ?? 0;
      setFits(Math.max(1, Math.floor((wide - NAMES_WIDE) / WEEK_WIDE)));
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  const many = isPhone ? 1 : fits;
  const from = windowAt(first, { active, many, all: weeks });
  if (from !== first) setFirst(from);
  return { of, columns: Array.from({ length: Math.min(many, weeks) }, (_, i) => from + i) };
}
