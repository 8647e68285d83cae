import { useEffect, useMemo, useState } from "react";
import { useFetcher } from "react-router";
import type { Phase } from "~/core/phase/index.ts";
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
  const fetcher = useFetcher<SheetReply>();
  const [deeds, setDeeds] = useState<readonly Deed[]>([]);
  // With the reply that was there before, since the fetcher is idle for a moment before it begins.
  const [sent, setSent] = useState<{ readonly deed: Deed; readonly before: unknown } | null>(null);
  const [past, setPast] = useState<readonly Phase["changes"][]>([]);
  const [future, setFuture] = useState<readonly Phase["changes"][]>([]);
  const isIdle = fetcher.state === "idle";
  const reply = fetcher.data;

  useEffect(() => {
    if (!isIdle) return;
    if (sent !== null) {
      if (reply === sent.before) return;
      setSent(null);
      // What was refused was never done, so that there is nothing to undo of it, and what waited behind it is dropped.
      if (reply?.problem != null) {
        // Where something cannot be put back, somebody else has changed it, and nothing before it can be either.
        setPast((list) => (sent.deed.kind === "type" ? list.slice(0, -1) : []));
        setFuture([]);
        setDeeds([]);
      }
      return;
    }
    const [next, ...others] = deeds;
    if (next === undefined) return;
    setDeeds(others);
    const submit = (body: object) =>
      void fetcher.submit(JSON.stringify({ ...body, baseRevision: revision }), {
        method: "post",
        encType: "application/json",
      });
    if (next.kind === "type") {
      setPast((list) => [...list, changes]);
      setFuture([]);
      submit({ intent: "type", entries: next.entries });
    } else {
      const [from, to] = next.kind === "undo" ? [past, setPast] : [future, setFuture];
      const last = from.at(-1);
      if (last === undefined) return;
      to(from.slice(0, -1));
      (next.kind === "undo" ? setFuture : setPast)((list) => [...list, changes]);
      submit({ intent: "putBack", changes: last });
    }
    setSent({ deed: next, before: reply });
  }, [isIdle, sent, deeds, reply, revision, changes, past, future, fetcher]);

  const pending = useMemo(() => {
    const waiting = [...(sent === null ? [] : [sent.deed]), ...deeds];
    const entries = waiting.flatMap((deed) => (deed.kind === "type" ? deed.entries : []));
    return new Map(entries.map((entry) => [placeKey(entry), entry.text]));
  }, [sent, deeds]);
  const does = (deed: Deed) => setDeeds((list) => [...list, deed]);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== "z") return;
      if (event.target instanceof HTMLInputElement) return;
      event.preventDefault();
      does({ kind: event.shiftKey ? "redo" : "undo" });
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
  return {
    type: (entries: readonly Entry[]) => does({ kind: "type", entries }),
    undo: () => does({ kind: "undo" }),
    redo: () => does({ kind: "redo" }),
    canUndo: past.length > 0,
    canRedo: future.length > 0,
    pending,
    refused: isIdle && sent === null && reply?.problem != null ? reply : null,
  };
}
