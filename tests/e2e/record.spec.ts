import type { Page } from "@playwright/test";
import {
  addGymWithRack,
  addPerson,
  expect,
  logButton,
  logSet,
  planSquats,
  registerStudio,
  saved,
  startSquats,
  submit,
  test,
} from "./kravo.ts";

test("how the trainee came, how a set was done and what was seen in it are kept and told in the review", async ({
  watched: page,
}) => {
  await startSquats(page);
  await expect(logButton(page)).toBeEnabled();
  await page.getByText("Check-in: body weight and readiness not logged").click();
  await page.getByLabel("Body weight, kg").fill("8");
  await page.getByRole("button", { name: "Keep check-in" }).click();
  await expect(page.getByText("“8” is no body weight in kg. Write it like 80.5.")).toBeVisible();
  await page.getByLabel("Body weight, kg").fill("80,5");
  await page.getByRole("button", { name: "4", exact: true }).first().click();
  await page.getByRole("button", { name: "Keep check-in" }).click();
  await expect(page.getByText("80.5 kg, readiness 4 of 5")).toBeVisible();

  await page.getByText("More about this set").click();
  await page.getByRole("button", { name: "The knees cave in" }).click();
  await page.getByLabel("The knees cave in, from rep").fill("7");
  await page.getByLabel("Gave out first").selectOption("grip");
  await page.getByLabel("Stance").selectOption("wide");
  await page.getByRole("button", { name: "Belt" }).click();
  await expect(page.getByText(/^More about this set: the knees cave in from rep 7/)).toBeVisible();
  await logButton(page).click();
  // The next set begins with nothing said.
  await expect(page.getByText("Work set 2 of 3")).toBeVisible();
  await expect(page.getByText("More about this set", { exact: true })).toBeVisible();
  await saved(page);

  // Opened again, it shows what was said, and can be corrected.
  const steps = page.getByRole("navigation", { name: "Steps of this session" });
  await page.reload();
  await steps.getByRole("button", { name: /set 1/ }).click();
  await page.getByText(/^More about this set: the knees cave in from rep 7, grip gave out/).click();
  await page.getByRole("button", { name: "None, clean set" }).click();
  await page.getByRole("button", { name: "Save the correction" }).click();
  await expect(page.getByText("Work set 2 of 3")).toBeVisible();

  // An exercise that was skipped is taken up again.
  await page.getByText("Pain, note, spotter, swap, skip").click();
  await page.getByRole("button", { name: "Skip exercise" }).click();
  await expect(page.getByText("All sets are logged.")).toBeVisible();
  await steps.getByRole("button", { name: "Train it after all" }).click();
  await expect(page.getByText("Work set 2 of 3")).toBeVisible();
  await saved(page);

  await page.getByRole("button", { name: "End the session" }).click();
  await page.getByRole("button", { name: /^End now/ }).click();
  await expect(page.getByText(/80\.5 kg, readiness 4 of 5$/)).toBeVisible();
  await expect(
    page.getByText("No fault seen, grip gave out first, stance wide, with belt"),
  ).toBeVisible();
});

/** A studio with a rack for squats and a sled for presses, on the floor of a session of squats. */
async function onFloor(page: Page, exercises: number): Promise<void> {
  await registerStudio(page);
  const where = await addGymWithRack(page);
  await submit(page, `/gyms/${where.gym}/stations/new`, {
    name: "Sled",
    kind: "plateMachine",
    unit: "kg",
    baseMass: "40",
    points: "2",
    plates: "20x8, 10x4, 5x4",
    serves: "shipped:leg-press",
  });
  const bench = await planSquats(page, await addPerson(page, "Ada Test"), where, exercises);
  await page.goto(await submit(page, `${bench}/start`, {}));
}

const stepsOf = (page: Page) => page.getByRole("navigation", { name: "Steps of this session" });
const exercisesOf = (page: Page) => stepsOf(page).getByRole("heading", { level: 2 });

test("an exercise further down is swapped, and done next", async ({ watched: page }) => {
  await onFloor(page, 3);
  await expect(logButton(page)).toBeEnabled();
  await stepsOf(page).getByRole("button", { name: /set 1/ }).nth(2).click();
  await page.getByText("Pain, note, spotter, swap, skip").click();
  await page.getByRole("button", { name: "Swap exercise" }).click();
  await expect(exercisesOf(page)).toHaveText(["1 Back squat", "2 Back squat", "3 Leg press"]);
  await page.getByRole("button", { name: "Do Leg press next" }).click();
  await expect(exercisesOf(page)).toHaveText(["1 Leg press", "2 Back squat", "3 Back squat"]);
  await expect(page.getByRole("region", { name: "Do this now" })).toContainText("Leg press");
  await saved(page);
  await page.reload();
  await expect(exercisesOf(page)).toHaveText(["1 Leg press", "2 Back squat", "3 Back squat"]);
});

test("an exercise is swapped half-way, a set is added, and the plan stays as it was", async ({
  page,
  context,
}) => {
  await onFloor(page, 2);
  const exercises = exercisesOf(page);
  await expect(exercises).toHaveText(["1 Back squat", "2 Back squat"]);
  await logSet(page, 12, 2);

  // Without a network: the rack is taken, and the sled instead has the two sets that were left.
  await saved(page);
  await context.setOffline(true);
  await page.getByText("Pain, note, spotter, swap, skip").click();
  await expect(page.getByLabel("Swap the rest of it for")).toContainText("Leg press · Sled");
  await page.getByRole("button", { name: "Swap exercise" }).click();
  await expect(exercises).toHaveText(["1 Back squat", "2 Leg press", "3 Back squat"]);
  const now = page.getByRole("region", { name: "Do this now" });
  await expect(now).toContainText("Leg press");
  await expect(now).toContainText("set 1 of 2");

  // Taken back, taken again for good; one set more; then one set of that is taken out again.
  await page.getByText("Pain, note, spotter, swap, skip").click();
  await page.getByRole("button", { name: "Take the swap back" }).click();
  await expect(exercises).toHaveText(["1 Back squat", "2 Back squat"]);
  await page.getByText("Pain, note, spotter, swap, skip").click();
  await page.getByLabel("For how long").selectOption("forGood");
  await page.getByRole("button", { name: "Swap exercise" }).click();
  await expect(now).toContainText("set 1 of 2");
  await page.getByText("Pain, note, spotter, swap, skip").click();
  await page.getByRole("button", { name: "Add a set" }).click();
  await expect(now).toContainText("set 1 of 3");
  await page.getByRole("button", { name: "Add a set" }).click();
  await page.getByRole("button", { name: "Take the added set out again" }).first().click();
  await expect(now).toContainText("set 1 of 3");
  await page.getByRole("button", { name: "Heavier" }).first().click();
  await page.getByRole("button", { name: "RIR 2", exact: true }).click();
  await logButton(page).click();
  await expect(now).toContainText("set 2 of 3");
  await context.setOffline(false);
  await saved(page);

  await page.reload();
  await expect(exercises).toHaveText(["1 Back squat", "2 Leg press", "3 Back squat"]);
  await page.getByRole("button", { name: "End the session" }).click();
  await page.getByRole("button", { name: /^End now/ }).click();
  await expect(
    page.getByRole("rowheader", { name: "Leg press swapped in for good" }),
  ).toBeVisible();

  // The next session has the sled for good, and the set that was added today is not in it.
  await page.getByRole("button", { name: "Plan next session" }).click();
  await expect(page.getByRole("heading", { name: "Leg press" })).toBeVisible();
  const planned = page.getByRole("region", { name: /^\d+\. / });
  await expect(planned.getByText("3 sets", { exact: true })).toHaveCount(2);
});
