import AxeBuilder from "@axe-core/playwright";
import { addGym, chooseClient, expect, lastOf, registerStudio, submit, test } from "./kravo.ts";

test("a session is suggested, changed in parts, taken and started", async ({ watched: page }) => {
  await registerStudio(page);
  const gym = await addGym(page, { begins: "small" });
  const known = { goal: "", level: "trained", unit: "kg", notes: "" };
  const person = await submit(page, "/people/new", { name: "Ada Asks", ...known });
  const head = { title: "Asked", day: "2026-12-01", startTime: "", gymId: lastOf(gym) };
  await page.goto(await submit(page, "/plans/new", { ...head, personId: lastOf(person) }));

  await page.getByRole("button", { name: "Suggest a session" }).click();
  const dialog = page.getByRole("dialog", { name: "Suggest a session" });
  const picks = dialog.getByRole("checkbox");
  await expect(picks.nth(3)).toBeVisible();
  // What was found at once is bettered, or proven, by the solver.
  await expect(dialog.getByRole("status")).toHaveText(
    /^(Best possible|At most \d+% below the best possible)$/,
  );
  const names = async () =>
    (await picks.evaluateAll((all) => all.map((own) => own.getAttribute("aria-label") ?? ""))).map(
      (label) => label.replace("Keep ", ""),
    );
  const first = await names();
  expect(new Set(first).size).toBe(first.length);
  await expect(dialog).toContainText("Work up to the load in set 1");
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);

  // One is left out and others come in its place; those that were ticked stay.
  await picks.first().uncheck();
  await dialog.getByRole("button", { name: "Replace the unticked" }).click();
  await expect.poll(names).not.toContain(first[0]);
  await expect
    .poll(async () => (await names()).filter((name) => first.slice(1).includes(name)).length)
    .toBe(first.length - 1);
  await expect(dialog.getByRole("status")).toHaveText(/possible$/);

  // One is exchanged for what its list offers.
  const before = await names();
  const last = before.at(-1) ?? "";
  await dialog.getByLabel(`Exchange ${last}`).selectOption({ index: 1 });
  await expect.poll(names).not.toContain(last);
  const exchanged = await names();
  expect(exchanged.filter((name) => before.includes(name))).toHaveLength(before.length - 1);

  // A time that is none is told, and the next one that is one is suggested for.
  for (const none of ["3", "an hour", "-30", "1e2", ""]) {
    await dialog.getByLabel("Minutes").fill(none);
    await expect(dialog.getByRole("status")).toHaveText("Expected 10 to 240 minutes.");
  }
  await dialog.getByLabel("Minutes").fill("30");
  await expect(dialog.getByRole("status")).toHaveText(/possible$/);
  const taken = await names();
  expect(taken.length).toBeLessThan(first.length);
  await dialog.getByRole("button", { name: "Use all" }).click();
  await expect(dialog).toBeHidden();
  for (const name of taken) await expect(page.getByRole("heading", { name })).toBeVisible();
  await expect(page.getByText("general warm-up included")).toBeVisible();
  await page.getByRole("button", { name: "Start training" }).click();
  await page.waitForURL(/\/floor\//);

  // Started by mistake: it is planned again, and what was started can be restored.
  await page.goBack();
  await page.getByRole("button", { name: "Discard the training" }).click();
  await expect(page.getByText("This session was started and discarded.")).toBeVisible();
  await expect(page.getByRole("button", { name: "Start training" })).toBeEnabled();
  await page.getByRole("button", { name: "Restore the training" }).click();
  await expect(page.getByText("This session is being trained.")).toBeVisible();
});

test("a phase begins with the suggested sessions of a week", async ({ watched: page }) => {
  await registerStudio(page);
  await addGym(page, { begins: "commercial" });
  const known = { goal: "", level: "trained", unit: "kg", notes: "" };
  const person = await submit(page, "/people/new", { name: "Ada Plans", ...known });
  await submit(page, "/people/new", { ...known, name: "Ada Other" });
  await page.goto(`/phases/new?person=${lastOf(person)}`);
  await page.getByLabel("Monday").selectOption({ label: "Suggest a session" });
  await page.getByLabel("Thursday").selectOption({ label: "Suggest a session" });
  await page.getByRole("button", { name: "Create phase" }).click();
  const dialog = page.getByRole("dialog", { name: "Suggest the sessions of a week" });
  await expect(dialog.getByRole("status")).toHaveText(/possible$/);
  const namesOf = async (day: string) =>
    dialog
      .getByRole("region", { name: day })
      .getByRole("checkbox")
      .evaluateAll((all) =>
        all.map((own) => (own.getAttribute("aria-label") ?? "").replace("Keep ", "")),
      );
  const [monday, thursday] = [await namesOf("Monday"), await namesOf("Thursday")];
  expect(monday.length).toBeGreaterThan(2);
  expect(monday.filter((name) => thursday.includes(name))).toEqual([]);
  await dialog.getByRole("button", { name: "Use all" }).click();
  await expect(page.getByLabel("Monday")).toContainText(`Suggested: ${monday.length} exercises`);

  // What was suggested for one client is not for another.
  await chooseClient(page, "Client", "Ada Other");
  await page.waitForURL((url) => url.searchParams.get("person") !== lastOf(person));
  await expect(page.getByLabel("Monday")).toHaveValue("");
  await chooseClient(page, "Client", "Ada Plans");
  // The form is made anew for each client, a moment after the address says so.
  await expect(page.locator(`form#phase-${lastOf(person)}`)).toBeVisible();
  await page.getByLabel("Monday").selectOption({ label: "Suggest a session" });
  await page.getByLabel("Thursday").selectOption({ label: "Suggest a session" });
  await page.getByRole("button", { name: "Create phase" }).click();
  await expect(dialog.getByRole("status")).toHaveText(/possible$/);
  await dialog.getByRole("button", { name: "Use all" }).click();

  // Another gym has other equipment: what was suggested for this one is asked for anew.
  await page.getByLabel("Training approach").selectOption({ label: "Heavy Iron" });
  await expect(page.getByLabel("Monday")).toHaveValue("suggest");
  await page.getByLabel("Training approach").selectOption({ index: 0 });
  await page.getByRole("button", { name: "Create phase" }).click();
  await expect(dialog.getByRole("status")).toHaveText(/possible$/);
  await dialog.getByRole("button", { name: "Use all" }).click();
  await page.getByRole("button", { name: "Create phase" }).click();
  await page.waitForURL(/\/phases\/[0-9a-f-]{36}/);
  for (const name of monday) await expect(page.getByText(name).first()).toBeVisible();
});
