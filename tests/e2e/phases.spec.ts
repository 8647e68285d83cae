import type { Page } from "@playwright/test";
import { expect, logSet, openBench, test } from "./kravo.ts";

const TODAY = new Date().toISOString().slice(0, 10);
/** Monday 0 to Sunday 6. */
const WEEKDAY = (new Date().getUTCDay() + 6) % 7;

/** A client with a planned session, and the form for a phase of theirs, filled but for its weeks. */
async function beginPhase(page: Page, name: string) {
  await openBench(page, name);
  await page.getByRole("link", { name, exact: true }).first().click();
  await page.getByRole("link", { name: "Plan a phase" }).click();
  await page.getByLabel("First day").fill(TODAY);
  await page.locator(`#day-${WEEKDAY}`).selectOption({ index: 1 });
}

const cell = (page: Page, row: number, week: number) =>
  page.locator(`[data-at="${row}/${week - 1}"]`);

test("a phase is made, approved, trained and approved again", async ({ watched: page }) => {
  await beginPhase(page, "Ada Phase");
  await page.getByLabel("Weeks", { exact: true }).fill("0");
  await page.getByRole("button", { name: "Create phase" }).click();
  await expect(page.getByText("Expected a number of weeks, from 1 to 26.")).toBeVisible();
  await page.getByLabel("Weeks", { exact: true }).fill("4");
  await page.getByLabel("Light first week").uncheck();
  await page.getByLabel("Extra RIR at the start").fill("0");
  await page.getByLabel("Fewer sets at the start").fill("0");
  await page.getByRole("button", { name: "Create phase" }).click();

  await expect(page.getByRole("heading", { name: "Phase 1", exact: true })).toBeVisible();
  await expect(cell(page, 0, 1)).toHaveText(/60/);
  const address = page.url();
  await page.getByRole("button", { name: "Approve week 1" }).click();
  await expect(page.getByText("Week 1: 1 session planned.")).toBeVisible();
  await expect(page.getByRole("button", { name: /^Approve/ })).toBeHidden();

  // A planned week is changed in its session.
  await cell(page, 0, 1).click();
  await page.keyboard.type("70");
  await page.keyboard.press("Enter");
  await expect(page.getByText("This session is planned: open it to change it.")).toBeVisible();
  await page.getByRole("link", { name: "Edit session" }).click();
  await page.getByRole("button", { name: "Start training" }).click();
  for (let set = 0; set < 3; set += 1) await logSet(page, 12, 2);
  await page.getByRole("button", { name: "End now" }).click();
  await expect(page.getByText("Next is week 2 of")).toBeVisible();

  await page.goto(address);
  await expect(cell(page, 0, 1)).toHaveText(/60.*3.×.12/);
  await expect(cell(page, 0, 2)).toHaveText(/▲\s*62.5/);
  await page.getByRole("button", { name: "Approve week 2" }).click();
  await expect(page.getByText("Week 2: 1 session planned.")).toBeVisible();

  // The phase that follows begins where the rules stand, after the last day of this one.
  await page.getByRole("button", { name: "Roll over" }).click();
  await expect(page.getByRole("heading", { name: "Phase 2", exact: true })).toBeVisible();
  await expect(page.getByText("Follows Phase 1.")).toBeVisible();
  await expect(cell(page, 0, 1)).toHaveText(/62.5/);
  await page.goto(address);
  await page.getByRole("button", { name: "Roll over" }).click();
  await expect(page.getByText(/^▸ Phase 2 runs from/)).toBeVisible();

  // Archived, it takes nothing along: the days are free again, and its sessions stay.
  await page.goto(address);
  await page.getByRole("button", { name: "Archive phase" }).click();
  await expect(page.getByRole("heading", { name: "Ada Phase" })).toBeVisible();
  await expect(page.getByRole("link", { name: "Phase 1", exact: true })).toBeHidden();
  await expect(page.getByRole("link", { name: "Phase 2", exact: true })).toBeVisible();

  // Another phase on the same days is refused, and says with which.
  await page.goto(`${new URL(address).origin}/phases/new`);
  await page.getByLabel("First day").fill(TODAY);
  await page.getByLabel("Weeks", { exact: true }).fill("6");
  await page.locator("#day-0").selectOption({ index: 1 });
  await page.getByRole("button", { name: "Create phase" }).click();
  await expect(page.getByText(/Two phases of one client cannot overlap/)).toBeVisible();
});

test("the sheet of a phase is worked by keyboard alone", async ({ watched: page }) => {
  await beginPhase(page, "Ada Keys");
  await page.getByLabel("Weeks", { exact: true }).fill("6");
  await page.getByLabel("Light first week").uncheck();
  await page.getByLabel("Extra RIR at the start").fill("0");
  await page.getByLabel("Fewer sets at the start").fill("0");
  await page.getByRole("button", { name: "Create phase" }).click();
  await expect(cell(page, 0, 1)).toBeFocused();

  await page.keyboard.press("ArrowRight");
  await expect(cell(page, 0, 2)).toBeFocused();
  await page.keyboard.type("80");
  await page.keyboard.press("Enter");
  await expect(cell(page, 0, 2)).toHaveText(/80/);
  const bar = page.getByRole("region", { name: "Selected cell" });
  await expect(bar.getByText("80 kg", { exact: true })).toBeVisible();

  // Over a range, once for all: one set fewer in weeks 4 to 6.
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("Shift+End");
  await page.keyboard.type("-1 set");
  await page.keyboard.press("Enter");
  for (const week of [4, 5, 6]) {
    await expect(cell(page, 0, week)).toHaveAccessibleName(new RegExp(`week ${week}: 2 ×`));
  }
  await page.keyboard.press("Control+z");
  await expect(cell(page, 0, 5)).toHaveAccessibleName(/week 5: 3 ×/);
  await expect(cell(page, 0, 2)).toHaveText(/80/);
  await page.keyboard.press("Control+Shift+z");
  await expect(cell(page, 0, 5)).toHaveAccessibleName(/week 5: 2 ×/);

  // Filled to the right, and taken back by Delete.
  await page.keyboard.press("Home");
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("Shift+ArrowRight");
  await page.keyboard.press("Control+d");
  await expect(cell(page, 0, 3)).toHaveAccessibleName(/at 80 kg/);
  await page.keyboard.press("Delete");
  await expect(cell(page, 0, 2)).toHaveAccessibleName(/at 60 kg/);

  await page.keyboard.type("hello");
  await page.keyboard.press("Enter");
  await expect(bar.getByRole("alert")).toContainText("This was not understood.");
  await expect(cell(page, 0, 2)).toHaveAttribute("aria-invalid", "true");
  await expect(cell(page, 0, 2)).toHaveAccessibleName(/at 60 kg/);
});
