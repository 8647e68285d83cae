import type { Page } from "@playwright/test";
import {
  addGym,
  exerciseRow,
  expect,
  lastOf,
  openBench,
  registerStudio,
  submit,
  test,
} from "./kravo.ts";

const SEVEN = [
  "Back squat",
  "Leg press",
  "Leg extension",
  "Romanian deadlift",
  "Seated leg curl",
  "Standing calf raise",
  "Barbell hip thrust",
];

/** A session with seven exercises of a small gym, all closed. */
async function openSeven(page: Page): Promise<void> {
  await registerStudio(page);
  const gym = await addGym(page, { begins: "small" });
  const known = { goal: "", level: "advanced", unit: "kg", notes: "" };
  const person = await submit(page, "/people/new", { name: "Ada Reads", ...known });
  const head = { title: "Seven", day: "2026-12-01", startTime: "", gymId: lastOf(gym) };
  await page.goto(await submit(page, "/plans/new", { ...head, personId: lastOf(person) }));
  const search = page.getByRole("combobox", { name: "Search exercises" });
  for (const name of SEVEN) {
    await search.fill(name);
    await search.press("Enter");
    await expect(exerciseRow(page, name)).toBeVisible();
  }
}

test("seven exercises are read whole at a desk, and gone through by Tab, Enter and Escape", async ({
  watched: page,
}) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await openSeven(page);
  await page.evaluate(() => window.scrollTo(0, 0));
  for (const name of SEVEN) await expect(exerciseRow(page, name)).toBeInViewport({ ratio: 1 });

  const head = (name: string) => exerciseRow(page, name).getByRole("heading").getByRole("button");
  await head("Back squat").focus();
  const stops: string[] = [];
  const search = page.getByRole("combobox", { name: "Search exercises" });
  while (!(await search.evaluate((field) => field === document.activeElement))) {
    stops.push(await page.evaluate(() => document.activeElement?.textContent ?? ""));
    expect(stops.length).toBeLessThanOrEqual(12);
    await page.keyboard.press("Tab");
  }
  expect(SEVEN.filter((name) => !stops.some((stop) => stop.includes(name)))).toEqual([]);

  await head("Leg extension").focus();
  await page.keyboard.press("Enter");
  const line = page.getByLabel("Sets of Leg extension, written");
  await expect(line).toBeFocused();
  await page.keyboard.type("3x12-15 at 40 RIR 1");
  await expect(page.getByLabel("Reps of set 3")).toHaveValue("12-15");
  await page.keyboard.press("Escape");
  await expect(head("Leg extension")).toBeFocused();
  await expect(line).toHaveCount(0);
  await expect(exerciseRow(page, "Leg extension")).toContainText("3 × 12–15 at 40 kg RIR 1");

  // Opening another closes the one before; what cannot be read keeps its exercise open.
  await head("Leg press").press("Enter");
  await page.keyboard.type("3 x nonsense");
  await head("Back squat").press("Enter");
  await expect(page.getByLabel("Sets of Leg press, written")).toHaveValue("3 x nonsense");
  // Nor is it lost by another panel, and closing what is kept open closes nothing else.
  await page.getByLabel("Sets of Leg press, written").press("Escape");
  await expect(page.getByLabel("Sets of Leg press, written")).toHaveValue("3 x nonsense");
  await exerciseRow(page, "Back squat").getByRole("button", { name: "Tempo" }).click();
  await page.getByLabel("Back squat: lower, seconds").fill("slowly");
  await exerciseRow(page, "Back squat")
    .getByRole("button", { name: /^Next time/ })
    .click();
  await expect(page.getByLabel("Back squat: lower, seconds")).toHaveValue("slowly");
  await page.getByLabel("Back squat: lower, seconds").press("Control+z");
  await expect(page.getByLabel("Sets of Back squat, written")).toBeVisible();
  await page.getByLabel("Sets of Leg press, written").press("Control+z");
  await expect(page.getByLabel("Sets of Leg press, written")).toHaveCount(0);

  await head("Seated leg curl").press("Alt+j");
  await expect(page.getByRole("region", { name: "4b. Seated leg curl" })).toBeVisible();
  await head("Standing calf raise").press("Alt+Delete");
  await expect(exerciseRow(page, "Standing calf raise")).toHaveCount(0);

  await head("Back squat").press("?");
  const keys = page.getByRole("dialog", { name: "Shortcuts" });
  await expect(keys).toContainText("Superset it with the one before");
  await page.keyboard.press("Escape");
  await expect(keys).toHaveCount(0);
});

test("undo goes back by words and cells while writing, and the fields follow", async ({
  watched: page,
}) => {
  await openBench(page, "Ada Undoes");
  const line = page.getByLabel("Sets of Back squat, written");
  const before = await line.inputValue();
  await line.focus();
  await page.keyboard.press("Control+a");
  await page.keyboard.type("2x8 at 60 RIR 1");
  await expect(page.getByLabel("RIR of set 1")).toHaveValue("1");
  await line.press("Control+z");
  await expect(line).toHaveValue("2 x 8 at 60 kg RIR 2");
  for (let i = 0; i < 3 && (await line.inputValue()) !== before; i++) await line.press("Control+z");
  await expect(line).toHaveValue(before);
  await expect(page.getByRole("button", { name: "Undo" })).toBeDisabled();

  // A cell is one step, however many letters it took; what is no value is taken back first.
  const load = page.getByLabel("Load of set 1, kg");
  await load.fill("");
  await load.pressSequentially("72,5");
  await page.getByLabel("Reps of set 1").fill("6");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByLabel("Reps of set 1")).toHaveValue("8-12");
  await expect(load).toHaveValue("72.5");
  await load.fill("heavy");
  await expect(page.getByRole("alert").first()).toBeVisible();
  await load.press("Control+z");
  await expect(load).toHaveValue("72.5");
  await load.press("Control+z");
  await expect(load).toHaveValue("60");
  await load.press("Control+Shift+z");
  await expect(load).toHaveValue("72.5");
});

test("title, day, time and gym are changed where they stand", async ({ watched: page }) => {
  await openBench(page, "Ada Places");
  await page.getByRole("button", { name: "Leg day", exact: true }).click();
  await page.getByLabel("Title").fill("Long legs");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Long legs");
  await page.getByTitle("Change day and time").click();
  await page.getByLabel("Day", { exact: true }).fill("2026-12-24");
  await page.getByLabel("Time", { exact: true }).fill("18:30");
  await page.keyboard.press("Escape");
  await expect(page.getByTitle("Change day and time")).toHaveText("Thu 24 Dec 2026, 18:30");
  await page.getByTitle("Change the gym").press("Enter");
  await expect(page.getByLabel("Gym")).toBeFocused();
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText(/saved, revision 3/i)).toBeVisible();
  await page.reload();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Long legs");
});

test("a planned session is deleted, counts nowhere, and is restored", async ({ watched: page }) => {
  await openBench(page, "Ada Deletes");
  const bench = new URL(page.url()).pathname;
  await page.getByRole("button", { name: "Delete the session" }).click();
  await expect(page.getByText(/^Deleted. It still shows/)).toBeVisible();
  await expect(page.getByRole("button", { name: "Start training" })).toBeDisabled();
  await page.getByRole("link", { name: "Ada Deletes" }).click();
  await expect(page.getByRole("row", { name: /Leg day/ })).toContainText("deleted");
  await page.goto("/");
  await expect(page.getByRole("link", { name: /Leg day/ })).toHaveCount(0);
  // Nor by an address: what is deleted is not trained.
  await page.goto(await submit(page, `${bench}/start`, {}));
  expect(new URL(page.url()).pathname).toBe(bench);
  await page.getByRole("button", { name: "Restore the session" }).click();
  await expect(page.getByRole("button", { name: "Start training" })).toBeEnabled();
  await page.goto("/");
  await expect(page.getByRole("link", { name: /Leg day/ }).first()).toBeVisible();
  // One that has begun is not deleted.
  await submit(page, `${bench}/start`, {});
  expect(await submit(page, `${bench}/delete`, {})).toBe(`${bench}?begun`);
});

test("a client is archived, out of every list, and restored", async ({ watched: page }) => {
  await openBench(page, "Ada Leaves");
  await page.getByRole("link", { name: "Ada Leaves" }).click();
  await page.getByRole("link", { name: "Edit", exact: true }).click();
  await page.getByRole("button", { name: "Archive Ada Leaves" }).click();
  await expect(
    page.getByText("Archived. Hidden from Today and every list; nothing is lost."),
  ).toBeVisible();
  await page.goto("/people");
  await expect(page.getByRole("link", { name: "Ada Leaves" })).toBeHidden();
  await page.getByText("1 archived").click();
  await page.getByRole("button", { name: "Restore Ada Leaves" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Ada Leaves");
  await expect(page.getByText("Archived. Hidden", { exact: false })).toHaveCount(0);
});

test("a gym is archived, offered nowhere, and restored; its sessions keep it", async ({
  watched: page,
}) => {
  await registerStudio(page);
  const gym = await addGym(page, { begins: "small" });
  const known = { goal: "", level: "advanced", unit: "kg", notes: "" };
  const person = await submit(page, "/people/new", { name: "Ada Stays", ...known });
  const head = { title: "Kept", day: "2026-12-01", startTime: "", gymId: lastOf(gym) };
  const plan = await submit(page, "/plans/new", { ...head, personId: lastOf(person) });
  await page.goto(gym);
  await page.getByRole("button", { name: "Archive this gym" }).click();
  await expect(page.getByText("It is offered nowhere.")).toBeVisible();
  await page.reload();
  await expect(page.getByText("It is offered nowhere.")).toBeVisible();
  await page.goto("/plans/new");
  await expect(page.getByText("A session needs a client and a gym first.")).toBeVisible();
  await page.goto(plan);
  await expect(page.getByText("Test Gym")).toBeVisible();
  await page.goto("/gyms");
  await page.getByText("1 archived").click();
  await page.getByRole("link", { name: "Test Gym" }).click();
  await page.getByRole("button", { name: "Restore this gym" }).click();
  await expect(page.getByRole("button", { name: "Archive this gym" })).toBeVisible();
});
