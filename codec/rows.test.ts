import { expect, it } from "vitest";
import { z } from "zod";
import { jsonColumn } from "./rows.ts";

it("says the same value for the same text, and checks another one anew", () => {
  const column = jsonColumn(z.object({ reps: z.int().max(10) }));
  const read = column.parse('{"reps":8}');
  expect(column.parse('{"reps":8}')).toBe(read);
  expect(column.parse('{"reps":9}')).toEqual({ reps: 9 });
  expect(() => column.parse('{"reps":11}')).toThrow(z.ZodError);
  expect(() => column.parse('{"reps":11}')).toThrow(z.ZodError);
  expect(() => column.parse('{"reps"')).toThrow(SyntaxError);
  expect(() => column.parse({ reps: 8 })).toThrow(z.ZodError);
});

it("remembers that a column holds null, and keeps it apart from nothing", () => {
  const column = jsonColumn(z.object({}).nullable());
  expect(column.parse("null")).toBeNull();
  expect(column.parse("null")).toBeNull();
  expect(() => column.parse(null)).toThrow(z.ZodError);
});
