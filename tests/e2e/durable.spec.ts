import type { Page } from "@playwright/test";
import {
  expect,
  keptForOffline,
  KravoServer,
  logSet,
  saved,
  secondContext,
  signInToDemo,
  startSquats,
  test,
  comingAlive,
} from "./kravo.ts";

/** What the server holds of the running session, read from its own answer to an empty sync. */
async function onServer(page: Page): Promise<{ reps: number[]; ids: string[] }> {
  return page.evaluate(async () => {
    const reply = await fetch(`${location.pathname}/sync`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ commands: [], known: 0 }),
    });
    const { commands } = (await reply.json()) as {
      commands: {
        command: { commandId: string; body: { kind: string; part?: { fullReps: number } } };
      }[];
    };
    return {
      reps: commands.flatMap(({ command }) =>
        command.body.part ? [command.body.part.fullReps] : [],
      ),
      ids: commands.map(({ command }) => command.commandId),
    };
  });
}

test("a session goes on without a network, through a reload, and nothing is lost or logged twice", async ({
  page,
  context,
}) => {
  await startSquats(page);
  await logSet(page, 12, 2);
  await saved(page);
  await keptForOffline(page);

  await context.setOffline(true);
  await logSet(page, 11, 1);
  await expect(
    page.getByText("No connection: 1 entry kept on this device, not yet on the server"),
  ).toBeVisible();
  await page.reload();
  await expect(page.getByText("Work set 3 of 3")).toBeVisible();
  await logSet(page, 10, 1);
  await expect(
    page.getByText("No connection: 2 entries kept on this device, not yet on the server"),
  ).toBeVisible();
  await expect(page.getByText("on device", { exact: true })).toHaveCount(2);

  await context.setOffline(false);
  await saved(page);
  const held = await onServer(page);
  expect(held.reps).toEqual([12, 11, 10]);
  expect(new Set(held.ids).size).toBe(held.ids.length);
  await expect(page.getByText("on device", { exact: true })).toHaveCount(0);
});

test("the server is killed between two sets, and both are there when it is back", async ({
  browser,
}) => {
  const server = await KravoServer.start();
  const page = comingAlive(await (await browser.newContext({ baseURL: server.origin })).newPage());
  await startSquats(page);
  await logSet(page, 12, 2);
  await saved(page);
  await keptForOffline(page);

  await server.kill();
  await logSet(page, 9, 1);
  await expect(page.getByText(/1 entry kept on this device, not yet on the server/)).toBeVisible();
  await page.reload();
  await expect(page.getByText("Work set 3 of 3")).toBeVisible();

  await server.begin();
  await saved(page);
  expect((await onServer(page)).reps).toEqual([12, 9]);
  await page.reload();
  await expect(page.getByText("60 kg × 9")).toBeVisible();
  await server.stop();
});

test("an answer that got lost on the way back does not log a set twice", async ({ page }) => {
  await startSquats(page);
  let dropped = 0;
  await page.route("**/sync", async (route) => {
    const isWrite = route.request().postData()?.includes('"kind":"part"') === true;
    if (!isWrite || dropped > 0) return route.continue();
    dropped += 1;
    await route.fetch(); // the server commits it
    await route.abort(); // and nobody hears of it
  });
  await logSet(page, 12, 2);
  await expect.poll(() => dropped).toBe(1);
  await saved(page);
  expect((await onServer(page)).reps).toEqual([12]);
});

test("a device that cannot store says that the set is not saved", async ({ page }) => {
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException("no room", "QuotaExceededError");
    };
  });
  await startSquats(page);
  await expect(page.getByText(/Not saved: this device's store failed/)).toBeVisible();
  await expect(page.getByRole("button", { name: /^Log/ })).toBeDisabled();
});

test("two devices on one session see each other, and a set logged on both is kept twice until somebody says", async ({
  page,
  browser,
  context,
}) => {
  await startSquats(page);
  const other = comingAlive(await (await secondContext(browser, context)).newPage());
  await other.goto(page.url());
  await logSet(page, 12, 2);
  await saved(page);
  await expect(other.getByText("60 kg × 12")).toBeVisible();

  await other.context().setOffline(true);
  await logSet(page, 11, 2);
  await saved(page);
  await logSet(other, 9, 1);
  await other.context().setOffline(false);
  await expect(other.getByText("Two devices logged set 2.", { exact: false })).toBeVisible();
  await expect(page.getByText("Two devices logged set 2.", { exact: false })).toBeVisible();

  await page.getByRole("button", { name: "Keep 60 kg × 11, RIR 2" }).click();
  await expect(page.getByText("Two devices logged set 2.", { exact: false })).toBeHidden();
  await expect(other.getByText("Two devices logged set 2.", { exact: false })).toBeHidden();
  await expect(other.getByText("60 kg × 11")).toBeVisible();
});

test("a logged set is corrected and removed, and the rest clock survives a reload", async ({
  page,
}) => {
  await startSquats(page);
  await logSet(page, 12, 2);
  await saved(page);
  await page
    .getByRole("navigation", { name: "Steps of this session" })
    .getByRole("button", { name: /set 1/ })
    .click();
  const correct = page.getByRole("region", { name: "Correct this set" });
  await correct.getByRole("button", { name: "One rep fewer" }).click();
  await correct.getByRole("button", { name: "Save the correction" }).click();
  await expect(page.getByText("60 kg × 11")).toBeVisible();
  await expect(page.getByText("60 kg × 12")).toBeHidden();
  await saved(page);
  await page.reload();
  await expect(page.getByRole("timer")).toContainText(/1:\d\d/);
  await page
    .getByRole("navigation", { name: "Steps of this session" })
    .getByRole("button", { name: /set 1/ })
    .click();
  await page.getByRole("button", { name: "Remove", exact: true }).click();
  await expect(page.getByText("Work set 1 of 3")).toBeVisible();
  await expect(page.getByText("60 kg × 11")).toBeHidden();
});

test("signing out leaves on the device only what is still to be sent", async ({
  page,
  context,
}) => {
  await startSquats(page);
  await logSet(page, 12, 2);
  await saved(page);
  await context.setOffline(true);
  await logSet(page, 11, 2);
  await expect(page.getByText(/1 entry kept on this device/)).toBeVisible();
  await context.clearCookies(); // signed out elsewhere: nothing can be sent
  await context.setOffline(false);
  await expect(
    page.getByText("Signed out: 1 entry kept on this device.", { exact: false }),
  ).toBeVisible();
  const kept = () =>
    page.evaluate(
      () =>
        new Promise<number>((resolve) => {
          const opening = indexedDB.open("kravo-floor");
          opening.onsuccess = () => {
            const counting = opening.result.transaction("commands").objectStore("commands").count();
            counting.onsuccess = () => {
              opening.result.close();
              resolve(counting.result);
            };
          };
        }),
    );
  expect(await kept()).toBe(3);
  await signInToDemo(page);
  await page.getByRole("button", { name: "Sign out" }).click();
  await expect(page.getByRole("heading", { name: "Sign in" })).toBeVisible();
  await expect.poll(kept).toBe(1);
  expect(await page.evaluate(() => caches.has("floor-pages"))).toBe(false);
});
