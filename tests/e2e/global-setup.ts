import { spawnSync } from "node:child_process";
import { dropDatabase, startDatabase } from "../../scripts/database.mjs";

/** A private MariaDB with the demo in it, for all tests of the interface. The build is made before. */
export default async function globalSetup(): Promise<() => Promise<void>> {
  await dropDatabase("test-e2e");
  const database = await startDatabase("test-e2e", ["kravo_e2e"]);
  const url = database.urlOf("kravo_e2e");
  process.env["KRAVO_E2E_DATABASE"] = url;
  const seeded = spawnSync("node_modules/.bin/tsx", ["scripts/seed.ts"], {
    env: { ...process.env, DATABASE_URL: url },
    encoding: "utf8",
  });
  if (seeded.status !== 0) throw new Error(`seeding failed:\n${seeded.stdout}\n${seeded.stderr}`);
  return () => database.stop();
}
