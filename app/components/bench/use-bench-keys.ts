import { useEffect } from "react";

/** True for what is typed into. */
export const isTextField = (target: EventTarget | null): target is HTMLElement =>
  target instanceof HTMLTextAreaElement ||
  target instanceof HTMLSelectElement ||
  (target instanceof HTMLInputElement && target.type !== "checkbox");

/**
 * Ctrl or Cmd with S saves; with Z it undoes, with Shift and Z it does again, also while a set is written. A field that
 * is no part of the session, such as the search, keeps the browser's own undo.
 */
export function useBenchKeys(save: () => void, undo: () => void, redo: () => void): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.defaultPrevented || !(event.ctrlKey || event.metaKey)) return;
      if (event.key === "s") {
        event.preventDefault();
        save();
      }
      const isElsewhere =
        isTextField(event.target) && event.target.closest("[data-of-draft]") === null;
      if (event.key.toLowerCase() === "z" && !isElsewhere) {
        event.preventDefault();
        if (event.shiftKey) redo();
        else undo();
      }
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [save, undo, redo]);
}
