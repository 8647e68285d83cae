import { kind, type ValueOf } from "../../kernel/index.ts";
import { stays, type Leads } from "../load-follows.ts";
import { stepsEitherWay } from "../fields.ts";

/** What was used last time here, and so many steps from it. */
export const definition = kind("fromLast", { steps: stepsEitherWay });
type FromLast = ValueOf<{ definition: typeof definition }>;

export const begin = (): FromLast => ({ kind: "fromLast", steps: 0 });
export const lead: Leads<FromLast> = stays;
export { byItself as follows } from "../load-follows.ts";
