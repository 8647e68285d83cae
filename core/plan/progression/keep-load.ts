import { kind, type ValueOf } from "../../kernel/index.ts";

/** Everything stays as it is, and nobody is asked. */
export const definition = kind("keepLoad", {});
type KeepLoad = ValueOf<{ definition: typeof definition }>;

export const begin = (): KeepLoad => ({ kind: "keepLoad" });
