import { useEffect, useState } from "react";
import type { Phase } from "~/core/phase/index.ts";
import { useInTurn } from "../in-turn.ts";
import { placeKey, type Entry } from "./rows.ts";

/** What the page answers to a deed: why it was not done and in which cell, or null. */
export interface SheetReply {
  readonly problem: string | null;
  readonly at: string | null;
}

/** What is done to a sheet, one after the other: what is typed, or what it was before or after is put back. */
type Deed =
  | { readonly kind: "type"; readonly entries: readonly Entry[] }
  | { readonly kind: "undo" | "redo" };

/**
 * What is typed is shown at once and saved behind it, one deed after the other, each from the revision that the one
 * before left. What the coach's changes were before can be put back.
 */
export function useTyping(revision: number, changes: Phase["changes"]) {
  const [past, setPast] = useState<readonly Phase["changes"][]>([]);
  const [future, setFuture] = useState<readonly Phase["changes"][]>([]);
  const [refused, setRefused] = useState<SheetReply | null>(null);
  const {
    act: does,
    pending: deeds,
    isDone,
  } = useInTurn<Deed, SheetReply>({
    bodyOf: (next) => {
      const sent = { baseRevision: revision };
      if (next.kind === "type") {
        setPast((list) => [...list, changes]);
        setFuture([]);
        return { ...sent, intent: "type", entries: next.entries };
      }
      const isUndo = next.kind === "undo";
      const last = (isUndo ? past : future).at(-1);
      if (last === undefined) return null;
      (isUndo ? setPast : setFuture)((list) => list.slice(0, -1));
      (isUndo ? setFuture : setPast)((list) => [...list, changes]);
      return { ...sent, intent: "putBack", changes: last };
    },
    answered: ({ kind }, reply) => {
      const isRefused = reply?.problem != null;
      setRefused(isRefused ? reply : null);
      // What was refused was never done, so that there is nothing to undo of it, and what waited behind it is dropped.
      if (isRefused) {
        // Where something cannot be put back, somebody else has changed it, and nothing before it can be either.
        setPast((list) => (kind === "type" ? list.slice(0, -1) : []));
        setFuture([]);
      }
      return !isRefused;
    },
  });

  const pending = new Map(
    deeds
      .flatMap((deed) => (deed.kind === "type" ? deed.entries : []))
      .map((entry) => [placeKey(entry), entry.text]),
  );
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== "z") return;
      if (event.target instanceof HTMLInputElement) return;
      event.preventDefault();
      does({ kind: event.shiftKey ? "redo" : "undo" });
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [does]);
  return {
    type: (entries: readonly Entry[]) => does({ kind: "type", entries }),
    undo: () => does({ kind: "undo" }),
    redo: () => does({ kind: "redo" }),
    canUndo: past.length > 0,
    canRedo: future.length > 0,
    pending,
    refused: isDone ? refused : null,
  };
}
