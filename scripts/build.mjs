// Builds the application, then the service worker with the list of what it keeps for the floor, and compresses
// what is served as a file once, as well as it can be.
import { spawnSync } from "node:child_process";
import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { brotliCompressSync, constants, gzipSync } from "node:zlib";
import { build } from "vite";
import { injectManifest } from "workbox-build";
import { ROOT } from "./ensure.mjs";

const client = join(ROOT, "build", "client");
const done = spawnSync(join(ROOT, "node_modules", ".bin", "react-router"), ["build"], {
  cwd: ROOT,
  stdio: "inherit",
  env: { ...process.env, NODE_ENV: "production" },
});
if (done.status !== 0) process.exit(done.status ?? 1);

await build({
  configFile: false,
  logLevel: "warn",
  root: ROOT,
  publicDir: false,
  define: { "process.env.NODE_ENV": '"production"' },
  build: {
    outDir: join(ROOT, "build", "worker"),
    lib: {
      entry: join(ROOT, "app/workers/service-worker.ts"),
      formats: ["es"],
      fileName: () => "service-worker.js",
    },
  },
});
const { count, size, warnings } = await injectManifest({
  swSrc: join(ROOT, "build", "worker", "service-worker.js"),
  swDest: join(client, "service-worker.js"),
  globDirectory: client,
  globPatterns: ["assets/*.{js,css}", "assets/*-latin-wght-normal-*.woff2", "mark.svg"],
  // Nothing is suggested without a network.
  globIgnores: ["assets/suggest-worker-*"],
  dontCacheBustURLsMatching: /^assets\//,
});
for (const warning of warnings) console.warn(warning);
console.log(`service worker keeps ${count} files, ${Math.round(size / 1024)} kB`);

for (const path of readdirSync(client, { recursive: true })) {
  if (!/\.(js|css|svg|wasm|webmanifest)$/.test(path)) continue;
  const content = readFileSync(join(client, path));
  const params = { [constants.BROTLI_PARAM_QUALITY]: constants.BROTLI_MAX_QUALITY };
  writeFileSync(join(client, `${path}.br`), brotliCompressSync(content, { params }));
  writeFileSync(join(client, `${path}.gz`), gzipSync(content, { level: 9 }));
}
