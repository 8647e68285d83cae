import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { HeldSession } from "~/codec/hand-in.ts";
import { instant, type Id } from "~/core/kernel/index.ts";
import {
  foldCommands,
  momentOf,
  type Command,
  type Moment,
  type OrderedCommand,
  type SessionLog,
} from "~/core/log/index.ts";
import {
  EntryRefused,
  openLogStore,
  type Entry,
  type LogStore,
  type UnreadableRow,
} from "./log-store.ts";
import { syncSession, type SyncOutcome } from "./sync.ts";

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
      readonly code: Extract<SyncOutcome, { kind: "refused" }>["code"];
      readonly count: number;
    }
  | { readonly kind: "notSaved"; readonly message: string };

const POLL_MS = 8000;

const now = (): Moment => ({ wall: Date.now(), steady: performance.now() });

/** Writes entries down, or says that it could not; what they are is decided on the log as it then stands. */
export type Append = (
  compose: (log: SessionLog) => readonly Entry[],
) => Promise<readonly Command[] | null>;

/**
 * The log of a session log on this device: what the server had when the page was loaded, what is kept here, and what
 * came in since. `append` resolves once the commands are committed here; sending them goes on by itself.
 */
export function useSessionLog(
  sessionLogId: Id<"sessionLog">,
  loaded: readonly OrderedCommand[],
  held: HeldSession,
) {
  const [store, setStore] = useState<LogStore | null>(null);
  const [entries, setEntries] = useState<readonly OrderedCommand[]>(loaded);
  const [unreadable, setUnreadable] = useState<readonly UnreadableRow[]>([]);
  const [trouble, setTrouble] = useState<Exclude<
    SaveState,
    { kind: "saved" | "kept" | "opening" }
  > | null>(null);
  const [link, setLink] = useState<"up" | "down" | "signedOut">("up");
  const [newestRevision, setNewestRevision] = useState<string | null>(null);
  const isGone = useRef(false);
  /** The store while it is being opened: what is pressed meanwhile waits for it. */
  const opening = useRef<Promise<LogStore> | null>(null);

  const show = useCallback(
    async (from: LogStore) => {
      const known = await from.load(sessionLogId);
      setEntries(known.entries);
      setUnreadable(known.unreadable);
    },
    [sessionLogId],
  );

  useEffect(() => {
    isGone.current = false;
    const opened = openLogStore().then(async (open) => {
      await open.merge(loaded);
      await open.keepSession(held);
      return open;
    });
    opening.current = opened;
    opened
      .then(async (open) => {
        if (isGone.current) return;
        await show(open);
        setStore(open);
      })
      .catch((error: unknown) => setTrouble({ kind: "notSaved", message: messageOf(error) }));
    return () => {
      isGone.current = true;
    };
  }, [loaded, held, show]);

  const send = useCallback(async () => {
    if (store === null) return;
    try {
      const outcome = await syncSession(store, sessionLogId);
      setLink(outcome.kind === "signedOut" ? "signedOut" : "up");
      if (outcome.kind === "refused") {
        const { entries: kept } = await store.load(sessionLogId);
        const count = kept.filter(({ position }) => position === null).length;
        setTrouble({ kind: "refused", code: outcome.code, count });
      } else {
        setTrouble((before) => (before?.kind === "refused" ? null : before));
      }
      if (outcome.kind === "saved") setNewestRevision(outcome.newestRevision);
    } catch {
      setLink("down");
    }
    await show(store).catch(() => undefined);
  }, [store, sessionLogId, show]);

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

  const log: SessionLog = useMemo(() => foldCommands(entries), [entries]);

  const append: Append = useCallback(
    async (compose) => {
      let made: readonly Command[];
      try {
        const open = store ?? (await opening.current);
        if (open === null) throw new Error("the device's store is not open");
        made = await open.append(sessionLogId, compose, instant(Date.now()));
        await show(open);
        setTrouble((before) => (before?.kind === "notSaved" ? null : before));
      } catch (error) {
        // What was refused was never taken for kept; whoever asked for it says so.
        if (error instanceof EntryRefused) throw error;
        setTrouble({ kind: "notSaved", message: messageOf(error) });
        return null;
      }
      void send();
      return made;
    },
    [sessionLogId, store, send, show],
  );

  const forgetRow = useCallback(
    async (id: string) => {
      if (store === null) return;
      await store.forgetRow(id);
      await show(store);
    },
    [store, show],
  );

  const seenAt = useSeenAt(entries);
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
    unreadable,
    append,
    forgetRow,
    send,
    saveState,
    newestRevision,
    seenAt,
    isOpen: store !== null,
  };
}

/**
 * When each command was first seen here, on both clocks. What was there when the page opened goes by the time
 * written down with it, where that is believable; null where it is not.
 */
function useSeenAt(entries: readonly OrderedCommand[]): (command: Id<"command">) => Moment | null {
  const [seen] = useState(() => new Map<Id<"command">, Moment | null>());
  const isFirst = useRef(true);
  useEffect(() => {
    const moment = now();
    for (const { command } of entries) {
      if (seen.has(command.commandId)) continue;
      seen.set(command.commandId, isFirst.current ? momentOf(command.at, moment) : moment);
    }
    if (entries.length > 0) isFirst.current = false;
  }, [entries, seen]);
  return useCallback((command) => seen.get(command) ?? null, [seen]);
}

function messageOf(error: unknown): string {
  return error instanceof Error ? error.message : String(error);
}
