import { expect, openBench, test } from "./kravo.ts";

test("sets are written as a line, refused at the character, kept through a save, and taken in turn", async ({
  watched: page,
}) => {
  await openBench(page, "Ada Line");
  const line = page.getByLabel("Sets of Back squat, written");
  await line.fill(
    "ramp 8 at 40; 3x5-7 at 77,5 leave 2 rest 3:30 then 2 drops to 80% of first for 6",
  );
  await expect(page.getByLabel("Load of set 2, kg")).toHaveValue("77.5");
  await expect(page.getByLabel("Reps of drop 2 of set 4")).toHaveValue("6");
  await expect(page.getByRole("figure", { name: "Session profile" })).toContainText("77.5 kg");

  await line.fill("3x7-5 at 77.5");
  await expect(page.getByRole("alert").first()).toContainText("7 to 5 runs backwards");
  await expect(page.getByLabel("Load of set 2, kg")).toHaveValue("77.5");
  await expect(page.getByRole("button", { name: "Save", exact: true })).toBeDisabled();

  await line.fill("");
  await line.pressSequentially("2 x 8 at 60 then rest-p");
  const offers = page.getByRole("listbox", { name: "Words that fit here" });
  await expect(offers.getByRole("option", { name: "rest-pause" })).toBeVisible();
  await line.press("Enter");
  await line.pressSequentially("2 after 15");
  await expect(page.getByLabel("Part 1 of set 2")).toHaveValue("rest-pause 2");
  await page.getByLabel("Part 1 of set 2").fill("hold 3600 s stretched");
  await expect(page.getByText("Expected 1 to 600 seconds of a hold").first()).toBeVisible();
  await page.getByLabel("Part 1 of set 2").fill("hold 20 s stretched");
  await page.getByLabel("Load of set 2, kg").fill("90% of set 1");
  await page.getByLabel("Rest after set 1").fill("breath about 2 min");

  await page.getByRole("button", { name: "+ Preparation" }).click();
  await page.getByLabel("Preparation, what is done").fill('pulse-raiser "Bike" 5 min felt 4');
  await expect(page.getByText("Pulse raiser: Bike, 5:00 min, effort 4 of 10")).toBeVisible();
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText(/saved, revision 3/i)).toBeVisible();
  await page.reload();
  await expect(page.getByLabel("Sets of Back squat, written")).toHaveValue(
    "8 at 60 kg rest breath then rest-pause 2; 8 at 90% of set 1 then hold 20 s stretched",
  );
  await expect(page.getByLabel("Rest after set 1")).toHaveValue("breath");
});

test("the page that teaches the line shows what an example comes to", async ({ watched: page }) => {
  await openBench(page, "Ada Learns");
  await page.goto("/writing-sets");
  await page.getByRole("button", { name: /3 drops to 80/ }).click();
  await expect(page.getByText("4 steps", { exact: false })).toBeVisible();
  await page.getByLabel("A line to try").fill("3 x");
  await expect(page.getByRole("alert")).toContainText("Something is missing at the end");
});
