import { count, rangeKind, type ValueOf } from "../../kernel/index.ts";
import type { RuleBeginning } from "../progression-beginning.ts";
import { lineSets, sessions } from "../fields.ts";

/** A set more each time what is asked was reached; at the most the next load, with the least. A set fewer where it was missed twice. */
export const definition = rangeKind("addSets", { min: lineSets, max: lineSets, after: sessions });
type AddSets = ValueOf<{ definition: typeof definition }>;

export const begin = ({ sets }: RuleBeginning): AddSets => ({
  kind: "addSets",
  min: count(Math.min(20, sets)),
  max: count(Math.min(20, sets + 2)),
  after: count(1),
});
