import { kind, type ValueOf } from "../../kernel/index.ts";
import { restSeconds, restSpan } from "../../plan/index.ts";
import type { Cell } from "./cell.ts";

/** The rest after each set. */
export const definition = kind("rest", { to: restSeconds });

export const step = (
  { to }: ValueOf<{ definition: typeof definition }>,
  { line: { sets } }: Cell,
) => ({
  reading: null,
  changes: [{ kind: "rest", from: restSpan(sets[0].restAfter).likely, to } as const],
});
