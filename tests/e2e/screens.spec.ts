import AxeBuilder from "@axe-core/playwright";
import type { Page } from "@playwright/test";
import { expect, registerStudio, signInToDemo, test } from "./kravo.ts";

/** The address of every screen of the demo, found by following its own links, without drawing a page. */
async function screensOf(page: Page): Promise<readonly (readonly [string, string])[]> {
  const hrefOf = async (at: string, link: RegExp): Promise<string> => {
    const html = await (await page.request.get(at)).text();
    return (
      [...html.matchAll(/<a\s[^>]*?href="([^"]+)"/g)].find(([, to]) => link.test(to!))?.[1] ?? ""
    );
  };
  const floor = await hrefOf("/", /^\/floor\//);
  const review = await hrefOf("/", /^\/runs\//);
  const bench = await hrefOf("/", /^\/plans\/(?!new)/);
  const person = await hrefOf("/people", /^\/people\/(?!new)/);
  const gym = await hrefOf("/gyms", /^\/gyms\//);
  const station = await hrefOf(gym, /\/stations\/(?!new)/);
  return [
    ["today", "/"],
    ["people", "/people"],
    ["add a person", "/people/new"],
    ["person", person],
    ["edit a person", `${person}/edit`],
    ["brief", `${person}/brief`],
    ["loads by reps", `${person}/strength`],
    ["writing sets", "/writing-sets"],
    ["settings", "/settings"],
    ["account", "/account"],
    ["coaches", "/coaches"],
    ["changes", "/changes"],
    ["strength rules", "/strength-rules"],
    ["approaches", "/approaches"],
    ["approach", "/approaches/shipped-of-long-muscle"],
    ["gyms", "/gyms"],
    ["gym", gym],
    ["station", station],
    ["add a station", `${gym}/stations/new`],
    ["movements", "/movements"],
    ["write a movement", "/movements/new?from=shipped:leg-press"],
    ["plan", "/plans/new"],
    ["templates", "/templates"],
    ["bench", bench],
    ["sheet", `${bench}/sheet`],
    ["review", review],
    ["floor", floor],
    ["not found", "/no/such/page"],
  ];
}

/** Rows and entries after these are drawn by the same code as those before, and a hundred of them take long. */
const REPEATED = [
  "tbody tr:nth-of-type(n+5)",
  "main details:nth-of-type(n+5)",
  "main li:nth-of-type(n+7)",
  "option:nth-of-type(n+4)",
];

/** Once in the light scheme; of the dark one the contrast of its tokens is tested, and nothing else differs. */
async function expectAccessible(page: Page, name: string, scheme = "light"): Promise<void> {
  if (scheme === "dark") return;
  // No page has frames, and without them the audit needs no second page for its answer.
  const axe = REPEATED.reduce(
    (builder, rows) => builder.exclude(rows),
    new AxeBuilder({ page }).options({ resultTypes: ["violations"] }).setLegacyMode(),
  );
  const { violations } = await axe.analyze();
  const found = violations.map(
    (v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 160)).join(" | ")}`,
  );
  expect(found, name).toEqual([]);
}

/** In two parts, so that two workers share them. */
const PARTS = 2;

for (const [scheme, part] of (["light", "dark"] as const).flatMap((s) =>
  Array.from({ length: PARTS }, (_, i) => [s, i] as const),
)) {
  test(`every screen, part ${part + 1}, is accessible and keeps to its width, ${scheme}`, async ({
    watched: page,
  }) => {
    test.slow();
    await page.emulateMedia({ colorScheme: scheme, reducedMotion: "reduce" });
    for (const [name, address] of [
      ["sign in", "/sign-in"],
      ["register", "/register"],
    ] as const) {
      if (part > 0) break;
      await page.goto(address);
      await expectAccessible(page, name, scheme);
    }
    await signInToDemo(page);
    for (const [i, [name, address]] of (await screensOf(page)).entries()) {
      expect(address, name).not.toBe("");
      if (name === "not found" || i % PARTS !== part) continue;
      await page.goto(address);
      await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
      await expectAccessible(page, name, scheme);
      // A form in steps shows one of them at a time.
      for (const step of await page.locator("nav[aria-label='Steps of the brief'] button").all()) {
        await step.click();
        await expectAccessible(page, `${name}, ${await step.textContent()}`, scheme);
      }
      const overflow = await page.evaluate(
        () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
      );
      expect(overflow, `${name} is wider than the screen`).toBeLessThanOrEqual(0);
    }
  });
}

test("the empty studio tells what to do first, and is accessible", async ({ watched: page }) => {
  await registerStudio(page);
  for (const [address, text] of [
    ["/", "Four steps to the first logged set"],
    ["/people", "No clients yet"],
    ["/gyms", "Where do you train?"],
    ["/plans/new", "A session needs a client and a gym first."],
  ] as const) {
    await page.goto(address);
    await expect(page.getByText(text, { exact: false }).first()).toBeVisible();
    await expectAccessible(page, address);
  }
});

test("a set is logged by keyboard alone", async ({ page }) => {
  await signInToDemo(page);
  await page.goto("/");
  const press = async (name: RegExp) => {
    for (let i = 0; i < 80; i++) {
      const focused = await page.evaluate(() => {
        const at = document.activeElement;
        if (at?.tagName !== "A" && at?.tagName !== "BUTTON") return "";
        return `${at.getAttribute("aria-label") ?? ""} ${at.textContent}`.trim();
      });
      if (name.test(focused)) return page.keyboard.press("Enter");
      await page.keyboard.press("Tab");
    }
    throw new Error(`the keyboard never reached ${String(name)}`);
  };
  await page.keyboard.press("Tab");
  await page.keyboard.press("Enter"); // skip to the page
  await press(/is training/);
  await expect(
    page.getByRole("region", { name: "Log this set" }).getByRole("button", { name: /^Log/ }),
  ).toBeEnabled();
  const steps = page.getByRole("navigation", { name: "Steps of this session" });
  const before = await steps.getByText(/RIR 2/).count();
  await press(/^RIR 2/);
  await press(/^Log \d+ reps/);
  await expect(steps.getByText(/RIR 2/)).toHaveCount(before + 1);
});

test("targets on the floor are at least 44 pixels high", async ({ page }) => {
  await signInToDemo(page);
  await page.goto((await page.locator("a[href^='/floor/']").first().getAttribute("href")) ?? "");
  await expect(page.getByRole("button", { name: /^Log/ })).toBeEnabled();
  const panel = page.getByRole("region", { name: "Log this set" });
  for (const button of await panel.getByRole("button").all()) {
    const box = await button.boundingBox();
    const name = await button.innerText();
    if (box !== null) expect(Math.round(box.height), name).toBeGreaterThanOrEqual(44);
  }
});
