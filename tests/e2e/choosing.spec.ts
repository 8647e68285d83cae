import type { Page } from "@playwright/test";
import {
  addGym,
  addPerson,
  expect,
  focusSearch,
  MOVEMENT_FORM,
  registerStudio,
  submit,
  test,
} from "./kravo.ts";

/** A studio with a gym of usual stations, and somebody in it. */
async function beginStudio(page: Page): Promise<{ gym: string; person: string }> {
  await registerStudio(page);
  const gym = await addGym(page, { begins: "small" });
  const person = await addPerson(page, "Ada Choosing");
  return { gym, person };
}

async function takeOut(page: Page, gym: string, station: string): Promise<void> {
  await page.goto(gym);
  await page.getByRole("link", { name: station, exact: true }).click();
  await page.getByRole("button", { name: "Archive this equipment" }).click();
  await expect(page.getByRole("button", { name: "Restore this equipment" })).toBeVisible();
  await page.goto(gym);
  await expect(page.getByRole("link", { name: station, exact: true })).toHaveCount(0);
}

const search = (page: Page) => page.getByRole("combobox", { name: "Search exercises" });
const exercises = (page: Page) =>
  page.getByRole("region", { name: /^\d+[a-z]?\. / }).evaluateAll((all) => all.length);

test("from a brief with two limits to a session without findings, and a swap for a taken station", async ({
  watched: page,
}) => {
  test.slow();
  const { gym, person } = await beginStudio(page);
  await takeOut(page, gym, "Leg press");
  await takeOut(page, gym, "Leg curl");

  // The brief: two limits, a refused score, and what they do, said on the screen.
  await page.goto(`${person}/brief`);
  const step = (name: string) => page.getByRole("button", { name: new RegExp(name) }).click();
  await step("2 Pains and screening");
  await page.getByRole("button", { name: "Add a limit" }).click();
  await page.getByLabel("How bad, of 10").fill("14");
  await page.getByRole("button", { name: "Save the brief" }).click();
  await expect(page.getByText("Expected a score from 0 to 10.")).toBeVisible();
  await page.getByLabel("How bad, of 10").fill("5");
  await page.getByRole("button", { name: "Add a limit" }).click();
  await page.getByLabel("Joint 2").selectOption("lowBack");
  await page.getByLabel("Aggravated by").nth(1).selectOption("loadOnSpine");
  await page.getByLabel("How bad, of 10").nth(1).fill("4");
  await step("1 Goal and time");
  await page.getByLabel("Leg days a week").fill("2");
  await step("4 Gym and equipment");
  await page.getByLabel("Spotter or partner").selectOption("alone");
  await page.getByRole("button", { name: "Save the brief" }).click();
  await expect(page.getByText(/rules out \d+ exercises/).first()).toBeVisible();
  await expect(page.getByText("knee, aggravated by load on the bent knee, 5 of 10")).toBeVisible();

  // The bench: what hurts is out and says why; the search works by keys alone.
  await page.goto(person);
  await page.getByRole("link", { name: "Plan a session" }).first().click();
  await page.getByRole("button", { name: "Plan the session" }).click();
  await expect(search(page)).toBeVisible();
  await focusSearch(page);
  await page.keyboard.type("goblet");
  await page.getByText(/\d+ ruled out: see why/).click();
  await expect(
    page.getByText(/knee hurts at 5 of 10 with load on the bent knee/).first(),
  ).toBeVisible();
  await search(page).fill("");
  for (let i = 0; i < 3; i++) await search(page).press("Enter");
  await expect.poll(() => exercises(page)).toBe(3);

  // Every finding is answered: by its first fix where there is one, otherwise set aside with a reason.
  const findings = page.getByRole("region", { name: "Findings" });
  const isDone = async () =>
    (await findings.getByRole("heading", { name: "No findings" }).count()) > 0;
  for (let i = 0; i < 30 && !(await isDone()); i++) {
    const before = await findings.innerText();
    // The list is drawn anew after every change, so a press may meet a row that is just gone.
    await expect(async () => {
      if ((await isDone()) || (await findings.innerText()) !== before) return;
      const first = findings.locator("details").first();
      if ((await first.getAttribute("open")) === null) await first.locator("summary").click();
      const press = { timeout: 1500 };
      const fix = first.getByRole("button").first();
      if ((await fix.innerText(press)) === "Set aside …") {
        await fix.click(press);
        await first.getByLabel("Why it is set aside").fill("Agreed with her for this week", press);
        await first.getByRole("button", { name: "Keep" }).click(press);
      } else {
        await fix.click(press);
      }
      await expect.poll(() => findings.innerText(), press).not.toBe(before);
    }).toPass({ timeout: 120_000 });
  }
  await expect(findings.getByRole("heading", { name: "No findings" })).toBeVisible();

  // A station is taken: one press swaps, one undo brings it back.
  const row = page.getByRole("region", { name: /^1\. / });
  await row.getByRole("heading").getByRole("button").click();
  const first = () => row.innerText();
  const planned = await first();
  await row.getByRole("button", { name: /^Swap / }).click();
  await page.getByRole("button", { name: /^Use / }).first().click();
  await expect.poll(first).not.toBe(planned);
  await expect(page.getByText(/without a load: found on the day/).first()).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect.poll(first).toBe(planned);
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText(/saved, revision 2/i)).toBeVisible();
  await page.reload();
  await expect(findings.getByRole("heading", { name: "No findings" })).toBeVisible();
});

test("a limit that takes everything out says so and names the closest", async ({ page }) => {
  const { person } = await beginStudio(page);
  const form: Record<string, string> = {
    goal: "size",
    limbs: "unknown",
    helper: "unknown",
    revision: "0",
  };
  ["squat", "hinge", "press"].forEach((pattern, i) => {
    form[`clearances[${i}].verdict`] = "forbidden";
    form[`clearances[${i}].pattern`] = pattern;
    form[`clearances[${i}].by`] = "the surgeon";
  });
  await submit(page, `${person}/brief`, form);
  await page.goto(person);
  await page.getByRole("link", { name: "Plan a session" }).first().click();
  await page.getByRole("button", { name: "Plan the session" }).click();
  await search(page).fill("body weight squat");
  await expect(
    page.getByText(/All are ruled out: squat was forbidden by the surgeon/),
  ).toBeVisible();
});

test("body weight of 7 or 700, a stack with a pin twice and a run that does not arrive are refused at the field", async ({
  page,
}) => {
  const { gym, person } = await beginStudio(page);
  await page.goto(`${person}/brief`);
  for (const value of ["7", "700", "much"]) {
    await page.getByLabel("Value").fill(value);
    await page.getByRole("button", { name: "Add", exact: true }).click();
    await expect(page.getByText(`Expected 25 to 300 kg; “${value}” is not that.`)).toBeVisible();
    await expect(page.getByLabel("Value")).toHaveValue(value);
  }
  await page.getByLabel("Value").fill("70,4");
  await page.getByRole("button", { name: "Add", exact: true }).click();
  await expect(page.getByRole("row", { name: /Body weight/ })).toContainText("70.4 kg");

  await page.goto(`${gym}/stations/new`);
  await page.getByLabel("Equipment name").fill("Odd stack");
  await page.getByLabel("How it is loaded").selectOption("stack");
  const add = page.getByRole("button", { name: "Add", exact: true });
  for (const [pins, says] of [
    ["10, 20, 10", "10 kg stands twice; give each once."],
    ["10 to 95 by 10", "does not arrive"],
    ["", "Expected at least one"],
  ] as const) {
    await page.getByLabel("Pins, as labelled").fill(pins);
    await add.click();
    await expect(page.getByText(says)).toBeVisible();
  }
  await page.getByLabel("Pins, as labelled").fill("10, 20, 35 to 80 by 15");
  await add.click();
  await expect(page.getByRole("row", { name: /Odd stack/ })).toContainText("6 pins, 10 to 80 kg");
});

test("an approach is copied, changed and followed; a gym is copied with its stations", async ({
  page,
}) => {
  const { gym, person } = await beginStudio(page);
  await page.goto("/approaches");
  await page.getByRole("link", { name: "Even Ground" }).click();
  await page.getByRole("button", { name: "Copy and change" }).click();
  await page.getByLabel("Name").fill("Our way");
  await page.getByLabel("What comes first?").selectOption("calvesFirst");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByRole("heading", { name: "Our way" })).toBeVisible();
  await page.goto(`${person}/brief`);
  await page.getByLabel("Approach").selectOption("Our way");
  await page.getByRole("button", { name: "Save the brief" }).click();
  await page.goto(person);
  await page.getByRole("link", { name: "Plan a session" }).first().click();
  await page.getByRole("button", { name: "Plan the session" }).click();
  for (const name of ["goblet", "calf raise from the floor"]) {
    await search(page).fill(name);
    await search(page).press("Enter");
  }
  await expect(page.getByText(/Our way would have it before/)).toBeVisible();
  await page.getByRole("button", { name: "Reorder by Our way" }).click();
  await expect(page.getByText(/Our way would have it before/)).toHaveCount(0);

  await page.goto(gym);
  const rows = await page.getByRole("row").count();
  await page.getByRole("button", { name: "Copy this gym" }).click();
  await expect(page.getByRole("heading", { name: "Test Gym, copy" })).toBeVisible();
  await expect(page.getByRole("row")).toHaveCount(rows);
});

test("a movement of one's own is written, refused where its substitutes lead nowhere, and trained like any other", async ({
  page,
}) => {
  const { gym, person } = await beginStudio(page);
  const nowhere = { ...MOVEMENT_FORM, "substitutes[1].movement": "shipped:no-such" };
  const origin = new URL(page.url()).origin;
  const refused = await page.request.post("/movements/new", {
    form: nowhere,
    headers: { origin },
    maxRedirects: 0,
  });
  expect(await refused.text()).toContain("This substitute leads nowhere");
  await page.goto("/movements/new?from=shipped:goblet-squat");
  await page.getByLabel("Name").fill("");
  await page.getByRole("button", { name: "Remove substitute 1" }).click();
  await page.getByRole("button", { name: "Add exercise" }).click();
  await expect(page.getByText("Expected a name.")).toBeVisible();
  await expect(
    page.getByText("Expected at least two substitutes, each with its reason."),
  ).toBeVisible();

  await submit(page, "/movements/new", MOVEMENT_FORM);
  await page.goto("/movements");
  await page.getByLabel("Search exercises").fill("quay");
  await page.getByText("Quay squat").click();
  await page.getByRole("link", { name: "Change it" }).click();
  await page.getByLabel("Name").fill("Quay front squat");
  await page.getByRole("button", { name: "Save" }).click();
  await page.getByLabel("Search exercises").fill("quay front");
  await expect(page.getByText("Quay front squat")).toBeVisible();

  await page.goto(gym);
  await page.getByRole("link", { name: "Rack", exact: true }).click();
  await page.getByLabel("Quay front squat").check();
  await page.getByRole("button", { name: "Save as the next version" }).click();
  await page.goto(person);
  await page.getByRole("link", { name: "Plan a session" }).first().click();
  await page.getByRole("button", { name: "Plan the session" }).click();
  await search(page).fill("quay front");
  await search(page).press("Enter");
  await page.getByLabel("Load of set 1, kg").fill("40");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText(/saved, revision 2/i)).toBeVisible();
  await page.getByRole("button", { name: "Start training" }).click();
  await expect(page.getByRole("heading", { name: "Quay front squat" }).first()).toBeVisible();
});
