import { idField, share, type ValueOf } from "../../kernel/index.ts";
import { percent, percentUpTo } from "../fields.ts";
import { spanKind } from "../share-span.ts";
import type { LoadBeginning } from "../load-beginning.ts";
import { ledTo, type Follows, type SetCopies } from "../reference.ts";

/** Of the total moved in an earlier set, or in one extension of it: a multiple of a drop. */
export const definition = spanKind("shareOfSet", {
  share: percent,
  upTo: percentUpTo,
  set: idField("set"),
  part: idField("extension").nullable(),
});
type ShareOfSet = ValueOf<{ definition: typeof definition }>;

/** Four fifths of the top set, or else of the first. */
export function begin({ before }: LoadBeginning): ShareOfSet | null {
  const first = before.find((set) => set.role === "top") ?? before.at(0);
  return first === undefined
    ? null
    : { kind: "shareOfSet", share: share(0.8), upTo: null, set: first.id, part: null };
}
export const lead = (rule: ShareOfSet, copies: SetCopies): ShareOfSet => ledTo(rule, copies);
export const follows = (): Follows => "set";
