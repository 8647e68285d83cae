import { kind, type Seconds, type ValueOf } from "../../kernel/index.ts";
import { restSeconds } from "../fields.ts";
import { driftOf } from "../rest-span.ts";

export const definition = kind("fixed", { seconds: restSeconds });
type Fixed = ValueOf<{ definition: typeof definition }>;

export const begin = (likely: Seconds): Fixed => ({ kind: "fixed", seconds: likely });
export const likely = (rest: Fixed): Seconds => rest.seconds;
/** A timed rest drifts a little even with a timer. Source: our rule, docs/arithmetic.md § Time. */
export const span = (rest: Fixed) => driftOf(rest.seconds, 0.9, 1.25);
