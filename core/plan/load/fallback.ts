import { z } from "zod";
import { kind, massField, type ValueOf } from "../../kernel/index.ts";
import { stays, type Leads } from "../load-follows.ts";
import { BOUNDS } from "../bounds.ts";
import type { LoadBeginning } from "../load-beginning.ts";

/** A load, and what the next set goes to where this one falls short; the same reading says "again". */
export const definition = kind("fallback", {
  reading: massField,
  then: z.array(massField).min(BOUNDS.fallbacks.least).max(BOUNDS.fallbacks.most).readonly(),
});
type Fallback = ValueOf<{ definition: typeof definition }>;

export const begin = ({ reading }: LoadBeginning): Fallback | null =>
  reading && { kind: "fallback", reading, then: [reading] };
export const lead: Leads<Fallback> = stays;
export { byItself as follows } from "../load-follows.ts";
