import { kind, type ValueOf } from "../../kernel/index.ts";

/** What the estimated maximum allows for the middle of the range and the reps to leave. */
export const definition = kind("byEffort", {});
type ByEffort = ValueOf<{ definition: typeof definition }>;

export const begin = (): ByEffort => ({ kind: "byEffort" });
