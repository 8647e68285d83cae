import type { Browser, Page } from "@playwright/test";
import { addPerson, comingAlive, expect, registerStudio, submit, test } from "./kravo.ts";

/** A page of a device on which nobody is signed in. */
async function strangersPage(browser: Browser, from: Page): Promise<Page> {
  const context = await browser.newContext({ baseURL: new URL(from.url()).origin });
  return comingAlive(await context.newPage());
}

const NEW_PASSWORD = "three unrelated words here";

test("a second coach joins by a link, sees the studio, and owns nothing of it", async ({
  watched: page,
  browser,
}) => {
  await registerStudio(page);
  await addPerson(page, "Ada Shared");
  await page.goto("/coaches");
  await page.getByRole("button", { name: "Invite a coach" }).click();
  const link = await page.getByLabel("Invitation link").inputValue();
  expect(link).toMatch(/\/join#[\w-]{43}$/);

  const other = await strangersPage(browser, page);
  await other.goto(link);
  const email = `mate-${Date.now()}@test.example`;
  await other.getByLabel("Your name").fill("Mate Joins");
  await other.getByLabel("E-mail").fill(email);
  await other.getByLabel("Password").fill("short");
  await other.getByRole("button", { name: "Join" }).click();
  await expect(other.getByText("Expected at least 12 characters.")).toBeVisible();
  await other.getByLabel("Password").fill(NEW_PASSWORD);
  await other.getByRole("button", { name: "Join" }).click();
  await other.waitForURL((url) => url.pathname === "/");
  await other.goto("/people");
  await expect(other.getByText("Ada Shared")).toBeVisible();
  await other.goto("/coaches");
  await expect(other.getByRole("button", { name: "Invite a coach" })).toHaveCount(0);
  const refused = await other.request.post("/coaches.data", {
    form: { intent: "invite" },
    headers: { origin: new URL(other.url()).origin },
  });
  expect(refused.status()).toBe(403);

  // The link is used up.
  await page.goto("/coaches");
  await expect(page.getByText("Nobody is invited.")).toBeVisible();

  await page.getByRole("button", { name: "Remove Mate Joins" }).click();
  await expect(page.getByText("left", { exact: true })).toBeVisible();
  await other.goto("/people");
  await expect(other).toHaveURL(/\/sign-in/);
});

test("a password is changed, and a sign-in elsewhere is ended by it", async ({
  watched: page,
  browser,
}) => {
  const { email, password } = await registerStudio(page);
  const other = await strangersPage(browser, page);
  await other.goto("/sign-in");
  await other.getByLabel("E-mail").fill(email);
  await other.getByLabel("Password").fill(password);
  await other.getByRole("button", { name: "Sign in" }).click();
  await other.waitForURL((url) => url.pathname === "/" || url.pathname === "/gyms");

  await page.goto("/account");
  await expect(page.getByRole("table", { name: "Signed in" }).getByRole("row")).toHaveCount(3);
  await page.getByLabel("Current password").fill("not my password");
  await page.getByLabel("New password").fill(NEW_PASSWORD);
  await page.getByRole("button", { name: "Change password" }).click();
  await expect(page.getByText("This is not your current password.")).toBeVisible();
  await page.getByLabel("Current password").fill(password);
  await page.getByLabel("New password").fill(NEW_PASSWORD);
  await page.getByRole("button", { name: "Change password" }).click();
  await expect(page.getByText("Your password is changed")).toBeVisible();
  await expect(page.getByRole("table", { name: "Signed in" }).getByRole("row")).toHaveCount(2);
  await other.goto("/people");
  await expect(other).toHaveURL(/\/sign-in/);
});

test("a studio is deleted by its owner, who says its name and password", async ({
  watched: page,
}) => {
  const { email, password } = await registerStudio(page);
  await submit(page, "/people/new", {
    name: "Ada Gone",
    goal: "",
    level: "trained",
    unit: "kg",
    notes: "",
  });
  await page.goto("/coaches");
  await page.getByText("Delete every client, plan, log and account").click();
  const asked = page.getByLabel(/^To be sure, type/);
  await asked.fill("Another");
  await page.getByLabel("Current password").fill(password);
  await page.getByRole("button", { name: "Delete the studio" }).click();
  await expect(page.getByText(/^▸? ?Expected “/)).toBeVisible();
  const studio = (await page.getByText(/^To be sure, type/).innerText()).replace(/^.*type /i, "");
  await asked.fill(studio);
  await page.getByLabel("Current password").fill(password);
  await page.getByRole("button", { name: "Delete the studio" }).click();
  await expect(page).toHaveURL(/\/sign-in/);
  await page.getByLabel("E-mail").fill(email);
  await page.getByLabel("Password").fill(password);
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(
    page.getByText("No account has this e-mail address with this password."),
  ).toBeVisible();
});
