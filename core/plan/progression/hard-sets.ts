import { count, kind, type ValueOf } from "../../kernel/index.ts";
import type { RuleBeginning } from "../progression-beginning.ts";
import { lineSets } from "../fields.ts";

/** So many hard sets, whatever the equipment: for weeks in which loads cannot be compared. */
export const definition = kind("hardSets", { goal: lineSets });
type HardSets = ValueOf<{ definition: typeof definition }>;

export const begin = ({ sets }: RuleBeginning): HardSets => ({
  kind: "hardSets",
  goal: count(Math.min(20, sets)),
});
