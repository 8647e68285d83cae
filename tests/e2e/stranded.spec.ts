import type { Page } from "@playwright/test";
import { freePort } from "../../scripts/database.mjs";
import { Backups, leaveOldNote, Proxy } from "./faults.ts";
import {
  addGymWithRack,
  addPerson,
  expect,
  keptForOffline,
  KravoServer,
  logButton,
  logSet,
  planSquats,
  registerStudio,
  saved,
  secondContext,
  startSquats,
  submit,
  test,
  comingAlive,
} from "./kravo.ts";

const steps = (page: Page) => page.getByRole("navigation", { name: "Steps of this session" });

/** How many rows of any session log this device holds, and how many pages it keeps. */
const heldHere = (page: Page) =>
  page.evaluate(async () => {
    const db = await new Promise<IDBDatabase>((resolve) => {
      const asked = indexedDB.open("kravo-floor");
      asked.onsuccess = () => resolve(asked.result);
    });
    const count = (store: string) =>
      new Promise<number>((resolve) => {
        const asked = db.transaction(store).objectStore(store).count();
        asked.onsuccess = () => resolve(asked.result);
      });
    const held = { rows: await count("commands"), kept: (await count("device")) - 1 };
    db.close();
    return { ...held, pages: (await (await caches.open("floor-pages")).keys()).length };
  });

test("a double tap logs one set, and undo takes back the last one", async ({ page }) => {
  await startSquats(page);
  await expect(logButton(page)).toBeEnabled();
  await logButton(page).evaluate((button: HTMLElement) => {
    button.click();
    button.click();
  });
  await expect(page.getByText("Work set 2 of 3")).toBeVisible();
  await logButton(page).dblclick();
  await expect(page.getByText("Work set 3 of 3")).toBeVisible();
  await expect(page.getByText("Two devices logged", { exact: false })).toHaveCount(0);
  await expect(steps(page).getByText(/60 kg × 12/)).toHaveCount(2);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByText("Work set 2 of 3")).toBeVisible();
  await expect(steps(page).getByText(/60 kg × 12/)).toHaveCount(1);
  await saved(page);
  await page.reload();
  await expect(steps(page).getByText(/60 kg × 12/)).toHaveCount(1);
});

test("a reload while the proxy or the database is down shows the kept page, and a page never opened the answer", async ({
  browser,
}) => {
  const port = await freePort(0);
  const proxy = await Proxy.before(port);
  const server = await KravoServer.start({ port, publicOrigin: proxy.origin });
  const page = comingAlive(await (await browser.newContext({ baseURL: proxy.origin })).newPage());
  await startSquats(page);
  await keptForOffline(page);
  proxy.isDown = true;
  await page.reload();
  await expect(logButton(page)).toBeEnabled();
  await logSet(page, 11, 1);
  await expect(page.getByText(/2 entries kept on this device/)).toBeVisible();
  const elsewhere = await page.goto("/floor/0198c0de-0000-7000-8000-000000000000");
  expect(elsewhere?.status()).toBe(502);
  proxy.isDown = false;
  await page.goBack();
  await saved(page);
  await server.stop();
  await proxy.close();
});

test("an erased client's sets leave the device that holds them", async ({
  page,
  browser,
  context,
}) => {
  const { password } = await registerStudio(page);
  const where = await addGymWithRack(page);
  const person = await addPerson(page, "Ada Test");
  const floor = await submit(page, `${await planSquats(page, person, where)}/start`, {});
  await page.goto(floor);
  await logSet(page, 12, 2);
  await saved(page);
  await keptForOffline(page);
  expect(await heldHere(page)).toMatchObject({ kept: 1, pages: 1 });
  const coach = comingAlive(await (await secondContext(browser, context)).newPage());
  await coach.goto("/people");
  await submit(coach, `${person}/edit`, { intent: "erase", confirm: "erase", current: password });
  await expect(page.getByText(/^This client was erased\. Nothing/)).toBeVisible();
  await expect.poll(() => heldHere(page)).toEqual({ rows: 0, kept: 0, pages: 0 });
});

test("a session that an older backup lost is handed in again by the device, from whichever page is opened", async ({
  page,
  context,
  server,
}) => {
  const { email } = await registerStudio(page);
  const where = await addGymWithRack(page);
  const bench = await planSquats(page, await addPerson(page, "Ada Test"), where);
  const store = await Backups.of(server.databaseUrl, email);
  const backup = await store.take();
  const floor = await submit(page, `${bench}/start`, {});
  await page.goto(floor);
  await logSet(page, 12, 2);
  await saved(page);
  await context.setOffline(true);
  await logSet(page, 11, 1);
  await store.restore(backup);
  await context.setOffline(false);
  await page.goto("/");
  await expect(page.getByText("Ada Test is training", { exact: false })).toBeVisible();
  await page.goto(floor);
  await saved(page);
  await expect(steps(page).getByText("60 kg × 12")).toBeVisible();
  await expect(steps(page).getByText("60 kg × 11")).toBeVisible();
  await store.close();
});

test("an ended session is corrected and reopened, and what was decided from it is told as changed", async ({
  page,
}) => {
  await startSquats(page);
  for (const reps of [12, 12, 12]) await logSet(page, reps, 2);
  await page.getByRole("button", { name: "End now" }).click();
  await expect(page.getByRole("heading", { name: "Leg day" })).toBeVisible();
  const review = page.url();
  await page.getByRole("button", { name: "Plan next session" }).click();
  await expect(page.getByLabel("Load of set 1, kg")).toHaveValue("62.5");
  const planned = page.url();

  await page.goto(review);
  await page.getByText("Correct", { exact: true }).first().click();
  await page.getByLabel("Done", { exact: true }).first().fill("8");
  await page.getByRole("button", { name: "Save the correction" }).first().click();
  // The browser itself asks for the reason; nothing is sent without one.
  await page.getByLabel("Why", { exact: true }).first().fill("Counted the warm-up");
  await page.getByRole("button", { name: "Save the correction" }).first().click();
  const corrections = page.getByRole("region", { name: "Corrections" });
  await expect(corrections.getByText(/60 kg × 12.* → 60 kg × 8/)).toBeVisible();
  await expect(corrections.getByText(/Test Coach.*“Counted the warm-up”/)).toBeVisible();

  await page.goto("/");
  await page.getByRole("option", { name: /log changed since/ }).click();
  await page
    .getByRole("region", { name: "Selected decision" })
    .getByRole("link", { name: "Open" })
    .click();
  const changed = page.getByRole("region", { name: "Changed since you decided" });
  await expect(changed.getByText("Raise to 62.5 kg → Keep 60 kg")).toBeVisible();
  await changed.getByRole("button", { name: "Decide" }).click();
  await expect(changed.getByText("Your decision is needed for each of them.")).toBeVisible();
  await changed.getByLabel("Put it into the planned session").check();
  await changed.getByRole("button", { name: "Decide" }).click();
  await expect(changed).toHaveCount(0);
  await page.goto(planned);
  await expect(page.getByLabel("Load of set 1, kg")).toHaveValue("60");

  await page.goto(review);
  await corrections.getByText("Reopen the session").click();
  await corrections.getByLabel("Why", { exact: true }).fill("One more set was done");
  await corrections.getByRole("button", { name: "Reopen" }).click();
  await page.getByRole("link", { name: "Back to the floor" }).click();
  await expect(page.getByText("All sets are logged.")).toBeVisible();
  await steps(page).getByRole("button", { name: /set 3/ }).click();
  await page.getByRole("button", { name: "One rep fewer" }).click();
  await page.getByRole("button", { name: "Save the correction" }).click();
  await expect(steps(page).getByText("60 kg × 11")).toBeVisible();
  await page.getByRole("button", { name: "End now" }).click();
  await expect(corrections.getByText("Session reopened")).toBeVisible();
  await expect(corrections.getByText("Session ended again")).toBeVisible();
});

test("a proxy that answers nothing is no connection after ten seconds, not sending for good", async ({
  browser,
}) => {
  const port = await freePort(0);
  const proxy = await Proxy.before(port);
  const server = await KravoServer.start({ port, publicOrigin: proxy.origin });
  const page = comingAlive(await (await browser.newContext({ baseURL: proxy.origin })).newPage());
  await startSquats(page);
  await saved(page);
  proxy.isStuck = true;
  await logSet(page, 11, 1);
  await expect(page.getByText(/^No connection: 2 entries kept/)).toBeVisible();
  proxy.isStuck = false;
  await saved(page);
  await server.stop();
  await proxy.close();
});

test("the floor works in a browser that knows neither storage managers nor locks", async ({
  page,
}) => {
  await page.addInitScript(() => {
    for (const name of ["storage", "locks"])
      Object.defineProperty(Navigator.prototype, name, { get: () => undefined });
  });
  await startSquats(page);
  await logSet(page, 12, 2);
  await saved(page);
});

test("a row that cannot be read stops neither the others nor signing out", async ({ page }) => {
  await startSquats(page);
  await logSet(page, 12, 2);
  await saved(page);
  await leaveOldNote(page);
  await page.reload();
  await expect(page.getByText(/^One entry on this device cannot be stored/)).toBeVisible();
  await logSet(page, 11, 1);
  await saved(page);
  await page.getByText(/^Read it: x+ …/).click();
  await expect(page.getByRole("button", { name: "Delete it from this device" })).toBeVisible();
  await page.getByRole("link", { name: "Today" }).click();
  await page.getByRole("button", { name: "Sign out" }).click();
  await expect(page.getByRole("heading", { name: "Sign in" })).toBeVisible();
  // Only what was never sent is left, here what could not be.
  await expect.poll(() => heldHere(page)).toMatchObject({ rows: 1, pages: 0 });
});
