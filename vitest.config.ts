import { defineConfig } from "vitest/config";

const alias = { "~": import.meta.dirname };

/** The long run tries the seeded properties with many more cases. */
const isLong = process.env["KRAVO_RUNS"] !== undefined;

export default defineConfig({
  test: {
    passWithNoTests: false,
    projects: [
      {
        resolve: { alias },
        test: {
          name: "unit",
          // Files of one worker share what they imported.
          isolate: false,
          testTimeout: isLong ? 600_000 : 120_000,
          include: ["{core,codec,format,app,server,demo,testbed}/**/*.test.{ts,tsx}"],
        },
      },
      {
        resolve: { alias },
        test: {
          name: "db",
          // As above; the database is one for all of them anyway.
          isolate: false,
          globalSetup: "tests/db/private-database.ts",
          include: ["tests/db/**/*.test.ts"],
          fileParallelism: false,
          testTimeout: isLong ? 600_000 : 120_000,
          hookTimeout: 60_000,
        },
      },
    ],
  },
});
