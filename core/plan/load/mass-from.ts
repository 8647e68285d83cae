import { z } from "zod";
import { kg, kind, lb, massField, type ValueOf } from "../../kernel/index.ts";
import { beginBasis, followsBasis, leadBasis, loadBasisField } from "../load-basis.ts";
import type { LoadBeginning } from "../load-beginning.ts";
import type { Follows, SetCopies } from "../reference.ts";

/** So much more or less than another load: as it is read, or on each side of a bar or sled and in each hand. */
export const definition = kind("massFrom", {
  by: z.enum(["plus", "minus"]),
  mass: massField,
  counted: z.enum(["asRead", "perSide"]),
  basis: loadBasisField,
});
type MassFrom = ValueOf<{ definition: typeof definition }>;

export const begin = (from: LoadBeginning): MassFrom => ({
  kind: "massFrom",
  by: "minus",
  mass: from.unit === "kg" ? kg(10) : lb(20),
  counted: "asRead",
  basis: beginBasis(from),
});
export const lead = (rule: MassFrom, copies: SetCopies): MassFrom => ({
  ...rule,
  basis: leadBasis(rule.basis, copies),
});
export const follows = ({ basis }: MassFrom): Follows => followsBasis(basis);
