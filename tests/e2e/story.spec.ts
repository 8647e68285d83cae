import { expect, logSet, openBench, test } from "./kravo.ts";

test("a coach plans, trains, reads why, and plans the next session", async ({
  watched: page,
}, info) => {
  // Register, set up the gym, add somebody.
  await page.goto("/register");
  await page.getByLabel("Your name").fill("Test Coach");
  await page.getByLabel("Studio").fill("Test Room");
  await page.getByLabel("E-mail").fill(`story-${info.project.name}-${Date.now()}@test.example`);
  await page.getByLabel("Password").fill("four unrelated words");
  await page.getByRole("button", { name: "Register" }).click();
  await expect(page.getByRole("heading", { name: "Gyms" })).toBeVisible();
  await page.getByLabel("Name").fill("Test Gym");
  await page.getByLabel("Empty body weight").check();
  await page.getByRole("button", { name: "Add the gym" }).click();
  await expect(page.getByRole("region", { name: "First steps" })).toBeVisible();
  await page.goto("/gyms");
  await page.getByRole("link", { name: "Test Gym" }).click();
  await page.getByRole("link", { name: "Add equipment" }).click();
  await page.getByLabel("Equipment name").fill("Rack");
  await expect(page.getByLabel("Bar weight, kg")).toHaveValue("");
  await page.getByLabel("Bar weight, kg").fill("20");
  await page.getByLabel("Plates: size x how many").fill("20x4, 10x4, 5x4, 2.5x4, 1.25x2");
  await expect(page.getByLabel("Back squat")).toBeChecked();
  await expect(page.getByLabel("Guided-bar squat")).not.toBeChecked();
  await page.getByRole("button", { name: "Add", exact: true }).click();
  await expect(page.getByRole("link", { name: "Rack" })).toBeVisible();
  await page
    .getByRole("navigation", { name: "Index" })
    .getByRole("link", { name: "Clients" })
    .click();
  await page.getByRole("link", { name: "Add a client" }).click();
  await expect(page.getByRole("heading", { name: "Add a client" })).toBeVisible();
  await page.getByLabel("Name").fill("Ada Story");
  await page.getByLabel("Level").selectOption("trained");
  await page.getByRole("button", { name: "Add" }).click();

  // Plan, with a load that the rack cannot make, and a drop.
  await page.getByRole("link", { name: "Plan a session" }).first().click();
  await page.getByRole("button", { name: "Plan the session" }).click();
  await page.getByRole("combobox", { name: "Search exercises" }).fill("back squat");
  await page.keyboard.press("Enter");
  await page.getByLabel("Reps of set 1").fill("10-8");
  await expect(
    page.getByText("10 to 8 runs backwards; write the lower number first.").first(),
  ).toBeVisible();
  await expect(page.getByRole("button", { name: "Save", exact: true })).toBeDisabled();
  for (const set of [1, 2, 3]) {
    await page.getByLabel(`Reps of set ${set}`).fill("6-8");
    await page.getByLabel(`Load of set ${set}, kg`).fill(set === 1 ? "61" : "60");
  }
  await expect(page.getByText("Set 1: 61 kg cannot be made here.")).toBeVisible();
  await expect(page.getByRole("button", { name: "Start training" })).toBeDisabled();
  await page.getByRole("button", { name: "Use 60 kg" }).click();
  await page.getByLabel("Add a technique to set 3").selectOption("drop");
  await page.getByLabel("Share of drop 1 of set 3, per cent").fill("75");
  await expect(page.getByText("45 kg", { exact: true })).toBeVisible(); // 75 % of 60, bar included
  await page.getByRole("button", { name: "Tempo" }).click();
  await page.getByLabel("Back squat: lower, seconds").fill("3");
  const panel = page.getByRole("complementary", { name: "What the session comes to" });
  await expect(panel.getByText(/^\d+ min$/)).toBeVisible();
  await expect(panel.getByText("3 hard sets")).toBeVisible();
  await expect(panel.getByRole("listitem").filter({ hasText: /^Quads\d/ })).toContainText("3");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText(/saved, revision 2/i)).toBeVisible();

  // Train.
  await page.getByRole("button", { name: "Start training" }).click();
  await expect(page.getByRole("region", { name: "Do this now" })).toContainText(
    "2 × 10 kg per side",
  );
  await expect(page.getByText("none logged here")).toBeVisible();
  await logSet(page, 8, 2);
  await expect(page.getByRole("timer")).toContainText(/[12]:\d\d/); // the rest began by itself
  await expect(page.getByText("Work set 2 of 3")).toBeVisible();
  await logSet(page, 8, 2);
  await logSet(page, 8, 1);
  await expect(page.getByText("Drop of set 3 of 3")).toBeVisible();
  await expect(page.getByText("take off 10, add 2.5 per side")).toBeVisible();
  await logSet(page, 7, 0);
  await expect(page.getByText("All saved on the server")).toBeVisible();
  await page.getByRole("button", { name: "End now" }).click();

  // Read why, and decide.
  await expect(page.getByText("Raise to 62.5 kg")).toBeVisible();
  await expect(page.getByText("All 3 sets at 60 kg reached 8 reps.")).toBeVisible();
  await expect(
    page.getByText(/2 x 6-8 at 62\.5 kg RIR 2; 6-8 at 62\.5 kg RIR 2 then drop/),
  ).toBeVisible();
  await page.getByText("Why", { exact: true }).click();
  await expect(
    page.getByText("The next load available from 60 kg is 62.5 kg", {
      exact: false,
    }),
  ).toBeVisible();
  await expect(page.getByText("3 of 3 sets")).toBeVisible();
  await page.getByLabel("Change", { exact: true }).check();
  await page.getByLabel("Load for Back squat, kg").fill("65");
  await page.getByRole("button", { name: "Plan next session" }).click();
  await expect(page.getByText("Expected a reason; it is kept with the decision.")).toBeVisible();
  await expect(page.getByLabel("Load for Back squat, kg")).toHaveValue("65"); // what was typed stays
  await page.getByLabel("Reason for Back squat").fill("Strong day, depth was easy");
  await page.getByRole("button", { name: "Plan next session" }).click();
  await expect(page.getByLabel("Load of set 1, kg")).toHaveValue("65");
  await expect(page.getByText("60 kg × 8, 8, 8", { exact: false })).toBeVisible();

  // The decision is kept with its reason.
  await page.goBack();
  await expect(page.getByText("Changed: 65 kg. “Strong day, depth was easy”")).toBeVisible();
});

test("pain keeps the load and asks for the coach's word", async ({ watched: page }) => {
  await openBench(page, "Ada Pain");
  await page.getByRole("button", { name: "Remove set 3" }).click();
  await page.getByRole("button", { name: "Remove set 2" }).click();
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await page.getByRole("button", { name: "Start training" }).click();

  await page.getByText("Pain, note, spotter, swap, skip").click();
  await page.getByLabel("Pain where").selectOption("knee");
  await page.getByLabel("Of 10").selectOption("4");
  await page.getByRole("button", { name: "Record pain" }).click();
  await page.getByLabel("Note, also to next time").fill("Left knee, on the way up");
  await page.getByRole("button", { name: "Keep the note" }).click();
  await logSet(page, 12, 2);
  await page.getByRole("button", { name: "End now" }).click();

  await expect(page.getByText("Keep 60 kg")).toBeVisible();
  await expect(page.getByText("Pain was recorded: knee, 4 of 10.", { exact: false })).toBeVisible();
  await expect(page.getByText("Left knee, on the way up")).toBeVisible();
  await page.getByRole("button", { name: "Plan next session" }).click();
  await expect(
    page.getByText("Your decision is needed: accept it, or change it with a reason."),
  ).toBeVisible();
  await page.getByLabel("Accept", { exact: true }).check();
  await page.getByRole("button", { name: "Plan next session" }).click();
  await expect(page.getByLabel("Load of set 1, kg")).toHaveValue("60");
});
