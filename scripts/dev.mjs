// npm run dev: the application with reloading, on the demo's database under another name.
import { spawnSync } from "node:child_process";
import { createServer } from "node:http";
import { join } from "node:path";
import { ensureNode, ensurePackages, ensureState, ROOT } from "./ensure.mjs";
import { freePort, startDatabase } from "./database.mjs";

ensureNode();
ensureState();
ensurePackages();
const database = await startDatabase("dev", ["kravo"]);
const DATABASE_URL = database.urlOf("kravo");
spawnSync(join(ROOT, "node_modules", ".bin", "tsx"), ["scripts/seed.ts"], {
  cwd: ROOT,
  env: { ...process.env, DATABASE_URL },
  stdio: "inherit",
});

const { createServer: createVite } = await import("vite");
const vite = await createVite({ server: { middlewareMode: true } });
const port = await freePort(4500);
const settings = {
  NODE_ENV: "development",
  DATABASE_URL,
  PUBLIC_ORIGIN: `http://127.0.0.1:${port}`,
  PORT: String(port),
  KRAVO_DEMO: "1",
  LOG_LEVEL: "warn",
};
const { default: express } = await import("express");
const outer = express();
outer.use(vite.middlewares);
let pool = null;
outer.use(async (req, res, next) => {
  try {
    const { createApp, openDatabase, readEnvironment } =
      await vite.ssrLoadModule("./server/app.ts");
    const environment = readEnvironment(settings).value;
    pool ??= openDatabase(DATABASE_URL);
    createApp(environment, pool)(req, res, next);
  } catch (error) {
    vite.ssrFixStacktrace(error);
    next(error);
  }
});
const server = createServer(outer).listen(port, "127.0.0.1", () =>
  console.log(`\n  Kravo in development at http://127.0.0.1:${port}\n`),
);
process.on("SIGINT", async () => {
  server.closeAllConnections();
  server.close();
  await pool?.destroy();
  await vite.close();
  await database.stop();
  process.exit(0);
});
