import { kind, type ValueOf } from "../../kernel/index.ts";

/** No added load at all. */
export const definition = kind("bodyweight", {});
type BodyAlone = ValueOf<{ definition: typeof definition }>;

export const begin = (): BodyAlone => ({ kind: "bodyweight" });
