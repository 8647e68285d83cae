import { count, kind, type ValueOf } from "../../kernel/index.ts";
import type { RuleBeginning } from "../progression-beginning.ts";
import { amount } from "../fields.ts";

/** Repetitions in all, over every set of the line and what follows it, to a goal; the loads stay until it is reached. */
export const definition = kind("totalReps", { goal: amount });
type TotalReps = ValueOf<{ definition: typeof definition }>;

export const begin = ({ inAll }: RuleBeginning): TotalReps => ({
  kind: "totalReps",
  goal: count(Math.min(1000, Math.max(1, inAll))),
});
