import { kind, type ValueOf } from "../../kernel/index.ts";
import { rirField } from "../../plan/index.ts";
import type { Cell } from "./cell.ts";

/** The reps that each set leaves. */
export const definition = kind("effort", { to: rirField });

export const step = (
  { to }: ValueOf<{ definition: typeof definition }>,
  { line: { sets } }: Cell,
) => ({
  reading: null,
  changes: [{ kind: "effort", set: null, from: sets[0].effort, to } as const],
});
