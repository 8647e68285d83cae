import type { Page } from "@playwright/test";
import {
  addGymWithRack,
  addPerson,
  chooseClient,
  expect,
  phaseForm,
  planSquats,
  registerStudio,
  submit,
  test,
} from "./kravo.ts";

const inDays = (days: number) =>
  new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);

/** A client with two phases behind each other, three weeks from now. */
async function twoPhases(page: Page) {
  await registerStudio(page);
  const where = await addGymWithRack(page);
  const person = await addPerson(page, "Ada Season");
  const bench = await planSquats(page, person, where);
  const form = phaseForm(person, where.gym, bench);
  const first = { ...form, name: "First", start: inDays(21), weeks: "4" };
  const second = { ...form, name: "Second", start: inDays(49), weeks: "4" };
  return [
    await submit(page, "/phases/new", first),
    await submit(page, "/phases/new", second),
  ] as const;
}

const bar = (page: Page, name: string) =>
  page.getByRole("button", { name: new RegExp(`^${name}, Ada Season`) });

test("a phase moves on the calendar by keys and by drag, and what moves along is shown first", async ({
  watched: page,
}) => {
  const [first] = await twoPhases(page);
  await page.goto("/season");
  const was = await bar(page, "Second").getAttribute("aria-label");
  await bar(page, "First").focus();
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("ArrowRight");
  const told = page.getByRole("region", { name: "What moves" });
  await expect(told.getByText(/^Move First to/)).toBeVisible();
  await expect(told.getByText(/Moves along: Second to/)).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(bar(page, "Second")).toHaveAttribute("aria-label", was ?? "");
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("Enter");
  await expect(told.getByText(/^Move First/)).toBeHidden();
  await page.reload();
  await expect(bar(page, "Second")).not.toHaveAttribute("aria-label", was ?? "");

  // Before the first one there is room; onto it the second cannot go.
  await bar(page, "Second").focus();
  await page.keyboard.press("ArrowLeft");
  await expect(told.getByText("First has those days.")).toBeVisible();
  await expect(told.getByRole("button", { name: /^Move/ })).toBeDisabled();
  await page.keyboard.press("Escape");

  const box = await bar(page, "First").boundingBox();
  if (box === null) throw new Error("no bar");
  await page.mouse.move(box.x + 10, box.y + 10);
  await page.mouse.down();
  await page.mouse.move(box.x + 70, box.y + 10, { steps: 4 });
  await page.mouse.up();
  await expect(told.getByText(/^Move First to/)).toBeVisible();
  await told.getByRole("button", { name: /^Move/ }).click();
  await expect(told.getByText(/^Move First/)).toBeHidden();

  await page.goto(first);
  await expect(page.getByRole("heading", { name: "First", exact: true })).toBeVisible();
});

test("events are added, told where they are wrong, moved and removed", async ({
  watched: page,
}) => {
  await twoPhases(page);
  await page.goto("/season");
  await page.getByLabel("Name").fill("Spring show");
  await page.getByLabel("First day").fill(inDays(60));
  await page.getByLabel("Last day, if not the same").fill(inDays(50));
  await page.getByRole("button", { name: "Add event" }).click();
  await expect(page.getByText("The last day comes before the first.")).toBeVisible();
  await page.getByLabel("Last day, if not the same").fill(inDays(61));
  await page.getByRole("button", { name: "Add event" }).click();
  const mark = page.getByRole("button", { name: /^Show: Spring show/ });
  await expect(mark).toBeVisible();
  const was = await mark.getAttribute("aria-label");
  await mark.focus();
  await page.keyboard.press("ArrowRight");
  const saved = page.waitForResponse((response) => response.request().method() === "POST");
  await page.keyboard.press("Enter");
  await saved;
  await page.reload();
  await expect(mark).not.toHaveAttribute("aria-label", was ?? "");
  await page.getByRole("button", { name: "Remove Spring show" }).click();
  await expect(mark).toBeHidden();
});

test("a phase is changed, replanned, and the replan taken back", async ({ watched: page }) => {
  const [first] = await twoPhases(page);
  await page.goto(`${first}/change`);
  await page.getByRole("button", { name: "Add a week after week 4" }).click();
  // The second phase begins there.
  await expect(page.getByText(/It would lie on days of Second/)).toBeVisible();
  await page.getByRole("button", { name: "Take week 4 out" }).click();
  await expect(page.getByRole("button", { name: "Take week 4 out" })).toHaveCount(0);
  await page.getByRole("textbox", { name: "Name", exact: true }).fill("Renamed");
  await page.getByRole("button", { name: "Save", exact: true }).first().click();
  await expect(page.getByRole("heading", { name: "Change Renamed" })).toBeVisible();

  const special = page.getByLabel("Sets of Back squat then, written").first();
  await special.fill("2 x lots");
  await special.press("Enter");
  await expect(page.getByText(/Its sets were not understood/)).toBeVisible();
  await special.fill("1 x 8 at 50 then drop to 80% for 8");
  await special.press("Enter");
  await expect(page.getByText("2 of every 3 weeks")).toBeVisible();
  await expect(page.getByText("every 3 weeks", { exact: true })).toBeVisible();

  await page.goto(`${first}/replan`);
  await page.getByLabel("What happened").selectOption("away");
  await page.getByLabel("From").fill(inDays(28));
  await page.getByLabel("Last day").fill(inDays(20));
  await page.getByRole("button", { name: "What if?" }).click();
  await expect(page.getByText("The last day comes before the first.")).toBeVisible();
  await page.getByLabel("Last day").fill(inDays(34));
  await page.getByRole("button", { name: "What if?" }).click();
  const steps = page.getByRole("region", { name: "Steps" });
  await expect(steps.getByRole("checkbox").first()).toBeChecked();
  const all = await steps.getByRole("checkbox").count();
  await steps.getByRole("checkbox").first().uncheck();
  await expect(
    page.getByRole("button", { name: `Accept ${all - 1} step${all === 2 ? "" : "s"}` }),
  ).toBeVisible();
  await steps.getByRole("checkbox").first().check();
  await page.getByRole("button", { name: `Accept ${all} steps` }).click();
  await expect(page.getByText(/^Replanned .* away|^Replanned .* ill/)).toBeVisible();
  await page.getByRole("button", { name: "Undo replan" }).click();
  await expect(page.getByText(/^Replanned .*, undone$/)).toBeVisible();
  await expect(page.getByRole("button", { name: "Undo replan" })).toBeHidden();
});

test("a phase is kept, and given to another client from what was kept", async ({
  watched: page,
}) => {
  const [first] = await twoPhases(page);
  await addPerson(page, "Bea Kept");
  await page.goto(first);
  await page.getByRole("button", { name: "Keep as template" }).click();
  await expect(page.getByRole("region", { name: "What is in it" })).toContainText("Back squat");
  await page.getByRole("button", { name: "Show what changes" }).click();
  await expect(page.getByText("Choose at least one client, a gym and a first day.")).toBeVisible();
  await chooseClient(page, "Clients", "Bea Kept");
  await page.getByRole("button", { name: "Show what changes" }).click();
  const bea = page.getByRole("region", { name: "What changes for Bea Kept" });
  await expect(bea).toContainText("Back squat");
  await page.getByRole("button", { name: "Assign" }).click();
  await expect(page.getByRole("grid", { name: "Weeks of the phase" })).toBeVisible();
  await expect(page.getByRole("link", { name: "Bea Kept" })).toBeVisible();
  await page.goto("/templates");
  await page.getByRole("button", { name: /^Archive / }).click();
  await expect(page.getByText("None kept yet. Open the sheet of a phase")).toBeVisible();
});
