import { expect, logSet, openBench, test } from "./kravo.ts";

test("a top set and its back-offs are decided each by itself, and planned as shown", async ({
  watched: page,
}) => {
  await openBench(page, "Ada Lines");
  const line = page.getByLabel("Sets of Back squat, written");
  await line.fill(
    "top 5 at 70 then drop strip 1 for 6; 2 x back-off 8 at 80% of set 1; 10-12 at 50",
  );
  await expect(page.getByLabel("Load of set 4, kg")).toHaveValue("50");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await page.getByRole("button", { name: "Start training" }).click();
  for (const [reps, left] of [
    [5, 2],
    [6, 1],
    [8, 2],
    [8, 1],
    [9, 2],
  ] as const) {
    await logSet(page, reps, left);
  }
  await page.getByRole("button", { name: "End now" }).click();

  const top = page.getByRole("region", { name: "Next time: Back squat, Top set, 5 reps" });
  await expect(top.getByText("Raise to 72.5 kg")).toBeVisible();
  await expect(top.getByText("drops to 60 kg")).toBeVisible();
  const follows = page.getByRole("region", {
    name: "Next time: Back squat, Back-off sets, 2 × 8 reps",
  });
  await expect(follows.getByText("57.5 kg")).toBeVisible();
  await expect(follows.getByText("moves when that one does", { exact: false })).toBeVisible();
  await expect(follows.getByRole("radio")).toHaveCount(0);
  const last = page.getByRole("region", { name: "Next time: Back squat, Work set, 10–12 reps" });
  await expect(last.getByText("Keep 50 kg")).toBeVisible();

  await last.getByLabel("Change", { exact: true }).check();
  await last.getByLabel("Load for Back squat, Work set, 10–12 reps, kg").fill("52.5");
  await page.getByRole("button", { name: "Plan next session" }).click();
  await expect(last.getByText("Expected a reason", { exact: false })).toBeVisible();
  await last.getByLabel("Reason for Back squat, Work set, 10–12 reps").fill("Easy today");
  await page.getByRole("button", { name: "Plan next session" }).click();
  await expect(line).toHaveValue(
    /top 5 at 72.5 kg.* then drop strip 2 for 6; back-off 2 x 8 at 80% of set 1.*; 10-12 at 52.5 kg/,
  );
});
