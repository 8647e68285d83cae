import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { SHIPPED_MOVEMENTS } from "~/core/movement/catalogue/index.ts";
import { parseLine, writeLine, type NotationContext } from "~/core/plan/notation/index.ts";
import { seconds } from "~/core/kernel/index.ts";
import { sampleNewId } from "../tests/samples/index.ts";
import { LESSONS } from "./lessons.ts";
import { TEMPO_PHASES } from "~/core/plan/index.ts";

const CONTEXT: NotationContext = {
  unit: "kg",
  defaults: { effort: 2, rest: { kind: "fixed", seconds: seconds(120) }, side: { kind: "both" } },
  tempo: TEMPO_PHASES,
  exercises: [[]],
  own: 0,
  nameOf: () => null,
  movementNamed: (name) => SHIPPED_MOVEMENTS.find((m) => m.name === name)?.ref ?? null,
};

describe("the lessons", () => {
  const lines = LESSONS.flatMap((lesson) => lesson.examples.map((example) => example.line));

  it.each(lines)("%s is read and written back to the same", (line) => {
    const read = parseLine(line, [], CONTEXT, sampleNewId);
    if (!read.ok) throw new Error(JSON.stringify(read.error));
    const again = parseLine(writeLine(read.value, CONTEXT), read.value, CONTEXT, sampleNewId);
    expect(again).toEqual(read);
  });

  it("stand in docs/notation.md, all of them", () => {
    const doc = readFileSync(new URL("../docs/notation.md", import.meta.url), "utf8");
    for (const line of lines) expect(doc).toContain(line);
  });
});
