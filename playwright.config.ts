import { defineConfig, type PlaywrightTestConfig } from "@playwright/test";
import { CHROMIUM_ARGS } from "./scripts/chromium.mjs";

const chromium = {
  browserName: "chromium" as const,
  launchOptions: {
    executablePath: process.env["KRAVO_CHROMIUM"] ?? "/usr/bin/chromium-headless-shell",
    args: CHROMIUM_ARGS,
  },
} satisfies PlaywrightTestConfig["use"];

/** Every screen is looked at in light on the desk and in dark on the phone; the long run adds the other pairs. */
const isLong = process.env["KRAVO_RUNS"] !== undefined;

export default defineConfig({
  testDir: "tests/e2e",
  outputDir: ".kravo/test-results",
  globalSetup: "./tests/e2e/global-setup.ts",
  // One more than there are cores: some of the tests wait, for a proxy or a poll. Measured 267 s against 310 s.
  workers: 3,
  fullyParallel: true,
  forbidOnly: true,
  // Waiting costs nothing where all is well, and the machine may be given a tenth of its cores for a while.
  timeout: 600_000,
  expect: { timeout: 60_000 },
  use: {
    ...chromium,
    actionTimeout: 60_000,
    trace: "off",
    locale: "en-GB",
    timezoneId: "Europe/Vienna",
  },
  projects: [
    {
      name: "desktop",
      ...(isLong ? {} : { grepInvert: /keeps to its width, dark/ }),
      use: { ...chromium, viewport: { width: 1280, height: 800 } },
    },
    {
      name: "phone",
      testMatch: /(story|screens)\.spec\.ts/,
      grepInvert: isLong ? /by keyboard alone/ : /by keyboard alone|keeps to its width, light/,
      use: { ...chromium, viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true },
    },
  ],
});
