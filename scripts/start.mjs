// Production: serves the build until told to end. Settings come from the environment, checked first.
import { existsSync } from "node:fs";
import { createServer } from "node:http";
import { join } from "node:path";
import { ROOT, stop } from "./ensure.mjs";

process.chdir(ROOT);
process.env.NODE_ENV ??= "production";
const entry = join(ROOT, "build", "server", "index.js");
if (!existsSync(entry)) stop("there is no build; run npm run build first.");
const { createApp, logger, openDatabase, readEnvironment } = await import(entry);

const settings = readEnvironment(process.env);
if (!settings.ok)
  stop(`these settings are not right:\n${settings.problems.map((p) => `  ${p}`).join("\n")}`);
const environment = settings.value;
const log = logger(environment);
const db = openDatabase(environment.DATABASE_URL);
const server = createServer(createApp(environment, db, log));
// A request that trickles in holds a socket for half a minute at most.
server.requestTimeout = 30_000;
server.headersTimeout = 15_000;

server.on("error", (error) => {
  if (error.code === "EADDRINUSE") stop(`port ${environment.PORT} is in use; set PORT to another.`);
  throw error;
});
server.listen(environment.PORT, environment.HOST, () =>
  log.info({ port: environment.PORT }, "listening"),
);

let ending = false;
/** Stops taking requests, lets those under way finish for a few seconds, then closes the pool. */
async function end() {
  if (ending) return;
  ending = true;
  const slow = setTimeout(() => server.closeAllConnections(), 5000);
  server.close(async () => {
    clearTimeout(slow);
    await db.destroy();
    process.exit(0);
  });
  server.closeIdleConnections();
}
process.on("SIGTERM", end);
process.on("SIGINT", end);
