import { expect, logSet, openBench, test, comingAlive } from "./kravo.ts";

test("a rule is chosen with its parameters, and what it changes is what is planned", async ({
  watched: page,
}) => {
  await openBench(page, "Ada Rule");
  const rule = page.getByLabel("Next time", { exact: true });
  await page.getByRole("button", { name: /^Next time: / }).click();
  await rule.selectOption("addSets");
  await expect(page.getByLabel("Sets from, next time for Back squat")).toHaveValue("3");
  await page.getByLabel("Sets from, next time for Back squat").fill("0");
  await page.getByLabel("Sets from, next time for Back squat").blur();
  await expect(
    page.getByText("Expected a whole number from 1 to 20.", { exact: true }),
  ).toBeVisible();
  await page.getByLabel("Sets from, next time for Back squat").fill("2");
  await page.getByLabel("To, next time for Back squat").fill("4");
  await page.getByLabel("To, next time for Back squat").blur();
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText(/saved, revision/i)).toBeVisible();
  await page.reload();
  await page.getByRole("button", { name: "Next time: add sets" }).click();
  await expect(rule).toHaveValue("addSets");
  await expect(page.getByLabel("Sets from, next time for Back squat")).toHaveValue("2");

  await page.getByRole("button", { name: "Start training" }).click();
  for (let set = 0; set < 3; set += 1) await logSet(page, 12, 2);
  await page.getByRole("button", { name: "End now" }).click();
  await expect(page.getByText("Stay at 60 kg")).toBeVisible();
  await expect(page.getByText("4 sets, was 3", { exact: true })).toBeVisible();
  await expect(page.getByText("first time here")).toBeVisible();
  await expect(page.getByText(/^4 x .* at 60 kg/)).toBeVisible();
  await page.getByRole("button", { name: "Plan next session" }).click();
  await expect(page.getByLabel("Load of set 4, kg")).toHaveValue("60");
  await expect(page.getByLabel("Load of set 5, kg")).toBeHidden();
  await page.goBack();
  await expect(page.getByText("Accepted: Stay at 60 kg; 4 sets, was 3.")).toBeVisible();
});

test("when a load will come is asked of an exercise, and says what is missing", async ({
  watched: page,
}) => {
  await openBench(page, "Ada When");
  await page.getByRole("button", { name: "Start training" }).click();
  for (let set = 0; set < 3; set += 1) await logSet(page, 10, 2);
  await page.getByRole("button", { name: "End now" }).click();
  await expect(page.getByRole("heading", { name: "Next time" })).toBeVisible();
  await expect(page.getByRole("link", { name: "Project a load" })).toBeVisible();
  await page
    .getByRole("navigation", { name: "Index" })
    .getByRole("link", { name: "Clients" })
    .click();
  await page.getByRole("link", { name: "Ada When" }).first().click();
  // The client page says the same of the exercise, and leads to where it is decided.
  const squat = page.getByRole("row", { name: /Back squat/ });
  const opened = page.getByRole("group", { name: "Back squat: bests and reasons" });
  await squat.getByRole("button", { name: "Back squat" }).click();
  await expect(opened.getByText("first time here")).toBeVisible();
  await squat.getByRole("link", { name: /^Decide/ }).click();
  await page.getByRole("button", { name: "Plan next session" }).click();
  await expect(page.getByRole("link", { name: "Project a load" })).toBeVisible();
  await page
    .getByRole("navigation", { name: "Index" })
    .getByRole("link", { name: "Clients" })
    .click();
  await page.getByRole("link", { name: "Ada When" }).first().click();
  await expect(squat.getByText(/^Accepted: /)).toBeVisible();
  await squat.getByRole("button", { name: "Back squat" }).click();
  await opened.getByRole("link", { name: "Project a load" }).click();
  await page.getByLabel("Load, kg").fill("a lot");
  await page.getByRole("button", { name: "Ask" }).click();
  await expect(page.getByText("“a lot” is no load.", { exact: false })).toBeVisible();
  await page.getByLabel("Load, kg").fill("100");
  await page.getByRole("button", { name: "Ask" }).click();
  await expect(
    page.getByText("A rate needs four sessions that compare; so far there is 1."),
  ).toBeVisible();
});

test("a proposal that changed since it was shown is not accepted, and is shown again", async ({
  watched: page,
}) => {
  await openBench(page, "Ada Late");
  await page.getByRole("button", { name: "Start training" }).click();
  for (let set = 0; set < 3; set += 1) await logSet(page, 12, 2);
  await page.getByRole("button", { name: "End now" }).click();
  await expect(page.getByText("Raise to 62.5 kg")).toBeVisible();
  const other = comingAlive(await page.context().newPage());
  await other.goto(page.url());
  await other.getByText("Correct", { exact: true }).first().click();
  await other.getByLabel("Done", { exact: true }).first().fill("8");
  await other.getByLabel("Why", { exact: true }).first().fill("Miscounted");
  await other.getByRole("button", { name: "Save the correction" }).first().click();
  await expect(other.getByText("Stay at 60 kg")).toBeVisible();
  await page.getByRole("button", { name: "Plan next session" }).click();
  await expect(page.getByText("This proposal changed since the page was loaded")).toBeVisible();
  await expect(page.getByText("Stay at 60 kg")).toBeVisible();
  await page.getByRole("button", { name: "Plan next session" }).click();
  await expect(page.getByLabel("Load of set 1, kg")).toHaveValue("60");
});
