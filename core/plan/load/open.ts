import { kind, type ValueOf } from "../../kernel/index.ts";
import { stays, type Leads } from "../load-follows.ts";

/** Still to be found. */
export const definition = kind("open", {});
type Open = ValueOf<{ definition: typeof definition }>;

export const begin = (): Open => ({ kind: "open" });
export const lead: Leads<Open> = stays;
export { byItself as follows } from "../load-follows.ts";
