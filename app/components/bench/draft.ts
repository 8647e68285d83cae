import isEqual from "fast-deep-equal";
import { useCallback, useEffect, useRef, useState } from "react";
import type { SessionPlan } from "~/core/prescription/index.ts";
import { assertNever } from "~/core/result/index.ts";
import type { PlanHead } from "~/core/schedule/index.ts";

/** What the bench edits: the session's document and where it stands in the calendar. */
export interface Draft {
  readonly head: Omit<PlanHead, "personId">;
  readonly plan: SessionPlan;
}

interface State {
  readonly past: readonly Draft[];
  readonly now: Draft;
  readonly future: readonly Draft[];
  readonly saved: Draft;
}

type Event =
  | { readonly kind: "change"; readonly to: (draft: Draft) => Draft }
  | { readonly kind: "undo" }
  | { readonly kind: "redo" }
  | { readonly kind: "saved"; readonly draft: Draft };

const KEPT = 200;

/** What comes before anything is done elsewhere; not every browser gives the focus to what is pressed. */
const SETTLING = ["focusin", "focusout"] as const;

/** A draft as it was loaded: nothing to undo, nothing to redo, nothing unsaved. */
export function startDraft(draft: Draft): State {
  return { past: [], now: draft, future: [], saved: draft };
}

/** One event on a draft's history: what it becomes, and what undo and redo then reach. */
export function reduceDraft(state: State, event: Event): State {
  switch (event.kind) {
    case "change": {
      const to = event.to(state.now);
      // Typing a space, or a value once more, is nothing to undo.
      if (isEqual(to, state.now)) return state;
      return { ...state, past: [...state.past, state.now].slice(-KEPT), now: to, future: [] };
    }
    case "undo": {
      const to = state.past.at(-1);
      return to === undefined
        ? state
        : {
            ...state,
            past: state.past.slice(0, -1),
            now: to,
            future: [state.now, ...state.future],
          };
    }
    case "redo": {
      const [to, ...future] = state.future;
      return to === undefined
        ? state
        : { ...state, past: [...state.past, state.now], now: to, future };
    }
    case "saved":
      return { ...state, saved: event.draft };
    default:
      return assertNever(event);
  }
}

/**
 * A draft with undo and redo; they live here and nowhere on the server. It changes at once, also where its
 * drawing may wait, so that a change is always made of the newest draft and a save sends that one.
 */
export function useDraft(initial: Draft) {
  const [first] = useState(() => startDraft(initial));
  const [state, draw] = useState(first);
  const now = useRef(first);
  const send = useCallback((event: Event) => {
    now.current = reduceDraft(now.current, event);
    draw(now.current);
  }, []);
  // Whoever goes on to another cell or button finds everything drawn, and what it does made of that.
  useEffect(() => {
    const settle = () => draw(now.current);
    for (const event of SETTLING) document.addEventListener(event, settle);
    return () => {
      for (const event of SETTLING) document.removeEventListener(event, settle);
    };
  }, []);
  return {
    draft: state.now,
    isDirty: state.now !== state.saved,
    canUndo: state.past.length > 0,
    canRedo: state.future.length > 0,
    /** The draft as it is, which may be newer than the one that is drawn. */
    newest: useCallback(() => now.current.now, []),
    isDirtyNow: useCallback(() => now.current.now !== now.current.saved, []),
    change: useCallback((to: (draft: Draft) => Draft) => send({ kind: "change", to }), [send]),
    undo: useCallback(() => send({ kind: "undo" }), [send]),
    redo: useCallback(() => send({ kind: "redo" }), [send]),
    markSaved: useCallback((draft: Draft) => send({ kind: "saved", draft }), [send]),
  };
}
