import type { Page } from "@playwright/test";
import {
  addGymWithRack,
  addPerson,
  expect,
  phaseForm,
  planSquats,
  registerStudio,
  submit,
  test,
  trainByDevice,
} from "./kravo.ts";

const DAY = 86_400_000;
const inDays = (days: number) => new Date(Date.now() + days * DAY).toISOString().slice(0, 10);
/** Monday 0 to Sunday 6. */
const WEEKDAY = (new Date().getUTCDay() + 6) % 7;

/** A client with a phase of six weeks from today: squats once a week, in a gym that has thrusts too. */
async function phaseOfSquats(page: Page) {
  await registerStudio(page);
  const where = await addGymWithRack(page);
  await submit(page, `/gyms/${where.gym}/stations/new`, {
    name: "Bench and bar",
    kind: "bar",
    unit: "kg",
    baseMass: "20",
    plates: "20x4, 10x4, 5x4, 2.5x4",
    serves: "shipped:barbell-hip-thrust",
  });
  const person = await addPerson(page, "Ada Weeks");
  const { "days[0]": session, ...form } = phaseForm(
    person,
    where.gym,
    await planSquats(page, person, where),
  );
  return submit(page, "/phases/new", {
    ...form,
    [`days[${WEEKDAY}]`]: session,
    start: inDays(0),
    weeks: "6",
  });
}

const cell = (page: Page, row: number, week: number) =>
  page.locator(`[data-at="${row}/${week - 1}"]`);

/** Approves a week on the sheet and trains its session as a device does. */
async function trainWeek(page: Page, phase: string, week: number, reps: readonly number[]) {
  await page.goto(phase);
  await page.getByRole("button", { name: `Approve week ${week}` }).click();
  await expect(page.getByText(`Week ${week}: 1 session planned.`)).toBeVisible();
  await cell(page, 0, week).click();
  const plan = await page.getByRole("link", { name: "Edit session" }).getAttribute("href");
  await trainByDevice(page, await submit(page, `${plan}/start`, {}), reps);
}

test("a phase from its first week to the one that follows it", async ({ watched: page }) => {
  const phase = await phaseOfSquats(page);
  await trainWeek(page, phase, 1, [12, 12, 12]);
  await page.goto(phase);
  await expect(cell(page, 0, 1)).toHaveText(/60.*3.×.12/);
  await expect(cell(page, 0, 2)).toHaveText(/62.5/);
  await trainWeek(page, phase, 2, [12, 12, 12]);
  await page.goto(phase);
  await expect(cell(page, 0, 3)).toHaveText(/65/);
  await trainWeek(page, phase, 3, [8, 6, 0]);

  // The failed set waits for the coach, before what only the weeks show.
  await page.goto("/");
  const first = page.getByRole("option").first();
  await expect(first).toContainText(/Ada Weeks.*Back squat.*65 kg × 8 6 0/);
  await expect(first).toContainText("a set failed");
  await page.keyboard.press("c");
  await page.getByLabel("Load, kg").fill("60");
  await page.getByLabel("Reason").fill("Knee spoke up");
  await page.keyboard.press("Enter");
  await expect(page.getByText("a set failed")).toBeHidden();
  await page.getByRole("button", { name: "Show and accept all" }).click();
  await page.getByRole("button", { name: /^Accept all, plan 1 next session/ }).click();
  await expect(page.getByRole("button", { name: "Show and accept all" })).toBeHidden();
  await expect(page.getByText("saving …")).toBeHidden();
  await page.goto(phase);
  await expect(cell(page, 0, 4)).toHaveText(/60/);
  await cell(page, 0, 4).click();
  await expect(page.getByRole("region", { name: "Selected cell" })).toContainText(
    "Changed: 60 kg. “Knee spoke up”",
  );

  // The knee flares up for two weeks: what loads it is replaced, and what was trained stays.
  const flareUp = { joint: "knee", provokedBy: "kneeLoad", severity: "5", allowed: "2" };
  const event = { kind: "flareUp", ...flareUp, from: inDays(21), to: inDays(31) };
  await page.goto(`${phase}/replan?${new URLSearchParams(event).toString()}`);
  const steps = page.getByRole("region", { name: "Steps" });
  await expect(steps.getByText(/Body-weight squat/).first()).toBeVisible();
  await page.getByRole("button", { name: /^Accept \d steps?$/ }).click();
  await expect(page.getByText(/^Replanned /)).toBeVisible();
  await expect(cell(page, 0, 3)).toHaveText(/65/);
  await expect(page.getByRole("rowheader", { name: /Body-weight squat/ }).first()).toBeVisible();

  // Week 5 becomes a lighter one, and the sheet follows.
  await page.goto(`${phase}/change`);
  await page.getByLabel("Kind of week 5").selectOption("lighter");
  const isSaved = page.waitForResponse((response) => response.request().method() === "POST");
  await page
    .locator("form")
    .filter({ has: page.getByLabel("Kind of week 5") })
    .getByRole("button", { name: "Save" })
    .click();
  expect((await isSaved).status()).toBeLessThan(400);
  await page.goto(phase);
  await expect(page.getByRole("columnheader", { name: /lighter 5/ })).toBeVisible();

  // What follows begins with what was reached.
  await page.getByRole("button", { name: "Roll over" }).click();
  await expect(page.getByText("Follows Strength 1.")).toBeVisible();
  await expect(cell(page, 0, 1)).toHaveText(/60/);
});
