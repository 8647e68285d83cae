import { count, kind, type ValueOf } from "../../kernel/index.ts";
import { steps } from "../fields.ts";

/** So many of the station's own steps down: pins, pairs, smallest plates. */
export const definition = kind("steps", { steps });
type IncrementsDown = ValueOf<{ definition: typeof definition }>;

export const begin = (): IncrementsDown => ({ kind: "steps", steps: count(1) });
