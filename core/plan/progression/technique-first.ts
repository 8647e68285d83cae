import { count, kind, type ValueOf } from "../../kernel/index.ts";
import { sessions } from "../fields.ts";

/** Everything stays until no fault was seen in so many sessions in a row; then the next load. */
export const definition = kind("techniqueFirst", { clean: sessions });
type TechniqueFirst = ValueOf<{ definition: typeof definition }>;

export const begin = (): TechniqueFirst => ({ kind: "techniqueFirst", clean: count(2) });
