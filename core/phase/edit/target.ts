import { kind, type ValueOf } from "../../kernel/index.ts";
import { targetField } from "../../plan/index.ts";
import type { Cell } from "./cell.ts";

/** What each set asks for. */
export const definition = kind("target", { to: targetField });

export const step = (
  { to }: ValueOf<{ definition: typeof definition }>,
  { line: { sets } }: Cell,
) => ({
  reading: null,
  changes: [{ kind: "target", set: null, from: sets[0].target, to } as const],
});
