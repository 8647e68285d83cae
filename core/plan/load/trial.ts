import { count, kind, massField, type ValueOf } from "../../kernel/index.ts";
import { stays, type Leads } from "../load-follows.ts";
import { steps, tries } from "../fields.ts";
import type { LoadBeginning } from "../load-beginning.ts";

/** A feeler set at `from`, then up by steps until the load is found, at most so many tries. */
export const definition = kind("trial", { from: massField, steps, tries });
type Trial = ValueOf<{ definition: typeof definition }>;

export const begin = ({ reading }: LoadBeginning): Trial | null =>
  reading && { kind: "trial", from: reading, steps: count(1), tries: count(3) };
export const lead: Leads<Trial> = stays;
export { byItself as follows } from "../load-follows.ts";
