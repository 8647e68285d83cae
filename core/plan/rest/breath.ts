import { kind, type Seconds, type ValueOf } from "../../kernel/index.ts";
import { restSeconds } from "../fields.ts";
import { untilRecovered } from "../rest-span.ts";

/** Until breathing has settled; `likely` is what the coach expects, for the estimate only. */
export const definition = kind("breath", { likely: restSeconds });
type Breath = ValueOf<{ definition: typeof definition }>;

export const begin = (likely: Seconds): Breath => ({ kind: "breath", likely });
export const likely = (rest: Breath): Seconds => rest.likely;
export const span = (rest: Breath) => untilRecovered(rest.likely);
