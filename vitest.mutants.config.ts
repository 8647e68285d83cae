import { defineConfig } from "vitest/config";

/**
 * The tests that mutants of core are tried against: those beside the code and those of the wording and the codecs
 * over it. What reads the sources themselves, or simulates at length, tells nothing more and is left out.
 */
export default defineConfig({
  resolve: { alias: { "~": import.meta.dirname } },
  test: {
    testTimeout: 60_000,
    env: { KRAVO_RUNS: "25" },
    include: ["{core,codec,format}/**/*.test.ts"],
    exclude: ["core/kernel/forgotten-kind.test.ts", "core/progress/athletes.test.ts"],
  },
});
