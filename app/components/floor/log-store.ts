import { openDB, type DBSchema, type IDBPDatabase } from "idb";
import { newId } from "~/codec/new-id.ts";
import { commandCodec, orderedCommandCodec } from "~/codec/command.ts";
import { heldSessionCodec, type HeldSession } from "~/codec/hand-in.ts";
import { isId, type Id, idField, type Instant } from "~/core/kernel/index.ts";
import {
  foldCommands,
  parentFor,
  type Command,
  type CommandBody,
  type OrderedCommand,
  type SessionLog,
} from "~/core/log/index.ts";

/** A row as it stands in the store: its entry is unknown until it was read. */
interface StoredRow {
  readonly id: string;
  readonly runId: string;
  readonly entry: unknown;
  /** Could not be read, and is kept aside so that it stops nothing. */
  readonly setApart?: boolean;
}

interface Schema extends DBSchema {
  commands: { key: string; value: StoredRow; indexes: { run: string } };
  /** The device's id under "id", and what is held of each session under "session:" and its session log. */
  device: { key: string; value: unknown };
}

/** Something to write down; without a parent of its own it supersedes what stands about its subject. */
export interface Entry {
  readonly body: CommandBody;
  readonly parent?: Id<"command">;
}

/** A row that cannot be read, with whatever text a person can still take from it. */
export interface UnreadableRow {
  readonly id: string;
  readonly text: string;
}

/** What a device holds of a session log. */
export interface DeviceLog {
  readonly entries: readonly OrderedCommand[];
  readonly unreadable: readonly UnreadableRow[];
}

/** A command that no store would take: something in it is too long or out of bounds. Nothing was written. */
export class EntryRefused extends Error {}

/**
 * The device's durable log: every command of the session logs opened here, those the server has with their position.
 * What {@link LogStore.append} resolves with is committed to IndexedDB with strict durability.
 */
export interface LogStore {
  readonly device: Id<"device">;
  load(sessionLogId: Id<"sessionLog">): Promise<DeviceLog>;
  /**
   * Writes down what `compose` makes of the log as it stands, all or nothing, in one transaction: two taps or
   * two tabs see each other. Throws {@link EntryRefused} before anything is written.
   */
  append(
    sessionLogId: Id<"sessionLog">,
    compose: (log: SessionLog) => readonly Entry[],
    at: Instant,
  ): Promise<readonly Command[]>;
  /** Writes down what the server has; a command that was only here gets its position. */
  merge(commands: readonly OrderedCommand[]): Promise<void>;
  /** Takes back the position of every command that the server turns out not to have, so that it is sent again. */
  unsend(sessionLogId: Id<"sessionLog">, onServer: ReadonlySet<Id<"command">>): Promise<void>;
  /** Numbers this device's unsent commands anew from a sequence on; false where that changes nothing. */
  renumber(sessionLogId: Id<"sessionLog">, from: number): Promise<boolean>;
  keepSession(held: HeldSession): Promise<void>;
  sessionOf(sessionLogId: Id<"sessionLog">): Promise<HeldSession | null>;
  /** Every session log of which anything is held. */
  sessionLogIds(): Promise<readonly Id<"sessionLog">[]>;
  /** Forgets a session log with all that is held of it. */
  forget(sessionLogId: Id<"sessionLog">): Promise<void>;
  forgetRow(id: string): Promise<void>;
  close(): void;
}

const STRICT = { durability: "strict" } as const;

function openStore(): Promise<IDBPDatabase<Schema>> {
  return openDB<Schema>("kravo-floor", 1, {
    upgrade(fresh) {
      fresh.createObjectStore("commands", { keyPath: "id" }).createIndex("run", "runId");
      fresh.createObjectStore("device");
    },
  });
}

export async function openLogStore(): Promise<LogStore> {
  await askForRoom();
  const db = await openStore();
  const device = await deviceOf(db);
  return {
    device,
    load: async (sessionLogId) => {
      const rows = await db.getAllFromIndex("commands", "run", sessionLogId);
      if (!rows.some((row) => row.setApart !== true && readRow(row) === null)) return logOf(rows);
      await setApart(db, device, sessionLogId);
      return logOf(await db.getAllFromIndex("commands", "run", sessionLogId));
    },
    append: async (sessionLogId, compose, at) => {
      const tx = db.transaction("commands", "readwrite", STRICT);
      const known = logOf(await tx.store.index("run").getAll(sessionLogId)).entries;
      const made: Command[] = [];
      for (const { body, parent } of compose(foldCommands(known))) {
        const entries = [...known, ...made.map((command) => ({ command, position: null }))];
        const said: Command = {
          commandId: newId(),
          runId: sessionLogId,
          device,
          seq: lastSeq(entries, device) + 1,
          parent: parent ?? parentFor(foldCommands(entries), body),
          at,
          body,
        };
        const checked = commandCodec.safeParse(said);
        if (!checked.success) {
          tx.abort();
          await tx.done.catch(() => undefined);
          throw new EntryRefused(checked.error.issues[0]?.message ?? "it cannot be kept");
        }
        made.push(checked.data);
      }
      for (const command of made) {
        await tx.store.add({
          id: command.commandId,
          runId: sessionLogId,
          entry: { command, position: null },
        });
      }
      await tx.done;
      return made;
    },
    merge: async (commands) => {
      const tx = db.transaction("commands", "readwrite", STRICT);
      for (const entry of commands) {
        await tx.store.put({ id: entry.command.commandId, runId: entry.command.runId, entry });
      }
      await tx.done;
    },
    unsend: async (sessionLogId, onServer) => {
      await changeEntries(db, sessionLogId, ({ command, position }) =>
        position === null || onServer.has(command.commandId) ? null : { command, position: null },
      );
    },
    renumber: async (sessionLogId, from) => {
      const unsent = logOf(await db.getAllFromIndex("commands", "run", sessionLogId))
        .entries.filter(({ command, position }) => position === null && command.device === device)
        .map(({ command }) => command)
        .toSorted((a, b) => a.seq - b.seq);
      const seqs = new Map(unsent.map((command, i) => [command.commandId, from + i]));
      return changeEntries(db, sessionLogId, ({ command, position }) => {
        const seq = seqs.get(command.commandId);
        return seq === undefined || seq === command.seq
          ? null
          : { command: { ...command, seq }, position };
      });
    },
    keepSession: async (held) => {
      await db.put("device", held, sessionKey(held.run.id));
    },
    sessionOf: async (sessionLogId) => {
      const read = heldSessionCodec.safeParse(await db.get("device", sessionKey(sessionLogId)));
      return read.success ? read.data : null;
    },
    sessionLogIds: async () => {
      const keys = await db.getAllKeysFromIndex("commands", "run");
      const rows = await Promise.all(keys.map((key) => db.get("commands", key)));
      const named = new Set(rows.map((row) => row?.runId ?? ""));
      return [...named].filter((id): id is Id<"sessionLog"> => isId<"sessionLog">(id));
    },
    forget: async (sessionLogId) => {
      const tx = db.transaction(["commands", "device"], "readwrite", STRICT);
      const commands = tx.objectStore("commands");
      for (const key of await commands.index("run").getAllKeys(sessionLogId))
        await commands.delete(key);
      await tx.objectStore("device").delete(sessionKey(sessionLogId));
      await tx.done;
    },
    forgetRow: async (id) => {
      await db.delete("commands", id);
    },
    close: () => db.close(),
  };
}

/** Asks the browser not to clear this store when it runs short of room; it may say no, or know no such thing. */
async function askForRoom(): Promise<void> {
  const storage = (navigator as { readonly storage?: Partial<StorageManager> }).storage;
  await storage?.persist?.().catch(() => false);
}

const sessionKey = (sessionLogId: Id<"sessionLog">) => `session:${sessionLogId}`;

/** A row's entry, or null where it is none. */
function readRow(row: StoredRow): OrderedCommand | null {
  const read = orderedCommandCodec.safeParse(row.entry);
  return read.success ? read.data : null;
}

function logOf(rows: readonly StoredRow[]): DeviceLog {
  const entries: OrderedCommand[] = [];
  const unreadable: UnreadableRow[] = [];
  for (const row of rows) {
    const entry = row.setApart === true ? null : readRow(row);
    if (entry === null) unreadable.push({ id: row.id, text: textIn(row.entry) });
    else entries.push(entry);
  }
  return { entries, unreadable };
}

/** Whatever a person wrote in an entry that cannot be read, or what there is of it. */
function textIn(entry: unknown): string {
  const found: string[] = [];
  JSON.stringify(entry, (key, value: unknown) => {
    if (
      ["text", "note", "reason", "why"].includes(key) &&
      typeof value === "string" &&
      value !== ""
    )
      found.push(value);
    return value;
  });
  return found.length > 0 ? found.join("\n") : JSON.stringify(entry ?? null).slice(0, 2000);
}

function lastSeq(entries: readonly OrderedCommand[], device: Id<"device">): number {
  return entries.reduce(
    (most, { command }) => (command.device === device ? Math.max(most, command.seq) : most),
    0,
  );
}

/**
 * Keeps rows that cannot be read aside, and closes the gap that those of this device leave in its sequence:
 * what came after one that was never sent is numbered anew, or the server would wait for it for good.
 */
async function setApart(
  db: IDBPDatabase<Schema>,
  device: Id<"device">,
  sessionLogId: Id<"sessionLog">,
): Promise<void> {
  const tx = db.transaction("commands", "readwrite", STRICT);
  const rows = await tx.store.index("run").getAll(sessionLogId);
  const readable = rows.flatMap((row) => {
    const entry = row.setApart === true ? null : readRow(row);
    return entry === null ? [] : [entry];
  });
  for (const row of rows) {
    if (row.setApart !== true && readRow(row) === null)
      await tx.store.put({ ...row, setApart: true });
  }
  const own = readable.filter(({ command }) => command.device === device);
  let seq = lastSeq(
    own.filter(({ position }) => position !== null),
    device,
  );
  for (const { command } of own
    .filter(({ position }) => position === null)
    .toSorted((a, b) => a.command.seq - b.command.seq)) {
    seq += 1;
    await tx.store.put({
      id: command.commandId,
      runId: sessionLogId,
      entry: { command: { ...command, seq }, position: null },
    });
  }
  await tx.done;
}

/** Rewrites the entries for which `change` gives another one; true where any was. */
async function changeEntries(
  db: IDBPDatabase<Schema>,
  sessionLogId: Id<"sessionLog">,
  change: (entry: OrderedCommand) => OrderedCommand | null,
): Promise<boolean> {
  const tx = db.transaction("commands", "readwrite", STRICT);
  let isChanged = false;
  for (const row of await tx.store.index("run").getAll(sessionLogId)) {
    const entry = row.setApart === true ? null : readRow(row);
    const next = entry && change(entry);
    if (next === null) continue;
    isChanged = true;
    await tx.store.put({ ...row, entry: next });
  }
  await tx.done;
  return isChanged;
}

async function deviceOf(db: IDBPDatabase<Schema>): Promise<Id<"device">> {
  const tx = db.transaction("device", "readwrite", STRICT);
  const known = idField("device").safeParse(await tx.store.get("id"));
  const device = known.success ? known.data : newId<"device">();
  if (!known.success) await tx.store.put(device, "id");
  await tx.done;
  return device;
}

/** Forgets what the server has, on signing out; what was not sent yet stays until it is, with its session. */
export async function forgetSent(): Promise<void> {
  const db = await openStore();
  const tx = db.transaction(["commands", "device"], "readwrite", STRICT);
  const commands = tx.objectStore("commands");
  const waiting = new Set<string>();
  for (const row of await commands.getAll()) {
    if (isSent(row.entry)) await commands.delete(row.id);
    else waiting.add(row.runId);
  }
  const device = tx.objectStore("device");
  for (const key of await device.getAllKeys()) {
    if (key.startsWith("session:") && !waiting.has(key.slice("session:".length)))
      await device.delete(key);
  }
  await tx.done;
  db.close();
}

/** Looks at the position alone, so that a row which cannot be read is no obstacle. */
function isSent(entry: unknown): boolean {
  return (
    typeof entry === "object" &&
    entry !== null &&
    "position" in entry &&
    typeof entry.position === "number"
  );
}
