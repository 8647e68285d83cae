import { z } from "zod";
import { count, kg, kind, lb, type ValueOf } from "../../kernel/index.ts";
import { increment, sessions } from "../fields.ts";
import type { RuleBeginning } from "../progression-beginning.ts";

/** So much more, in all or on each side, as soon as what is asked was reached so many sessions in a row. */
export const definition = kind("fixedIncrement", {
  by: increment,
  counted: z.enum(["asRead", "perSide"]),
  after: sessions,
});
type FixedIncrement = ValueOf<{ definition: typeof definition }>;

export const begin = ({ unit }: RuleBeginning): FixedIncrement => ({
  kind: "fixedIncrement",
  by: unit === "kg" ? kg(2.5) : lb(5),
  counted: "asRead",
  after: count(1),
});
