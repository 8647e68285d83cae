import { useCallback, useEffect, useRef } from "react";

/** The word that the cursor is in or behind, counted from 1; a field of one line is one word. */
const wordAt = (field: HTMLTextAreaElement) =>
  field.value.slice(0, field.selectionStart).trim().split(/\s+/).length;

/**
 * What is being typed, so that undo goes back by what somebody means: a word of a written line, or a cell, from entering
 * it to leaving it. Null where nothing is typed: a press is a step by itself.
 */
export function useTypedStep(): () => string | null {
  const entered = useRef(0);
  useEffect(() => {
    const enter = () => {
      entered.current += 1;
    };
    document.addEventListener("focusin", enter);
    return () => document.removeEventListener("focusin", enter);
  }, []);
  return useCallback(() => {
    const field = document.activeElement;
    if (field instanceof HTMLTextAreaElement) return `${entered.current} ${wordAt(field)}`;
    const isCell = field instanceof HTMLInputElement && field.type !== "checkbox";
    return isCell ? String(entered.current) : null;
  }, []);
}
