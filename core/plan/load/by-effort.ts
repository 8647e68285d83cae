import { kind, type ValueOf } from "../../kernel/index.ts";
import { stays, type Leads } from "../load-follows.ts";

/** What the estimated maximum allows for the middle of the range and the reps to leave. */
export const definition = kind("byEffort", {});
type ByEffort = ValueOf<{ definition: typeof definition }>;

export const begin = (): ByEffort => ({ kind: "byEffort" });
export const lead: Leads<ByEffort> = stays;
export { onTheDay as follows } from "../load-follows.ts";
