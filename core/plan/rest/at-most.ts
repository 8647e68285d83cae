import { kind, type Seconds, type ValueOf } from "../../kernel/index.ts";
import { restSeconds } from "../fields.ts";
import { driftOf } from "../rest-span.ts";

export const definition = kind("atMost", { seconds: restSeconds });
type AtMost = ValueOf<{ definition: typeof definition }>;

export const begin = (likely: Seconds): AtMost => ({ kind: "atMost", seconds: likely });
export const likely = (rest: AtMost): Seconds => rest.seconds;
/** A ceiling is often not used up. Source: our rule, docs/arithmetic.md § Time. */
export const span = (rest: AtMost) => driftOf(rest.seconds, 0.5, 1);
