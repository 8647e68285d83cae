import type { Page } from "@playwright/test";
import { expect, test } from "./kravo.ts";

/** Counts what a hand does: presses, and keys beyond the names of people and places. */
function hands(page: Page) {
  const done = { presses: 0, keys: 0 };
  return {
    done,
    press: async (target: ReturnType<Page["getByRole"]>) => {
      done.presses += 1;
      await target.click();
    },
    /** A name of somebody or something, which counts as a press into its field alone. */
    name: async (target: ReturnType<Page["getByLabel"]>, text: string) => {
      done.presses += 1;
      await target.fill(text);
    },
    type: async (text: string) => {
      done.keys += text.length;
      await page.keyboard.type(text);
    },
    key: async (key: string) => {
      done.keys += 1;
      await page.keyboard.press(key);
    },
  };
}

for (const [device, size] of [
  ["a desk", { width: 1280, height: 800 }],
  ["a phone", { width: 390, height: 844 }],
] as const) {
  test(`from registering to the first logged set on ${device}, at most 35 presses and 60 keys`, async ({
    watched: page,
  }, info) => {
    await page.setViewportSize(size);
    const { done, press, name, type, key } = hands(page);
    const button = (text: string) => page.getByRole("button", { name: text, exact: true });
    const link = (text: string) => page.getByRole("link", { name: text, exact: true });
    await page.goto("/register");
    await name(page.getByLabel("Your name"), "Ada First");
    await name(page.getByLabel("Studio"), "First Room");
    await name(page.getByLabel("E-mail"), `first-${device.slice(2)}-${Date.now()}@test.example`);
    await name(page.getByLabel("Password"), "four unrelated words");
    await press(button("Register"));

    await expect(page.getByRole("heading", { name: "Where do you train?" })).toBeVisible();
    await expect(page.getByLabel("Time zone")).not.toHaveValue("");
    await name(page.getByLabel("Name"), "First Gym");
    await press(button("Add the gym"));

    await expect(page.getByRole("region", { name: "First steps" })).toBeVisible();
    await expect(page.getByText("Nobody trains today")).toHaveCount(0);
    await press(link("Add a client"));
    await name(page.getByLabel("Name"), "Bel First");
    await press(button("Add"));
    await press(link("Plan a session").first());
    await press(button("Plan the session"));

    await press(page.getByRole("combobox", { name: "Search exercises" }));
    await type("leg press");
    await key("Enter");
    await expect(page.getByRole("region", { name: "1. Leg press", exact: true })).toBeVisible();
    await press(button("Start training"));

    await expect(page.getByRole("region", { name: "Do this now" })).toBeVisible();
    await press(page.getByRole("button", { name: /^Log/ }).first());
    await expect(page.getByText("All saved on the server")).toBeVisible();
    await expect(page.getByText(/Work set 2 of 3/)).toBeVisible();
    await page.goto("/");
    await expect(page.getByRole("region", { name: "First steps" })).toHaveCount(0);
    info.annotations.push({ type: "hands", description: JSON.stringify(done) });
    console.log(`${device}: ${done.presses} presses, ${done.keys} keys beyond names`);
    expect(done.presses).toBeLessThanOrEqual(35);
    expect(done.keys).toBeLessThanOrEqual(60);
  });
}
