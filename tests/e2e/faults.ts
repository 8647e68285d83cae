import { createServer, request, type Server } from "node:http";
import type { Page } from "@playwright/test";
import type { Knex } from "knex";
import { openDatabase } from "~/server/db/connection.server.ts";
import { freePort } from "../../scripts/database.mjs";

/** A proxy in front of a server, as a gym's operator would have one; it can say that the server is gone. */
export class Proxy {
  #server: Server | null = null;
  isDown = false;
  /** Takes requests and answers none. */
  isStuck = false;

  private constructor(
    readonly port: number,
    readonly to: number,
  ) {}

  static async before(to: number): Promise<Proxy> {
    const proxy = new Proxy(await freePort(0), to);
    proxy.#server = createServer((near, answer) => {
      if (proxy.isStuck) return;
      if (proxy.isDown) {
        answer.writeHead(502, { "content-type": "text/html" }).end("<h1>502 Bad Gateway</h1>");
        return;
      }
      const far = request(
        { port: proxy.to, path: near.url, method: near.method, headers: near.headers },
        (from) => {
          answer.writeHead(from.statusCode ?? 502, from.headers);
          from.pipe(answer);
        },
      );
      far.on("error", () => {
        if (!answer.headersSent) answer.writeHead(502);
        answer.end();
      });
      near.pipe(far);
    });
    await new Promise<void>((resolve) => proxy.#server?.listen(proxy.port, "127.0.0.1", resolve));
    return proxy;
  }

  get origin(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  async close(): Promise<void> {
    this.#server?.closeAllConnections();
    await new Promise((resolve) => this.#server?.close(resolve));
  }
}

/** Everything that belongs to one studio, in an order in which it can be put back. Sign-ins stay as they are. */
const TABLES = [
  "people",
  "briefs",
  "measurements",
  "approaches",
  "movements",
  "gyms",
  "stations",
  "station_versions",
  "templates",
  "plans",
  "plan_revisions",
  "dismissals",
  "runs",
  "commands",
  "performed_exercises",
  "performed_parts",
  "pains",
  "rulings",
  "waiting",
  "put_off",
  "strength_rules",
  "studio_settings",
  "erased_people",
  "erased_runs",
] as const;

export type Backup = ReadonlyMap<string, readonly Record<string, unknown>[]>;

/** Backups of one studio, which stands for the whole database of others that go on meanwhile. */
export class Backups {
  private constructor(
    readonly db: Knex,
    readonly studio: Buffer,
  ) {}

  static async of(databaseUrl: string, email: string): Promise<Backups> {
    const db = openDatabase(databaseUrl);
    const row = (await db("users")
      .join("memberships", "memberships.user_id", "users.id")
      .where({ email })
      .first("memberships.studio_id")) as { studio_id: Buffer };
    return new Backups(db, row.studio_id);
  }

  async take(): Promise<Backup> {
    const backup = new Map<string, readonly Record<string, unknown>[]>();
    await this.db.transaction(async (trx) => {
      for (const table of TABLES) {
        backup.set(table, (await trx(table).where({ studio_id: this.studio })) as never[]);
      }
    });
    return backup;
  }

  async restore(backup: Backup): Promise<void> {
    await this.db.transaction(async (trx) => {
      await trx.raw("set foreign_key_checks = 0");
      for (const table of TABLES.toReversed())
        await trx(table).where({ studio_id: this.studio }).delete();
      for (const [table, rows] of backup) {
        if (rows.length > 0) await trx(table).insert(rows.map(asInserted));
      }
      await trx.raw("set foreign_key_checks = 1");
    });
  }

  async close(): Promise<void> {
    await this.db.destroy();
  }
}

/** A column that the database works out itself. */
const WORKED_OUT = "is_open";

/** A row as it is inserted: the driver hands JSON over as values and takes it as text. */
function asInserted(row: Readonly<Record<string, unknown>>): Record<string, unknown> {
  return Object.fromEntries(
    Object.entries(row).flatMap(([column, value]) => {
      if (column === WORKED_OUT) return [];
      const isJson = typeof value === "object" && value !== null && !Buffer.isBuffer(value);
      return [[column, isJson ? JSON.stringify(value) : value]];
    }),
  );
}

/** A row that a version before this one left behind on the floor page's device, unsent and unreadable. */
export async function leaveOldNote(page: Page): Promise<void> {
  await page.evaluate(async () => {
    const opened = await new Promise<IDBDatabase>((resolve, reject) => {
      const asked = indexedDB.open("kravo-floor");
      asked.onsuccess = () => resolve(asked.result);
      asked.onerror = () => reject(new Error("no store"));
    });
    const tx = opened.transaction(["commands", "device"], "readwrite");
    const ask = <T>(what: IDBRequest<T>) =>
      new Promise<T>((resolve) => (what.onsuccess = () => resolve(what.result)));
    const device: unknown = await ask(tx.objectStore("device").get("id"));
    const runId = location.pathname.split("/").at(-1) ?? "";
    const rows = (await ask(tx.objectStore("commands").index("run").getAll(runId))) as {
      entry: { command: { device: unknown; seq: number } };
    }[];
    const own = rows.filter((row) => row.entry.command.device === device);
    const seq = Math.max(0, ...own.map((row) => row.entry.command.seq)) + 1;
    const id = crypto.randomUUID().replace(/^(.{14})./, "$17");
    const body = { kind: "note", slotId: null, text: "x".repeat(4500) };
    const command = { commandId: id, runId, device, seq, parent: null, at: Date.now(), body };
    await ask(tx.objectStore("commands").put({ id, runId, entry: { command, position: null } }));
    opened.close();
  });
}
