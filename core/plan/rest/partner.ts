import { kind, type Seconds, type ValueOf } from "../../kernel/index.ts";
import { restSeconds } from "../fields.ts";
import { untilRecovered } from "../rest-span.ts";

/** Two people share a station: the other's set is the rest. */
export const definition = kind("partner", { likely: restSeconds });
type Partner = ValueOf<{ definition: typeof definition }>;

export const begin = (likely: Seconds): Partner => ({ kind: "partner", likely });
export const likely = (rest: Partner): Seconds => rest.likely;
export const span = (rest: Partner) => untilRecovered(rest.likely);
