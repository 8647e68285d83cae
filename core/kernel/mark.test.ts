import { expect, it } from "vitest";
import { markOf } from "./mark.ts";

it("a mark is the same for equal values and another for every value of a thousand", () => {
  expect(markOf({ a: [1, null, "x"] })).toBe(markOf({ a: [1, null, "x"] }));
  expect(markOf("")).toMatch(/^[0-9a-f]{8}$/);
  const marks = new Set(Array.from({ length: 1000 }, (_, n) => markOf({ n })));
  expect(marks.size).toBe(1000);
});
