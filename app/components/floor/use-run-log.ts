import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { syncReplyCodec, type SyncReply } from "~/codec/command.ts";
import type { Id } from "~/core/identity/index.ts";
import {
  foldCommands,
  parentFor,
  type CommandBody,
  type OrderedCommand,
  type RunLog,
} from "~/core/log/index.ts";
import { openLogStore, type LogStore } from "./log-store.ts";

/** Where what was logged is: on the server, only on this device, or nowhere safe yet. */
export type SaveState =
  | { readonly kind: "opening" }
  | { readonly kind: "saved" }
  | {
      readonly kind: "kept";
      readonly count: number;
      readonly why: "sending" | "offline" | "signedOut";
    }
  | {
      readonly kind: "refused";
      readonly code: Extract<SyncReply, { kind: "refused" }>["code"];
      readonly count: number;
    }
  | { readonly kind: "notSaved"; readonly message: string };

const POLL_MS = 8000;

/**
 * The log of a run on this device: what the server had when the page was loaded, what is kept here, and what
 * came in since. `append` resolves once the command is committed here; sending it goes on by itself.
 */
export function useRunLog(run: Id<"run">, loaded: readonly OrderedCommand[]) {
  const [store, setStore] = useState<LogStore | null>(null);
  const [entries, setEntries] = useState<readonly OrderedCommand[]>(loaded);
  const [trouble, setTrouble] = useState<Exclude<
    SaveState,
    { kind: "saved" | "kept" | "opening" }
  > | null>(null);
  const [link, setLink] = useState<"up" | "down" | "signedOut">("up");
  const [newestRevision, setNewestRevision] = useState<string | null>(null);
  const sending = useRef<Promise<void> | null>(null);
  const isGone = useRef(false);

  useEffect(() => {
    isGone.current = false;
    openLogStore()
      .then(async (opened) => {
        await opened.merge(loaded);
        const known = await opened.load(run);
        if (isGone.current) return;
        setEntries(known);
        setStore(opened);
      })
      .catch((error: unknown) => setTrouble({ kind: "notSaved", message: messageOf(error) }));
    return () => {
      isGone.current = true;
    };
  }, [run, loaded]);

  const sendOnce = useCallback(
    async (to: LogStore) => {
      const known = await to.load(run);
      const waiting = known
        .filter(({ command, position }) => position === null && command.device === to.device)
        .map(({ command }) => command)
        .sort((a, b) => a.seq - b.seq);
      const last = known.reduce((most, { position }) => Math.max(most, position ?? 0), 0);
      const response = await fetch(`/floor/${run}/sync`, {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify({ commands: waiting.slice(0, 200), known: last }),
      });
      if (response.status === 401) {
        setLink("signedOut");
        return;
      }
      if (!response.ok && response.status !== 409)
        throw new Error(`server answered ${response.status}`);
      const body: unknown = await response.json();
      const reply = syncReplyCodec.parse(body);
      setLink("up");
      if (reply.kind === "refused") {
        setTrouble({ kind: "refused", code: reply.code, count: waiting.length });
        return;
      }
      await to.merge(reply.commands);
      setNewestRevision(reply.newestRevision);
      setEntries(await to.load(run));
    },
    [run],
  );

  const send = useCallback(() => {
    if (store === null) return Promise.resolve();
    const next = (sending.current ?? Promise.resolve())
      .then(() => sendOnce(store))
      .catch(() => setLink("down"));
    sending.current = next;
    return next;
  }, [store, sendOnce]);

  useEffect(() => {
    if (store === null) return;
    const go = () => void send();
    go();
    const timer = setInterval(go, POLL_MS);
    window.addEventListener("online", go);
    document.addEventListener("visibilitychange", go);
    return () => {
      clearInterval(timer);
      window.removeEventListener("online", go);
      document.removeEventListener("visibilitychange", go);
    };
  }, [store, send]);

  const log: RunLog = useMemo(() => foldCommands(entries), [entries]);

  const append = useCallback(
    async (bodies: readonly { readonly body: CommandBody; readonly parent?: Id<"command"> }[]) => {
      if (store === null) {
        setTrouble({ kind: "notSaved", message: "the device's store is not open" });
        return false;
      }
      try {
        let known = await store.load(run);
        for (const { body, parent } of bodies) {
          const superseded = parent ?? parentFor(foldCommands(known), body);
          await store.append(run, body, superseded, Date.now());
          known = await store.load(run);
        }
        setEntries(known);
        setTrouble((before) => (before?.kind === "notSaved" ? null : before));
      } catch (error) {
        setTrouble({ kind: "notSaved", message: messageOf(error) });
        return false;
      }
      void send();
      return true;
    },
    [run, store, send],
  );

  const waiting = entries.filter(({ position }) => position === null).length;
  const saveState: SaveState =
    trouble ??
    (store === null
      ? { kind: "opening" }
      : waiting === 0
        ? { kind: "saved" }
        : {
            kind: "kept",
            count: waiting,
            why: link === "up" ? "sending" : link === "down" ? "offline" : "signedOut",
          });
  return {
    log,
    entries,
    append,
    send,
    saveState,
    isOffline: link === "down",
    newestRevision,
    isOpen: store !== null,
  };
}

function messageOf(error: unknown): string {
  return error instanceof Error ? error.message : String(error);
}
