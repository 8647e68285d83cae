import type { Page } from "@playwright/test";
import {
  addGymWithRack,
  addPerson,
  expect,
  MOVEMENT_FORM,
  openBench,
  registerStudio,
  secondContext,
  submit,
  test,
  comingAlive,
} from "./kravo.ts";

test("two edits of a person: the second sees the other's values, loses none of its own", async ({
  page,
  browser,
  context,
}) => {
  await registerStudio(page);
  await page.goto(`${await addPerson(page, "Ada Edit")}/edit`);
  const other = comingAlive(await (await secondContext(browser, context)).newPage());
  await other.goto(page.url());
  await page.getByLabel("Goal of the phase").fill("Strength");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText(/^Strength · Beginner/)).toBeVisible();

  await other.getByLabel("Goal of the phase").fill("Size");
  await other.getByRole("button", { name: "Save" }).click();
  await expect(
    other.getByText("Someone else saved this client in the meantime.", { exact: false }),
  ).toBeVisible();
  await expect(other.getByText("Other edit: Strength")).toBeVisible();
  await expect(other.getByLabel("Goal of the phase")).toHaveValue("Size");
  await other.getByRole("button", { name: "Save" }).click();
  await expect(other.getByText(/^Size · Beginner/)).toBeVisible();
});

test("two edits of a plan: the bench shows both, and taking theirs can be undone", async ({
  page,
  browser,
  context,
}) => {
  await openBench(page, "Ada Plan");
  const other = comingAlive(await (await secondContext(browser, context)).newPage());
  await other.setViewportSize({ width: 1280, height: 800 });
  await other.goto(page.url());
  await page.getByLabel("Load of set 1, kg").fill("65");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText(/saved, revision 3/i)).toBeVisible();

  await other.getByLabel("Load of set 1, kg").fill("70");
  await other.getByRole("button", { name: "Save", exact: true }).click();
  await expect(other.getByText("Someone else saved revision 3 in the meantime")).toBeVisible();
  await expect(other.getByText(/8–12 × 65 kg, RIR 2/)).toBeVisible();
  await expect(other.getByText(/8–12 × 70 kg, RIR 2/)).toBeVisible();
  await other.getByRole("button", { name: "Use theirs (undo brings mine back)" }).click();
  await expect(other.getByLabel("Load of set 1, kg")).toHaveValue("65");
  await other.getByRole("button", { name: "Undo" }).click();
  await expect(other.getByLabel("Load of set 1, kg")).toHaveValue("70");
  await other.getByRole("button", { name: "Save", exact: true }).click();
  await expect(other.getByText(/saved, revision 4/i)).toBeVisible();
});

test("a plan changed while it is trained is offered on the floor, and taken only when asked", async ({
  page,
  browser,
  context,
}) => {
  await openBench(page, "Ada Change");
  const bench = page.url();
  await page.getByRole("button", { name: "Start training" }).click();
  await expect(page.getByText("Work set 1 of 3")).toBeVisible();
  const coach = comingAlive(await (await secondContext(browser, context)).newPage());
  await coach.setViewportSize({ width: 1280, height: 800 });
  await coach.goto(bench);
  for (const set of [1, 2, 3]) await coach.getByLabel(`Load of set ${set}, kg`).fill("50");
  await coach.getByRole("button", { name: "Save", exact: true }).click();
  await expect(
    page.getByText("The plan was changed since this session began.", { exact: false }),
  ).toBeVisible();
  await expect(page.getByRole("region", { name: "Do this now" })).toContainText("60 kg");
  await page.getByRole("button", { name: "Load the changes" }).click();
  await expect(page.getByRole("region", { name: "Do this now" })).toContainText("50 kg");
});

test("wrong values are told at their field, and what was typed stays", async ({
  watched: page,
}) => {
  await registerStudio(page);
  await page.goto("/people/new");
  await page.getByLabel("Goal of the phase").fill("Something worth keeping");
  await page.getByRole("button", { name: "Add", exact: true }).click();
  await expect(page.getByText("Expected a name.")).toBeVisible();
  await expect(page.getByLabel("Goal of the phase")).toHaveValue("Something worth keeping");

  await page.goto("/gyms");
  await page.getByLabel("Name").fill("Here");
  await page.getByLabel("Time zone").fill("Mars/Olympus");
  await page.getByRole("button", { name: "Add the gym" }).click();
  await expect(page.getByText("Expected a time zone name, like Europe/Vienna.")).toBeVisible();
  await page.getByLabel("Time zone").fill("Europe/Vienna");
  await page.getByRole("button", { name: "Add the gym" }).click();
  await expect(page.getByRole("region", { name: "First steps" })).toBeVisible();
  await page.goto("/gyms");
  await page.getByRole("link", { name: "Here" }).click();
  await page.getByRole("link", { name: "Add equipment" }).click();
  await page.getByLabel("Equipment name").fill("Stack");
  await page.getByLabel("How it is loaded").selectOption("stack");
  await page.getByLabel("Labelled in").selectOption("lb");
  await page.getByLabel("Pins, as labelled").fill("10, 20, 35, 20");
  await page.getByRole("button", { name: "Add", exact: true }).click();
  await expect(page.getByText("20 lb stands twice; give each once.")).toBeVisible();
  await page.getByLabel("Pins, as labelled").fill("10, 20, 35");
  await page.getByRole("button", { name: "Add", exact: true }).click();
  await expect(page.getByText("3 pins, 10 to 35 lb")).toBeVisible();
});

test("an erased person is gone, and their address says so", async ({ page }) => {
  const { password } = await registerStudio(page);
  const address = await addPerson(page, "Ada Gone");
  await page.goto(`${address}/edit`);
  // A box ticked before the page has come alive is cleared by it.
  await expect(() => page.getByLabel("I understand that this cannot be undone.").check()).toPass();
  await page.getByLabel("Current password").fill("not the password");
  await page.getByRole("button", { name: "Erase Ada Gone" }).click();
  await expect(page.getByRole("alert").getByText(/password/)).toBeVisible();
  await page.getByLabel("Current password").fill(password);
  await page.getByRole("button", { name: "Erase Ada Gone" }).click();
  await expect(page.getByText("No clients yet.", { exact: false })).toBeVisible();
  await page.goto(address);
  await expect(page.getByRole("heading", { name: "Nothing is filed here" })).toBeVisible();
});

test("two edits of a gym, a station, an approach, the rules or an exercise: neither is silently replaced", async ({
  page,
  browser,
  context,
}) => {
  test.slow();
  await registerStudio(page);
  const { gym, rack } = await addGymWithRack(page);
  await submit(page, "/movements/new", MOVEMENT_FORM);
  const movement = /studio:([0-9a-f-]{36})/.exec(
    await (await page.request.get("/movements")).text(),
  )?.[1];
  const approach = await submit(page, "/approaches/shipped-of-even-ground", { intent: "copy" });
  const other = comingAlive(await (await secondContext(browser, context)).newPage());
  await other.setViewportSize({ width: 1280, height: 800 });
  const forms = [
    { at: `/gyms/${gym}`, field: "House rules", mine: "No chalk", theirs: "No shoes" },
    { at: `/gyms/${gym}/stations/${rack}`, field: "Equipment name", mine: "A", theirs: "B" },
    { at: approach, field: "In one sentence", mine: "Mine", theirs: "Theirs" },
    { at: "/strength-rules", field: "At most, %", mine: "11", theirs: "12" },
    { at: `/movements/${movement}`, field: "Breathing", mine: "In", theirs: "Out" },
  ];
  for (const { at, field, mine, theirs } of forms) {
    await page.goto(at);
    await other.goto(at);
    const save = (on: Page) => on.getByRole("button", { name: /^Save/ });
    for (const on of [page, other]) await expect(save(on)).toBeEnabled();
    await page.getByLabel(field).fill(theirs);
    const first = page.waitForResponse((r) => r.request().method() === "POST");
    await save(page).click();
    expect((await first).status(), at).toBeLessThan(400);
    await other.getByLabel(field).fill(mine);
    await save(other).click();
    await expect(other.getByText(/^(▸ )?Someone else saved/), at).toBeVisible();
    await expect(other.getByLabel(field), at).toHaveValue(mine);
    // Nothing of it was saved yet: the other's value still stands.
    const fresh = comingAlive(await context.newPage());
    await fresh.goto(at);
    await expect(fresh.getByLabel(field), at).toHaveValue(theirs);
    // Told of it, the coach may put theirs over it.
    const second = other.waitForResponse((r) => r.request().method() === "POST");
    await save(other).click();
    expect((await second).status(), at).toBeLessThan(400);
    await expect(other.getByText(/^(▸ )?Someone else saved/), at).toHaveCount(0);
    await fresh.goto(at);
    await expect(fresh.getByLabel(field), at).toHaveValue(mine);
    await fresh.close();
  }
});
