import { idField, kind, type ValueOf } from "../../kernel/index.ts";
import type { LoadBeginning } from "../load-beginning.ts";
import { ledTo, type Follows, type SetCopies } from "../reference.ts";

/** Exactly the load of an earlier set, or of one extension of it, on the same equipment: nothing is rounded. */
export const definition = kind("sameAsSet", {
  set: idField("set"),
  part: idField("extension").nullable(),
});
type SameAsSet = ValueOf<{ definition: typeof definition }>;

export function begin({ before }: LoadBeginning): SameAsSet | null {
  const last = before.at(-1);
  return last === undefined ? null : { kind: "sameAsSet", set: last.id, part: null };
}
export const lead = (rule: SameAsSet, copies: SetCopies): SameAsSet => ledTo(rule, copies);
export const follows = (): Follows => "set";
