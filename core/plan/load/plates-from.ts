import { z } from "zod";
import { count, kind, massField, type ValueOf } from "../../kernel/index.ts";
import { plates } from "../fields.ts";
import { beginBasis, followsBasis, leadBasis, loadBasisField } from "../load-basis.ts";
import type { LoadBeginning } from "../load-beginning.ts";
import type { Follows, SetCopies } from "../reference.ts";

/**
 * So many plates a side more or less than another load. Where no size is said, those on the outside come off, and
 * the largest that the equipment has go on.
 */
export const definition = kind("platesFrom", {
  by: z.enum(["plus", "minus"]),
  plates,
  size: massField.nullable(),
  basis: loadBasisField,
});
type PlatesFrom = ValueOf<{ definition: typeof definition }>;

export const begin = (from: LoadBeginning): PlatesFrom => ({
  kind: "platesFrom",
  by: "minus",
  plates: count(1),
  size: null,
  basis: beginBasis(from),
});
export const lead = (rule: PlatesFrom, copies: SetCopies): PlatesFrom => ({
  ...rule,
  basis: leadBasis(rule.basis, copies),
});
export const follows = ({ basis }: PlatesFrom): Follows => followsBasis(basis);
