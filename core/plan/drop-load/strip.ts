import { count, kind, type ValueOf } from "../../kernel/index.ts";
import { plates } from "../fields.ts";

/** So many of the outermost plates off each loading point. */
export const definition = kind("strip", { plates });
type Strip = ValueOf<{ definition: typeof definition }>;

export const begin = (): Strip => ({ kind: "strip", plates: count(1) });
