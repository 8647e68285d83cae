import isEqual from "fast-deep-equal";
import { useCallback, useState } from "react";
import type { SessionPlan } from "~/core/plan/index.ts";
import { assertNever } from "~/core/kernel/index.ts";
import type { PlanHead } from "~/core/log/index.ts";
import { useNewest } from "./use-newest.ts";
import { useTypedStep } from "./use-typed-step.ts";

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
  /** The step of the last change; what follows in the same step is undone with it. Null where nothing may follow. */
  readonly step: string | null;
}

type Event =
  /** `step` names the word or cell that is typed; null for a press, which is a step by itself. */
  | {
      readonly kind: "change";
      readonly to: (draft: Draft) => Draft;
      readonly step: string | null;
    }
  | { readonly kind: "undo" }
  | { readonly kind: "redo" }
  | { readonly kind: "saved"; readonly draft: Draft };

const KEPT = 200;

/** A draft as it was loaded: nothing to undo, nothing to redo, nothing unsaved. */
export function startDraft(draft: Draft): State {
  return { past: [], now: draft, future: [], saved: draft, step: null };
}

/** One event on a draft's history: what it becomes, and what undo and redo then reach. */
export function reduceDraft(state: State, event: Event): State {
  switch (event.kind) {
    case "change": {
      const to = event.to(state.now);
      // Typing a space, or a value once more, is nothing to undo.
      if (isEqual(to, state.now)) return state;
      const goesOn = event.step !== null && event.step === state.step;
      const past = goesOn ? state.past : [...state.past, state.now].slice(-KEPT);
      return { ...state, past, now: to, future: [], step: event.step };
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
            step: null,
          };
    }
    case "redo": {
      const [to, ...future] = state.future;
      return to === undefined
        ? state
        : { ...state, past: [...state.past, state.now], now: to, future, step: null };
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
  const { drawn, newest, put } = useNewest(startDraft(initial));
  const send = useCallback((event: Event) => put(reduceDraft(newest(), event)), [newest, put]);
  const stepNow = useTypedStep();
  const [generation, setGeneration] = useState(0);
  const go = useCallback(
    (kind: "undo" | "redo") => {
      send({ kind });
      setGeneration((n) => n + 1);
    },
    [send],
  );
  return {
    draft: drawn.now,
    isDirty: drawn.now !== drawn.saved,
    canUndo: drawn.past.length > 0,
    canRedo: drawn.future.length > 0,
    /** The draft as it is, which may be newer than the one that is drawn. */
    newest: useCallback(() => newest().now, [newest]),
    isDirtyNow: useCallback(() => newest().now !== newest().saved, [newest]),
    /** Goes up with every undo and redo, after which fields show what the draft says. */
    generation,
    change: useCallback(
      (to: (draft: Draft) => Draft) => send({ kind: "change", to, step: stepNow() }),
      [send, stepNow],
    ),
    undo: useCallback(() => go("undo"), [go]),
    redo: useCallback(() => go("redo"), [go]),
    markSaved: useCallback((draft: Draft) => send({ kind: "saved", draft }), [send]),
  };
}
