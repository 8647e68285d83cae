import { kind, type ValueOf } from "../../kernel/index.ts";

/** Repetitions to the top of the range in every set, then the smallest step. */
export const definition = kind("doubleProgression", {});
type DoubleProgression = ValueOf<{ definition: typeof definition }>;

export const begin = (): DoubleProgression => ({ kind: "doubleProgression" });
