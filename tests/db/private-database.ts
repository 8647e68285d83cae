import type { TestProject } from "vitest/node";
import { dropDatabase, startDatabase } from "../../scripts/database.mjs";

declare module "vitest" {
  export interface ProvidedContext {
    databaseUrl: string;
  }
}

/** A private MariaDB for the database tests, made afresh and ended with them. */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  await dropDatabase("test-db");
  const database = await startDatabase("test-db", ["kravo_test"]);
  project.provide("databaseUrl", database.urlOf("kravo_test"));
  return () => database.stop();
}
