import { rangeKind, seconds, type ValueOf } from "../../kernel/index.ts";
import type { RuleBeginning } from "../progression-beginning.ts";
import { restSeconds, secondsMore } from "../fields.ts";

/** The same load with less rest, down to the least; then the next load, with the rest that it began with. */
export const definition = rangeKind("density", {
  /** The least rest, and the rest after a step up. */
  min: restSeconds,
  max: restSeconds,
  by: secondsMore,
});
type Density = ValueOf<{ definition: typeof definition }>;

export const begin = ({ rest }: RuleBeginning): Density => ({
  kind: "density",
  min: seconds(Math.round(rest / 2)),
  max: rest,
  by: seconds(15),
});
