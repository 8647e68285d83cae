import type { NotationError } from "~/core/plan/notation/index.ts";
import { fail, type Result } from "~/core/kernel/index.ts";
import { formatNotationError } from "~/format/notation.ts";

/** What the notation read in a cell, with the first thing that is wrong in words. */
export function readTyped<V>(read: Result<V, readonly NotationError[]>): Result<V, string> {
  if (read.ok) return read;
  const [first] = read.error;
  return fail(first === undefined ? "Expected a value." : formatNotationError(first));
}
