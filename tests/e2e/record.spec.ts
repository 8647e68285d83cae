import { expect, logButton, saved, startSquats, test } from "./kravo.ts";

test("how the trainee came, how a set was done and what was seen in it are kept and told in the review", async ({
  watched: page,
}) => {
  await startSquats(page);
  await expect(logButton(page)).toBeEnabled();
  await page.getByText("Check-in: body weight and readiness not said").click();
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
  await page.getByText("Pain, note, helper, skip").click();
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
