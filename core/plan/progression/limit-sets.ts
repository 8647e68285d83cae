import { count, kind, type ValueOf } from "../../kernel/index.ts";
import { sessions } from "../fields.ts";

/** The last set to the limit once in so many sessions; what it shows decides the load until the next one. */
export const definition = kind("limitSets", { every: sessions });
type LimitSets = ValueOf<{ definition: typeof definition }>;

export const begin = (): LimitSets => ({ kind: "limitSets", every: count(4) });
