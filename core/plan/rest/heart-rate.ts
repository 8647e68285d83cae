import { count, kind, type Seconds, type ValueOf } from "../../kernel/index.ts";
import { heartRate, restSeconds } from "../fields.ts";
import { untilRecovered } from "../rest-span.ts";

/** Until the heart beats slower than so many times a minute. */
export const definition = kind("heartRate", { below: heartRate, likely: restSeconds });
type HeartRate = ValueOf<{ definition: typeof definition }>;

export const begin = (likely: Seconds): HeartRate => ({
  kind: "heartRate",
  below: count(110),
  likely,
});
export const likely = (rest: HeartRate): Seconds => rest.likely;
export const span = (rest: HeartRate) => untilRecovered(rest.likely);
