import { readFileSync } from "node:fs";
import { join } from "node:path";
import { gzipSync } from "node:zlib";
import { expect, test } from "@playwright/test";

interface BuiltRoute {
  readonly parentId?: string;
  readonly module: string;
  readonly imports: readonly string[];
}

/** The scripts that a page has before anything is done on it, as text. */
async function firstLoadOf(route: string): Promise<readonly string[]> {
  process.env["NODE_ENV"] ??= "production";
  const built = (await import(String(new URL("../../build/server/index.js", import.meta.url)))) as {
    build: {
      assets: {
        entry: { module: string; imports: readonly string[] };
        routes: Record<string, BuiltRoute>;
      };
    };
  };
  const { entry, routes } = built.build.assets;
  const files = new Set([entry.module, ...entry.imports]);
  for (let at = routes[route]; at !== undefined; at = routes[at.parentId ?? ""]) {
    for (const file of [at.module, ...at.imports]) files.add(file);
  }
  const read = (file: string) =>
    readFileSync(join(import.meta.dirname, "../../build/client", file), "utf8");
  return [...files].map(read);
}

/** Told by nothing but the written line, and by nothing but the built-in exercises. */
const PARSER = "notBefore";
const CATALOGUE = "sissy-squat";

test("the floor is loaded without the written line and the catalogue, which the editor has", async () => {
  const [floor, editor] = await Promise.all(
    ["routes/floor", "routes/bench"].map(async (route) => (await firstLoadOf(route)).join("\n")),
  );
  expect(editor).toContain(PARSER);
  expect(editor).toContain(CATALOGUE);
  expect(floor).not.toContain(PARSER);
  expect(floor).not.toContain(CATALOGUE);
});

test("signing in needs at most 200 kB of script, and no schema library", async () => {
  const scripts = await firstLoadOf("routes/sign-in");
  expect(scripts.join("\n")).not.toContain("ZodError");
  const bytes = scripts.reduce((sum, script) => sum + gzipSync(script).length, 0);
  expect(bytes).toBeLessThan(200_000);
});
