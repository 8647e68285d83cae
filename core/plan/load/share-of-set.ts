import { idField, kind, share, type ValueOf } from "../../kernel/index.ts";
import { percent } from "../fields.ts";
import type { LoadBeginning } from "../load-beginning.ts";

/** Of the total moved in an earlier set, or in one part of it: a multiple of a drop. */
export const definition = kind("shareOfSet", {
  share: percent,
  set: idField("set"),
  part: idField("extension").nullable(),
});
type ShareOfSet = ValueOf<{ definition: typeof definition }>;

/** Four fifths of the top set, or else of the first. */
export function begin({ before }: LoadBeginning): ShareOfSet | null {
  const first = before.find((set) => set.role === "top") ?? before.at(0);
  return first === undefined
    ? null
    : { kind: "shareOfSet", share: share(0.8), set: first.id, part: null };
}
