import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";

const SHEETS = [
  "app/theme/plain.module.css",
  "app/components/bench/bench.module.css",
  "app/components/phase/phase-sheet.module.css",
  "app/components/today/today.module.css",
  "app/components/season/season.module.css",
  "app/components/today/first-steps.module.css",
  "app/components/suggest/suggest.module.css",
  "app/components/clients/clients.module.css",
  "app/components/person/training-log.module.css",
];

/** What stands in a sheet without what its rules say: selectors alone. */
const selectorsOf = (css: string) =>
  css.replace(/\/\*[\s\S]*?\*\//g, "").replace(/\{[^{}]*\}/g, "{}");

describe.each(SHEETS)("%s", (path) => {
  it("is declared with exactly the classes that it has", () => {
    const css = readFileSync(path, "utf8");
    const found = [...selectorsOf(css).matchAll(/\.([a-zA-Z][\w-]*)/g)].map(([, name]) => name);
    const declared = readFileSync(`${path}.d.ts`, "utf8").matchAll(/readonly (\w+): string/g);
    expect([...declared].map(([, name]) => name)).toEqual([...new Set(found)].toSorted());
  });
});
