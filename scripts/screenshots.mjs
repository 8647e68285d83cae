// npm run screenshots: remakes docs/screenshots from the demo at a fixed moment, in headless Chromium.
import { spawn, spawnSync } from "node:child_process";
import { mkdirSync } from "node:fs";
import { join } from "node:path";
import { CHROMIUM_ARGS } from "./chromium.mjs";
import { dropDatabase, freePort, isListening, sleep, startDatabase } from "./database.mjs";
import {
  ensureBuild,
  ensureNode,
  ensurePackages,
  ensurePrograms,
  ensureState,
  ROOT,
} from "./ensure.mjs";

const NOW = "2026-11-25T17:02:30.000Z";
ensureNode();
ensureState();
ensurePackages();
const [executablePath] = ensurePrograms("chromium-headless-shell");
ensureBuild();
await dropDatabase("pictures");
const database = await startDatabase("pictures", ["kravo"]);
const port = await freePort(4800);
const origin = `http://127.0.0.1:${port}`;
const env = {
  ...process.env,
  DATABASE_URL: database.urlOf("kravo"),
  KRAVO_FIXED_NOW: NOW,
  NODE_ENV: "production",
  PUBLIC_ORIGIN: origin,
  PORT: String(port),
  KRAVO_DEMO: "1",
  LOG_LEVEL: "warn",
};
const seeded = spawnSync(join(ROOT, "node_modules/.bin/tsx"), ["scripts/seed.ts"], {
  cwd: ROOT,
  env,
  stdio: "inherit",
});
if (seeded.status !== 0) process.exit(1);
const app = spawn(process.execPath, [join(ROOT, "scripts/start.mjs")], {
  cwd: ROOT,
  env,
  stdio: ["ignore", "ignore", "inherit"],
});
while (!(await isListening(port))) await sleep(100);

const { chromium } = await import("@playwright/test");
const browser = await chromium.launch({
  executablePath,
  args: CHROMIUM_ARGS,
});
const page = await (
  await browser.newContext({
    viewport: { width: 1280, height: 800 },
    locale: "en-GB",
    timezoneId: "Europe/Vienna",
    reducedMotion: "reduce",
  })
).newPage();
await page.clock.setFixedTime(new Date(NOW));
const out = join(ROOT, "docs", "screenshots");
mkdirSync(out, { recursive: true });
const shoot = async (name, { path, width = 1280, height = 800, scheme = "light" } = {}) => {
  await page.setViewportSize({ width, height });
  await page.emulateMedia({ colorScheme: scheme });
  if (path !== undefined) await page.goto(origin + path, { waitUntil: "networkidle" });
  await page.waitForTimeout(400);
  await page.screenshot({ path: join(out, `${name}.png`) });
  console.log(`docs/screenshots/${name}.png`);
};
/** A date so many days after the fixed moment. */
const inDays = (days) =>
  new Date(new Date(NOW).getTime() + days * 86_400_000).toISOString().slice(0, 10);
const hrefOf = async (at, selector) => {
  await page.goto(origin + at);
  return page.locator(selector).first().getAttribute("href");
};

await page.goto(`${origin}/sign-in`);
await page.getByLabel("E-mail").fill("coach@kravo.example");
await page.getByLabel("Password").fill("leg day demo");
await page.getByRole("button", { name: "Sign in" }).click();
await page.waitForURL(`${origin}/`);
const floor = await hrefOf("/", "a[href^='/floor/']");
await shoot("today", { path: "/" });
await shoot("person", {
  path: await hrefOf("/people", "tbody a:has-text('Sorrel')"),
  height: 1300,
});
const phased = await hrefOf("/people", "tbody a:has-text('Corvin')");
const phase = await hrefOf(phased, "a[href^='/phases/0']");
await shoot("phase-sheet", { path: phase });
await shoot("season", { path: "/season" });
const away = new URLSearchParams({
  kind: "away",
  why: "ill",
  from: inDays(6),
  to: inDays(13),
});
await shoot("replan", { path: `${phase}/replan?${away}`, height: 1000 });
await shoot("brief", { path: `${await hrefOf("/people", "tbody a:has-text('Ilka')")}/brief` });
await shoot("approach", { path: "/approaches/shipped-of-long-muscle" });
await shoot("writing-sets", { path: "/writing-sets" });
const bench = await hrefOf("/", "a:has-text('squat first')");
await shoot("sheet", { path: `${bench}/sheet` });
await page.goto(origin + bench, { waitUntil: "networkidle" });
await page
  .getByRole("region", { name: /Back squat$/ })
  .getByRole("heading")
  .click();
await page
  .getByLabel("Sets of Back squat, written")
  .fill(
    "warm-up 8 at 40; warm-up 4 at 60; 3 x 5-7 at 77.5; 8 at 65 then 2 drops to 80% of last for 8",
  );
await page.getByRole("heading", { level: 1 }).click();
await shoot("bench");
await page.getByRole("button", { name: "Suggested exercises" }).click();
const dialog = page.getByRole("dialog");
await dialog.getByText(/possible$/).waitFor();
await shoot("suggestion");
await dialog.getByRole("button", { name: "Close" }).click();
await page.getByRole("combobox", { name: "Search exercises" }).fill("curl");
await page.getByRole("heading", { name: "Add an exercise" }).scrollIntoViewIfNeeded();
await page.getByRole("heading", { name: "Add an exercise" }).evaluate((h) => h.scrollIntoView());
await shoot("search");
await page.evaluate(() => window.scrollTo(0, 0));
await shoot("bench-phone", { width: 390, height: 844 });
await shoot("floor", { path: floor });
await shoot("floor-phone-dark", { path: floor, width: 390, height: 844, scheme: "dark" });
await page.getByRole("button", { name: "RIR 2", exact: true }).click();
await page.getByRole("button", { name: /^Log \d+ reps/ }).click();
await page.getByText("All saved on the server").waitFor();
// The button rests for a moment after the step changed.
await page.waitForTimeout(900);
await shoot("floor-phone-rest", { width: 390, height: 844 });
await shoot("review", {
  path: await hrefOf(await hrefOf("/people", "tbody a:has-text('Sorrel')"), "a[href^='/runs/']"),
  height: 1100,
});
await shoot("when", {
  path: `${await hrefOf("/people", "tbody a:has-text('Sorrel')")}/when?load=100`,
});
const gym = await hrefOf("/gyms", "tbody a[href^='/gyms/']");
await shoot("gym", { path: gym });

await browser.close();
app.kill("SIGTERM");
await database.stop();
