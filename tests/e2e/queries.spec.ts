import { createServer } from "node:http";
import type { Express } from "express";
import type { Knex } from "knex";
import {
  addGymWithRack,
  addPerson,
  expect,
  lastOf,
  planSquats,
  registerStudio,
  test,
} from "./kravo.ts";

/** The production build in this process, so that its queries can be counted. */
interface Built {
  openDatabase(url: string): Knex;
  createApp(environment: object, db: Knex): Express;
  readEnvironment(env: object): { value: object };
}

test("a page needs the same queries for twenty people and sessions as for one", async ({
  page,
  context,
}) => {
  const built = (await import(
    String(new URL("../../build/server/index.js", import.meta.url))
  )) as Built;
  const url = process.env["KRAVO_E2E_DATABASE"] ?? "";
  const db = built.openDatabase(url);
  const settings = { NODE_ENV: "production", DATABASE_URL: url, PORT: "0", LOG_LEVEL: "silent" };
  const { value } = built.readEnvironment({ ...settings, PUBLIC_ORIGIN: "http://127.0.0.1:1" });
  const server = createServer(built.createApp(value, db));
  await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
  const address = server.address();
  const origin = `http://127.0.0.1:${typeof address === "object" ? address?.port : ""}`;
  let queries = 0;
  db.on("query", () => (queries += 1));

  await registerStudio(page);
  const where = await addGymWithRack(page);
  const person = await addPerson(page, "Person 1");
  const bench = await planSquats(page, person, where);
  const cookie = (await context.cookies()).map((c) => `${c.name}=${c.value}`).join("; ");
  const plan = `/plans/new?person=${lastOf(person)}`;
  const count = async () => {
    const counts: Record<string, number> = {};
    for (const path of ["/", "/people", "/gyms", person, `${person}/brief`, bench, plan]) {
      queries = 0;
      const response = await fetch(`${origin}${path}`, { headers: { cookie } });
      expect(response.status, path).toBe(200);
      counts[path] = queries;
    }
    return counts;
  };
  const one = await count();
  for (let n = 2; n <= 20; n++) await planSquats(page, await addPerson(page, `Person ${n}`), where);
  expect(await count()).toEqual(one);
  for (const [path, n] of Object.entries(one)) expect(n, path).toBeLessThanOrEqual(15);
  server.close();
  await db.destroy();
});
