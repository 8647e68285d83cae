import { kind, type ValueOf } from "../../kernel/index.ts";

/** The load stays as it is. */
export const definition = kind("keepLoad", {});
type KeepLoad = ValueOf<{ definition: typeof definition }>;

export const begin = (): KeepLoad => ({ kind: "keepLoad" });
