import { openDB, type DBSchema, type IDBPDatabase } from "idb";
import { mintId } from "~/codec/mint.ts";
import { idCodec } from "~/codec/values.ts";
import { orderedCommandCodec } from "~/codec/command.ts";
import type { Id } from "~/core/identity/index.ts";
import type { Command, CommandBody, OrderedCommand } from "~/core/log/index.ts";

interface Schema extends DBSchema {
  commands: {
    key: string;
    value: { id: string; runId: string; entry: unknown };
    indexes: { run: string };
  };
  device: { key: "id"; value: unknown };
}

/**
 * The device's durable log: every command of the runs opened here, those the server has with their position.
 * What {@link LogStore.append} resolves with is committed to IndexedDB with strict durability.
 */
export interface LogStore {
  readonly device: Id<"device">;
  load(run: Id<"run">): Promise<readonly OrderedCommand[]>;
  append(
    run: Id<"run">,
    body: CommandBody,
    parent: Id<"command"> | null,
    at: number,
  ): Promise<Command>;
  /** Writes down what the server has; a command that was only here gets its position. */
  merge(commands: readonly OrderedCommand[]): Promise<void>;
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
  // Asks the browser not to clear this store when it runs short of room; it may still say no.
  void navigator.storage.persist().catch(() => false);
  const db = await openStore();
  const device = await deviceOf(db);
  return {
    device,
    load: async (run) => {
      const rows = await db.getAllFromIndex("commands", "run", run);
      return rows.map((row) => orderedCommandCodec.parse(row.entry));
    },
    append: async (run, body, parent, at) => {
      const tx = db.transaction("commands", "readwrite", STRICT);
      const rows = await tx.store.index("run").getAll(run);
      const seq = rows
        .map((row) => orderedCommandCodec.parse(row.entry).command)
        .filter((command) => command.device === device)
        .reduce((most, command) => Math.max(most, command.seq), 0);
      const command: Command = {
        commandId: mintId(),
        runId: run,
        device,
        seq: seq + 1,
        parent,
        at,
        body,
      };
      await tx.store.add({ id: command.commandId, runId: run, entry: { command, position: null } });
      await tx.done;
      return command;
    },
    merge: async (commands) => {
      const tx = db.transaction("commands", "readwrite", STRICT);
      await Promise.all(
        commands.map((entry) =>
          tx.store.put({ id: entry.command.commandId, runId: entry.command.runId, entry }),
        ),
      );
      await tx.done;
    },
  };
}

async function deviceOf(db: IDBPDatabase<Schema>): Promise<Id<"device">> {
  const tx = db.transaction("device", "readwrite", STRICT);
  const known = idCodec<"device">().safeParse(await tx.store.get("id"));
  const device = known.success ? known.data : mintId<"device">();
  if (!known.success) await tx.store.put(device, "id");
  await tx.done;
  return device;
}

/** Forgets what the server has, on signing out; what was not sent yet stays until it is. */
export async function forgetSent(): Promise<void> {
  const db = await openStore();
  const tx = db.transaction("commands", "readwrite", STRICT);
  for (const row of await tx.store.getAll()) {
    if (orderedCommandCodec.parse(row.entry).position !== null) await tx.store.delete(row.id);
  }
  await tx.done;
  db.close();
}
