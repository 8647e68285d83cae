import { count, kind, type ValueOf } from "../../kernel/index.ts";
import { sessions } from "../fields.ts";

/** The next load as soon as what is asked was reached, so many sessions in a row. */
export const definition = kind("smallestStep", { after: sessions });
type SmallestStep = ValueOf<{ definition: typeof definition }>;

export const begin = (): SmallestStep => ({ kind: "smallestStep", after: count(1) });
