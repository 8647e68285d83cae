import { idField, kind, type ValueOf } from "../../kernel/index.ts";
import { stepsUpOrDown } from "../fields.ts";
import type { LoadBeginning } from "../load-beginning.ts";
import type { Follows, SetCopies } from "../reference.ts";

/** So many of the station's own steps from an earlier set, negative for easier. */
export const definition = kind("stepsFromSet", { steps: stepsUpOrDown, set: idField("set") });
type IncrementsFromSet = ValueOf<{ definition: typeof definition }>;

export function begin({ before }: LoadBeginning): IncrementsFromSet | null {
  const last = before.at(-1);
  return last === undefined ? null : { kind: "stepsFromSet", steps: -1, set: last.id };
}
export const lead = (rule: IncrementsFromSet, { sets }: SetCopies): IncrementsFromSet => ({
  ...rule,
  set: sets.get(rule.set) ?? rule.set,
});
export const follows = (): Follows => "set";
