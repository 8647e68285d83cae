// npm test: everything, each check counted; the last line is exactly "N passed, N failed".
// A runner that crashes, or that runs nothing, counts as failed.
import { spawn } from "node:child_process";
import { existsSync, mkdirSync, readFileSync, rmSync } from "node:fs";
import { join } from "node:path";
import {
  ensureBuild,
  ensureNode,
  ensurePackages,
  ensurePrograms,
  ensureState,
  ROOT,
  STATE,
} from "./ensure.mjs";

const isLong = process.argv.includes("--long");
ensureNode();
ensureState();
ensurePackages();
ensurePrograms("mariadbd", "mariadb-install-db", "chromium-headless-shell");

const env = {
  ...process.env,
  CI: process.env.CI ?? "",
  ...(isLong ? { KRAVO_RUNS: "5000", KRAVO_DB_RUNS: "100" } : {}),
};
const reports = join(STATE, "reports");
rmSync(reports, { recursive: true, force: true });
mkdirSync(reports, { recursive: true });

let passed = 0;
let failed = 0;
const begun = performance.now();

function count(name, ok, bad, since) {
  passed += ok;
  failed += bad;
  const took = Math.round((performance.now() - since) / 1000);
  console.log(
    `${bad === 0 ? "ok    " : "FAILED"} ${name}: ${ok} passed, ${bad} failed, in ${took} s`,
  );
}

function run(command, args, extra = {}) {
  const child = spawn(join(ROOT, "node_modules", ".bin", command), args, {
    cwd: ROOT,
    env: { ...env, ...extra },
    stdio: ["ignore", "pipe", "pipe"],
  });
  const output = [];
  child.stdout.on("data", (chunk) => output.push(chunk));
  child.stderr.on("data", (chunk) => output.push(chunk));
  return new Promise((resolve) => {
    const end = (status) => resolve({ status, output: Buffer.concat(output).toString("utf8") });
    child.on("error", () => end(1));
    child.on("close", end);
  });
}

/** A check that passes or fails as a whole. */
async function check(name, command, args) {
  const since = performance.now();
  const { status, output } = await run(command, args);
  if (status !== 0) console.log(output);
  count(name, status === 0 ? 1 : 0, status === 0 ? 0 : 1, since);
}

/** A test runner that writes a JSON report; no report, no test or an unexplained exit code is a failure. */
async function suite(name, command, args, report, read, extra = {}) {
  const since = performance.now();
  const { status, output } = await run(command, args, extra);
  const counted = existsSync(report)
    ? read(JSON.parse(readFileSync(report, "utf8")))
    : { ok: 0, bad: 0 };
  const isSilent = counted.ok + counted.bad === 0 || (status !== 0 && counted.bad === 0);
  if (status !== 0 || isSilent) console.log(output);
  count(name, counted.ok, counted.bad + (isSilent ? 1 : 0), since);
}

const vitest = (project) => {
  const report = join(reports, `${project}.json`);
  return suite(
    project,
    "vitest",
    [
      "run",
      "--project",
      project,
      "--reporter=default",
      "--reporter=json",
      `--outputFile.json=${report}`,
    ],
    report,
    (r) => ({
      ok: r.numPassedTests,
      bad:
        r.numFailedTests +
        r.testResults.filter(
          (file) => file.status === "failed" && file.assertionResults.length === 0,
        ).length,
    }),
  );
};

const layers = ["core", "codec", "format", "server", "app", "demo"];
await check("route types", "react-router", ["typegen"]);
// Two cores: the slowest check runs beside all the others.
await Promise.all([
  check("lint", "eslint", [".", "--max-warnings", "0"]),
  (async () => {
    await check("formatting", "prettier", ["--check", "--log-level", "warn", "."]);
    await check("types of core", "tsc", ["-p", "core/tsconfig.json"]);
    await check("types", "tsc", ["-p", "tsconfig.json"]);
    await check("types of the worker", "tsc", ["-p", "tsconfig.worker.json"]);
    await check("layers", "depcruise", ["--config", ".dependency-cruiser.cjs", ...layers]);
  })(),
]);
await vitest("unit");
await vitest("db");
ensureBuild();
const e2e = join(reports, "e2e.json");
await suite(
  "interface",
  "playwright",
  ["test", "--reporter=list,json"],
  e2e,
  (r) => ({ ok: r.stats.expected, bad: r.stats.unexpected + r.stats.flaky }),
  {
    PLAYWRIGHT_JSON_OUTPUT_NAME: e2e,
  },
);

console.log(`\nin ${Math.round((performance.now() - begun) / 1000)} s`);
process.exitCode = failed > 0 || passed === 0 ? 1 : 0;
console.log(`${passed} passed, ${failed} failed`);
