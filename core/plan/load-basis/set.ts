import { idField, kind, type ValueOf } from "../../kernel/index.ts";
import { ledTo, type SetCopies } from "../reference.ts";

/** An earlier set, or one extension of it. */
export const definition = kind("set", {
  set: idField("set"),
  part: idField("extension").nullable(),
});
type SetBasis = ValueOf<{ definition: typeof definition }>;

export const lead = (basis: SetBasis, copies: SetCopies): SetBasis => ledTo(basis, copies);
