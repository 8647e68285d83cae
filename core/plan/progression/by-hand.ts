import { kind, type ValueOf } from "../../kernel/index.ts";

/** The coach says each time how it goes on. */
export const definition = kind("byHand", {});
type ByHand = ValueOf<{ definition: typeof definition }>;

export const begin = (): ByHand => ({ kind: "byHand" });
