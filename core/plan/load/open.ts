import { kind, type ValueOf } from "../../kernel/index.ts";

/** Still to be found. */
export const definition = kind("open", {});
type Open = ValueOf<{ definition: typeof definition }>;

export const begin = (): Open => ({ kind: "open" });
