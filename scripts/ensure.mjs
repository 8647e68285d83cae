// What a fresh machine lacks: npm packages from the lock file, programs from Debian's packages.
// Runs before anything is installed, so it uses Node alone.
import { execFileSync, spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { join } from "node:path";

export const ROOT = join(import.meta.dirname, "..");
export const STATE = join(ROOT, ".kravo");

/** Says what was wrong and what to do, and ends the process. */
export function stop(message) {
  console.error(`\nKravo: ${message}\n`);
  process.exit(1);
}

export function ensureNode() {
  const [major, minor] = process.versions.node.split(".").map(Number);
  if (major < 20 || (major === 20 && minor < 19))
    stop(`Node 20.19 or newer is needed; this is ${process.versions.node}.`);
}

/** Installs npm packages when the lock file is another one than was installed last. */
export function ensurePackages() {
  const stamp = join(ROOT, "node_modules", ".kravo-lock");
  const lock = createHash("sha256")
    .update(readFileSync(join(ROOT, "package-lock.json")))
    .digest("hex");
  if (existsSync(stamp) && readFileSync(stamp, "utf8") === lock) return;
  console.log("Installing npm packages from the lock file …");
  const done = spawnSync("npm", ["ci", "--ignore-scripts", "--no-audit", "--no-fund"], {
    cwd: ROOT,
    stdio: ["ignore", "ignore", "inherit"],
  });
  if (done.status !== 0) stop("npm ci failed; what it said stands above.");
  writeFileSync(stamp, lock);
}

const PROGRAMS = {
  mariadbd: {
    packages: ["mariadb-server-core", "mariadb-client"],
    paths: ["/usr/sbin/mariadbd", "/usr/bin/mariadbd"],
  },
  "mariadb-install-db": {
    packages: ["mariadb-server-core", "mariadb-client"],
    paths: ["/usr/bin/mariadb-install-db"],
  },
  // Debian's Chromium without the windows that nobody sees: the same pages in four fifths of the time.
  "chromium-headless-shell": {
    packages: ["chromium-headless-shell"],
    paths: ["/usr/bin/chromium-headless-shell"],
  },
};

/** Where a program is; installs its Debian package when it is missing and we may. */
export function ensurePrograms(...names) {
  const lacking = names.filter((name) => pathOf(name) === null);
  if (lacking.length > 0) {
    const packages = [...new Set(lacking.flatMap((name) => PROGRAMS[name].packages))];
    const commands = `apt-get update && apt-get install -y --no-install-recommends ${packages.join(" ")}`;
    if (process.getuid?.() !== 0)
      stop(
        `${lacking.join(" and ")} missing. Run this, then start again:\n\n  sudo sh -c '${commands}'`,
      );
    console.log(`Installing ${packages.join(", ")} from Debian's packages …`);
    const env = { ...process.env, DEBIAN_FRONTEND: "noninteractive" };
    for (const args of [
      ["update", "-q"],
      ["install", "-y", "-q", "--no-install-recommends", ...packages],
    ]) {
      const done = spawnSync("apt-get", args, { env, encoding: "utf8" });
      if (done.status !== 0) stop(`apt-get ${args.join(" ")} failed:\n${done.stderr}`);
    }
  }
  return names.map(
    (name) => pathOf(name) ?? stop(`${name} is still missing after its package was installed.`),
  );
}

function pathOf(name) {
  const known = PROGRAMS[name].paths.find((path) => existsSync(path));
  if (known !== undefined) return known;
  try {
    return execFileSync("sh", ["-c", `command -v ${name}`], { encoding: "utf8" }).trim() || null;
  } catch {
    return null;
  }
}

const SOURCES = [
  "app",
  "core",
  "codec",
  "format",
  "server",
  "public",
  "package-lock.json",
  "vite.config.ts",
  "react-router.config.ts",
  "scripts/build.mjs",
];

/** A fingerprint of everything that the build is made from. */
export function sourceFingerprint() {
  const hash = createHash("sha256");
  const visit = (path) => {
    const stat = statSync(join(ROOT, path));
    if (stat.isDirectory())
      for (const name of readdirSync(join(ROOT, path)).sort()) visit(join(path, name));
    else if (!path.endsWith(".test.ts")) hash.update(path).update(readFileSync(join(ROOT, path)));
  };
  SOURCES.forEach(visit);
  return hash.digest("hex");
}

/** Builds when the sources are not those of the last build. */
export function ensureBuild() {
  const stamp = join(ROOT, "build", ".fingerprint");
  const now = sourceFingerprint();
  if (existsSync(stamp) && readFileSync(stamp, "utf8") === now) return;
  console.log("Building …");
  const done = spawnSync(process.execPath, ["scripts/build.mjs"], { cwd: ROOT, encoding: "utf8" });
  if (done.status !== 0) stop(`the build failed:\n${done.stdout}\n${done.stderr}`);
  writeFileSync(stamp, now);
}

export function ensureState() {
  mkdirSync(STATE, { recursive: true, mode: 0o700 });
}
