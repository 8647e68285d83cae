import { count, kind, type ValueOf } from "../../kernel/index.ts";
import type { RuleBeginning } from "../progression-beginning.ts";
import { amount, gain } from "../fields.ts";

/** Each set against the same set last time: so many more, up to the top of its range; then the next load, and from below again. */
export const definition = kind("beatLast", { by: gain, from: amount });
type BeatLast = ValueOf<{ definition: typeof definition }>;

export const begin = ({ least }: RuleBeginning): BeatLast => ({
  kind: "beatLast",
  by: count(1),
  from: count(Math.max(1, least)),
});
