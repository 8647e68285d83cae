// npm run bench: loaders against the bare SQL they need, core calculations against a structured clone,
// and the compressed JavaScript of a first load. Everything as a ratio or a size; nothing is asserted.
import { spawnSync } from "node:child_process";
import { readFileSync } from "node:fs";
import { createServer } from "node:http";
import { join } from "node:path";
import { gzipSync } from "node:zlib";
import { dropDatabase, freePort, startDatabase } from "./database.mjs";
import { grow } from "./bench-scale.mjs";
import { sheetKeys } from "./bench-sheet.mjs";
import { CHROMIUM_ARGS } from "./chromium.mjs";
import {
  ensureBuild,
  ensurePrograms,
  ensureNode,
  ensurePackages,
  ensureState,
  ROOT,
} from "./ensure.mjs";

ensureNode();
ensureState();
ensurePackages();
ensureBuild();
process.chdir(ROOT);
process.env.NODE_ENV = "production";
await dropDatabase("bench");
const database = await startDatabase("bench", ["kravo"]);
const url = database.urlOf("kravo");
const seeded = spawnSync("node_modules/.bin/tsx", ["scripts/seed.ts"], {
  env: { ...process.env, DATABASE_URL: url },
  stdio: "inherit",
});
if (seeded.status !== 0) process.exit(1);

const { createApp, openDatabase, readEnvironment, build } = await import(
  join(ROOT, "build/server/index.js")
);
const db = openDatabase(url);
const port = await freePort(4900);
const origin = `http://127.0.0.1:${port}`;
const environment = readEnvironment({
  NODE_ENV: "production",
  DATABASE_URL: url,
  PUBLIC_ORIGIN: origin,
  PORT: "0",
  LOG_LEVEL: "silent",
}).value;
let spent = 0;
let during = null;
for (const [id, route] of Object.entries(build.routes)) {
  const { loader } = route.module;
  if (loader === undefined || id === "root" || id === "routes/studio") continue;
  const timed = async (args) => {
    during = id;
    const begun = performance.now();
    try {
      return await loader(args);
    } finally {
      spent = performance.now() - begun;
      during = null;
    }
  };
  route.module = { ...route.module, loader: timed };
}
const server = createServer(createApp(environment, db));
await new Promise((resolve) => server.listen(port, "127.0.0.1", resolve));

/** What one typed character in the search takes until its answer stands on the page, on this machine. */
async function keystrokes() {
  const [executablePath] = ensurePrograms("chromium-headless-shell");
  const { chromium } = await import("@playwright/test");
  const browser = await chromium.launch({
    executablePath,
    args: CHROMIUM_ARGS,
  });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${origin}/sign-in`);
  await page.getByLabel("E-mail").fill("coach@kravo.example");
  await page.getByLabel("Password").fill("leg day demo");
  await page.getByRole("button", { name: "Sign in" }).click();
  await page.getByRole("heading", { name: "Today", exact: true }).waitFor();
  await page.goto(origin + pages.Bench);
  const search = page.getByRole("combobox", { name: "Search movements" });
  await search.waitFor();
  await page.waitForTimeout(1000);
  const taken = await search.evaluate((input) => {
    const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set;
    const words = ["curl", "hamstrings", "single leg", "calf raise", "squat", "adductors"];
    const times = [];
    for (let round = 0; round < 8; round++) {
      for (const word of words) {
        for (let n = 1; n <= word.length; n++) {
          const begun = performance.now();
          set.call(input, word.slice(0, n));
          input.dispatchEvent(new Event("input", { bubbles: true }));
          void document.body.offsetHeight; // the answer is laid out, too
          times.push(performance.now() - begun);
        }
        set.call(input, "");
        input.dispatchEvent(new Event("input", { bubbles: true }));
      }
    }
    return times.sort((a, b) => a - b);
  });
  const at = (share) => taken[Math.floor(taken.length * share)].toFixed(1);
  console.log(
    `\nA keystroke in the search, ms until laid out: median ${at(0.5)}, 95 % within ${at(0.95)} (${taken.length} typed)`,
  );
  await page.reload();
  await writtenLine(page);
  await sheetKeys(page, origin, pages.Phase);
  await browser.close();
}

/**
 * A letter in the written line, with the processor as it is and four times slower: until the letter is laid
 * out, and until the last of what follows from it stands elsewhere on the page.
 */
async function writtenLine(page) {
  for (let i = 0; i < 4; i++) {
    await page.getByRole("listbox", { name: "Movements" }).getByRole("option").first().click();
  }
  const line = page.getByLabel(/^Sets of .*, written$/).first();
  await page.waitForTimeout(1000);
  const throttle = await page.context().newCDPSession(page);
  for (const rate of [1, 4]) {
    await throttle.send("Emulation.setCPUThrottlingRate", { rate });
    const { letters, panels } = await line.evaluate(async (input) => {
      const set = Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, "value").set;
      const own = input.parentElement;
      let [any, elsewhere] = [0, 0];
      const watch = new MutationObserver((changes) => {
        any = performance.now();
        if (changes.some((change) => !own.contains(change.target))) elsewhere = any;
      });
      watch.observe(document.body, {
        subtree: true,
        childList: true,
        characterData: true,
        attributes: true,
      });
      const text =
        "ramp 8 at 40; 3 x 5-7 at 80 leave 2 rest 3:00 then 2 drops to 80% of first for 6";
      const [letters, panels] = [[], []];
      input.focus();
      for (let n = 1; n <= text.length; n++) {
        const begun = performance.now();
        [any, elsewhere] = [begun, 0];
        set.call(input, text.slice(0, n));
        input.dispatchEvent(new InputEvent("input", { bubbles: true }));
        void document.body.offsetHeight;
        letters.push(performance.now() - begun);
        while (performance.now() - any < 150 || performance.now() - begun < 500) {
          await new Promise((resolve) => setTimeout(resolve, 30));
        }
        if (elsewhere > 0) panels.push(elsewhere - begun);
      }
      watch.disconnect();
      return { letters: letters.sort((a, b) => a - b), panels: panels.sort((a, b) => a - b) };
    });
    const at = (list, share) => list[Math.floor(list.length * share)].toFixed(0);
    console.log(
      `A letter in the written line, ${rate === 1 ? "unthrottled" : `${rate} times slower`}, ms: itself median ${at(letters, 0.5)}, 95 % within ${at(letters, 0.95)}; panels median ${at(panels, 0.5)}, 95 % within ${at(panels, 0.95)}`,
    );
  }
}

const median = (list) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)];
async function time(work, runs = 60) {
  for (let i = 0; i < 10; i++) await work();
  const taken = [];
  for (let i = 0; i < runs; i++) {
    const begun = performance.now();
    await work();
    taken.push(performance.now() - begun);
  }
  return median(taken);
}

/**
 * A page's data and the bare SQL that it needs, by turns, so that whatever else this machine does meanwhile falls on
 * both. The ratio is the median of the pairs' own.
 */
async function turnAbout(bare, request, runs = 60) {
  const timed = { sql: [], loader: [], ratio: [], data: [] };
  for (let i = -10; i < runs; i++) {
    const begun = performance.now();
    await bare();
    const between = performance.now();
    await request();
    if (i < 0) continue;
    timed.sql.push(between - begun);
    timed.data.push(performance.now() - between);
    timed.loader.push(spent);
    timed.ratio.push(spent / (between - begun));
  }
  return Object.fromEntries(Object.entries(timed).map(([name, list]) => [name, median(list)]));
}

const form = new URLSearchParams({ email: "coach@kravo.example", password: "leg day demo" });
const signedIn = await fetch(`${origin}/sign-in`, {
  method: "POST",
  body: form,
  redirect: "manual",
  headers: { origin },
});
const cookie = signedIn.headers.get("set-cookie").split(";")[0];
const get = async (path) => (await fetch(origin + path, { headers: { cookie } })).text();
const hrefIn = async (path, pattern) => pattern.exec(await get(path))?.[0];
const person = await hrefIn("/people", /\/people\/[0-9a-f-]{36}/);
const pages = {
  Today: "/",
  People: "/people",
  Person: person,
  Gyms: "/gyms",
  Bench: await hrefIn("/", /\/plans\/[0-9a-f-]{36}/),
  Review: await hrefIn("/", /\/runs\/[0-9a-f-]{36}/),
  Floor: await hrefIn("/", /\/floor\/[0-9a-f-]{36}/),
  Phase: await phaseWithTargets(),
  Season: "/season",
};

/** The sheet of a phase that states targets, which has odds to work out. */
async function phaseWithTargets() {
  const people = (await get("/people")).matchAll(/\/people\/[0-9a-f-]{36}/g);
  for (const [path] of people) {
    const phase = await hrefIn(path, /\/phases\/[0-9a-f-]{36}/);
    if (phase !== undefined && (await get(phase)).includes('aria-label="Targets"')) return phase;
  }
  throw new Error("no phase of the demo states a target");
}

// Each page's own loader is timed where it runs; the framework around it is in the round trip.
console.log("Milliseconds, median of 60. Loader: the page's own, without sign-in and framework\n");
console.log("page      queries   bare SQL   loader   ratio   data request   rendering on top");
async function timePage(name, path) {
  const dataPath = path === "/" ? "/_root.data" : `${path}.data`;
  const queries = [];
  const note = (q) => {
    if (during !== null) queries.push([q.sql, q.bindings]);
  };
  db.on("query", note);
  await get(dataPath);
  db.removeListener("query", note);
  const bare = async () => {
    const connection = await db.client.acquireConnection();
    for (const [text, bindings] of queries) await connection.promise().query(text, bindings);
    await db.client.releaseConnection(connection);
  };
  const { sql, loader, ratio, data } = await turnAbout(bare, () => get(dataPath));
  const whole = await time(() => get(path), 30);
  const cell = (n, width) => n.toFixed(2).padStart(width);
  console.log(
    `${name.padEnd(10)}${String(queries.length).padStart(4)}${cell(sql, 13)}${cell(loader, 9)}${ratio.toFixed(1).padStart(8)}${cell(data, 14)}${cell(whole - data, 14)}`,
  );
  return loader;
}
for (const [name, path] of Object.entries(pages)) await timePage(name, path);

console.log("\nCompressed JavaScript on first load (gzip), kB");
const { assets } = build;
const client = (href) => readFileSync(join(ROOT, "build/client", href));
const sizes = new Map();
const sizeOf = (href) => {
  if (!sizes.has(href)) sizes.set(href, gzipSync(client(href)).length);
  return sizes.get(href);
};
for (const id of Object.keys(assets.routes).filter(
  (id) => !/sign-out|sync|not-found|plan-start|studio|root/.test(id),
)) {
  const chain = [];
  for (let at = assets.routes[id]; at !== undefined; at = assets.routes[at.parentId])
    chain.push(at);
  const files = new Set([
    assets.entry.module,
    ...assets.entry.imports,
    ...chain.flatMap((r) => [r.module, ...r.imports]),
  ]);
  const total = [...files].reduce((sum, href) => sum + sizeOf(href), 0);
  console.log(`${id.replace("routes/", "").padEnd(16)}${(total / 1000).toFixed(0).padStart(6)}`);
}
await keystrokes();
const grown = [];
for (const sets of [20_000, 1_000_000]) {
  const counts = await grow(db, { clients: 200, sets });
  console.log(
    `\n${counts.people} clients, ${counts.runs} sessions, ${counts.performed_parts} sets, ${counts.waiting} lines waiting`,
  );
  grown.push(await timePage("Today", "/"));
}
console.log(`Today from the first to the second: ${(grown[1] / grown[0]).toFixed(2)} times`);
server.close();
await db.destroy();
await database.stop();

const core = spawnSync("node_modules/.bin/tsx", ["tests/bench/core.ts"], { stdio: "inherit" });
process.exitCode = core.status ?? 1;
