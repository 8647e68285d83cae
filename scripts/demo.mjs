// npm run demo: everything from nothing to a served demo, and a clean end on Ctrl-C.
import { spawn, spawnSync } from "node:child_process";
import { existsSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { dropDatabase, freePort, isAlive, isListening, sleep, startDatabase } from "./database.mjs";
import {
  ensureBuild,
  ensureNode,
  ensurePackages,
  ensureState,
  ROOT,
  STATE,
  stop,
} from "./ensure.mjs";

const FIRST_PORT = 4600;
const args = process.argv.slice(2);
const unknown = args.filter((arg) => arg !== "--reset");
if (unknown.length > 0)
  stop(`unknown option ${unknown.join(" ")}; there is only --reset, which makes the demo afresh.`);

ensureNode();
ensureState();
const lock = join(STATE, "demo.lock");
takeLock();
process.on("exit", () => rmSync(lock, { force: true }));

const appPid = join(STATE, "demo-app.pid");
let app = null;
let database = null;
let ending = false;
async function end(code) {
  if (ending) return;
  ending = true;
  if (app !== null && app.exitCode === null) {
    app.kill("SIGTERM");
    for (let i = 0; i < 80 && app.exitCode === null; i++) await sleep(100);
    if (app.exitCode === null) app.kill("SIGKILL");
  }
  await database?.stop();
  process.exit(code);
}
process.on("SIGINT", () => {
  console.log("\nStopping …");
  void end(0);
});
process.on("SIGTERM", () => void end(0));

ensurePackages();
if (args.includes("--reset")) await dropDatabase("demo");
database = await startDatabase("demo", ["kravo"]);
ensureBuild();

const env = { ...process.env, DATABASE_URL: database.urlOf("kravo") };
const seeded = spawnSync(join(ROOT, "node_modules", ".bin", "tsx"), ["scripts/seed.ts"], {
  cwd: ROOT,
  env,
  encoding: "utf8",
});
if (seeded.status !== 0) {
  console.error(`\nKravo: seeding the demo failed:\n${seeded.stdout}\n${seeded.stderr}\n`);
  await end(1);
}
process.stdout.write(seeded.stdout);

await endLeftoverApp();
const port = await freePort(FIRST_PORT);
if (port !== FIRST_PORT) console.log(`Port ${FIRST_PORT} is busy; using ${port}.`);
const origin = `http://127.0.0.1:${port}`;
app = spawn(process.execPath, [join(ROOT, "scripts", "start.mjs")], {
  cwd: ROOT,
  stdio: ["ignore", "ignore", "inherit"],
  detached: true,
  env: {
    ...env,
    NODE_ENV: "production",
    PUBLIC_ORIGIN: origin,
    PORT: String(port),
    KRAVO_DEMO: "1",
    LOG_LEVEL: "warn",
  },
});
writeFileSync(appPid, String(app.pid));
app.on("exit", (code) => {
  if (ending) return;
  console.error(`\nKravo: the application ended with code ${code}.\n`);
  void end(1);
});
for (let i = 0; !(await isListening(port)); i++) {
  if (i > 200) stop("the application did not begin to listen.");
  await sleep(100);
}
console.log(
  `\n  Kravo's demo runs at  ${origin}\n  Sign in as            coach@kravo.example\n  with the password     leg day demo\n\n  Ctrl-C stops it; the data stays. npm run demo -- --reset makes it afresh.\n`,
);

function takeLock() {
  try {
    writeFileSync(lock, String(process.pid), { flag: "wx" });
    return;
  } catch (error) {
    if (error.code !== "EEXIST") throw error;
  }
  const holder = Number(existsSync(lock) ? readFileSync(lock, "utf8") : "");
  if (Number.isInteger(holder) && holder > 1 && isAlive(holder) && runs(holder, "demo.mjs")) {
    console.error(
      `\nKravo: the demo is running already, or starting (process ${holder}). Stop that one first.\n`,
    );
    process.exit(1);
  }
  rmSync(lock, { force: true });
  takeLock();
}

/** Ends an application that an earlier demo, killed since, left serving a database that is gone. */
async function endLeftoverApp() {
  const pid = Number(existsSync(appPid) ? readFileSync(appPid, "utf8") : "");
  if (!Number.isInteger(pid) || pid < 2 || !isAlive(pid) || !runs(pid, "start.mjs")) return;
  process.kill(pid, "SIGTERM");
  for (let i = 0; i < 80 && isAlive(pid); i++) await sleep(100);
}

function runs(pid, script) {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, "utf8").includes(script);
  } catch {
    return false;
  }
}
