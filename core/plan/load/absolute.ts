import { kind, massField, type ValueOf } from "../../kernel/index.ts";
import { stays, type Leads } from "../load-follows.ts";
import type { LoadBeginning } from "../load-beginning.ts";

/** The load as it is read at the station. */
export const definition = kind("absolute", { reading: massField });
type Absolute = ValueOf<{ definition: typeof definition }>;

export const begin = ({ reading }: LoadBeginning): Absolute | null =>
  reading && { kind: "absolute", reading };
export const lead: Leads<Absolute> = stays;
export { byItself as follows } from "../load-follows.ts";
