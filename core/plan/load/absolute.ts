import { kind, massField, type ValueOf } from "../../kernel/index.ts";
import type { LoadBeginning } from "../load-beginning.ts";

/** The load as it is read at the station. */
export const definition = kind("absolute", { reading: massField });
type Absolute = ValueOf<{ definition: typeof definition }>;

export const begin = ({ reading }: LoadBeginning): Absolute | null =>
  reading && { kind: "absolute", reading };
