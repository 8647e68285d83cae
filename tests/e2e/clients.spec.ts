import { addPerson, expect, lastOf, openBench, registerStudio, test } from "./kravo.ts";

test("clients are found while one types, and put in order", async ({ watched: page }) => {
  await openBench(page, "Ada Planned");
  for (const name of ["Bea North", "Cy South"]) await addPerson(page, name);
  await page.goto("/people");
  const rows = page.getByRole("table", { name: "Clients" }).getByRole("rowheader");
  await expect(rows).toHaveText(["Ada Planned", "Bea North", "Cy South"]);
  await page.getByLabel("Search clients").fill("sou");
  await expect(rows).toHaveText(["Cy South"]);
  await expect(page.getByLabel("Search clients")).toBeFocused();
  await page.getByLabel("Search clients").fill("nobody");
  await page.getByRole("link", { name: "Show all" }).click();
  await expect(rows).toHaveCount(3);
  await expect(page.getByLabel("Search clients")).toHaveValue("");
  await page.getByRole("link", { name: "Next session" }).click();
  await expect(page.getByRole("columnheader", { name: "Next session" })).toHaveAttribute(
    "aria-sort",
    "ascending",
  );
  await page.getByRole("link", { name: "Overdue" }).click();
  await expect(page.getByText("Nobody is overdue.")).toBeVisible();
});

test("a session is planned for somebody who is named, on a day as it is said", async ({
  watched: page,
}) => {
  await openBench(page, "Ada One");
  const second = await addPerson(page, "Bea Two");
  await page.goto("/plans/new");
  await page.getByRole("button", { name: "Plan the session" }).click();
  await expect(page.getByText("Choose one from the list.")).toBeVisible();
  await page.getByLabel("Title").fill("Kept");
  await page.getByLabel("Client").fill("two");
  await page.keyboard.press("Enter");
  await page.waitForURL((url) => url.searchParams.get("person") === lastOf(second));
  await page.getByLabel("Day", { exact: true }).fill("someday");
  await page.getByLabel("Start time").fill("5:30 pm");
  await expect(page.getByText("Not a day. Try 24 Dec, fri or +7.")).toBeVisible();
  await page.getByLabel("Day", { exact: true }).fill("+1");
  await page.keyboard.press("Tab");
  const shown = await page.getByLabel("Day", { exact: true }).inputValue();
  expect(shown).toMatch(/^(Mon|Tue|Wed|Thu|Fri|Sat|Sun) \d{1,2} [A-Z][a-z]{2,3} \d{4}$/);
  await expect(page.getByLabel("Start time")).toHaveValue("17:30");
  // By the calendar: the day after that one.
  await page.getByLabel("Day", { exact: true }).press("ArrowDown");
  await expect(page.getByRole("grid")).toBeVisible();
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("grid")).toBeHidden();
  const next = await page.getByLabel("Day", { exact: true }).inputValue();
  expect(Date.parse(next) - Date.parse(shown)).toBe(86_400_000);
  await page.getByRole("button", { name: "Plan the session" }).click();
  await expect(page.getByTitle("Change day and time")).toHaveText(`${next}, 17:30`);
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Kept");
  await expect(page.getByRole("link", { name: "Bea Two" })).toBeVisible();
});

test("the editor prints the sheet of the session as it stands", async ({ watched: page }) => {
  await openBench(page, "Ada Prints");
  await page.getByLabel("Load of set 1, kg").fill("65");
  await page.emulateMedia({ media: "print" });
  await page.evaluate(() => window.dispatchEvent(new Event("beforeprint")));
  await expect(page.getByText("Readiness (5 is best)")).toBeVisible();
  await expect(page.getByRole("article").getByText("65 kg").first()).toBeVisible();
  await expect(page.getByRole("button", { name: "Save", exact: true })).toBeHidden();
  await page.evaluate(() => window.dispatchEvent(new Event("afterprint")));
  await page.emulateMedia({ media: "screen" });
  await expect(page.getByRole("button", { name: "Save", exact: true })).toBeVisible();
  await expect(page.getByText("Readiness (5 is best)")).toBeHidden();
});

test("muscles are marked on the leg, and what is wrong elsewhere in the brief is shown", async ({
  watched: page,
}) => {
  await registerStudio(page);
  const person = await addPerson(page, "Ada Brief");
  await page.goto(`${person}/brief`);
  await page.getByLabel("Leg days a week").fill("40");
  await page.getByRole("button", { name: "3 Muscles" }).click();
  const leg = page.getByRole("group", { name: /arrow keys/ });
  await leg.focus();
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("Enter");
  const priorities = page.getByRole("group", { name: "Priorities", exact: true });
  await expect(priorities.getByRole("checkbox", { checked: true })).toHaveCount(1);
  await page.getByRole("button", { name: "Save the brief" }).click();
  await expect(page.getByRole("button", { name: /1 Goal and time ▸ check/ })).toHaveAttribute(
    "aria-current",
    "step",
  );
  await page.getByLabel("Leg days a week").fill("2");
  await page.getByRole("button", { name: "Save the brief" }).click();
  await expect(page.getByText(/puts \d+ exercises first/)).toBeVisible();
});
