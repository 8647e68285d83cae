import { kind, type ValueOf } from "../../kernel/index.ts";

/** The first work set of last time, with this exercise on this equipment. */
export const definition = kind("last", {});
type Last = ValueOf<{ definition: typeof definition }>;

export const lead = (basis: Last): Last => basis;
